/**
 * How much the core may compute for one question. Whoever asks sets a bound with `within`; whatever may
 * grow with its input says with `effort` what it is about to take. The bound counts work, not time, so the
 * same input ends at the same place on every machine. Decision 0019 says why it is not handed from
 * function to function.
 *
 * One unit is about a nanosecond of this project's own machine.
 */

/** Thrown when a bound is reached; only the `within` that set the bound catches it. */
export class OutOfEffort extends Error {
  constructor(readonly bound: Bound) {
    super('more work than this question may take');
  }
}

interface Bound {
  left: number;
}

const unbounded: Bound = { left: Number.POSITIVE_INFINITY };
let current = unbounded;
/** Units taken since the program began, whoever asked for them. */
let taken = 0;

/** Says that work of so many units is about to be done; throws when the bound that applies is reached. */
export function effort(units: number): void {
  // Sums of whole numbers are exact: what a question takes is the same, however much was asked before it.
  const whole = Math.ceil(units);
  taken += whole;
  current.left -= whole;
  if (current.left < 0) throw new OutOfEffort(current);
}

/** Units that may still be spent. */
export const effortLeft = (): number => current.left;

/** Does `work` and says how many units it took, to be told again to whoever is given its value later. */
export function measured<T>(work: () => T): { readonly value: T; readonly units: number } {
  const before = taken;
  const value = work();
  return { value, units: taken - before };
}

/**
 * Does work that is kept for later questions, within a bound of its own: whoever happens to ask first is not charged for
 * what the next one is given, so that a question takes the same whether or not others came before it.
 */
export function apart<T>(units: number, work: () => T): Bounded<T> {
  const outer = current;
  current = unbounded;
  try {
    return within(units, work);
  } finally {
    current = outer;
  }
}

export type Bounded<T> = { readonly ended: true; readonly value: T } | { readonly ended: false };

/**
 * Does `work` within so many units, and no more than what is left to whoever asks. Returns its value, or
 * that it was given up; a bound from further out that is reached meanwhile ends the caller as well.
 */
export function within<T>(units: number, work: () => T): Bounded<T> {
  const outer = current;
  const given = Math.floor(Math.min(units, outer.left));
  const own: Bound = { left: given };
  current = own;
  try {
    return { ended: true, value: work() };
  } catch (error) {
    if (!(error instanceof OutOfEffort) || error.bound !== own) throw error;
    if (given < outer.left) return { ended: false };
    throw new OutOfEffort(outer);
  } finally {
    current = outer;
    outer.left -= given - Math.max(0, own.left);
  }
}
