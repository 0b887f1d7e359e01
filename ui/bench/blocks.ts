import type { DraftPart } from '@/core/messages/bench-draft';
import { kindOf } from '@/core/parts';
import { listText } from '@/core/words/words';

/** Where all legs of a part with stiff legs are, once some are known. */
export interface Block {
  readonly at: Readonly<Record<string, string>>;
  /** The places of the legs that were not known, in words: `f5, e7 and f7`. */
  readonly rest: string;
}

/** More legs than these are said by the first and the last. */
const MOST_SAID = 4;

/**
 * The ways in which the other legs of a part with a fixed pattern of legs can stand, going by those that are in holes
 * of a breadboard of so many rows; none when no leg is, all are, or they stand as the part cannot.
 */
export function waysOfBlock(part: DraftPart, rows: number): readonly Block[] {
  const { footprint, legs } = kindOf(part.kind);
  if (footprint.type !== 'block') return [];
  const known = Object.entries(part.at).flatMap(([leg, place]) => {
    const found = /^([a-j])(\d+)$/i.exec(place.trim());
    return found ? [{ leg, column: found[1]!.toLowerCase(), row: Number(found[2]) }] : [];
  });
  const isSaid = ({ name }: (typeof legs)[number]): boolean => (part.at[name] ?? '').trim() !== '';
  const missing = legs.filter((leg) => !isSaid(leg)).map(({ name }) => name as string);
  const [first] = known;
  if (!first || missing.length === 0 || known.length + missing.length !== legs.length) return [];
  const { one, other, columns } = footprint;
  const length = Math.max(one.length, other.length);
  const turns =
    other.length > 0
      ? ([
          [false, false],
          [true, true],
        ] as const)
      : ([
          [false, false],
          [true, false],
        ] as const);
  const found: Block[] = [];
  for (const [isTurned, isFlipped] of turns) {
    const sides = [
      [one, other.length === 0 ? first.column : columns[isFlipped ? 1 : 0]],
      [other, columns[isFlipped ? 0 : 1]],
    ] as const;
    const seats = new Map<string, { readonly column: string; readonly by: number }>();
    for (const [names, column] of sides)
      names.forEach((leg, index) => {
        if (leg !== null) seats.set(leg, { column, by: isTurned ? length - 1 - index : index });
      });
    const top = first.row - (seats.get(first.leg)?.by ?? 0);
    const fits = known.every(({ leg, column, row }) => {
      const seat = seats.get(leg);
      return seat?.column === column && seat.by + top === row;
    });
    const isInside = [...seats.values()].every(({ by }) => top + by >= 1 && top + by <= rows);
    if (!fits || !isInside) continue;
    const at = Object.fromEntries([...seats].map(([leg, { column, by }]) => [leg, `${column}${top + by}`]));
    const places = missing.map((leg) => at[leg] ?? '');
    found.push({
      at,
      rest: places.length <= MOST_SAID ? listText(places) : `${places[0]!} … ${places.at(-1)!}`,
    });
  }
  return found;
}
