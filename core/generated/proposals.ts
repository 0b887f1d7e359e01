import type { ConsideredScenario, Exercise } from '../formats/exercise';
import { partsNamedIn, type Scenario } from '../formats/scenario';
import { examine, referenceOf, type Examination, type Reference } from '../judge/examine';
import { rehearsalOf } from '../judge/judging';
import { SolvedCircuit } from '../rehearsal/solved-circuit';
import { Circuit } from '../wiring/circuit';
import { type Grammars, type Program } from '../program';
import { describeRun } from './describe-run';
import { situationsOf, UNTOUCHED_SECONDS } from './situations';
import { programFor } from '../judge/build';

/** A scenario that an exercise could have, with what its own program does in it. */
export interface ProposedScenario {
  readonly scenario: Scenario;
  /** Whether an exercise rarely speaks of it, and users do it all the same. */
  readonly unscripted: boolean;
  /** Why what was seen may come out otherwise: contacts that bounce, a line that floats. */
  readonly doubt?: string;
  /**
   * How it was marked before: `free`, `wrong` while the program still does what was marked, `changed` when what
   * was marked as wrong is no longer so.
   */
  readonly mark?: ConsideredScenario['mark'] | 'changed';
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
  const program = programOf(exercise, grammars);
  if (!program.compiled) return [];
  const reference = referenceOf(exercise, grammars);
  const itself = new Map(wiring.parts.map((part) => [part.ref as string, part]));
  const run = rehearsalOf(program.compiled, new SolvedCircuit(new Circuit(wiring)), board, itself, STEPS);
  const named = new Set(data.scenarios.map(({ name }) => name));
  const situations = situationsOf(wiring, run({ for: UNTOUCHED_SECONDS, stimuli: [] }, {})).filter(
    ({ name }) => !named.has(name),
  );
  return situations.flatMap(({ name, seconds, stimuli, unscripted }) => {
    const trace = run({ for: seconds, stimuli: [...stimuli] }, {});
    const draft = { name, for: seconds, stimuli: [...stimuli], expect: [...describeRun(trace, stimuli)] };
    if (draft.expect.length === 0) return [];
    const { scenarios, observations } = examination(reference, [draft], program);
    const result = scenarios[0]!;
    const expect = draft.expect.filter((_, index) => result.expectations[index]!.passed);
    if (expect.length === 0) return [];
    const doubt = observations.find(({ code }) => code === 'no-debounce' || code === 'unsteady')?.message;
    const marked = data.considered?.find(({ scenario }) => scenario.name === name);
    const mark = marked && markNow(reference, marked, program);
    return [
      {
        scenario: { ...draft, expect },
        unscripted,
        ...(doubt === undefined ? {} : { doubt }),
        ...(mark === undefined ? {} : { mark }),
      },
    ];
  });
}

/** What an author has marked as wrong and the reference program still does; none for one that does not compile. */
export function stillWrong(exercise: Exercise, grammars: Grammars): readonly Scenario[] {
  const wrong = (exercise.data.considered ?? []).filter(({ mark }) => mark === 'wrong');
  const program = programOf(exercise, grammars);
  if (wrong.length === 0 || !program.compiled) return [];
  const reference = referenceOf(exercise, grammars);
  return wrong.flatMap((marked) =>
    markNow(reference, marked, program) === 'wrong' ? [marked.scenario] : [],
  );
}

const programOf = (exercise: Exercise, grammars: Grammars): Program =>
  programFor(exercise, exercise.data.program, grammars);

/** What comes of the reference's own build in these scenarios. */
const examination = (reference: Reference, scenarios: Scenario[], program: Program): Examination => {
  const { exercise } = reference;
  return examine(
    { ...reference, exercise: { ...exercise, data: { ...exercise.data, scenarios } } },
    { wiring: exercise.reference, program },
    STEPS,
  );
};

function markNow(
  reference: Reference,
  { mark, scenario }: ConsideredScenario,
  program: Program,
): ProposedScenario['mark'] {
  if (mark === 'free') return 'free';
  // A part that it speaks of is gone.
  if (
    partsNamedIn(scenario).some(({ name }) => reference.exercise.data.parts.every(({ ref }) => ref !== name))
  )
    return 'changed';
  const { scenarios } = examination(reference, [scenario], program);
  return scenarios[0]!.expectations.every(({ passed }) => passed) ? 'wrong' : 'changed';
}
