import type { Program } from '../program';
import type { Wiring } from '../wiring/wiring';

/** What a student hands in, read. */
export interface Build {
  readonly wiring: Wiring;
  readonly program: Program;
}
