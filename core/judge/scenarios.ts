import type { Observation } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import type { ScenarioResult } from '../formats/report';
import type { Scenario } from '../formats/scenario';
import { expectationSentence, type Outcome } from '../expectations';
import type { Program } from '../program';
import { SolvedCircuit } from '../rehearsal/solved-circuit';
import { Circuit } from '../wiring/circuit';
import type { Trace } from '../rehearsal/trace';
import { outcomesOf, rehearsalOf, type Judging, type Played } from './judging';
import { unsteadiness, type Unsteadiness } from './unsteadiness';

/** The run of an exercise without scenarios: it shows what the program does to the pins. */
const UNASKED: Played = { for: 5, stimuli: [] };

/** What a build is run through: the scenarios of its exercise, or a while of nothing. */
export const scenariosOf = ({ data }: Exercise): readonly Played[] =>
  data.scenarios.length > 0 ? data.scenarios : [UNASKED];

/** What came of a scenario, and what is wrong when it did not pass. */
export interface Judged {
  readonly result: ScenarioResult;
  readonly failures: readonly Observation[];
}

/**
 * Judges the runs of scenarios and, of each that passes, further runs in which chance falls otherwise. What the exercise's own
 * program and wiring do then is not held against a build: `isForgiven`, by the scenario's place.
 */
export function judgeScenarios(
  scenarios: readonly Scenario[],
  traces: readonly Trace[],
  judging: Judging,
  isForgiven: (index: number, unsteady: Unsteadiness) => boolean,
): readonly Judged[] {
  const seen = scenarios.map((scenario, index) => outcomesOf(scenario, traces[index]!, judging));
  const isFailing = seen.some((outcomes) => !outcomes.every(({ passed }) => passed));
  return scenarios.map((scenario, index) =>
    judged(
      scenario,
      seen[index]!,
      () => unsteadiness(scenario, traces[index]!, judging, { isFailing }),
      (unsteady) => isForgiven(index, unsteady),
    ),
  );
}

function judged(
  scenario: Scenario,
  outcomes: readonly Outcome[],
  looked: () => Unsteadiness | undefined,
  isForgiven: (unsteady: Unsteadiness) => boolean,
): Judged {
  if (!outcomes.every(({ passed }) => passed)) {
    const failures = outcomes.flatMap((outcome) => outcome.failures);
    return { result: resultOf(scenario, outcomes, failures), failures };
  }
  const unsteady = looked();
  if (!unsteady) return { result: resultOf(scenario, outcomes, []), failures: [] };
  const { observation } = unsteady;
  if (isForgiven(unsteady))
    return {
      result: resultOf(scenario, outcomes, []),
      failures: [{ ...observation, severity: 'advice' }],
    };
  return { result: resultOf(scenario, outcomes, [observation]), failures: [observation] };
}

/** How a build does in the run of a scenario; how chance falls otherwise is not looked at. */
export const plainResult = (scenario: Scenario, trace: Trace, judging: Judging): ScenarioResult =>
  resultOf(scenario, outcomesOf(scenario, trace, judging), []);

const resultOf = (
  { name, expect }: Scenario,
  outcomes: readonly Outcome[],
  failures: readonly Observation[],
): ScenarioResult => ({
  name,
  passed: failures.length === 0 && outcomes.every(({ passed }) => passed),
  expectations: outcomes.map(({ observed, passed }, at) => ({
    expected: expectationSentence(expect[at]!),
    observed,
    passed,
  })),
});

/** How many expectations of a scenario a run does not meet; how chance falls otherwise is not looked at. */
export const unmetIn = (scenario: Scenario, trace: Trace, judging: Judging): number =>
  outcomesOf(scenario, trace, judging).filter(({ passed }) => !passed).length;

/** Seconds in which a program that sends has said at which rate. */
const STARTED_BY = 1;

/**
 * The rate in bits a second at which the reference sends, which is the one that the computer is set to;
 * `undefined` when it sends nothing, or over the plug alone, where any rate is understood.
 */
export function sendingRateOf(
  exercise: Exercise,
  { compiled, language }: Pick<Program, 'compiled' | 'language'>,
): number | undefined {
  if (!compiled || language === 'python') return undefined;
  const run = rehearsalOf(
    compiled,
    new SolvedCircuit(new Circuit(exercise.reference)),
    exercise.board,
    new Map(),
    undefined,
  );
  const { serialStarted, serialRate } = run({ for: STARTED_BY, stimuli: [] }, {});
  return serialStarted ? serialRate : undefined;
}

/** What came of a scenario whose program cannot be run. */
export const notRun = ({ name, expect }: Scenario): Judged => ({
  result: {
    name,
    passed: false,
    expectations: expect.map((expectation) => ({
      expected: expectationSentence(expectation),
      observed: 'it did not run',
      passed: false,
    })),
  },
  failures: [],
});
