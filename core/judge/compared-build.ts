import { languageOf, type Exercise } from '../formats/exercise';
import { kindOf } from '../parts';
import type { Grammars } from '../program';
import { meaningDifference, type MeaningDifference } from '../program/meaning';
import type { Wiring } from '../wiring/wiring';
import { buildFor, referenceBuild } from './build';
import { compareRuns, type ComparedRun } from './compared-runs';
import { Examiner } from './examine';
import { referenceOf } from './reference';

/** A build beside the reference: what it is, says and does otherwise. */
export interface ComparedBuild {
  readonly runs: readonly ComparedRun[];
  /** Lines of the programs that mean something else. */
  readonly lines: MeaningDifference;
  /** Parts that have no counterpart in the circuit of the other. */
  readonly parts: { readonly asked: readonly string[]; readonly built: readonly string[] };
}

/** Compares a build with the reference, whatever the verdict on it. */
export function compareBuild(
  exercise: Exercise,
  wiring: Wiring,
  source: string,
  grammars: Grammars,
): ComparedBuild {
  const reference = referenceOf(exercise, grammars);
  const match = new Examiner(reference).matchOf(wiring);
  const without = ({ parts }: Wiring, paired: ReadonlySet<string>): readonly string[] =>
    match.same
      ? []
      : parts.flatMap(({ ref, kind }) => (kindOf(kind).conductor || paired.has(ref) ? [] : [ref as string]));
  return {
    runs: compareRuns(
      reference,
      referenceBuild(exercise, grammars),
      buildFor(exercise, wiring, source, grammars),
    ),
    lines: meaningDifference(exercise.data.program, source, languageOf(exercise), match.pins),
    parts: {
      asked: without(exercise.reference, new Set(match.parts.keys())),
      built: without(wiring, new Set(match.parts.values())),
    },
  };
}
