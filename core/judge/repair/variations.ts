import type { Scenario } from '../../formats/scenario';
import { isBrought, isPress, touchedBy, type Stimulus } from '../../stimuli';

/** By how many seconds everything comes later, by what factor presses last, and by how much amounts differ. */
const LATER = 0.37;
const LONGER = 1.3;
const ASIDE = 0.06;
/** How many times as long a run goes on to which nothing is done. */
const TIMES_ON = 2.5;
/** Scenarios that are varied, the first ones. */
const MOST = 3;
/** Seconds up to which a scenario is played twice in a row. */
const LONGEST_TWICE = 20;

/**
 * The scenarios of an exercise a little otherwise: everything later, presses longer, amounts a little aside, a run that is
 * left alone longer. A build
 * that passes by accident passes these no more; which of them ask for something else is for the reference to say.
 */
export const variationsOf = (scenarios: readonly Scenario[]): readonly Scenario[] => {
  const touched = scenarios.filter(({ stimuli }) => stimuli.length > 0).slice(0, MOST);
  const alone = scenarios.filter((one) => one.stimuli.length === 0 && one.for <= LONGEST_TWICE);
  return [
    ...touched.flatMap((scenario) => [
      later(scenario),
      ...[lasting, beside].flatMap((vary) => {
        const stimuli = scenario.stimuli.map(vary);
        return stimuli.every((stimulus, index) => stimulus === scenario.stimuli[index])
          ? []
          : [{ ...scenario, stimuli }];
      }),
    ]),
    ...alone.slice(0, MOST).map((scenario) => ({ ...scenario, for: scenario.for * TIMES_ON })),
  ];
};

/**
 * Scenarios in which the exercise's own program shows what nobody asks for: the scenarios as they are, with what is
 * measured going the other way, and with everything done once more. A build that does the same in them is the one that is
 * meant.
 */
export const unwatchedOf = (scenarios: readonly Scenario[]): readonly Played[] =>
  scenarios.slice(0, MOST).flatMap((scenario) => [scenario, ...turnedRound(scenario), ...onceMore(scenario)]);

/** What of a scenario is played. */
export type Played = Omit<Scenario, 'expect'>;

/** The amounts that each part is brought to, in the other order. */
function turnedRound({ name, for: length, stimuli }: Played): readonly Played[] {
  const turned = stimuli.map((stimulus) => {
    if (!isBrought(stimulus)) return stimulus;
    const part = touchedBy(stimulus)?.name;
    const amounts = stimuli.flatMap((other) =>
      isBrought(other) && touchedBy(other)?.name === part ? [{ of: other, to: other.to }] : [],
    );
    const at = amounts.findIndex(({ of }) => of === stimulus);
    return { ...stimulus, to: amounts.at(-1 - at)!.to };
  });
  const isOther = turned.some((stimulus, index) => {
    const own = stimuli[index]!;
    return isBrought(stimulus) && isBrought(own) && stimulus.to !== own.to;
  });
  return isOther ? [{ name, for: length, stimuli: turned }] : [];
}

/** Everything that is pressed, once more behind all that is done. */
function onceMore({ name, for: length, stimuli }: Played): readonly Played[] {
  if (!stimuli.some(isPress) || length > LONGEST_TWICE) return [];
  const again = stimuli.map((stimulus) => ({ ...stimulus, at: stimulus.at + length }));
  return [{ name, for: 2 * length, stimuli: [...stimuli, ...again] }];
}

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
