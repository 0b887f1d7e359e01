import { isPowerSource, kindOf } from '../../parts';
import { PITCH } from '../geometry';
import type { Shape } from '../list';
import { body, boxAt, foot, leg, mark, middle, sign, stroke, type Draw } from './symbol';

const markOf = (kind: string, name: string): string =>
  kindOf(kind).legs.find((known) => known.name === name)?.mark ?? '';

/** A chip over the centre gap, with its notch at the end of the first leg and a mark at each leg. */
export const chip: Draw = (part, legs) => {
  const centre = middle(...legs);
  const ys = legs.map(({ y }) => y);
  const reach = {
    x: (Math.max(...legs.map(({ x }) => x)) - Math.min(...legs.map(({ x }) => x))) / 2 - 8,
    y: (Math.max(...ys) - Math.min(...ys)) / 2 + 9,
  };
  const isUp = legs[0]!.y <= centre.y;
  const end = centre.y + (isUp ? -1 : 1) * reach.y;
  return {
    shapes: [
      ...legs.map((at) => leg(at, { x: centre.x + Math.sign(at.x - centre.x) * reach.x, y: at.y })),
      body(centre, reach),
      stroke(`M${centre.x - 6} ${end} a6 6 0 0 ${isUp ? 0 : 1} 12 0`, 1.8),
      ...part.legs.map(({ leg: name }, index) =>
        mark(
          { x: centre.x + Math.sign(legs[index]!.x - centre.x) * (reach.x - 11), y: legs[index]!.y },
          markOf(part.kind, name),
        ),
      ),
      ...legs.map(foot),
    ],
    boxes: [boxAt(centre, reach)],
    centre,
    reach,
  };
};

/** Characters that stand beside the marks of a module, and from line to line of them. */
const [WIDEST, LINE] = [12, 15];

/** A title in one line, or in two where it is too wide for one. */
function inLines(title: string): readonly string[] {
  const [first, ...rest] = title.split(' ');
  return title.length > WIDEST && rest.length > 0 ? [first!, rest.join(' ')] : [title];
}

/** A flat module whose pins stand in a row on one edge, each with its mark. */
export const module: Draw = (part, legs) => {
  const [first] = legs;
  const ys = legs.map(({ y }) => y);
  const width = 102;
  const centre = { x: first!.x + width / 2 + 10, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
  const reach = { x: width / 2, y: (Math.max(...ys) - Math.min(...ys)) / 2 + 0.6 * PITCH };
  const shapes: Shape[] = [
    ...legs.map((at) => leg(at, { x: centre.x - reach.x, y: at.y })),
    body(centre, reach, 3),
    ...part.legs.map(({ leg: name }, index) =>
      mark({ x: centre.x - reach.x + 14, y: legs[index]!.y }, markOf(part.kind, name)),
    ),
    ...inLines(kindOf(part.kind).title).map((text, index, { length }): Shape => ({
      type: 'text',
      role: 'note',
      x: centre.x + 11,
      y: centre.y + 4 + (index - (length - 1) / 2) * LINE,
      text,
      anchor: 'middle',
    })),
    ...legs.map(foot),
  ];
  return { shapes, boxes: [boxAt(centre, reach)], centre, reach };
};

/** Battery, bench supply or motor: a case with a plus and a minus terminal. */
export const cell: Draw = (part, legs) => {
  const [plus, minus] = [legs[0]!, legs[1]!];
  const width = 102;
  const centre = { x: Math.max(plus.x, minus.x) + width / 2 + 10, y: (plus.y + minus.y) / 2 };
  const reach = { x: width / 2, y: Math.abs(plus.y - minus.y) / 2 + 0.7 * PITCH };
  const isCell = isPowerSource(part);
  const title = isCell ? part.value.text : kindOf(part.kind).title;
  return {
    shapes: [
      ...legs.map((at) => leg(at, { x: centre.x - reach.x, y: at.y })),
      body(centre, reach, isCell ? 3 : 20),
      sign({ x: centre.x - reach.x + 13, y: plus.y }, '+'),
      sign({ x: centre.x - reach.x + 13, y: minus.y }, '−'),
      { type: 'text', role: 'note', x: centre.x + 11, y: centre.y + 4, text: title, anchor: 'middle' },
      foot(plus),
      foot(minus),
    ],
    boxes: [boxAt(centre, reach)],
    centre,
    reach,
  };
};
