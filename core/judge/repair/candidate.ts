import type { PointName, Ref } from '../../brand';
import type { Edit, FindingCode, Observation } from '../../findings/finding';
import type { Program } from '../../program';
import type { Build } from '../build';
import type { Told } from './guesses';

/** What a change that repairs a wiring is evidence of. */
export interface Evidence {
  /** Findings that may name it, the best first: what a rule saw at the same place says it with its figures. */
  readonly codes: readonly FindingCode[];
  readonly refs: readonly Ref[];
  /** The part that a moved wire holds to where it ends, as its other end meets nothing else. */
  readonly holds?: Ref;
  /** Places that it changes, as they are before. */
  readonly at: readonly PointName[];
  /** What it says by itself, where no rule has seen it. */
  readonly says: () => Observation;
}

/** One change that may repair a build. Edits of one candidate belong together. */
export interface Candidate {
  readonly edits: readonly Edit[];
  /** How much a person has to do: 1 for moving one end by a row. */
  readonly cost: number;
  /** The remedy in words. */
  readonly text: string;
  readonly apply: (build: Build) => Build | undefined;
  readonly domain: 'wiring' | 'program';
  readonly evidence?: Evidence;
  /** Of a change of a program: what the form that it mends says of what was seen. */
  readonly told?: Told;
  /** Whether it makes a place of the program what it is in the exercise's own. */
  readonly isAsAsked?: boolean;
  /** Whether it is tried by itself only, and not with another one: there are too many such. */
  readonly isAlone?: true;
  /** Whether a program only compiles with it, as it does with others like it: it is told where it makes the build pass. */
  readonly isOneOfMany?: true;
  /** Of a change that is told of the program as it was handed in: what reads the program that it makes. */
  readonly compile?: (source: string) => Program;
}

/** Whether a change is one word or sign of the exercise's own program in the place of another. */
export const isWordAsAsked = ({ edits: [edit, more], isAsAsked }: Candidate): boolean =>
  isAsAsked === true &&
  more === undefined &&
  edit !== undefined &&
  'replace' in edit &&
  edit.replace.length > 0 &&
  /^\S+$/.test(edit.replace.by);
