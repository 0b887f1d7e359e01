import type { LegName } from '../../brand';
import { legName } from '../../brand';
import { kindOf, type SchematicSign, ohmsSaid } from '../../parts';
import type { PlacedPart } from '../../wiring/wiring';
import type { Shape } from '../list';
import type { Side } from './engine';

/** A part in a schematic: its size with room for its name and value, where its lines end, and its sign. */
export interface Sign {
  readonly width: number;
  readonly height: number;
  readonly ports: ReadonlyMap<LegName, { readonly x: number; readonly y: number; readonly side: Side }>;
  /** Shapes with the box's corner at x, y. */
  readonly shapes: (x: number, y: number) => readonly Shape[];
  /** Middle of the name and of the value, from the corner. */
  readonly name: { readonly x: number; readonly y: number };
  readonly value: { readonly x: number; readonly y: number };
}

/** Room above a sign for its name and below it for its value. */
const TEXT = 17;
const LINE = 1.8;
const CHARACTER = 7.6;

const line = (path: string, width = LINE): Shape => ({ type: 'path', role: 'outline', width, path });
const filled = (path: string): Shape => ({
  type: 'path',
  role: 'outline',
  width: LINE,
  filled: true,
  paint: { of: 'band', name: 'black' },
  path,
});
const arrow = (x: number, y: number, dx: number, dy: number): string =>
  `M${x} ${y} l${dx} ${dy} m0 0 l${-dx * 0.5 - dy * 0.28} ${-dy * 0.5 + dx * 0.28} M${x + dx} ${y + dy} l${-dx * 0.5 + dy * 0.28} ${-dy * 0.5 - dx * 0.28}`;

type Port = Sign['ports'] extends ReadonlyMap<LegName, infer P> ? P : never;

type Glyph = (x: number, y: number) => readonly Shape[];

/** Signs on a level line of 64 units; x, y is its left end. */
const glyphs: Readonly<Partial<Record<SchematicSign, Glyph>>> = {
  resistor: (x, y) => [line(`M${x} ${y} h14 M${x + 50} ${y} h14 M${x + 14} ${y - 7} h36 v14 h-36 Z`)],
  led: (x, y) => [
    line(`M${x} ${y} h22 M${x + 42} ${y} h22 M${x + 22} ${y - 10} v20 l20 -10 Z M${x + 42} ${y - 10} v20`),
    line(`${arrow(x + 30, y - 11, 9, -9)} ${arrow(x + 40, y - 9, 9, -9)}`, 1.4),
  ],
  diode: (x, y) => [
    line(`M${x} ${y} h22 M${x + 42} ${y} h22 M${x + 22} ${y - 10} v20 l20 -10 Z M${x + 42} ${y - 10} v20`),
  ],
  capacitor: (x, y) => [
    line(`M${x} ${y} h28 M${x + 36} ${y} h28`),
    line(`M${x + 28} ${y - 11} v22 M${x + 36} ${y - 11} v22`, 2.6),
  ],
  electrolytic: (x, y) => [
    line(`M${x} ${y} h26 M${x + 38} ${y} h26 M${x + 26} ${y - 11} h4 v22 h-4 Z`),
    filled(`M${x + 34} ${y - 11} h4 v22 h-4 Z`),
    line(`M${x + 12} ${y - 8} h8 m-4 -4 v8`, 1.4),
  ],
  button: (x, y) => [
    line(
      `M${x} ${y} h18 M${x + 46} ${y} h18 M${x + 18} ${y} l28 -11 M${x + 32} ${y - 6} v-8 M${x + 26} ${y - 14} h12`,
    ),
  ],
  'light-sensor': (x, y) => [
    line(`M${x} ${y} h14 M${x + 50} ${y} h14 M${x + 14} ${y - 7} h36 v14 h-36 Z`),
    line(`${arrow(x + 18, y - 19, 8, 8)} ${arrow(x + 29, y - 19, 8, 8)}`, 1.4),
  ],
  thermistor: (x, y) => [
    line(`M${x} ${y} h14 M${x + 50} ${y} h14 M${x + 14} ${y - 7} h36 v14 h-36 Z`),
    line(`M${x + 12} ${y + 14} h8 l26 -28`, 1.4),
  ],
  sounder: (x, y) => [
    line(`M${x} ${y} h20 M${x + 44} ${y} h20 M${x + 20} ${y + 8} h24 v-6 a12 14 0 0 0 -24 0 Z`),
  ],
  motor: (x, y) => [
    line(`M${x} ${y} h18 M${x + 46} ${y} h18 M${x + 18} ${y} a14 14 0 1 0 28 0 a14 14 0 1 0 -28 0`),
    { type: 'text', role: 'part-name', x: x + 32, y: y + 4.5, text: 'M', anchor: 'middle' },
  ],
  battery: (x, y) => [
    line(`M${x} ${y} h28 M${x + 36} ${y} h28 M${x + 28} ${y - 12} v24`),
    line(`M${x + 36} ${y - 6} v12`, 3.4),
    line(`M${x + 14} ${y - 8} h8 m-4 -4 v8`, 1.4),
  ],
};

/** The sign of a part, with the room that its name and value take. */
export function signOf(part: PlacedPart): Sign {
  const { sign, legs } = kindOf(part.kind);
  const names = legs.map((leg) => leg.name);
  if (sign === 'switch') return threePoint(part, names, switchGlyph);
  if (sign === 'potentiometer') return threePoint(part, names, potentiometerGlyph);
  if (sign === 'transistor') return transistor();
  const glyph = glyphs[sign];
  return glyph ? onLine(part, names, glyph) : box(part);
}

const textWidth = (part: PlacedPart): number => Math.max(part.ref.length, valueText(part).length) * CHARACTER;

/** The value as it stands in a schematic: with its unit, and short. */
export function valueText(part: PlacedPart): string {
  const kind = kindOf(part.kind);
  if (['resistor', 'light-sensor', 'thermistor', 'potentiometer'].includes(kind.sign))
    return ohmsSaid(part.value.text);
  if (['capacitor', 'electrolytic'].includes(kind.sign)) return `${part.value.text}F`;
  if (kind.sign === 'box') return kind.title;
  return part.value.text;
}

function onLine(part: PlacedPart, names: readonly LegName[], glyph: Glyph): Sign {
  const width = Math.max(64, textWidth(part));
  const y = TEXT + 20;
  const left = (width - 64) / 2;
  // A button's legs come in joined pairs: one on each side of the gap.
  const half = names.length / 2;
  return {
    width,
    height: y + 18 + TEXT,
    ports: new Map(
      names.map((name, index) => [
        name,
        index < half ? { x: 0, y, side: 'WEST' } : { x: width, y, side: 'EAST' },
      ]),
    ),
    shapes: (x0, y0) => [
      ...(left > 0 ? [line(`M${x0} ${y0 + y} h${left} M${x0 + width - left} ${y0 + y} h${left}`)] : []),
      ...glyph(x0 + left, y0 + y),
    ],
    name: { x: width / 2, y: 12 },
    value: { x: width / 2, y: y + 18 + 11 },
  };
}

const switchGlyph = (x: number, y: number): readonly Shape[] => [
  line(`M${x} ${y} h20 l26 -10 M${x + 46} ${y - 14} h18 M${x + 46} ${y + 14} h18`),
];
const potentiometerGlyph = (x: number, y: number): readonly Shape[] => [
  line(
    `M${x} ${y - 14} h14 M${x + 50} ${y - 14} h14 M${x + 14} ${y - 21} h36 v14 h-36 Z M${x + 64} ${y + 14} h-32 v-19`,
  ),
  filled(`M${x + 32} ${y - 7} l-4 8 h8 Z`),
];

/** Three points: one to the left, and two to the right, 28 apart. */
function threePoint(
  part: PlacedPart,
  names: readonly LegName[],
  glyph: (x: number, y: number) => readonly Shape[],
): Sign {
  const isSwitch = kindOf(part.kind).sign === 'switch';
  const y = TEXT + 24;
  const [first, middle, last] = names as [LegName, LegName, LegName];
  const west = { x: 0, y: isSwitch ? y : y - 14, side: 'WEST' as const };
  const upper = { x: 64, y: y - 14, side: 'EAST' as const };
  const lower = { x: 64, y: y + 14, side: 'EAST' as const };
  return {
    width: 64,
    height: y + 20 + TEXT,
    ports: isSwitch
      ? new Map<LegName, Port>([
          [middle, west],
          [first, upper],
          [last, lower],
        ])
      : new Map<LegName, Port>([
          [first, west],
          [last, upper],
          [middle, lower],
        ]),
    shapes: (x0, y0) => glyph(x0, y0 + y),
    name: { x: 32, y: 12 },
    value: { x: 32, y: y + 20 + 11 },
  };
}

function transistor(): Sign {
  const y = TEXT + 26;
  return {
    width: 64,
    height: y + 26 + TEXT,
    ports: new Map([
      [legName('base'), { x: 0, y, side: 'WEST' }],
      [legName('collector'), { x: 64, y: y - 20, side: 'EAST' }],
      [legName('emitter'), { x: 64, y: y + 20, side: 'EAST' }],
    ]),
    shapes: (x0, y0) => {
      const [x, c] = [x0, y0 + y];
      return [
        line(`M${x} ${c} h24 M${x + 24} ${c - 5} l18 -15 h22 M${x + 24} ${c + 5} l18 15 h22`),
        line(`M${x + 24} ${c - 13} v26`, 3),
        filled(`M${x + 40} ${c + 18} l-9 -2 l5 -6 Z`),
        line(`M${x + 10} ${c} a20 20 0 1 0 40 0 a20 20 0 1 0 -40 0`, 1.2),
      ];
    },
    name: { x: 32, y: 10 },
    value: { x: 32, y: y + 26 + 11 },
  };
}

/** A box with its legs on both sides: what it is fed by on the left, what it gives on the right. */
function box(part: PlacedPart): Sign {
  const kind = kindOf(part.kind);
  const isRight = (name: string): boolean =>
    /^(k\d+|common|q\d|carry|out|dout|echo|no|nc|com)$/.test(name) || name === kind.supplyLegs?.minus;
  const used = kind.legs.filter(({ name }) => part.legs.some((leg) => leg.leg === name));
  const left = used.filter(({ name }) => !isRight(name));
  const right = used.filter(({ name }) => isRight(name));
  const rows = Math.max(left.length, right.length, 1);
  const markWidth = 5 * CHARACTER;
  const width = Math.max(2 * markWidth + 20, textWidth(part) + 8);
  const step = 22;
  const top = TEXT;
  const height = top + rows * step + 8 + TEXT;
  const place = (index: number): number => top + (index + 0.5) * step + 4;
  return {
    width,
    height,
    ports: new Map([
      ...left.map(({ name }, index) => [name, { x: 0, y: place(index), side: 'WEST' as const }] as const),
      ...right.map(
        ({ name }, index) => [name, { x: width, y: place(index), side: 'EAST' as const }] as const,
      ),
    ] as [LegName, { x: number; y: number; side: Side }][]),
    shapes: (x, y) => [
      line(`M${x} ${y + top} h${width} v${rows * step + 8} h${-width} Z`),
      ...[
        { list: left, at: 6, anchor: 'start' as const },
        { list: right, at: width - 6, anchor: 'end' as const },
      ].flatMap(({ list, at, anchor }) =>
        list.map(({ name, mark }, index): Shape => ({
          type: 'text',
          role: 'note',
          x: x + at,
          y: y + place(index) + 4,
          text: mark ?? name,
          anchor,
        })),
      ),
    ],
    name: { x: width / 2, y: 12 },
    value: { x: width / 2, y: height - 5 },
  };
}
