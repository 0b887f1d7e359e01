import { definitionOf } from '../../expectations';
import type { ScenarioResult } from '../../formats/report';
import type { Scenario } from '../../formats/scenario';
import { touchedBy } from '../../stimuli';

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

/** Seconds of a window in which it shows whether something is so, and how closely it is looked for when it is not any more. */
const [SHOWS, NEARLY] = [0.1, 0.05];

/** Whether the run of the build met one expectation of a scenario. */
export type IsMet = (scenario: number, expectation: Expectation) => boolean;

/** The part of a scenario that is looked at first. */
interface Part {
  readonly scenario: Scenario;
  /** Seconds to its end. */
  readonly end: number;
}

/** When the window of an expectation begins, in seconds; `undefined` where that hangs on more than one press. */
function zeroOf(expectation: Expectation, { stimuli }: Scenario): number | undefined {
  if (!('after' in expectation) || expectation.after === undefined) return 0;
  const [moment, more] = stimuli.filter((stimulus) => touchedBy(stimulus)?.name === expectation.after);
  return moment && !more ? moment.at : undefined;
}

/** An expectation of what is so all the time, asked for up to a moment only; `undefined` for any other, and before it shows. */
function upTo(expectation: Expectation, { scenario, end }: Part): Expectation | undefined {
  const zero = zeroOf(expectation, scenario);
  if (zero === undefined || definitionOf(expectation).isThroughout !== true) return undefined;
  const { from = 0, to = scenario.for - zero } = expectation as {
    readonly from?: number;
    readonly to?: number;
  };
  const last = timed(Math.min(to, end - zero));
  return last >= from + SHOWS ? ({ ...expectation, to: last } as Expectation) : undefined;
}

/** When it shows of something that should be so all the time that it is not, in seconds. */
function firstWrong(
  expectation: Expectation,
  scenario: Scenario,
  isMet: (expectation: Expectation) => boolean,
): number | undefined {
  const isWrongBy = (end: number): boolean => {
    const part = upTo(expectation, { scenario, end });
    return part !== undefined && !isMet(part);
  };
  let [low, high] = [0, scenario.for];
  if (!isWrongBy(high)) return undefined;
  while (high - low > NEARLY) {
    const middle = (low + high) / 2;
    if (isWrongBy(middle)) high = middle;
    else low = middle;
  }
  return high;
}

const timed = (seconds: number): number => Number(seconds.toFixed(6));

/**
 * What a build is looked at in first, from what it does as it was handed in: the first scenario that it fails, no further
 * than where the first thing shows that it does not do. Whatever is a repair does that, and nearly all that is tried
 * does not. `undefined` where nothing is won by it: where it fails nothing, or only the whole of the first scenario tells.
 */
export function firstLookOf(
  scenarios: readonly Scenario[],
  results: readonly ScenarioResult[],
  isMet: IsMet = () => true,
): Scenario | undefined {
  const at = results.findIndex(({ passed }) => !passed);
  const scenario = scenarios[at];
  const result = results[at];
  if (!scenario || result?.expectations.length !== scenario.expect.length) return undefined;
  const failed = scenario.expect.filter((_, index) => !result.expectations[index]!.passed);
  const ends = failed.map(
    (expectation) =>
      firstWrong(expectation, scenario, (part) => isMet(at, part)) ?? endOf(expectation) ?? scenario.for,
  );
  if (ends.length === 0) return undefined;
  const end = timed(Math.min(...ends) + BEHIND);
  if (end > scenario.for * (1 - WORTH)) return at === 0 ? undefined : scenario;
  return {
    ...scenario,
    for: end,
    stimuli: scenario.stimuli.filter((stimulus) => stimulus.at < end),
    expect: scenario.expect.flatMap((expectation) => {
      if ((endOf(expectation) ?? Infinity) < end) return [expectation];
      const part = upTo(expectation, { scenario, end: timed(end - BEHIND) });
      return part ? [part] : [];
    }),
  };
}
