import type { Scenario } from '../../formats/scenario';
import { isBrought, isPress, type Stimulus } from '../../stimuli';

/** By how many seconds everything comes later, by what factor presses last, and by how much amounts differ. */
const LATER = 0.37;
const LONGER = 1.3;
const ASIDE = 0.06;
/** Scenarios that are varied, the first ones. */
const MOST = 3;

/**
 * The scenarios of an exercise a little otherwise: everything later, presses longer, amounts a little aside. A build
 * that passes by accident passes these no more; which of them ask for something else is for the reference to say.
 */
export const variationsOf = (scenarios: readonly Scenario[]): readonly Scenario[] =>
  scenarios
    .filter(({ stimuli }) => stimuli.length > 0)
    .slice(0, MOST)
    .flatMap((scenario) => [
      later(scenario),
      ...[lasting, beside].flatMap((vary) => {
        const stimuli = scenario.stimuli.map(vary);
        return stimuli.every((stimulus, index) => stimulus === scenario.stimuli[index])
          ? []
          : [{ ...scenario, stimuli }];
      }),
    ]);

/** A moment as a person would write it. */
const shifted = (moment: number): number => Math.round((moment + LATER) * 1000) / 1000;

/** The scenario with everything that is done, and every window after it, a little later. */
function later(scenario: Scenario): Scenario {
  const moved = (moment: unknown): unknown => (typeof moment === 'number' ? shifted(moment) : moment);
  return {
    ...scenario,
    for: shifted(scenario.for),
    stimuli: scenario.stimuli.map((stimulus) => ({ ...stimulus, at: shifted(stimulus.at) })),
    expect: scenario.expect.map(
      (expectation) =>
        Object.fromEntries(
          Object.entries(expectation).map(([field, value]) => [
            field,
            field === 'from' || field === 'to' ? moved(value) : value,
          ]),
        ) as typeof expectation,
    ),
  };
}

const lasting = (stimulus: Stimulus): Stimulus =>
  isPress(stimulus) && stimulus.for !== undefined ? { ...stimulus, for: stimulus.for * LONGER } : stimulus;

/** A share of a knob's or a light's way, a little towards its middle. */
const beside = (stimulus: Stimulus): Stimulus =>
  isBrought(stimulus) && stimulus.to > 0 && stimulus.to < 1
    ? { ...stimulus, to: stimulus.to < 0.5 ? stimulus.to + ASIDE : stimulus.to - ASIDE }
    : stimulus;
