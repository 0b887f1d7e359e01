import { pointName } from '../brand';
import { isSupplySocket, type BoardProfile } from '../boards';
import { HEADER } from './geometry';
import type { Drawing, Shape, Target } from './list';

/** Distance between two sockets, width of the body, and of what stands beside it. */
const [STEP, BODY, MARGIN] = [26, 250, 18];
/** Room at the upper end for the plug, and at the lower one. */
const [TOP, BOTTOM] = [50, 18];
/** Sockets on one side from which on they stand in two lines. */
const ONE_LINE = 30;
const SOCKET = 12;

/** What a drawing of a board shows beside its sockets. */
export interface BoardDrawingOptions {
  /** Sockets to be made out. */
  readonly marked?: ReadonlySet<string>;
  /** The board's name on the wiring, for the points of its sockets. */
  readonly ref?: string;
}

/** Sockets of one side from the top; an empty name leaves a place free. */
type Side = readonly string[];

/**
 * Which sockets stand where, the plug pointing up: as the profile says, else power and analog pins on the left and
 * all other pins on the right, as on the drawings' ledger.
 */
export function sidesOf({ outline, supplies, pins }: BoardProfile): {
  readonly left: Side;
  readonly right: Side;
} {
  if (outline) return outline;
  const power = supplies.flatMap(({ name, sockets }) => new Array<string>(sockets).fill(name));
  const analog = pins.filter(({ functions }) => functions.includes('analog')).map(({ name }) => name);
  const digital = pins.map(({ name }) => name).filter((name) => !analog.includes(name));
  return { left: [...power, '', ...analog], right: digital };
}

/** A board as it lies on the desk, its plug pointing up: a plain outline with its sockets in their order. */
export function drawBoard(board: BoardProfile, { marked, ref = 'U1' }: BoardDrawingOptions = {}): Drawing {
  const { left, right } = sidesOf(board);
  const lines = [linesOf(left), linesOf(right)] as const;
  const count = Math.max(...lines.flat().map(({ length }) => length), 4);
  const isWide = lines.some((side) => side.length > 1);
  const width = isWide ? BODY + 130 : BODY;
  const height = TOP + count * STEP + BOTTOM;
  const [x, y] = [MARGIN, HEADER];
  const middle = x + width / 2;
  const isChip = board.landmarks.every(({ kind }) => kind !== 'connector');
  const targets: Target[] = [];
  const shapes: Shape[] = [
    { type: 'text', role: 'caption', x, y: 16, text: board.short, anchor: 'start' },
    { type: 'rect', role: 'sheet', x, y, width, height, radius: 10 },
    { type: 'rect', role: 'sheet-edge', x, y, width, height, radius: 10 },
    ...(isChip ? notch(middle, y) : plug(middle, y)),
    ...(isChip ? [] : resetButton(board, x, y)),
    ...chip(middle, y + height / 2),
  ];
  lines.forEach((side, sideIndex) => {
    const isLeft = sideIndex === 0;
    const inwards = isLeft ? 1 : -1;
    side.forEach((line, lineIndex) => {
      const at = (isLeft ? x + 14 : x + width - 14) + inwards * lineIndex * 72;
      line.forEach((name, index) => {
        if (name === '') return;
        const place = { x: at, y: y + TOP + (index + 0.5) * STEP };
        const isMarked = marked?.has(name) === true;
        targets.push({ point: pointName(`${ref}.${name}`), ...place });
        shapes.push(
          {
            type: 'rect',
            role: isMarked ? 'socket-used' : 'socket',
            x: place.x - SOCKET / 2,
            y: place.y - SOCKET / 2,
            width: SOCKET,
            height: SOCKET,
            radius: isSupplySocket(board, name) ? SOCKET / 2 : 1,
          },
          {
            type: 'text',
            role: isMarked ? 'pin-name-used' : 'pin-name',
            x: place.x + inwards * (SOCKET / 2 + 6),
            y: place.y + 5,
            text: name,
            anchor: isLeft ? 'start' : 'end',
          },
          ...ownLight(board, name, { x: place.x + inwards * 52, y: place.y }),
        );
      });
    });
  });
  return {
    width: width + 2 * MARGIN,
    height: HEADER + height + MARGIN,
    layers: [{ shapes }],
    targets,
    description: `${board.title}. Left, from the top: ${spoken(left)}. Right: ${spoken(right)}.`,
  };
}

const spoken = (side: Side): string => side.filter((name) => name !== '').join(', ');

/** The sockets of a side in one line, or in two beside each other where there are too many. */
function linesOf(side: Side): readonly Side[] {
  if (side.length <= ONE_LINE) return [side];
  const half = Math.ceil(side.length / 2);
  return [side.slice(0, half), side.slice(half)];
}

const plug = (middle: number, top: number): readonly Shape[] => [
  { type: 'rect', role: 'trough', x: middle - 30, y: top - 14, width: 60, height: 48, radius: 4 },
  { type: 'rect', role: 'sheet-edge', x: middle - 30, y: top - 14, width: 60, height: 48, radius: 4 },
  { type: 'text', role: 'note', x: middle, y: top + 16, text: 'plug', anchor: 'middle' },
];

const notch = (middle: number, top: number): readonly Shape[] => [
  { type: 'path', role: 'outline', width: 1.6, path: `M${middle - 14} ${top} a14 14 0 0 0 28 0` },
  { type: 'text', role: 'note', x: middle, y: top + 32, text: 'notch', anchor: 'middle' },
];

function resetButton({ landmarks }: BoardProfile, left: number, top: number): readonly Shape[] {
  if (!landmarks.some(({ kind: sort }) => sort === 'button')) return [];
  return [
    { type: 'circle', role: 'hole', x: left + 30, y: top + 28, radius: 9 },
    { type: 'text', role: 'note', x: left + 46, y: top + 32, text: 'reset', anchor: 'start' },
  ];
}

const chip = (x: number, y: number): readonly Shape[] => [
  { type: 'rect', role: 'trough', x: x - 30, y: y - 62, width: 60, height: 124, radius: 3 },
];

/** The board's own LED beside its pin. */
function ownLight(
  { onBoard }: BoardProfile,
  pin: string,
  { x, y }: { x: number; y: number },
): readonly Shape[] {
  return onBoard.some((light) => light.pin === pin)
    ? [
        { type: 'circle', role: 'hole-used', x, y, radius: 4 },
        { type: 'text', role: 'note', x: x - 9, y: y + 4, text: 'LED', anchor: 'end' },
      ]
    : [];
}
