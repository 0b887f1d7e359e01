import { acrossPitches, columns } from '../../breadboards';
import type { LegName } from '../../brand';
import { kindOf, type Body } from '../../parts';
import type { BodyBox } from './body-box';
import { nameOf } from '../../wiring/wiring';
import type { Hole } from './grid';

/**
 * Half extents of bodies that stand beside legs in one column, and how far beside, in pitches; one without a height
 * stands along its legs.
 */
const beside: Readonly<Partial<Record<Body, readonly [away: number, halfX: number, halfY?: number]>>> = {
  dome: [1.5, 0.65, 0.65],
  'dome-four': [1.9, 0.9, 0.9],
  disc: [1.2, 0.6, 0.6],
  can: [1.3, 0.7, 0.7],
  'half-round': [1.55, 0.75, 0.85],
  sounder: [1.4, 0.95, 0.95],
  slide: [1.1, 0.5, 1.4],
  potentiometer: [1.9, 1.25, 1.4],
  module: [2.55, 2.1],
};
/** Half length and half thickness of a part that lies on its line. */
const LYING: readonly [number, number] = [1.1, 0.36];

/** Bodies that sit on the breadboard itself, so that nothing can be plugged in below them. */
const sitting: ReadonlySet<Body> = new Set(['module', 'potentiometer', 'slide', 'sounder']);

/** How far a body goes beyond its outer legs, in pitches. */
const BEYOND_LEGS = 0.6;

/** Legs as close as this in one column carry their body beside them. */
const NEAR_ROWS = 3.2;

/** Where the body of a seated part is, or `undefined` where it stands away from the breadboard. */
export function bodyBox(kindName: string, holes: ReadonlyMap<LegName, Hole>): BodyBox | undefined {
  const { body, footprint } = kindOf(kindName);
  if (footprint.type === 'plug' || (footprint.type === 'leads' && footprint.reachMm === undefined))
    return undefined;
  const ends = [...holes.values()].map((hole) => ({
    x: acrossPitches[hole.type === 'hole' ? hole.column : hole.rail],
    y: hole.row,
  }));
  const board = [...holes.values()][0]!.ref;
  const xs = ends.map(({ x }) => x);
  const ys = ends.map(({ y }) => y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const aside = beside[body];
  if (aside) {
    const [away, halfX, halfY = (bottom - top) / 2 + BEYOND_LEGS] = aside;
    const isColumn = left === right && bottom - top < NEAR_ROWS;
    return { board, x: middle.x + (isColumn ? away : 0), y: middle.y, halfX, halfY };
  }
  if (body === 'bands' || body === 'stripe') {
    const [long, thin] = LYING;
    const isLevel = top === bottom;
    return { board, ...middle, halfX: isLevel ? long : thin, halfY: isLevel ? thin : long };
  }
  return { board, ...middle, halfX: (right - left) / 2 - 0.2, halfY: (bottom - top) / 2 + 0.3 };
}

/** The holes that the body of a seated part closes, those of its own legs not among them. */
export function holesBelow(kindName: string, holes: ReadonlyMap<LegName, Hole>): readonly Hole[] {
  const box = sitting.has(kindOf(kindName).body) ? bodyBox(kindName, holes) : undefined;
  if (!box) return [];
  const from = Math.ceil(box.y - box.halfY);
  const rows = Array.from({ length: Math.floor(box.y + box.halfY) - from + 1 }, (_, index) => from + index);
  const own = new Set([...holes.values()].map(nameOf));
  return columns
    .filter((column) => Math.abs(acrossPitches[column] - box.x) < box.halfX)
    .flatMap((column) => rows.map((row): Hole => ({ type: 'hole', ref: box.board, column, row })))
    .filter((hole) => !own.has(nameOf(hole)));
}
