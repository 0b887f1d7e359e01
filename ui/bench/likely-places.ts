import { columns } from '@/core/breadboards';
import type { DraftPart } from '@/core/messages/bench-draft';
import type { LegKey } from './bench-state';

/** Places that are offered. */
const MOST = 5;
/** Rows from one leg of a part in which its other leg is looked for. */
const REACH = [1, -1, 2, 3, 4];

interface Hole {
  readonly column: string;
  readonly row: number;
}

/**
 * Holes that an end is likely to be in: near the part's other leg, then beside an end that still shares its strip with
 * nothing. Only free ones, in a breadboard of so many rows.
 */
export function likelyPlaces(
  parts: readonly DraftPart[],
  { ref, leg }: LegKey,
  rows: number,
): readonly string[] {
  const part = parts.find((one) => one.ref === ref);
  const taken = parts.flatMap((one) =>
    Object.entries(one.at).flatMap(([name, place]) =>
      one.ref === ref && name === leg ? [] : (holeOf(place) ?? []),
    ),
  );
  const isFree = (hole: Hole): boolean =>
    hole.row >= 1 && hole.row <= rows && !taken.some((other) => nameOf(other) === nameOf(hole));
  const [own] = Object.entries(part?.at ?? {}).flatMap(([name, place]) =>
    name === leg ? [] : (holeOf(place) ?? []),
  );
  const near = own ? REACH.map((by) => ({ ...own, row: own.row + by })).filter(isFree) : [];
  const waiting = taken
    .filter((hole) => (!own || nameOf(hole) !== nameOf(own)) && strip(taken, hole).length === 1)
    .flatMap((hole) => besides(hole).find(isFree) ?? [])
    .toReversed();
  return [...new Set([...waiting.slice(0, 3), ...near, ...waiting].map(nameOf))].slice(0, MOST);
}

function holeOf(place: string): Hole | undefined {
  const found = /^([a-j])(\d+)$/i.exec(place.trim());
  return found ? { column: found[1]!.toLowerCase(), row: Number(found[2]) } : undefined;
}

const nameOf = ({ column, row }: Hole): string => `${column}${row}`;

const isLeft = (column: string): boolean => column <= 'e';

/** Everything in the five joined holes of a hole. */
const strip = (holes: readonly Hole[], { column, row }: Hole): readonly Hole[] =>
  holes.filter((other) => other.row === row && isLeft(other.column) === isLeft(column));

/** The other holes of its strip, the nearest first. */
function besides({ column, row }: Hole): readonly Hole[] {
  const at = (columns as readonly string[]).indexOf(column);
  return (columns as readonly string[])
    .map((name, index) => ({ column: name, row, away: Math.abs(index - at) }))
    .filter((hole) => hole.away > 0 && isLeft(hole.column) === isLeft(column))
    .sort((one, other) => one.away - other.away);
}
