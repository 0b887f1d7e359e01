import large5v from './large-5v.json' with { type: 'json' };
import learner5v from './learner-5v.json' with { type: 'json' };
import { boardProfileSchema, type BoardPin, type BoardProfile, type BoardSupply } from './profile';

export type { BoardPin, BoardProfile, BoardSupply, PinFunction } from './profile';

/** The profiles that ship with the product, by id. */
export const shippedBoards: ReadonlyMap<string, BoardProfile> = new Map(
  [learner5v, large5v].map((data) => {
    const profile = boardProfileSchema.parse(data);
    return [profile.id, profile];
  }),
);

/** The signal pin of that name, without regard to case; `undefined` when the board has none. */
export function findPin(board: BoardProfile, name: string): BoardPin | undefined {
  const wanted = name.toUpperCase();
  return board.pins.find((pin) => pin.name.toUpperCase() === wanted);
}

/** The supply or ground socket of that name, without regard to case. */
export function findSupply(board: BoardProfile, name: string): BoardSupply | undefined {
  const wanted = name.toUpperCase();
  return board.supplies.find((supply) => supply.name.toUpperCase() === wanted);
}

/** The pin that a program means by this number. */
export function pinByNumber(board: BoardProfile, number: number): BoardPin | undefined {
  return board.pins.find((pin) => pin.number === number);
}

/**
 * Names of the pins in a written range such as `2-13` or `2,4,7-9,A0`. Only pins the board has are
 * returned, in the order of the range; words that are no pin are left out.
 */
export function pinsInRange(board: BoardProfile, range: string): readonly string[] {
  return range.split(',').flatMap((piece) => {
    const span = /^\s*(\d+)\s*-\s*(\d+)\s*$/.exec(piece);
    if (!span) return findPin(board, piece.trim())?.name ?? [];
    const [from, to] = [Number(span[1]), Number(span[2])];
    return board.pins
      .filter((pin) => /^\d+$/.test(pin.name) && pin.number >= from && pin.number <= to)
      .map((pin) => pin.name);
  });
}
