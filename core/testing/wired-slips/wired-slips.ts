import type { Verdict } from '../../formats/report';
import type { Said } from '../exercise-said';

/** What a beginner wires wrongly: how it is made, what it comes to, and how an instructor names and mends it. */
export type WiredSlip = readonly [
  name: string,
  edits: string,
  verdict: Verdict,
  codes: readonly string[],
  repairs: readonly string[],
];

/** An exercise, and slips in its own wiring. */
export interface WiredSlips {
  readonly said: Said;
  readonly slips: readonly WiredSlip[];
}
