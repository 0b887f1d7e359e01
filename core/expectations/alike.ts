import * as z from 'zod';
import { quantity } from '../findings/finding';
import { stretch } from '../units';
import { sentence } from '../words/sentence';
import { lightsSlot } from '../words/slots';
import { listText } from '../words/words';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { litStretches } from './lit-together';
import { absent, failedWith, passed, windowOf } from './outcome';

const schema = z.strictObject({ alike: z.array(lightSchema).min(2).max(100), ...windowed });
type Alike = z.infer<typeof schema>;

/** LEDs that are lit and dark at the same times. */
export const alike: ExpectationDefinition<Alike> = {
  keys: ['alike'],
  schema,
  sentence: sentence<Alike>(`{alike} lit and dark together${WINDOW}`, {
    alike: lightsSlot,
    ...windowSlots,
  }),
  parts: (expectation) => expectation.alike.map(partOfLight),
  check: (expectation, observed) => {
    const all = expectation.alike;
    const missing = all.find((light) => observed.seen(light) === undefined);
    const stretches = litStretches(all, observed, windowOf(expectation, observed.trace));
    if (missing !== undefined || !stretches) return absent(missing ?? all[0]!);
    const off = stretches.find(({ lit }) => lit.length > 0 && lit.length < all.length);
    if (!off) return passed('lit and dark at the same times');
    const dark = all.filter((light) => !off.lit.includes(light));
    const never = dark.filter((light) => stretches.every(({ lit }) => !lit.includes(light)));
    const when = stretch(off.from, off.to);
    const are = (names: readonly string[]): string =>
      `${listText(names)} ${names.length === 1 ? 'is' : 'are'}`;
    const found = `${are(off.lit)} lit ${when}, and ${are(dark)} dark`;
    return failedWith(found, {
      code: never.length > 0 ? 'not-lit' : 'timing-off',
      severity: 'fault',
      refs: [...new Set((never.length > 0 ? never : all).map(partOfLight))],
      message: `${found}; they should always do the same.`,
      hints: [
        `Watch ${listText(all)} ${when}. Do they do the same?`,
        `${found}.`,
        never.length > 0
          ? `${are(never)} never lit. Find out what keeps ${never.length === 1 ? 'it' : 'them'} dark.`
          : `Wherever one of them is switched, switch the others in the next lines.`,
      ],
      evidence: { fromS: quantity(off.from, 's'), foundS: quantity(off.to - off.from, 's') },
    });
  },
};
