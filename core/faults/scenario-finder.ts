import type { Scenario } from '../formats/scenario';
import { type ReferenceRuns, withScenarios } from '../generated/reference-runs';
import type { Shown } from '../generated/shown';
import { situationsOf, UNTOUCHED_SECONDS } from '../generated/situations';
import type { Build } from '../judge/build';
import { Examiner, type Examination } from '../judge/examine';
import type { Catching } from './catching';

/**
 * Finds scenarios that tell a slip from the reference: the exercise's own ones looked at more closely, then
 * everything that may be done to the circuit. What chance decides tells nothing.
 */
export class ScenarioFinder {
  private candidates: readonly Scenario[] | undefined;

  constructor(private readonly runs: ReferenceRuns) {}

  private get own(): readonly Scenario[] {
    return this.runs.reference.exercise.data.scenarios;
  }

  /** The first scenario in which a build shows something else than the reference. */
  catching(build: Build): Catching | undefined {
    this.candidates ??= this.made();
    for (const candidate of this.candidates) {
      const { scenarios, traces } = this.judged(build, candidate);
      // What does not come to the end within its steps shows less than a person would see.
      if (traces.some(({ ended }) => ended.reason === 'steps')) continue;
      const [result] = scenarios;
      const missed = candidate.expect.filter((_, index) => !result!.expectations[index]!.passed);
      if (missed.length === 0) continue;
      const isNew = this.own.every(({ name }) => name !== candidate.name);
      return {
        scenario: isNew ? candidate : { ...candidate, expect: missed },
        isNew,
        seen: result!.expectations.filter(({ passed }) => !passed).map(({ observed }) => observed),
      };
    }
    return undefined;
  }

  private judged(build: Build, candidate: Scenario): Examination {
    return new Examiner(withScenarios(this.runs.reference, [candidate])).examine(build);
  }

  private made(): readonly Scenario[] {
    const closer = this.own.flatMap((scenario) => this.runs.shownIn(scenario.name, scenario) ?? []);
    const untouched = this.runs.traceOf({ for: UNTOUCHED_SECONDS, stimuli: [] });
    const names = new Set(this.own.map(({ name }) => name));
    const further = situationsOf(this.runs.reference.exercise.reference, untouched).flatMap(
      ({ name, seconds, stimuli }) =>
        names.has(name) ? [] : (this.runs.shownIn(name, { for: seconds, stimuli: [...stimuli] }) ?? []),
    );
    const isCertain = ({ doubt }: Shown): boolean => doubt === undefined;
    return [...closer, ...further].filter(isCertain).map(({ scenario }) => scenario);
  }
}
