import * as z from 'zod';
import { quantity } from '../findings/finding';
import { lightsOf, observedSeconds } from '../rehearsal/trace';
import { isBrought, isMeasured, restOf, touchedBy, valueText, type Stimulus } from '../stimuli';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { flagSlot, lightSlot, nameSlot } from '../words/slots';
import { capital } from '../words/words';
import {
  lightSchema,
  partOfLight,
  refSchema,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { brightnessOf, gaugeOf, type Gauge } from './gauges';
import { absent, failedWith, nothingDoneTo, passed, windowOf, type Observed, type Outcome } from './outcome';

/** Seconds that a part may take to follow, and over which it is looked at then. */
const [SETTLE, LOOK] = [0.3, 0.2];
/** Seconds from which something is moved so slowly that a part is seen to follow on the way. */
const SLOWLY = 1;
/** Places on the way at which it is looked at, as shares of it: none where a number of bits too few begins again. */
const ON_THE_WAY = [0.2, 0.4, 0.6, 0.8];
/** Share of what a part does in all that it does at least for the same share of what it follows. */
const LEAST_SHARE = 0.1;
/** Shares of the whole way that are too near each other to be told apart. */
const SAME_PLACE = 0.1;

const schema = z.strictObject({
  /** An LED, a servo, a motor or a buzzer. */
  part: lightSchema,
  follows: refSchema,
  /** Whether the less there is of the one, the more there is of the other. */
  inversely: z.literal(true).optional(),
  ...windowed,
});
type Follows = z.infer<typeof schema>;

/** How much there is of what is followed, and of what follows it. */
interface Sample {
  readonly given: number;
  readonly value: number;
}

/** The same where what follows may show nothing: a servo without pulses stands nowhere. */
interface Look {
  readonly given: number;
  readonly value: number | undefined;
}

/**
 * How much of a part there is for each amount that another is brought to: wherever that rests, and on the way where it
 * is moved slowly.
 */
function looksAt(
  followed: string,
  gauge: Gauge,
  stimuli: readonly Stimulus[],
  [from, to]: readonly [number, number],
): readonly Look[] {
  const all = stimuli
    .flatMap((stimulus) => {
      const touched = touchedBy(stimulus);
      return touched?.name === followed && isMeasured(touched.how) && isBrought(stimulus)
        ? [{ ...stimulus, how: touched.how }]
        : [];
    })
    .sort((one, other) => one.at - other.at);
  const [first] = all;
  if (!first) return [];
  const looks: { readonly begin: number; readonly end: number; readonly given: number }[] = [];
  const rest = (given: number, since: number, until: number): void => {
    const begin = Math.max(since + SETTLE, until - LOOK);
    if (until - begin > LOOK / 2) looks.push({ begin, end: until, given });
  };
  // Where it stands before it is moved is nobody's wish, unless it is moved only once.
  if (all.length === 1) rest(restOf(first.how), 0, first.at);
  for (const [index, { at, over = 0, to: brought, how }] of all.entries()) {
    const before = all[index - 1]?.to ?? restOf(how);
    if (over >= SLOWLY)
      for (const share of ON_THE_WAY) {
        const middle = at + over * share;
        looks.push({
          begin: middle - LOOK / 2,
          end: middle + LOOK / 2,
          given: before + (brought - before) * share,
        });
      }
    rest(brought, at + over, all[index + 1]?.at ?? to);
  }
  return looks
    .filter(({ begin, end }) => begin >= from - 1e-6 && end <= to + 1e-6)
    .map(({ begin, end, given }) => ({ given, value: gauge.in(begin, end) }))
    .sort((one, other) => one.given - other.given);
}

/** Two neighbouring amounts between which a part does not do what it should, the plainest of them. */
function worstStep(samples: readonly Sample[], sign: 1 | -1): readonly [Sample, Sample] | undefined {
  const [least, most] = [samples[0]!.given, samples.at(-1)!.given];
  const values = samples.map(({ value }) => value);
  const reach = Math.max(...values) - Math.min(...values);
  const steps = samples.flatMap((after, index) => {
    const before = samples
      .slice(0, index)
      .findLast(({ given }) => (after.given - given) / (most - least) >= SAME_PLACE);
    if (!before) return [];
    const share = (after.given - before.given) / (most - least);
    const done = (sign * (after.value - before.value)) / reach;
    return done >= share * LEAST_SHARE ? [] : [{ before, after, done }];
  });
  const worst = steps.sort((one, other) => one.done - other.done)[0];
  return worst && [worst.before, worst.after];
}

/** A part does the more the further another is turned, or the more light, warmth or distance it is given. */
export const follows: ExpectationDefinition<Follows> = {
  keys: ['part', 'follows'],
  schema,
  sentence: sentence<Follows>(`{part} follows {follows}( {inversely}|)${WINDOW}`, {
    part: lightSlot,
    follows: nameSlot,
    inversely: flagSlot('the other way round', '(?:(?:the other way (?:a?round))|inversely|in reverse)'),
    ...windowSlots,
  }),
  example: 'D1 follows P1',
  exampleOf: ['light', 'angle', 'turning', 'sound'],
  parts: ({ part, follows }) => [partOfLight(part), follows],
  check: (expectation, observed) => {
    const ref = observed.builtRef(partOfLight(expectation.part));
    const lit = observed.currents(expectation.part);
    const gauge = lit ? brightnessOf(lit) : ref && gaugeOf(ref, observed.trace);
    if (ref === undefined || !gauge) return absent(expectation.part);
    return checkGauge(expectation, gauge, partTextOf(observed.wiring, ref), ref, observed);
  },
  describe: ({ trace, stimuli }) => {
    const followed = new Set(
      stimuli.flatMap((stimulus) => {
        const touched = touchedBy(stimulus);
        return touched && isMeasured(touched.how) ? [touched.name] : [];
      }),
    );
    const following = [...lightsOf(trace).keys(), ...trace.angles.keys(), ...trace.turns.keys()];
    return [...followed].flatMap((name) =>
      following.flatMap((part): Follows[] => [
        { part, follows: name },
        { part, follows: name, inversely: true },
      ]),
    );
  },
};

/** That what should follow shows nothing at all. */
function doesNothing(
  { follows, inversely }: Follows,
  { name, ref, gauge }: { readonly name: string; readonly ref: string; readonly gauge: Gauge },
  meanwhile: string,
): Outcome {
  const [, should] = inversely ? gauge.less : gauge.more;
  return failedWith(`does nothing ${meanwhile}`, {
    code: 'no-response',
    severity: 'fault',
    refs: [ref],
    message: `${capital(name)} does nothing ${meanwhile}; it should ${should}.`,
    hints: [
      `Does anything that ${ref} understands come out of its pin?`,
      `${ref} does nothing ${meanwhile}.`,
      `Check which pin ${ref} is on, and what the program sends there for each reading of ${follows}.`,
    ],
    evidence: {},
  });
}

function checkGauge(
  expectation: Follows,
  gauge: Gauge,
  name: string,
  ref: string,
  observed: Observed,
): Outcome {
  const { follows, inversely } = expectation;
  const [from, to] = windowOf(expectation, observed.trace);
  const looks = looksAt(follows, gauge, observed.stimuli, [
    from,
    Math.min(to, observedSeconds(observed.trace)),
  ]);
  const how = observed.stimuli.map(touchedBy).find((touched) => touched?.name === follows)?.how;
  if (!how || !isMeasured(how)) return nothingDoneTo(follows);
  const [least, most] = [looks[0]?.given, looks.at(-1)?.given];
  const samples = looks.flatMap(({ given, value }) => (value === undefined ? [] : [{ given, value }]));
  const [first, last] = [samples[0], samples.at(-1)];
  if (least !== undefined && most !== undefined && least !== most && first?.given === last?.given)
    return doesNothing(
      expectation,
      { name, ref, gauge },
      `while ${follows} goes from ${valueText(how, least)} to ${valueText(how, most)}`,
    );
  if (!first || !last || last.given === first.given)
    return {
      passed: false,
      observed: `${follows} is not brought to two different places, so nothing is seen to follow it`,
      failures: [],
    };
  const place = ({ given }: Sample): string => `${follows} at ${valueText(how, given)}`;
  const is = (sample: Sample): string => `${gauge.text(sample.value)} with ${place(sample)}`;
  const found = `${is(first)}, ${is(last)}`;
  const values = samples.map(({ value }) => value);
  const isStill = Math.max(...values) - Math.min(...values) < gauge.noticed;
  const step = isStill ? ([first, last] as const) : worstStep(samples, inversely ? -1 : 1);
  if (!step) return passed(found);
  const [before, after] = step;
  const change = after.value - before.value;
  const [wanted, other] = inversely ? [gauge.less, gauge.more] : [gauge.more, gauge.less];
  const isOther = Math.abs(change) >= gauge.noticed / 4 && (inversely ? change > 0 : change < 0);
  const ends = `while ${follows} goes from ${valueText(how, before.given)} to ${valueText(how, after.given)}`;
  const does = isOther
    ? `${other[0]} ${ends}: it is ${gauge.text(before.value)} before and ${gauge.text(after.value)} after`
    : `stays ${gauge.text(after.value)} ${ends}`;
  const goesAll = isOther && before === first && after === last;
  return failedWith(does, {
    code: isOther ? 'wrong-direction' : 'no-response',
    severity: 'fault',
    refs: [ref],
    message: `${capital(name)} ${does}; it should ${wanted[1]}.`,
    hints: [
      `What does the program do with the reading of ${follows} before it goes to ${ref}?`,
      `${ref} ${does}.`,
      isOther
        ? goesAll || samples.length < 3
          ? `Reverse the direction: swap the ends of the range in the program, or the outer wires of what you turn.`
          : `Check the range: the reading must become a number that the pin can take, over the whole way.`
        : `Set ${ref} from the reading of ${follows} every time round the loop, over the whole range of the reading.`,
    ],
    evidence: {
      before: quantity(before.value, ''),
      after: quantity(after.value, ''),
    },
  });
}
