import type { Edit } from '../../findings/finding';
import type { Build } from '../examine';

/** One change that may repair a build. Edits of one candidate belong together. */
export interface Candidate {
  readonly edits: readonly Edit[];
  /** How much a person has to do: 1 for moving one end by a row. */
  readonly cost: number;
  /** The remedy in words. */
  readonly text: string;
  readonly apply: (build: Build) => Build | undefined;
  readonly domain: 'wiring' | 'program';
}
