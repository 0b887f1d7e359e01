import { fourBands } from '../electrics/bands';
import type { PlacedPart } from '../wiring/wiring';
import { PITCH, type XY } from './geometry';
import type { Box, Shape } from './list';

/** A part drawn: its shapes, the boxes it fills, and where its name should stand. */
export interface Symbol {
  readonly shapes: readonly Shape[];
  readonly boxes: readonly Box[];
  readonly centre: XY;
  /** Half of the body's width and height, for placing the name beside it. */
  readonly reach: XY;
}

/** `rowNames`: where the row numbers stand, which a body should leave readable. */
type Draw = (part: PlacedPart, legs: readonly XY[], rowNames?: number) => Symbol;

const leg = (from: XY, to: XY): Shape => ({
  type: 'path',
  role: 'leg',
  width: 2.6,
  path: `M${from.x} ${from.y} L${to.x} ${to.y}`,
});
const foot = ({ x, y }: XY): Shape => ({ type: 'circle', role: 'hole-used', x, y, radius: 3.6 });
const middle = (one: XY, other: XY): XY => ({ x: (one.x + other.x) / 2, y: (one.y + other.y) / 2 });
const box = ({ x, y }: XY, reach: XY): Box => ({
  x: x - reach.x,
  y: y - reach.y,
  width: 2 * reach.x,
  height: 2 * reach.y,
});

/** A body on the line between its legs, with the bands of its value. */
const resistor: Draw = (part, [one, other], rowNames) => {
  const [a, b] = [one!, other!];
  const centre = clearOf(a, b, rowNames);
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const along = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  // Bands read from the left, or from the top.
  const sign = Math.abs(along.x) >= Math.abs(along.y) ? Math.sign(along.x) || 1 : Math.sign(along.y) || 1;
  const half = Math.min(26, Math.max(15, length / 2 - 4));
  const thick = 8;
  const corner = (u: number, v: number): string => {
    const x = centre.x + along.x * sign * u - along.y * sign * v;
    const y = centre.y + along.y * sign * u + along.x * sign * v;
    return `${x.toFixed(1)} ${y.toFixed(1)}`;
  };
  const quad = (from: number, to: number, height: number): string =>
    `M${corner(from, -height)} L${corner(to, -height)} L${corner(to, height)} L${corner(from, height)} Z`;
  const bands = fourBands(part.value.amount ?? 1);
  const places = [-0.66, -0.34, -0.02, 0.6].map((share) => share * half);
  const reach = {
    x: Math.abs(along.x) * half + Math.abs(along.y) * thick,
    y: Math.abs(along.y) * half + Math.abs(along.x) * thick,
  };
  return {
    shapes: [
      leg(a, b),
      { type: 'path', role: 'body', filled: true, width: 1.2, path: quad(-half, half, thick) },
      ...bands.map((name, index): Shape => ({
        type: 'path',
        role: 'outline',
        filled: true,
        width: 0,
        paint: { of: 'band', name },
        path: quad(places[index]! - 2.6, places[index]! + 2.6, thick - 0.6),
      })),
      foot(a),
      foot(b),
    ],
    boxes: [box(centre, reach)],
    centre,
    reach,
  };
};

/** The middle of two legs, moved along the line when a body there would cover the row numbers. */
function clearOf(a: XY, b: XY, rowNames: number | undefined): XY {
  const centre = middle(a, b);
  const room = 26 + 14;
  if (rowNames === undefined || Math.abs(centre.x - rowNames) >= room || Math.abs(b.x - a.x) < 4 * PITCH)
    return centre;
  const right = rowNames + room;
  const share = (right - a.x) / (b.x - a.x);
  return right + 26 <= Math.max(a.x, b.x) ? { x: right, y: a.y + (b.y - a.y) * share } : centre;
}

/** A round body beside its legs: flat on the side of the short leg, a plus at the long one. */
const lamp: Draw = (part, [anode, cathode]) => {
  const [plus, minus] = [anode!, cathode!];
  const between = middle(plus, minus);
  const isNear =
    Math.hypot(plus.x - minus.x, plus.y - minus.y) < 3.2 * PITCH && Math.abs(plus.x - minus.x) < 1;
  const centre = isNear ? { x: between.x + 1.5 * PITCH, y: between.y } : between;
  const radius = 15;
  const length = Math.hypot(minus.x - plus.x, minus.y - plus.y) || 1;
  const axis = { x: (minus.x - plus.x) / length, y: (minus.y - plus.y) / length };
  const at = (u: number, v: number): XY => ({
    x: centre.x + axis.x * u - axis.y * v,
    y: centre.y + axis.y * u + axis.x * v,
  });
  const flat = 9.5;
  const half = Math.sqrt(radius ** 2 - flat ** 2);
  const [from, to] = [at(flat, half), at(flat, -half)];
  const text = ({ x, y }: XY): string => `${x.toFixed(1)} ${y.toFixed(1)}`;
  const sign = at(-3.5, 0);
  return {
    shapes: [
      leg(plus, at(-7, 0)),
      leg(minus, at(7, 0)),
      {
        type: 'path',
        role: 'outline',
        filled: true,
        width: 1.4,
        paint: { of: 'glass', name: part.value.text },
        path: `M${text(from)} A${radius} ${radius} 0 1 1 ${text(to)} Z`,
      },
      { type: 'path', role: 'outline', width: 3, path: `M${text(from)} L${text(to)}` },
      {
        type: 'path',
        role: 'sign',
        width: 2,
        path: `M${sign.x - 4} ${sign.y} h8 M${sign.x} ${sign.y - 4} v8`,
      },
      foot(plus),
      foot(minus),
    ],
    boxes: [box(centre, { x: radius, y: radius })],
    centre,
    reach: { x: radius, y: radius },
  };
};

/** Any other two-legged part: a plain box on its legs. */
const plain: Draw = (_, [one, other]) => {
  const [a, b] = [one!, other!];
  const centre = middle(a, b);
  const reach = { x: 14, y: 9 };
  return {
    shapes: [
      leg(a, b),
      { type: 'rect', role: 'body', x: centre.x - 14, y: centre.y - 9, width: 28, height: 18 },
      foot(a),
      foot(b),
    ],
    boxes: [box(centre, reach)],
    centre,
    reach,
  };
};

const symbols: Readonly<Record<string, Draw>> = { resistor, led: lamp };

/** Draws a part whose legs are at these places. */
export const drawPart: Draw = (part, legs, rowNames) => (symbols[part.kind] ?? plain)(part, legs, rowNames);
