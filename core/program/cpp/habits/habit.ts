import type { ProgramProblem } from '../../problem';
import type { Variable } from '../scope';
import type { ProgramTree } from '../tree';

/** What the habits look at. */
export interface Facts {
  readonly tree: ProgramTree;
  readonly source: string;
  /** Variables with where they are declared. */
  readonly variables: readonly Variable[];
  /** Places of the functions that interrupts call. */
  readonly routines: ReadonlySet<number>;
  /** The largest analog value and the largest duty of the board. */
  readonly ranges: { readonly analog: number; readonly pwm: number };
}

/** One look at a program that compiles: what in it is likely not meant so. */
export type Habit = (facts: Facts) => readonly ProgramProblem[];
