import { findPin, findSupply, type BoardProfile } from '../boards';

/**
 * The pin or socket of the board that a word names, as the board writes it: `13`, `A0`, `gnd`. Boards whose
 * pins are called D2 take `2` as well, and those with bare numbers take `D2`; what a program calls a pin is taken too,
 * `A1` for pin 2 of the eight-pin chip.
 */
export function socketNamed(board: BoardProfile, word: string): string | undefined {
  const found = findPin(board, word) ?? findSupply(board, word);
  if (found) return found.name;
  const number = board.names[word.toUpperCase()];
  const named = number === undefined ? undefined : board.pins.find((pin) => pin.number === number);
  if (named) return named.name;
  if (/^\d+$/.test(word)) return findPin(board, `D${word}`)?.name;
  return /^d\d+$/i.test(word) ? findPin(board, word.slice(1))?.name : undefined;
}

/** Whether a word looks like the name of a pin, whatever the board has. */
export const looksLikePin = (word: string): boolean => /^[ad]?\d{1,2}$/i.test(word);

/** A range of pins as it is typed, `2-11` or `11-2`, `2..11` or `A0-A3`: its names in that order, known or not. */
export function pinsOfRange(word: string): readonly string[] | undefined {
  const match = /^([a-z]?)(\d{1,2})(?:-|\.\.+)([a-z]?)(\d{1,2})$/i.exec(word);
  if (!match || (match[3] !== '' && match[3]!.toLowerCase() !== match[1]!.toLowerCase())) return undefined;
  const [first, last] = [Number(match[2]), Number(match[4])];
  const step = first <= last ? 1 : -1;
  return Array.from({ length: Math.abs(last - first) + 1 }, (_, index) =>
    `${match[1]}${first + step * index}`.toUpperCase(),
  );
}

/** Legs of a chip in the place of pins, as they are typed, `x1.q0` or `x1.q0-q7`: their points; `undefined` for others. */
export function legsNamed(word: string): readonly string[] | undefined {
  const [, owner, letters = '', first, last] =
    /^([a-z]{1,4}\d{1,4})\.([a-z]+)(\d*)(?:-(?:\1\.)?(?:\2)?(\d+))?$/i.exec(word) ?? [];
  if (owner === undefined || first === undefined || (last !== undefined && first === '')) return undefined;
  const [from, to] = [Number(first), Number(last ?? first)];
  const step = from <= to ? 1 : -1;
  const numbers = Array.from(
    { length: Math.min(MOST_LEGS, Math.abs(to - from) + 1) },
    (_, at) => from + step * at,
  );
  return numbers.map(
    (number) => `${owner.toUpperCase()}.${letters.toLowerCase()}${first === '' ? '' : number}`,
  );
}

/** Legs that a range of them may name. */
const MOST_LEGS = 16;

/** Whether what stands for a pin is the leg of another part. */
export const isLegPin = (pin: string): boolean => pin.includes('.');

/** The socket that parts of a beginner's circuit are fed from: the logic's own supply; none where there is no board. */
export function supplySocket(board: BoardProfile): string | undefined {
  const regulated = board.supplies.find(
    (socket) => socket.role === 'supply' && socket.volts === board.logicVolts,
  );
  const own = board.supplies.find((socket) => socket.role === 'input' && socket.feedsLogic);
  return (regulated ?? own)?.name;
}

/**
 * The supply socket that a part needs which the logic's own supply does not do for; `undefined` where that does, or the board
 * has none that fits. `range`: the least and the most volts that the part works from.
 */
export function otherSupply(
  board: BoardProfile,
  range: readonly [lowest: number, highest: number] | undefined,
): string | undefined {
  const fits = (volts: number): boolean => !range || (volts >= range[0] && volts <= range[1]);
  const own = board.supplies.find(({ name }) => name === supplySocket(board));
  if (!own || own.role !== 'supply' || fits(own.volts)) return undefined;
  return board.supplies.find((socket) => socket.role === 'supply' && fits(socket.volts))?.name;
}

export const groundSocket = (board: BoardProfile): string | undefined =>
  board.supplies.find((socket) => socket.role === 'ground')?.name;

/** The pins that the board has for its bus of two wires, data first; fewer than two where it has none. */
export const busPins = (board: BoardProfile): readonly string[] =>
  (['bus-data', 'bus-clock'] as const).flatMap(
    (line) => board.pins.find(({ functions }) => functions.includes(line))?.name ?? [],
  );

/** Pins as a person lists them: `2-11`, `12, 11`, `A0`. */
export function pinList(pins: readonly string[]): string {
  const split = pins.map((pin) => /^([A-Z]*)(\d+)$/.exec(pin));
  const runs: [first: number, last: number][] = [];
  for (const [index, match] of split.entries()) {
    const run = runs.at(-1);
    const [before, more] = run ? [split[run[1]], run[1] - run[0]] : [undefined, 0];
    const step = match && before && match[1] === before[1] ? Number(match[2]) - Number(before[2]) : 0;
    const way = run && more > 0 ? Math.sign(Number(split[run[1]]![2]) - Number(split[run[0]]![2])) : step;
    if (run && Math.abs(step) === 1 && way === step) run[1] = index;
    else runs.push([index, index]);
  }
  return runs
    .flatMap(([first, last]) =>
      last - first >= 2 ? [`${pins[first]!}-${pins[last]!}`] : pins.slice(first, last + 1),
    )
    .join(', ');
}

/** Pins in the order of their names: figures first, as on the board. */
export const inOrder = (pins: readonly string[]): readonly string[] =>
  [...pins].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
