import type { BoardPin, BoardProfile, PinFunction } from '../boards';

/** What speaks for and against a pin. */
export interface PinAdvice {
  readonly pin: string;
  /** Whether it can do what is asked of it. */
  readonly fits: boolean;
  /** Who is on it already. */
  readonly takenBy: string | undefined;
  /** Why it is better left free; `undefined` when nothing speaks against it. */
  readonly betterFree: string | undefined;
  /** What else it can do, in the words of the ledger. */
  readonly can: readonly string[];
}

const functionWords: Readonly<Record<PinFunction, string>> = {
  digital: '',
  pwm: 'PWM',
  analog: 'analog input',
  interrupt: 'interrupt',
  'pin-change': '',
  serial: 'serial',
  'bus-data': 'bus data',
  'bus-clock': 'bus clock',
};

/** What a need is called when a pin cannot meet it. */
export const needWords: Readonly<Record<PinFunction, string>> = {
  digital: 'be switched',
  pwm: 'be dimmed: it has no PWM',
  analog: 'measure a voltage',
  interrupt: 'interrupt the program',
  'pin-change': 'notice a change',
  serial: 'be a serial line',
  'bus-data': 'be the data line of a bus',
  'bus-clock': 'be the clock line of a bus',
};

/**
 * Every pin of a board with what speaks for it, best first: able and free, then with fewest abilities
 * that would be wasted, then in the order of its number.
 */
export function adviseOnPins(
  board: BoardProfile,
  does: PinFunction,
  taken: ReadonlyMap<string, string>,
): readonly PinAdvice[] {
  const weigh = ({ pin, advice }: { pin: BoardPin; advice: PinAdvice }): number =>
    (advice.fits ? 0 : 1000) +
    (advice.takenBy === undefined ? 0 : 400) +
    (advice.betterFree === undefined ? 0 : 200) +
    // A plain pin wastes nothing.
    10 * pin.functions.filter((one) => one !== 'digital' && one !== 'pin-change' && one !== does).length +
    (does === 'analog' ? pin.number : -pin.number / 100);
  return board.pins
    .map((pin) => ({ pin, advice: adviceOn(pin, board, does, taken) }))
    .sort((a, b) => weigh(a) - weigh(b))
    .map(({ advice }) => advice);
}

function adviceOn(
  pin: BoardPin,
  board: BoardProfile,
  does: PinFunction,
  taken: ReadonlyMap<string, string>,
): PinAdvice {
  const own = board.onBoard.find((led) => led.pin === pin.name);
  return {
    pin: pin.name,
    fits: pin.functions.includes(does),
    takenBy: taken.get(pin.name),
    betterFree:
      pin.reserved === 'serial'
        ? 'the computer talks to the board on it'
        : pin.reserved === 'start-up'
          ? `it must be ${pin.startLevel ?? 'left alone'} while the board starts`
          : undefined,
    can: [
      ...pin.functions.map((one) => functionWords[one]).filter((word) => word !== ''),
      ...(own ? ['LED of its own'] : []),
    ],
  };
}

/** The best pins that are able and free, as many as there are. */
export const freePins = (
  board: BoardProfile,
  does: PinFunction,
  taken: ReadonlyMap<string, string>,
): readonly string[] =>
  adviseOnPins(board, does, taken)
    .filter((advice) => advice.fits && advice.takenBy === undefined && advice.betterFree === undefined)
    .map(({ pin }) => pin);
