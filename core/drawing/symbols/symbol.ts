import type { PlacedPart } from '../../wiring/wiring';
import { PITCH, type XY } from '../geometry';
import type { Box, Light, Shape } from '../list';

/** A part drawn: its shapes, the boxes it fills, and where its name should stand. */
export interface Symbol {
  readonly shapes: readonly Shape[];
  readonly boxes: readonly Box[];
  readonly centre: XY;
  /** Half of the body's width and height, for placing the name beside it. */
  readonly reach: XY;
  /** Where its lights shine from; none for a part that gives no light. */
  readonly lights?: readonly Light[];
}

/** `rowNames`: where the row numbers stand, which a body should leave readable. */
export type Draw = (part: PlacedPart, legs: readonly XY[], rowNames?: readonly number[]) => Symbol;

export const leg = (from: XY, to: XY): Shape => ({
  type: 'path',
  role: 'leg',
  width: 2.6,
  path: `M${from.x} ${from.y} L${to.x} ${to.y}`,
});
export const foot = ({ x, y }: XY): Shape => ({ type: 'circle', role: 'hole-used', x, y, radius: 3.6 });
export const middle = (...points: readonly XY[]): XY => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});
export const boxAt = ({ x, y }: XY, reach: XY): Box => ({
  x: x - reach.x,
  y: y - reach.y,
  width: 2 * reach.x,
  height: 2 * reach.y,
});
export const body = ({ x, y }: XY, reach: XY, radius = 2): Shape => ({
  type: 'rect',
  role: 'body',
  x: x - reach.x,
  y: y - reach.y,
  width: 2 * reach.x,
  height: 2 * reach.y,
  radius,
});
/** A circle as a path. */
export const round = ({ x, y }: XY, radius: number): string =>
  `M${x - radius} ${y} a${radius} ${radius} 0 1 0 ${2 * radius} 0 a${radius} ${radius} 0 1 0 ${-2 * radius} 0 Z`;
export const disc = (centre: XY, radius: number, paint?: Shape['paint']): Shape => ({
  type: 'path',
  role: paint ? 'outline' : 'body',
  filled: true,
  width: 1.4,
  ...(paint ? { paint } : {}),
  path: round(centre, radius),
});
/** A line of the symbol's own drawing. */
export const stroke = (path: string, width = 1.8): Shape => ({ type: 'path', role: 'outline', width, path });
/** A plus or minus beside a leg. */
export const sign = ({ x, y }: XY, kind: '+' | '−', size = 4): Shape => ({
  type: 'path',
  role: 'sign',
  width: 2,
  path: `M${x - size} ${y} h${2 * size}${kind === '+' ? ` M${x} ${y - size} v${2 * size}` : ''}`,
});
export const mark = ({ x, y }: XY, text: string): Shape => ({
  type: 'text',
  role: 'leg-mark',
  x,
  y: y + 3.8,
  text,
  anchor: 'middle',
});

/** A point so far from one towards another, in drawing units. */
export function towards(from: XY, to: XY, distance: number): XY {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  return {
    x: from.x + ((to.x - from.x) * distance) / length,
    y: from.y + ((to.y - from.y) * distance) / length,
  };
}

/** Where a body stands: between far legs, beside near ones that lie in one column. */
export function seatOf(legs: readonly XY[], beside: number): XY {
  const between = middle(...legs);
  const [one] = legs;
  const isColumn = legs.every((other) => Math.abs(other.x - one!.x) < 1);
  const span = Math.max(...legs.map((other) => Math.abs(other.y - one!.y)));
  return isColumn && span < 3.2 * PITCH ? { x: between.x + beside, y: between.y } : between;
}
