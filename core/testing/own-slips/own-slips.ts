import type { Said } from '../exercise-said';

/** What a beginner slips: its name, the code and the repair by which an instructor would tell it, and how it is made. */
export type OwnSlip = readonly [
  name: string,
  code: string,
  repair: string,
  ...edits: readonly (readonly [right: string, wrong: string])[],
];

/** An exercise, a program that does what it asks for in a way of its own, and slips in that. */
export interface OwnSlips {
  readonly said: Said;
  readonly own: string;
  readonly slips: readonly OwnSlip[];
}
