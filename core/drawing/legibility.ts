import type { Box, Drawing, Shape } from './list';
import type { XY } from './geometry';

/** How well a drawing can be followed by the eye. */
export interface Legibility {
  /** Places where one wire crosses or runs over another. */
  readonly crossings: number;
  /** The most crossings that one wire has. */
  readonly mostOfOne: number;
  /** Names that lie on a wire other than their own. */
  readonly namesOnWires: number;
}

/** A straight piece of a wire. */
export type Segment = readonly [XY, XY];

/** Pieces shorter than this are the rounding of a corner. */
const CORNER = 0.5;

/** What the wires of a drawing have in the way of each other, and of the names. */
export function legibilityOf(drawing: Drawing): Legibility {
  const wires = drawing.layers.flatMap(({ ref, shapes }) => {
    const line = shapes.find(isWireLine);
    return line ? [{ ref, segments: segmentsOf(line.path) }] : [];
  });
  const crossed = wires.map(() => 0);
  let crossings = 0;
  wires.forEach((one, index) =>
    wires.slice(index + 1).forEach((other, after) => {
      const count = crossingsOf(one.segments, other.segments);
      crossings += count;
      crossed[index]! += count;
      crossed[index + 1 + after]! += count;
    }),
  );
  const names = drawing.layers.flatMap(({ ref, shapes }) =>
    shapes.flatMap((shape) =>
      shape.type === 'rect' && shape.role === 'plate' ? [{ ref, box: shape as Box }] : [],
    ),
  );
  const namesOnWires = names.filter(({ ref, box }) =>
    wires.some((wire) => wire.ref !== ref && wire.segments.some((segment) => meets(segment, box))),
  ).length;
  return { crossings, mostOfOne: Math.max(0, ...crossed), namesOnWires };
}

const isWireLine = (shape: Shape): shape is Extract<Shape, { type: 'path' }> =>
  shape.type === 'path' && shape.role === 'wire-casing';

/** The straight pieces of a path of moves, lines and rounded corners. */
export function segmentsOf(path: string): readonly Segment[] {
  const points = [...path.matchAll(/([MLQ])([^MLQ]+)/g)].map(([, , numbers]): XY => {
    const values = numbers!
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    return { x: values.at(-2)!, y: values.at(-1)! };
  });
  return points
    .slice(1)
    .map((point, index): Segment => [points[index]!, point])
    .filter(([from, to]) => Math.hypot(to.x - from.x, to.y - from.y) > CORNER);
}

/** Places where two lines cross or run over each other; the ends that they share do not count. */
export function crossingsOf(one: readonly Segment[], other: readonly Segment[]): number {
  let count = 0;
  for (const first of one) for (const second of other) if (cross(first, second)) count += 1;
  return count;
}

function cross([a, b]: Segment, [c, d]: Segment): boolean {
  if (
    Math.max(a.x, b.x) < Math.min(c.x, d.x) ||
    Math.max(c.x, d.x) < Math.min(a.x, b.x) ||
    Math.max(a.y, b.y) < Math.min(c.y, d.y) ||
    Math.max(c.y, d.y) < Math.min(a.y, b.y)
  )
    return false;
  const side = (p: XY, q: XY, r: XY): number => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  const [one, two, three, four] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  if (one === 0 && two === 0) return overlapLength([a, b], [c, d]) > 1;
  return one * two < 0 && three * four < 0;
}

/** How far two pieces of one line lie over each other. */
function overlapLength([a, b]: Segment, [c, d]: Segment): number {
  const isFlat = Math.abs(b.x - a.x) >= Math.abs(b.y - a.y);
  const along = ({ x, y }: XY): number => (isFlat ? x : y);
  return (
    Math.min(Math.max(along(a), along(b)), Math.max(along(c), along(d))) -
    Math.max(Math.min(along(a), along(b)), Math.min(along(c), along(d)))
  );
}

/** Whether a piece of a line touches a box. */
export function meets([a, b]: Segment, { x, y, width, height }: Box): boolean {
  const inside = (p: XY): boolean => p.x > x && p.x < x + width && p.y > y && p.y < y + height;
  if (inside(a) || inside(b)) return true;
  const corners: readonly XY[] = [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ];
  return corners.some((corner, index) => cross([a, b], [corner, corners[(index + 1) % 4]!]));
}
