import { fourBands } from '../../electrics/values/bands';
import { PITCH, type XY } from '../geometry';
import type { Shape } from '../list';
import { boxAt, foot, leg, middle, type Draw } from './symbol';

/** A body on the line between its legs, with the bands of its value. */
export const resistor: Draw = (part, [one, other], rowNames) => {
  const [a, b] = [one!, other!];
  const centre = clearOf(a, b, rowNames ?? []);
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
    boxes: [boxAt(centre, reach)],
    centre,
    reach,
  };
};

/** The middle of two legs, moved along the line when a body there would cover row numbers and need not. */
function clearOf(a: XY, b: XY, rowNames: readonly number[]): XY {
  const centre = middle(a, b);
  const half = 26;
  const room = half + 14;
  const covered = rowNames.find((x) => Math.abs(centre.x - x) < room);
  if (covered === undefined || Math.abs(b.x - a.x) < 4 * PITCH) return centre;
  const [from, to] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
  const at = [covered + room, covered - room].find((x) => x - half >= from && x + half <= to);
  return at === undefined ? centre : { x: at, y: a.y + ((b.y - a.y) * (at - a.x)) / (b.x - a.x) };
}
