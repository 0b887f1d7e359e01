import type { ScenarioResult } from '../formats/report';
import type { LineExplanation } from '../generated/explain';
import type { NumberQuestion } from '../generated/questions';
import type { ScenarioTimeline } from '../rehearsal/run-rows';

/** What the reference itself does: what is seen, and what its own check says. */
export interface Proof {
  /** The program that all this is about. */
  readonly program: string;
  readonly timelines: readonly ScenarioTimeline[];
  readonly scenarios: readonly ScenarioResult[];
  /** For each expectation of each scenario, whether it would be met without any program. */
  readonly withoutProgram: readonly (readonly boolean[])[];
  /** Numbers to change, with what is then seen. */
  readonly questions: readonly NumberQuestion[];
  /** What each line of the program does. */
  readonly explanation: readonly LineExplanation[];
  /** Names of scenarios that the author has marked as wrong and the program still does. */
  readonly stillWrong: readonly string[];
  /** Names of stages whose own program does not do what they ask. */
  readonly failingStages: readonly string[];
}
