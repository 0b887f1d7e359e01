import type { ConsideredScenario, Exercise } from '../formats/exercise';
import { partsNamedIn, type Scenario } from '../formats/scenario';
import { programFor } from '../judge/build';
import { referenceOf } from '../judge/reference';
import { type Grammars } from '../program';
import { ReferenceRuns } from './reference-runs';
import type { Shown } from './shown';
import { situationsOf, UNTOUCHED_SECONDS } from './situations';

/** A scenario that an exercise could have, with what its own program does in it. */
export interface ProposedScenario extends Shown {
  /** Whether an exercise rarely speaks of it, and users do it all the same. */
  readonly unscripted: boolean;
  /**
   * How it was marked before: `free`, `wrong` while the program still does what was marked, `changed` when what
   * was marked as wrong is no longer so.
   */
  readonly mark?: ConsideredScenario['mark'] | 'changed';
}

/**
 * Scenarios for an exercise from running its own program on its own circuit: what is taught first, then
 * unscripted use. Every expectation holds on the reference. None for a program that does not compile; none by a
 * name that the exercise has already.
 */
export function proposedScenarios(exercise: Exercise, grammars: Grammars): readonly ProposedScenario[] {
  const { reference: wiring, data } = exercise;
  const runs = runsOf(exercise, grammars);
  if (!runs) return [];
  const named = new Set(data.scenarios.map(({ name }) => name));
  const untouched = runs.traceOf({ for: UNTOUCHED_SECONDS, stimuli: [] });
  const situations = situationsOf(wiring, untouched).filter(({ name }) => !named.has(name));
  return situations.flatMap(({ name, seconds, stimuli, unscripted }) => {
    const shown = runs.shownIn(name, { for: seconds, stimuli: [...stimuli] });
    if (!shown) return [];
    const marked = data.considered?.find(({ scenario }) => scenario.name === name);
    const mark = marked && markNow(runs, marked);
    return [{ ...shown, unscripted, ...(mark === undefined ? {} : { mark }) }];
  });
}

/** What an author has marked as wrong and the reference program still does; none for one that does not compile. */
export function stillWrong(exercise: Exercise, grammars: Grammars): readonly Scenario[] {
  const wrong = (exercise.data.considered ?? []).filter(({ mark }) => mark === 'wrong');
  const runs = wrong.length === 0 ? undefined : runsOf(exercise, grammars);
  if (!runs) return [];
  return wrong.flatMap((marked) => (markNow(runs, marked) === 'wrong' ? [marked.scenario] : []));
}

function runsOf(exercise: Exercise, grammars: Grammars): ReferenceRuns | undefined {
  const program = programFor(exercise, exercise.data.program, grammars);
  return program.compiled && new ReferenceRuns(referenceOf(exercise, grammars), program);
}

function markNow(runs: ReferenceRuns, { mark, scenario }: ConsideredScenario): ProposedScenario['mark'] {
  if (mark === 'free') return 'free';
  // A part that it speaks of is gone.
  const { parts } = runs.reference.exercise.data;
  if (partsNamedIn(scenario).some(({ name }) => parts.every(({ ref }) => ref !== name))) return 'changed';
  const { scenarios } = runs.examination([scenario]);
  return scenarios[0]!.expectations.every(({ passed }) => passed) ? 'wrong' : 'changed';
}
