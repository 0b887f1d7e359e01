import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { stretch } from '../units';
import { sentence, type Slot } from '../words/sentence';
import { lightsSlot } from '../words/slots';
import { capital, listText, NUMBER_SAID, numberSaid, numberWord } from '../words/words';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { litStretches, type LitStretch } from './lit-together';
import { absent, failedWith, passed, windowOf } from './outcome';

const MOST_LIGHTS = 100;

const schema = z.strictObject({
  among: z.array(lightSchema).min(2).max(MOST_LIGHTS),
  /** The fewest and the most of them that are lit at a time. */
  lit: z
    .tuple([z.int().min(0), z.int().min(0).max(MOST_LIGHTS)])
    .refine(([least, most]) => least <= most, 'the smaller number comes first'),
  ...windowed,
});
type LitAmong = z.infer<typeof schema>;

/** `exactly one`, `at least 2`, `at most 2`, `2 to 3`: how many, at the least and at the most. */
const howManySlot: Slot<[number, number]> = {
  write: ([least, most]) =>
    least === most
      ? `exactly ${numberWord(least)}`
      : most >= MOST_LIGHTS
        ? `at least ${numberWord(least)}`
        : least === 0
          ? `at most ${numberWord(most)}`
          : `${least} to ${most}`,
  pattern: `(?:exactly|just|at least|no fewer than|at most|no more than|never more than|not more than) ${NUMBER_SAID}|${NUMBER_SAID} (?:to|or) ${NUMBER_SAID}`,
  read: (text) => {
    const [first = 0, second] = (text.match(new RegExp(`\\b${NUMBER_SAID}\\b`, 'gi')) ?? []).map(numberSaid);
    if (second !== undefined) return first <= second ? [first, second] : undefined;
    if (/^(?:exactly|just)/i.test(text)) return [first, first];
    return /least|fewer/i.test(text) ? [first, MOST_LIGHTS] : [0, first];
  },
};

/** How many of some LEDs are lit, whichever they are. */
export const litAmong: ExpectationDefinition<LitAmong> = {
  keys: ['among', 'lit'],
  schema,
  sentence: sentence<LitAmong>(`{lit} of {among} lit< at any time>${WINDOW}`, {
    lit: howManySlot,
    among: lightsSlot,
    ...windowSlots,
  }),
  parts: ({ among }) => among.map(partOfLight),
  check: (expectation, observed) => {
    const { among, lit: wanted } = expectation;
    const missing = among.find((light) => observed.seen(light) === undefined);
    const stretches = litStretches(among, observed, windowOf(expectation, observed.trace));
    if (missing !== undefined || !stretches) return absent(missing ?? among[0]!);
    const [least, most] = wanted;
    const off = stretches.find(({ lit }) => lit.length < least || lit.length > most);
    const counts = stretches.map(({ lit }) => lit.length);
    const [fewest, highest] = [Math.min(...counts), Math.max(...counts)];
    const inWords = (count: number): string => (count === 0 ? 'none' : numberWord(count));
    const seen = `${fewest === highest ? inWords(fewest) : `${fewest} to ${highest}`} of them lit at a time`;
    return off ? failedWith(seen, failure(off, stretches, expectation)) : passed(seen);
  },
};

/** What is wrong with a stretch in which too few or too many are lit. */
function failure(
  off: LitStretch,
  stretches: readonly LitStretch[],
  { among, lit: [least, most] }: LitAmong,
): Observation {
  const isTooFew = off.lit.length < least;
  const never = among.filter((light) => stretches.every(({ lit }) => !lit.includes(light)));
  const when = stretch(off.from, off.to);
  const which = off.lit.length === 0 ? 'none' : `only ${listText(off.lit)}`;
  const are = (names: readonly string[]): string => `${listText(names)} ${names.length === 1 ? 'is' : 'are'}`;
  const found = isTooFew ? `${which} of ${listText(among)} is lit` : `${are(off.lit)} lit`;
  const wanted = `${howManySlot.write([least, most])} of ${listText(among)} lit`;
  const isDead = isTooFew && never.length > 0;
  return {
    code: isDead ? 'not-lit' : isTooFew ? 'timing-off' : 'turn-overlap',
    severity: 'fault',
    refs: [...new Set((isDead ? never : isTooFew ? among : off.lit).map(partOfLight))],
    message: `${capital(found)} ${when}; there should be ${wanted}.`,
    hints: [
      `Watch ${listText(among)} ${when}. How many of them are lit?`,
      `${capital(found)} ${when}.`,
      isTooFew
        ? isDead
          ? `${are(never)} never lit. Find out what keeps ${never.length === 1 ? 'it' : 'them'} dark.`
          : `Switch the next one on at the moment when the last one goes off.`
        : `Switch one of ${listText(off.lit)} off before the next one is switched on.`,
    ],
    evidence: {
      lit: quantity(off.lit.length, ''),
      fromS: quantity(off.from, 's'),
      foundS: quantity(off.to - off.from, 's'),
    },
  };
}
