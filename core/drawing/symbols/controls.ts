import { PITCH, type XY } from '../geometry';
import type { Shape } from '../list';
import { body, boxAt, disc, foot, leg, mark, middle, seatOf, stroke, type Draw } from './symbol';

/** A square case with a round cap; the two joined pairs are tied by lines, so that the gap shows. */
export const button: Draw = (_, legs) => {
  const centre = middle(...legs);
  const reach = { x: 27, y: 27 };
  const inner = (at: XY): XY => ({ x: centre.x + Math.sign(at.x - centre.x) * reach.x, y: at.y });
  const ties: Shape[] = [0, 2].flatMap((first) => {
    const [one, other] = [legs[first]!, legs[first + 1]!];
    return Math.abs(one.y - other.y) < 1 ? [stroke(`M${inner(one).x} ${one.y} H${inner(other).x}`, 1.6)] : [];
  });
  return {
    shapes: [
      ...legs.map((at) => leg(at, inner(at))),
      body(centre, reach, 4),
      ...ties,
      disc(centre, 13, { of: 'band', name: 'grey' }),
      ...legs.map(foot),
    ],
    boxes: [boxAt(centre, reach)],
    centre,
    reach,
  };
};

/** A slider beside three legs. */
export const slide: Draw = (_, legs) => {
  const centre = seatOf(legs, 1.1 * PITCH);
  const reach = { x: 11, y: 33 };
  return {
    shapes: [
      ...legs.map((at) => leg(at, { x: centre.x, y: at.y })),
      body(centre, reach),
      {
        type: 'path',
        role: 'outline',
        filled: true,
        width: 1,
        paint: { of: 'band', name: 'grey' },
        path: `M${centre.x - 6} ${centre.y - 20} h12 v18 h-12 Z`,
      },
      ...legs.map(foot),
    ],
    boxes: [boxAt(centre, reach)],
    centre,
    reach,
  };
};

/** A round potentiometer beside its three legs, with a pointer and a letter at each leg. */
export const potentiometer: Draw = (part, legs) => {
  const between = middle(...legs);
  const centre = seatOf(legs, 1.9 * PITCH);
  const reach = { x: 30, y: 34 };
  const side = centre.x >= between.x ? -1 : 1;
  return {
    shapes: [
      ...legs.map((at) => leg(at, { x: centre.x + side * reach.x, y: at.y })),
      body(centre, reach, 4),
      disc({ x: centre.x - side * 6, y: centre.y }, 20, { of: 'glass', name: 'white' }),
      // Dark in both themes: its dial is white in both.
      {
        ...stroke(`M${centre.x - side * 6} ${centre.y} L${centre.x - side * 6 + 10} ${centre.y - 14}`, 2.6),
        role: 'sign',
      },
      ...part.legs.map(({ leg: name }, index) =>
        mark({ x: centre.x + side * (reach.x - 6), y: legs[index]!.y }, name === 'wiper' ? 'W' : name),
      ),
      ...legs.map(foot),
    ],
    boxes: [boxAt(centre, reach)],
    centre,
    reach,
  };
};
