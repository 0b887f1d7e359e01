import type { PlacedPart, Wiring } from '../wiring/wiring';

/** LEDs that make a line: of two, either end is the first. */
const SHORTEST_LINE = 3;

/** Where a part stands along a breadboard; `undefined` where it does not stand on one side of it. */
function standsAt(
  part: PlacedPart | undefined,
): { readonly strip: string; readonly row: number } | undefined {
  const holes = (part?.legs ?? []).flatMap(({ at }) => (at?.type === 'hole' ? [at] : []));
  const [first] = holes;
  if (!first) return undefined;
  const stripOf = ({ ref, column }: typeof first): string => `${ref}${/[a-e]/.test(column)}`;
  if (holes.some((hole) => stripOf(hole) !== stripOf(first))) return undefined;
  return { strip: stripOf(first), row: holes.reduce((sum, { row }) => sum + row, 0) / holes.length };
}

/**
 * The parts of these names as they follow each other along the breadboard, from the end that the first is nearer to;
 * `undefined` where they do not stand in one line.
 */
export function alongBoard({ parts }: Wiring, names: readonly string[]): readonly string[] | undefined {
  const standing = names.flatMap((name) => {
    const place = standsAt(parts.find(({ ref }) => ref === name));
    return place ? [{ name, ...place }] : [];
  });
  const rows = new Set(standing.map(({ row }) => row));
  const strips = new Set(standing.map(({ strip }) => strip));
  if (names.length < SHORTEST_LINE || rows.size < names.length || strips.size !== 1) return undefined;
  const along = standing.toSorted((one, other) => one.row - other.row).map(({ name }) => name);
  const isFromTheEnd = along.indexOf(names[0]!) >= along.length / 2;
  return isFromTheEnd ? along.toReversed() : along;
}

/** Whether parts are of one kind and value: nothing but their places tells them apart. */
export function areAlike({ parts }: Wiring, names: readonly string[]): boolean {
  const looks = names.map((name) => {
    const part = parts.find(({ ref }) => ref === name);
    return part && `${part.kind} ${part.value.text}`;
  });
  return looks.every((look) => look !== undefined && look === looks[0]);
}
