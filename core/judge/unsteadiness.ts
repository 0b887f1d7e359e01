import { within } from '../effort';
import type { Observation } from '../findings/finding';
import type { Scenario } from '../formats/scenario';
import type { Language } from '../program';
import type { PinReads, Trace } from '../rehearsal/trace';
import { isPress } from '../stimuli';
import type { Circuit } from '../wiring/circuit';
import { tooSeldom } from './blind-presses';
import { checkExpectation, isOfChance, type Outcome } from '../expectations';
import { observedOn, type Chance, type Judging } from './judging';
import { wordingOf } from './program';
import { leadsToSupply } from './rules/inputs';
import { deviationsIn, roomDeviationsIn } from './tolerances';

/** Ways in which contacts bounce that a build has to stand. */
const BOUNCE_SEEDS = [1, 2, 3];
/** More of them, for what does not stand one of those: whether it was bad luck is seen in all of them. */
const MORE_BOUNCE_SEEDS = [4, 5, 6, 7, 8, 9, 10, 11, 12];
/** In so many of all ways a build may fail because a bounce came just then, and twice as often again as its like does. */
const BY_BAD_LUCK = 2;
const AS_OFTEN = 2;
/** Ways in which noise falls on a floating line. */
const NOISE_SEEDS = [1, 2];

/** All further runs of a scenario; what they do not come to is left out. */
const OF_FURTHER_RUNS = 8e8;
/** The same where another scenario fails plainly: what is found there is wanted for more. */
const BESIDE_A_FAILURE = 1e8;
/** Those of them with noise on a line, where what it reads as fails without noise too. */
const OF_NOISE = 1e8;

/** Something that is not the same every time, and what comes of it. */
export interface Unsteadiness {
  readonly by: 'bounce' | 'floating' | 'tolerance';
  readonly observation: Observation;
  /** In how many of the ways that were tried it comes to that. */
  readonly times: number;
}

/** Whether something is no worse than what the exercise's own build does in the same scenario, or than bad luck. */
export const isNoWorse = ({ by, times }: Unsteadiness, own: Unsteadiness | undefined): boolean =>
  by === 'bounce' ? times <= BY_BAD_LUCK + AS_OFTEN * (own?.by === by ? own.times : 0) : own?.by === by;

/** How closely a build is looked at. */
interface Closeness {
  /** Whether it fails in another scenario without all that. */
  readonly isFailing?: boolean;
  /** Whether every way to bounce is tried, for what a build is held to. */
  readonly isReference?: boolean;
}

/**
 * What a build that passes does otherwise when contacts bounce, a line that floats reads as something else, or parts
 * and supply are not quite what they are said to be; `undefined` when it does the same.
 */
export function unsteadiness(
  scenario: Scenario,
  trace: Trace,
  judging: Judging,
  { isFailing = false, isReference = false }: Closeness = {},
): Unsteadiness | undefined {
  const most = isFailing ? BESIDE_A_FAILURE : OF_FURTHER_RUNS;
  const found = within(most, () => difference(scenario, trace, judging, isReference));
  return found.ended ? found.value : undefined;
}

function difference(
  scenario: Scenario,
  trace: Trace,
  judging: Judging,
  isReference: boolean,
): Unsteadiness | undefined {
  const { runWith, circuit, language } = judging;
  const failing = (chance: Chance, way = judging.run): Outcome | undefined =>
    firstFailure(scenario, chance, judging, way);
  const pressed = scenario.stimuli.find(isPress);
  const whereItBounces = (seeds: readonly number[]): readonly Outcome[] =>
    seeds.flatMap((bounceSeed) => failing({ bounceSeed }) ?? []);
  const few = pressed ? whereItBounces(BOUNCE_SEEDS) : [];
  const isOpen = pressed && (few.length > 0 || isReference);
  const all = isOpen ? [...few, ...whereItBounces(MORE_BOUNCE_SEEDS)] : few;
  if (pressed && all[0]) {
    const observation = bounces(scenario, trace, pressed.press, happensIn(all[0]), circuit);
    return { by: 'bounce', observation, times: all.length };
  }
  const [floating] = trace.floatingReads;
  const readings = floating ? readingsOf(scenario, judging) : [];
  const failed = readings.find(({ outcome }) => outcome);
  if (floating && failed?.outcome)
    return { by: 'floating', observation: floats(floating, readings, circuit, language), times: 1 };
  for (const { spread, tell } of deviationsIn(trace, circuit)) {
    const outcome = failing({}, runWith(spread));
    if (outcome) return { by: 'tolerance', observation: tell(happensIn(outcome)), times: 1 };
  }
  return undefined;
}

/** What a build that passes does otherwise in a room, or with a sensor, that is not quite the scenario's: advice. */
export function roomAdvice(scenario: Scenario, trace: Trace, judging: Judging): readonly Observation[] {
  const found = within(OF_FURTHER_RUNS, () => {
    for (const { spread, tell } of roomDeviationsIn(trace, judging.circuit)) {
      const outcome = firstFailure(scenario, {}, judging, judging.runWith(spread));
      if (outcome) return [tell(happensIn(outcome))];
    }
    return [];
  });
  return found.ended ? found.value : [];
}

/** The first expectation that a run of a scenario does not meet. What is left to chance is looked at over many runs. */
function firstFailure(
  scenario: Scenario,
  chance: Chance,
  judging: Judging,
  run = judging.run,
): Outcome | undefined {
  const observed = observedOn(scenario, run(scenario, chance), judging);
  return scenario.expect
    .filter((expectation) => !isOfChance(expectation))
    .map((expectation) => checkExpectation(expectation, observed))
    .find(({ passed }) => !passed);
}

/** What a line that floats may read as, and the first thing that is then not as it should be. */
interface Reading {
  readonly as: string;
  readonly outcome: Outcome | undefined;
}

function readingsOf(scenario: Scenario, judging: Judging): readonly Reading[] {
  const failing = (chance: Chance): Outcome | undefined => firstFailure(scenario, chance, judging);
  const high = failing({ floatingReads: 'high' });
  const noisy = (): Outcome | undefined => {
    for (const seed of NOISE_SEEDS) {
      const outcome = failing({ floatingReads: 'noise', seed });
      if (outcome) return outcome;
    }
    return undefined;
  };
  // No two passes of a noisy run are alike, so that it takes long: where it fails anyway, that need not be seen to its end.
  const noise = high ? within(OF_NOISE, noisy) : { ended: true as const, value: noisy() };
  return [
    { as: 'low', outcome: failing({}) },
    { as: 'high', outcome: high },
    ...(noise.ended ? [{ as: 'now this, now that', outcome: noise.value }] : []),
  ];
}

/**
 * How a build behaves while a line that floats reads low, high, and at random, in a sentence; `undefined` where it is as
 * it should be in any case.
 */
export function saidOfReadings(scenario: Scenario, judging: Judging): string | undefined {
  const readings = readingsOf(scenario, judging);
  return readings.some(({ outcome }) => outcome) ? saidOf(readings) : undefined;
}

const saidOf = (readings: readonly Reading[]): string =>
  `While it reads ${readings
    .map(({ as, outcome }) => `${as}, ${outcome ? happensIn(outcome) : 'all is as it should be'}`)
    .join('; while it reads ')}.`;

/** What is seen where an expectation is not met, to stand in a sentence. */
const happensIn = ({ failures, observed }: Outcome): string => {
  const [said = observed] = failures.flatMap(({ message }) => message.split(/(?<=[a-z0-9°%])[.;] /)[0] ?? []);
  return said
    .replace(/\.$/, '')
    .replace(/^(?:The|From|None|Neither|No|Nothing|An?|Line|Pin)\b/, (word) => word.toLowerCase());
};

/** Seconds after which a contact that was pressed or let go is at rest. */
const AT_REST = 0.02;

/**
 * A stretch in which a program does not look at a button that is being pressed or let go, and neither does it before: it looked
 * at a single moment then. A contact is at rest long before such a program looks again.
 */
function blindAround(
  gaps: PinReads['gaps'],
  { stimuli }: Scenario,
  button: string,
): PinReads['gaps'][number] | undefined {
  const moments = stimuli
    .filter(isPress)
    .filter(({ press }) => press === button)
    .flatMap(({ at, for: held }) => [at, ...(held === undefined ? [] : [at + held])]);
  const isAt = (time: number): boolean => moments.some((at) => time > at - AT_REST && time < at + AT_REST);
  return gaps.some(({ to }) => isAt(to)) ? gaps.find(({ from }) => isAt(from)) : undefined;
}

function bounces(
  scenario: Scenario,
  trace: Trace,
  button: string,
  observed: string,
  circuit: Circuit,
): Observation {
  const leadsToIt = (pin: string): boolean => {
    const node = circuit.nodeOfPin(pin);
    return node !== undefined && circuit.partsAt(node.id).some(({ ref }) => ref === button);
  };
  // The line that looks at the button, or that has an interrupt look at it.
  const read = [...trace.reads].find(([pin]) => leadsToIt(pin));
  const asked = [...trace.interruptPins].find(([pin]) => leadsToIt(pin));
  const line = read?.[1].line ?? asked?.[1] ?? 1;
  const isInterrupt = asked !== undefined;
  const blind = isInterrupt ? undefined : blindAround(read?.[1].gaps ?? [], scenario, button);
  if (blind)
    return tooSeldom(
      { button, line, blind },
      `so it depends on the moment whether a press is seen in time. Otherwise ${observed}.`,
      (length) => [
        `How long does the program take from one look at ${button} to the next?`,
        `Line ${line} doesn’t look at ${button} for ${length} at a time.`,
        `Make the pauses between two looks at ${button} much shorter, such as 10 milliseconds.`,
      ],
    );
  return {
    code: 'no-debounce',
    severity: 'fault',
    refs: [button],
    line,
    column: 1,
    message: `A real button bounces for a few milliseconds when it is pressed, and line ${line} ${read ? 'takes each bounce for a press' : 'lets each bounce interrupt the program'}: then ${observed}.`,
    hints: [
      `What does a contact do in the first thousandths of a second after it is pressed?`,
      `When ${button} bounces, something else happens: ${observed}.`,
      isInterrupt
        ? `In the interrupt routine, take a press only if the last change was more than 20 milliseconds ago, or check the button in loop instead.`
        : `After line ${line} has seen a change, wait 20 milliseconds before checking again.`,
    ],
  };
}

function floats(
  { pin, line, how }: Trace['floatingReads'][number],
  readings: readonly Reading[],
  circuit: Circuit,
  language: Language,
): Observation {
  return {
    code: 'unsteady',
    severity: 'fault',
    line,
    column: 1,
    message: `Line ${line} reads pin ${pin} while nothing holds it, so the outcome changes from one time to the next. ${saidOf(readings)}`,
    hints: [
      `What does pin ${pin} read while nothing is connected to it?`,
      `Pin ${pin} floats when line ${line} reads it; it may be ${how === 'digital' ? 'high or low' : 'any number'}.`,
      `${leadsToSupply(circuit, pin) ? `Add a 10 kΩ resistor from pin ${pin} to ground.` : wordingOf(language).pullUp(pin)} Or check that its wire goes to what it should read.`,
    ],
  };
}
