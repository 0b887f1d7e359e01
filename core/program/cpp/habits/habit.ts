import type { ProgramProblem } from '../../problem';
import type { Variable } from '../scope';
import type { ProgramTree } from '../tree';
import type { PinUse } from './pin-uses';

/** What the habits look at. */
export interface Facts {
  readonly tree: ProgramTree;
  readonly source: string;
  /** Variables with where they are declared. */
  readonly variables: readonly Variable[];
  /** Every place where it names a pin, and the names that stand for pins with the functions that each is given to. */
  readonly pinUses: readonly PinUse[];
  readonly pinNames: ReadonlyMap<string, ReadonlySet<string>>;
  /** Places of the functions that interrupts call. */
  readonly routines: ReadonlySet<number>;
  /** The largest analog value and the largest duty of the board. */
  readonly ranges: { readonly analog: number; readonly pwm: number };
}

/** One look at a program that compiles: what in it is likely not meant so. */
export type Habit = (facts: Facts) => readonly ProgramProblem[];
