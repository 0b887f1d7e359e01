import type { Machine } from '../machine';

/** A compiled expression: its value on a machine. */
export type Evaluate = (machine: Machine) => number;
