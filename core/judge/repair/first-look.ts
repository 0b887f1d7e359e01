import type { ScenarioResult } from '../../formats/report';
import type { Scenario } from '../../formats/scenario';

/** Seconds behind a window after which a run may end. */
const BEHIND = 0.01;
/** A run is cut where that leaves this share of it out at least. */
const WORTH = 0.2;

type Expectation = Scenario['expect'][number];

/** When the window ends of which an expectation speaks, in seconds; `undefined` where the run's end or a press decides. */
const endOf = (expectation: Expectation): number | undefined =>
  'to' in expectation &&
  typeof expectation.to === 'number' &&
  !('after' in expectation && expectation.after !== undefined)
    ? expectation.to
    : undefined;

/**
 * What a build is looked at in first, from what it does as it was handed in: the first scenario that it fails, no further
 * than where the first thing is over that it does not do. Whatever is a repair does that, and nearly all that is tried
 * does not. `undefined` where nothing is won by it: where it fails nothing, or only the whole of the first scenario tells.
 */
export function firstLookOf(
  scenarios: readonly Scenario[],
  results: readonly ScenarioResult[],
): Scenario | undefined {
  const at = results.findIndex(({ passed }) => !passed);
  const scenario = scenarios[at];
  const result = results[at];
  if (!scenario || result?.expectations.length !== scenario.expect.length) return undefined;
  const failed = scenario.expect.filter((_, index) => !result.expectations[index]!.passed);
  const ends = failed.map((expectation) => endOf(expectation) ?? scenario.for);
  if (ends.length === 0) return undefined;
  const end = Math.min(...ends) + BEHIND;
  if (end > scenario.for * (1 - WORTH)) return at === 0 ? undefined : scenario;
  return {
    ...scenario,
    for: end,
    stimuli: scenario.stimuli.filter((stimulus) => stimulus.at < end),
    expect: scenario.expect.filter((expectation) => (endOf(expectation) ?? Infinity) < end),
  };
}
