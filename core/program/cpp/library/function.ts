import type { CppMachine } from '../machine';
import type { CType, ScalarType, TypeWidths } from '../types';

/**
 * What a parameter takes: a value converted to a type, anything that can be printed or compared, or a
 * function without values that will be called later, or the place of a value of any type.
 */
export interface Parameter {
  readonly title: string;
  readonly type: ScalarType | 'any' | 'routine' | 'place';
}

/** Where and with what a library function is called. */
export interface Call {
  readonly machine: CppMachine;
  readonly line: number;
  /** Types of the values that are given. */
  readonly types: readonly CType[];
  /** Turns a number into a value of the function's result. */
  readonly fit: (value: number) => number;
}

/** A function that the board's language brings along: what it takes, gives and does. */
export interface LibraryFunction {
  readonly parameters: readonly Parameter[];
  /** How many of the parameters must be given. */
  readonly required: number;
  /** `common`: the type that the operands share, as operators give it, at least an `int`. */
  readonly result: CType | 'common';
  /** Cycles that pass before it acts. */
  readonly cycles: number;
  /** How its value follows the clock; `unfollowed` when it does not. */
  readonly clock?: 'millis' | 'micros';
  readonly work: (given: readonly number[], call: Call) => number | void;
}

/** A table of functions by the name they are called by: `tone`, `Serial.print`, `Servo.write`. */
export type LibraryTable = (widths: TypeWidths) => Readonly<Record<string, LibraryFunction>>;

/** A function whose last parameters may be left out. */
export const optional = (count: number, given: LibraryFunction): LibraryFunction => ({
  ...given,
  required: given.parameters.length - count,
});

/** Makes a library function; all of its parameters must be given. */
export const define = (
  parameters: readonly Parameter[],
  result: CType | 'common',
  cycles: number,
  work: LibraryFunction['work'],
): LibraryFunction => ({ parameters, required: parameters.length, result, cycles, work });

export const parameter = (title: string, type: Parameter['type']): Parameter => ({ title, type });
