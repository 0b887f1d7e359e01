import type { CppMachine } from './machine';

/** A compiled expression: its value on a machine. */
export type Evaluate = (machine: CppMachine) => number;
