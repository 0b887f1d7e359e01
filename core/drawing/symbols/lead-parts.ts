import { PITCH, type XY } from '../geometry';
import type { Shape } from '../list';
import { boxAt, disc, foot, leg, mark, middle, seatOf, sign, stroke, towards, type Draw } from './symbol';

/** A small cylinder on its line, with a stripe at the end that is named second. */
export const diode: Draw = (_, [one, other]) => {
  const [a, b] = [one!, other!];
  const centre = middle(a, b);
  const [from, to] = [towards(centre, a, 14), towards(centre, b, 14)];
  const stripe = towards(centre, b, 8);
  return {
    shapes: [
      leg(a, b),
      { type: 'path', role: 'body', width: 15, path: `M${from.x} ${from.y} L${to.x} ${to.y}` },
      stroke(acrossAt(stripe, a, b, 7), 4),
      foot(a),
      foot(b),
    ],
    boxes: [boxAt(centre, { x: 14, y: 10 })],
    centre,
    reach: { x: 14, y: 10 },
  };
};

/** A short line across the way from a to b. */
function acrossAt(at: XY, a: XY, b: XY, half: number): string {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [dx, dy] = [(-(b.y - a.y) / length) * half, ((b.x - a.x) / length) * half];
  return `M${at.x - dx} ${at.y - dy} L${at.x + dx} ${at.y + dy}`;
}

/** A round face beside or between two legs, with what tells it apart drawn on it. */
const face =
  (radius: number, drawOn: (centre: XY) => readonly Shape[]): Draw =>
  (_, legs) => {
    const centre = seatOf(legs, radius + 0.6 * PITCH);
    return {
      shapes: [
        ...legs.map((at) => leg(at, towards(centre, at, radius * 0.7))),
        disc(centre, radius),
        ...drawOn(centre),
        ...legs.map(foot),
      ],
      boxes: [boxAt(centre, { x: radius, y: radius })],
      centre,
      reach: { x: radius, y: radius },
    };
  };

/** A wavy track on a face, as light sensors have it. */
export const lightSensor = face(14, ({ x, y }) => [
  stroke(`M${x - 7} ${y - 6} h14 M${x + 7} ${y - 6} v4 h-14 v4 h14 v4 h-14`, 1.6),
]);

/** A bead with a falling line. */
export const thermistor = face(11, ({ x, y }) => [stroke(`M${x - 5} ${y - 6} L${x + 5} ${y + 6}`, 1.8)]);

/** Two plates on a face. */
export const capacitor = face(11, ({ x, y }) => [
  stroke(`M${x - 2.5} ${y - 6} v12 M${x + 2.5} ${y - 6} v12`, 1.8),
]);

/** A can from above: a stripe with a minus on the side of the minus leg, a plus on the other. */
export const can: Draw = (_, legs) => {
  const radius = 16;
  const centre = seatOf(legs, radius + 0.6 * PITCH);
  const [plus, minus] = [legs[0]!, legs[1]!];
  // Beside its legs the body keeps their direction: the stripe lies on the minus leg's side.
  const length = Math.hypot(minus.x - plus.x, minus.y - plus.y) || 1;
  const way = { x: (minus.x - plus.x) / length, y: (minus.y - plus.y) / length };
  const at = (along: number): XY => ({ x: centre.x + way.x * along, y: centre.y + way.y * along });
  const [stripe, half] = [at(7.5), 13.5];
  return {
    shapes: [
      ...legs.map((end) => leg(end, towards(centre, end, radius * 0.7))),
      disc(centre, radius),
      stroke(
        `M${stripe.x - way.y * half} ${stripe.y + way.x * half} L${stripe.x + way.y * half} ${stripe.y - way.x * half}`,
        2,
      ),
      sign(at(-6.5), '+'),
      sign(at(11.5), '−', 2.8),
      foot(plus),
      foot(minus),
    ],
    boxes: [boxAt(centre, { x: radius, y: radius })],
    centre,
    reach: { x: radius, y: radius },
  };
};

/** A round sounder with its hole, and a plus at the plus leg. */
export const sounder: Draw = (part, legs) => {
  const radius = 22;
  const [plus, minus] = [legs[0]!, legs[1]!];
  const between = middle(plus, minus);
  const centre =
    Math.hypot(plus.x - minus.x, plus.y - minus.y) < 5 * PITCH && Math.abs(plus.x - minus.x) < 1
      ? { x: between.x + radius + 0.5 * PITCH, y: between.y }
      : between;
  return {
    shapes: [
      ...legs.map((at) => leg(at, towards(centre, at, radius * 0.8))),
      disc(centre, radius),
      disc(centre, 4, { of: 'band', name: 'black' }),
      sign(towards(centre, plus, 13), '+', 3.6),
      ...(part.value.text === 'active' ? [sign(towards(centre, minus, 13), '−', 3.6)] : []),
      foot(plus),
      foot(minus),
    ],
    boxes: [boxAt(centre, { x: radius, y: radius })],
    centre,
    reach: { x: radius, y: radius },
  };
};

/** A half-round case beside three legs in a row, flat towards them, each leg with its letter. */
export const halfRound: Draw = (part, legs) => {
  const between = middle(...legs);
  const centre = seatOf(legs, 1.55 * PITCH);
  const side = centre.x >= between.x ? 1 : -1;
  const x = centre.x - side * 14;
  const marks = part.legs.map(({ leg: name }, index) =>
    mark(
      { x: centre.x - side * 5, y: centre.y + ((legs[index]!.y - between.y) / PITCH) * 11 },
      letterOf(name),
    ),
  );
  return {
    shapes: [
      ...legs.map((at) => leg(at, { x, y: centre.y + (at.y - between.y) * 0.6 })),
      {
        type: 'path',
        role: 'body',
        filled: true,
        width: 1.4,
        path: `M${x} ${centre.y - 20} v40 q${side * 34} -4 ${side * 34} -20 q0 -16 ${-side * 34} -20 Z`,
      },
      stroke(`M${x} ${centre.y - 20} v40`, 3),
      ...marks,
      ...legs.map(foot),
    ],
    boxes: [boxAt(centre, { x: 18, y: 20 })],
    centre,
    reach: { x: 18, y: 20 },
  };
};

const letters: Readonly<Record<string, string>> = {
  base: 'B',
  collector: 'C',
  emitter: 'E',
  vcc: '+',
  out: 'O',
  gnd: '−',
};
const letterOf = (name: string): string => letters[name] ?? name[0]!.toUpperCase();
