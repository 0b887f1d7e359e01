import { z } from 'zod';
import { quantity } from '../findings/finding';
import { lastBy } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { nameSlot, wordSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { absent, failedWith, passed, windowOf } from './outcome';

const schema = z.strictObject({ relay: refSchema, is: z.enum(['on', 'off']), ...windowed });
type Pulled = z.infer<typeof schema>;

/** A relay has pulled in all the time, or not at all. */
export const pulled: ExpectationDefinition<Pulled> = {
  keys: ['relay'],
  schema,
  sentence: sentence<Pulled>(`{relay} {is}${WINDOW}`, {
    relay: nameSlot,
    is: wordSlot({
      on: ['is pulled in', 'pulls in', 'has pulled in'],
      off: ['is let go', 'lets go', 'has let go'],
    }),
    ...windowSlots,
  }),
  example: 'K1 is pulled in',
  parts: ({ relay }) => [relay],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.relay);
    const changes = ref === undefined ? undefined : observed.trace.pulls.get(ref);
    if (ref === undefined || !changes) return absent(expectation.relay);
    const [from, to] = windowOf(expectation, observed.trace);
    const first = lastBy(changes, from) ?? { at: from, isPulled: false };
    const inside = changes.filter(({ at }) => at > from + 1e-9 && at < to - 1e-9);
    const all = [{ ...first, at: from }, ...inside];
    const found = all
      .map(({ at, isPulled }) => `${isPulled ? 'pulled in' : 'let go'} from ${seconds(at)}`)
      .slice(0, 4)
      .join(', ');
    const wrong = all.find(({ isPulled }) => isPulled !== (expectation.is === 'on'));
    if (!wrong) return passed(found);
    const is = wrong.isPulled ? 'is pulled in' : 'is not pulled in';
    const should = expectation.is === 'on' ? 'be pulled in' : 'be let go';
    return failedWith(found, {
      code: wrong.isPulled ? 'not-dark' : 'no-response',
      severity: 'fault',
      refs: [ref],
      message: `${capital(partTextOf(observed.wiring, ref))} ${is} at ${seconds(wrong.at)}; it should ${should}.`,
      hints: [
        `What does the program do with the pin of ${ref} at ${seconds(wrong.at)}?`,
        `${ref} ${is} at ${seconds(wrong.at)}.`,
        wrong.isPulled
          ? `Find the line that makes the pin of ${ref} HIGH before ${seconds(wrong.at)}.`
          : `Check the supply of ${ref} and its pin, and which line makes that pin HIGH.`,
      ],
      evidence: { atS: quantity(wrong.at, 's') },
    });
  },
  describe: ({ trace, windows }) =>
    windows.flatMap(({ from, to }) =>
      [...trace.pulls].flatMap(([relay, changes]): Pulled[] => {
        const isChanged = changes.some(({ at }) => at > from + 1e-9 && at < to - 1e-9);
        return isChanged ? [] : [{ relay, is: lastBy(changes, from)?.isPulled ? 'on' : 'off', from, to }];
      }),
    ),
};
