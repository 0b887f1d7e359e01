import type { Exercise } from '../formats/exercise';
import { languageOf } from '../formats/exercise';
import type { Scenario } from '../formats/scenario';
import { examine, referenceOf } from '../judge/examine';
import { rehearsalOf } from '../judge/scenarios';
import { compileProgram, type Grammars } from '../program';
import { describeRun } from './describe-run';
import { situationsOf, UNTOUCHED_SECONDS } from './situations';

/** A scenario that an exercise could have, with what its own program does in it. */
export interface ProposedScenario {
  readonly scenario: Scenario;
  /** Whether an exercise rarely speaks of it, and users do it all the same. */
  readonly unscripted: boolean;
  /** Why what was seen may come out otherwise: contacts that bounce, a line that floats. */
  readonly doubt?: string;
}

/** Steps that a run may take. */
const STEPS = 2_000_000;

/**
 * Scenarios for an exercise from running its own program on its own circuit: what is taught first, then
 * unscripted use. Every expectation holds on the reference. None for a program that does not compile; none by a
 * name that the exercise has already.
 */
export function proposedScenarios(exercise: Exercise, grammars: Grammars): readonly ProposedScenario[] {
  const { reference: wiring, board, data } = exercise;
  const program = compileProgram(data.program, board, grammars, languageOf(exercise));
  if (!program.compiled) return [];
  const run = rehearsalOf(program.compiled, wiring, board, STEPS);
  const named = new Set(data.scenarios.map(({ name }) => name));
  const situations = situationsOf(wiring, run({ for: UNTOUCHED_SECONDS, stimuli: [] }, {})).filter(
    ({ name }) => !named.has(name),
  );
  return situations.flatMap(({ name, seconds, stimuli, unscripted }) => {
    const trace = run({ for: seconds, stimuli: [...stimuli] }, {});
    const draft = { name, for: seconds, stimuli: [...stimuli], expect: [...describeRun(trace, stimuli)] };
    if (draft.expect.length === 0) return [];
    const { scenarios, observations } = examine(
      referenceOf({ ...exercise, data: { ...data, scenarios: [draft] } }, grammars),
      { wiring, program },
      STEPS,
    );
    const result = scenarios[0]!;
    const expect = draft.expect.filter((_, index) => result.expectations[index]!.passed);
    if (expect.length === 0) return [];
    const doubt = observations.find(({ code }) => code === 'no-debounce' || code === 'unsteady')?.message;
    return [{ scenario: { ...draft, expect }, unscripted, ...(doubt === undefined ? {} : { doubt }) }];
  });
}
