import { legName } from '../../brand';
import { PITCH, type XY } from '../geometry';
import type { Light, Shape } from '../list';
import {
  body,
  boxAt,
  disc,
  foot,
  leg,
  mark,
  middle,
  round,
  seatOf,
  sign as signAt,
  stroke,
  type Draw,
} from './symbol';

/** A round body beside its legs: flat on the side of the short leg, a plus at the long one. */
export const led: Draw = (part, [anode, cathode]) => {
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
  const glass = `M${text(from)} A${radius} ${radius} 0 1 1 ${text(to)} Z`;
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
        path: glass,
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
    boxes: [boxAt(centre, { x: radius, y: radius })],
    centre,
    reach: { x: radius, y: radius },
    lights: [{ name: '', path: glass, colour: part.value.text }],
  };
};

const colourLegs: Readonly<Record<string, string>> = { red: 'red', green: 'green', blue: 'blue' };

/** A round body with four legs; a dot of its own colour stands at each colour's leg. */
export const rgbLed: Draw = (part, legs) => {
  const centre = seatOf(legs, 1.9 * PITCH);
  const radius = 21;
  const shapes: Shape[] = [];
  legs.forEach((at) => {
    shapes.push(leg(at, { x: centre.x - radius * 0.45, y: centre.y + (at.y - centre.y) * 0.5 }));
  });
  shapes.push(disc(centre, radius, { of: 'glass', name: 'white' }));
  part.legs.forEach(({ leg: name }, index) => {
    const y = centre.y + ((legs[index]!.y - centre.y) / PITCH) * 9.2;
    const colour = colourLegs[name];
    if (colour === undefined)
      shapes.push(
        signAt({ x: centre.x - 7, y }, part.value.text === 'common-cathode' ? '−' : '+', 3.6),
        mark({ x: centre.x + 7, y }, 'C'),
      );
    else
      shapes.push(
        disc({ x: centre.x - 7, y }, 4, { of: 'glass', name: colour }),
        mark({ x: centre.x + 7, y }, colour[0]!.toUpperCase()),
      );
  });
  return {
    shapes: [...shapes, ...legs.map(foot)],
    boxes: [boxAt(centre, { x: radius, y: radius })],
    centre,
    reach: { x: radius, y: radius },
    lights: Object.values(colourLegs).map((colour) => ({
      name: colour,
      path: round(centre, radius),
      colour,
    })),
  };
};

/** A long body over the centre gap with one window for each of its LEDs. */
export const ledBar: Draw = (part, legs) => {
  const left = Math.min(...legs.map(({ x }) => x));
  const right = Math.max(...legs.map(({ x }) => x));
  const top = Math.min(...legs.map(({ y }) => y));
  const bottom = Math.max(...legs.map(({ y }) => y));
  const centre = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const reach = { x: (right - left) / 2 - 7, y: (bottom - top) / 2 + 10 };
  const anodes = part.legs.flatMap(({ leg: name }, index) =>
    name.startsWith('a') ? [{ at: legs[index]!, number: name.slice(1) }] : [],
  );
  const plusSide = anodes[0] && anodes[0].at.x > centre.x ? 1 : -1;
  const shapes: Shape[] = [
    ...legs.map((at) => leg(at, { x: centre.x + Math.sign(at.x - centre.x) * (reach.x - 1), y: at.y })),
  ];
  shapes.push(body(centre, reach));
  const pane = (at: XY): string => `M${centre.x - 13} ${at.y - 7} h26 v14 h-26 Z`;
  for (const { at, number } of anodes) {
    shapes.push(
      {
        type: 'path',
        role: 'outline',
        filled: true,
        width: 1,
        paint: { of: 'glass', name: part.value.text },
        path: pane(at),
      },
      mark({ x: centre.x, y: at.y }, number),
    );
  }
  shapes.push(signAt({ x: centre.x + plusSide * (reach.x - 7), y: top }, '+', 3.5));
  shapes.push(signAt({ x: centre.x - plusSide * (reach.x - 7), y: top }, '−', 3.5));
  return {
    shapes: [...shapes, ...legs.map(foot)],
    boxes: [boxAt(centre, reach)],
    centre,
    reach,
    lights: anodes.map(({ at, number }) => ({
      name: `a${number}`,
      path: pane(at),
      colour: part.value.text,
    })),
  };
};

/** A digit over the centre gap, its segments as bars with their letters at the legs. */
export const digit: Draw = (part, legs) => {
  const centre = middle(...legs);
  const reach = {
    x: (Math.max(...legs.map(({ x }) => x)) - Math.min(...legs.map(({ x }) => x))) / 2 - 6,
    y: 2 * PITCH + 12,
  };
  const [w, h] = [reach.x * 0.42, reach.y * 0.36];
  const { x, y } = centre;
  const point = { x: x + w + 10, y: y + 2 * h };
  const bars = `M${x - w} ${y - 2 * h} h${2 * w} v${2 * h} h${-2 * w} Z M${x - w} ${y} v${2 * h} h${2 * w} v${-2 * h}`;
  return {
    shapes: [
      ...legs.map((at) => leg(at, { x: x + Math.sign(at.x - x) * reach.x, y: at.y })),
      body(centre, reach),
      stroke(bars, 4.5),
      disc(point, 3, { of: 'glass', name: 'red' }),
      ...part.legs.map(({ leg: name }, index) =>
        mark(
          { x: x + Math.sign(legs[index]!.x - x) * (reach.x - 8), y: legs[index]!.y },
          name === legName('common') ? 'C' : name === legName('dp') ? '.' : name,
        ),
      ),
      ...legs.map(foot),
    ],
    boxes: [boxAt(centre, reach)],
    centre,
    reach,
    lights: [...segments({ x, y }, w, h), { name: 'dp', path: round(point, 4.5), colour: 'red' }],
  };
};

/** The seven bars of a digit about its middle, each a little shorter than the corner, with their usual letters. */
function segments({ x, y }: XY, w: number, h: number): readonly Light[] {
  const half = 3.2;
  const flat = (name: string, at: number): Light => ({
    name,
    colour: 'red',
    path: `M${x - w + half} ${at - half} h${2 * (w - half)} v${2 * half} h${-2 * (w - half)} Z`,
  });
  const upright = (name: string, at: number, top: number): Light => ({
    name,
    colour: 'red',
    path: `M${at - half} ${top + half} h${2 * half} v${2 * (h - half)} h${-2 * half} Z`,
  });
  return [
    flat('a', y - 2 * h),
    upright('b', x + w, y - 2 * h),
    upright('c', x + w, y),
    flat('d', y + 2 * h),
    upright('e', x - w, y),
    upright('f', x - w, y - 2 * h),
    flat('g', y),
  ];
}
