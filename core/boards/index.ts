import { parseJson, schemaProblems } from '../json';
import { LazyMap } from '../lazy-map';
import { fail, ok, type Result } from '../result';
import chip8 from './chip-8.json' with { type: 'json' };
import large5v from './large-5v.json' with { type: 'json' };
import learner5v from './learner-5v.json' with { type: 'json' };
export { boardProfileSchema } from './profile';
import {
  boardProfileSchema,
  type BoardPin,
  type BoardProfile,
  type BoardSocket,
  type BoardSupply,
} from './profile';
import python3v3 from './python-3v3.json' with { type: 'json' };
import wifi3v3 from './wifi-3v3.json' with { type: 'json' };

export { isBoard, noBoard } from './no-board';
export type { BoardPin, BoardProfile, BoardSocket, BoardSupply, PinFunction, PowerInput } from './profile';

/** The profiles that ship with the product, by id; each is read when it is first asked for, as most questions need one. */
export const shippedBoards: ReadonlyMap<string, BoardProfile> = new LazyMap(
  new Map(
    [learner5v, large5v, wifi3v3, python3v3, chip8].map((data) => [
      data.id,
      () => boardProfileSchema.parse(data),
    ]),
  ),
);

/** The shipped boards, with one more where an exercise brings its own. */
export const boardsWith = (own: BoardProfile | undefined): ReadonlyMap<string, BoardProfile> =>
  own ? new Map([...shippedBoards, [own.id, own]]) : shippedBoards;

/** Reads a profile that a user made; every contradiction is returned with its path in the file. */
export function readBoard(text: string): Result<BoardProfile> {
  const data = parseJson(text, 'the board profile');
  if (!data.ok) return data;
  const parsed = boardProfileSchema.safeParse(data.value);
  return parsed.success ? ok(parsed.data) : fail(...schemaProblems(parsed.error, 20));
}

/** The signal pin of that name or alias, without regard to case; `undefined` when the board has none. */
export function findPin(board: BoardProfile, name: string): BoardPin | undefined {
  let pins = pinsByName.get(board);
  if (!pins) {
    // The first one that is called so is the one that is meant by it.
    pins = new Map(
      [...board.pins]
        .reverse()
        .flatMap((pin) => [pin.name, ...pin.aliases].map((known) => [known.toUpperCase(), pin])),
    );
    pinsByName.set(board, pins);
  }
  return pins.get(name.toUpperCase());
}

/** Every wire that is read asks for a pin. */
const pinsByName = new WeakMap<BoardProfile, ReadonlyMap<string, BoardPin>>();

/** The supply, power input or ground socket of that name, without regard to case. */
export function findSupply(board: BoardProfile, name: string): BoardSocket | undefined {
  const wanted = name.toUpperCase();
  return board.supplies.find((supply) => supply.name.toUpperCase() === wanted);
}

/** What a socket is for: ground, a supply (given or taken), or a signal. */
export function roleOfSocket(board: BoardProfile, socket: string): 'ground' | 'supply' | 'signal' {
  const supply = board.supplies.find(({ name }) => name === socket);
  return supply === undefined ? 'signal' : supply.role === 'ground' ? 'ground' : 'supply';
}

/** Whether a socket is a supply, a power input or ground rather than a signal pin. */
export const isSupplySocket = (board: BoardProfile, socket: string): boolean =>
  board.supplies.some(({ name }) => name === socket);

/** Names of the board's grounds. */
export const groundNames = (board: BoardProfile): ReadonlySet<string> =>
  new Set(board.supplies.filter((supply) => supply.role === 'ground').map((supply) => supply.name));

/** The supply that feeds the logic; `undefined` where that comes from outside. */
export const logicSupply = (board: BoardProfile): BoardSupply | undefined =>
  board.supplies.find(
    (supply): supply is BoardSupply => supply.role === 'supply' && supply.volts === board.logicVolts,
  );

/** The pin that a program means by this number. */
export function pinByNumber(board: BoardProfile, number: number): BoardPin | undefined {
  let pins = pinsByNumber.get(board);
  if (!pins) {
    // The first one that has a number is the one that is meant by it.
    pins = new Map([...board.pins].reverse().map((pin) => [pin.number, pin]));
    pinsByNumber.set(board, pins);
  }
  return pins.get(number);
}

/** A running program asks for a pin at every step. */
const pinsByNumber = new WeakMap<BoardProfile, ReadonlyMap<number, BoardPin>>();

/**
 * Names of the pins in a written range such as `2-13` or `2,4,7-9,A0`. Only pins the board has are
 * returned, in the order of the range; words that are no pin are left out.
 */
export function pinsInRange(board: BoardProfile, range: string): readonly string[] {
  return range.split(',').flatMap((piece) => {
    const span = /^\s*([A-Z]?)(\d+)\s*-\s*\1(\d+)\s*$/i.exec(piece);
    if (!span) return findPin(board, piece.trim())?.name ?? [];
    const [from, to] = [Number(span[2]), Number(span[3])];
    return board.pins
      .map((pin) => pin.name)
      .filter((name) => {
        const match = /^([A-Z]?)(\d+)$/i.exec(name);
        return (
          match?.[1]!.toUpperCase() === span[1]!.toUpperCase() &&
          Number(match[2]) >= from &&
          Number(match[2]) <= to
        );
      });
  });
}
