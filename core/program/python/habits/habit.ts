import type { ProgramProblem } from '../../problem';
import type { PythonTree, Statement } from '../tree';
import type { PinObjects } from './pins';

/** What the habits look at. */
export interface Facts {
  readonly tree: PythonTree;
  readonly source: string;
  /** Bodies of the loops that repeat for ever. */
  readonly loops: readonly (readonly Statement[])[];
  readonly pins: PinObjects;
}

/** One look at a program that the board takes: what in it is likely not meant so. */
export type Habit = (facts: Facts) => readonly ProgramProblem[];
