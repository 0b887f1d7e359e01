import * as z from 'zod';
import { quantity } from '../findings/finding';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { nameSlot, wordSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { absent, failedWith, movesIn, passed, windowOf } from './outcome';

const schema = z.strictObject({ relay: refSchema, is: z.enum(['on', 'off']), ...windowed });
type Pulled = z.infer<typeof schema>;

/** A relay has pulled in all the time, or not at all. */
export const pulled: ExpectationDefinition<Pulled> = {
  keys: ['relay'],
  schema,
  sentence: sentence<Pulled>(`{relay} {is}${WINDOW}`, {
    relay: nameSlot,
    is: wordSlot({
      on: ['is pulled in', 'pulls in', 'has pulled in', 'is energised', 'is energized'],
      off: ['is let go', 'lets go', 'has let go', 'is released', 'has dropped out', 'drops out'],
    }),
    ...windowSlots,
  }),
  example: 'K1 is pulled in',
  exampleOf: ['click'],
  parts: ({ relay }) => [relay],
  isThroughout: true,
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.relay);
    const changes = ref === undefined ? undefined : observed.trace.pulls.get(ref);
    if (ref === undefined || !changes) return absent(expectation.relay);
    const all = movesIn(changes, windowOf(expectation, observed.trace));
    const found = all
      .map(({ at, isPulled }) => `${isPulled ? 'pulled in' : 'let go'} from ${seconds(at)}`)
      .slice(0, 4)
      .join(', ');
    const wrong = all.find(({ isPulled }) => isPulled !== (expectation.is === 'on'));
    if (!wrong) return passed(found);
    const is = wrong.isPulled ? 'is pulled in' : 'is not pulled in';
    const should = expectation.is === 'on' ? 'be pulled in' : 'be let go';
    return failedWith(found, {
      code: wrong.isPulled ? 'timing-off' : 'no-response',
      severity: 'fault',
      refs: [ref],
      message: `${capital(partTextOf(observed.wiring, ref))} ${is} at ${seconds(wrong.at)}; it should ${should}.`,
      hints: [
        `What decides whether the coil of ${ref} has current at ${seconds(wrong.at)}?`,
        `${ref} ${is} at ${seconds(wrong.at)}.`,
        wrong.isPulled
          ? `Find what switches ${ref} on before ${seconds(wrong.at)}.`
          : `Check the supply of ${ref}, its signal lead, and what should switch it on before ${seconds(wrong.at)}.`,
      ],
      evidence: { atS: quantity(wrong.at, 's') },
    });
  },
  describe: ({ trace, windows }) =>
    windows.flatMap(({ from, to }) =>
      [...trace.pulls].flatMap(([relay, changes]): Pulled[] => {
        const [first, ...more] = movesIn(changes, [from, to]);
        return !first || more.length > 0 ? [] : [{ relay, is: first.isPulled ? 'on' : 'off', from, to }];
      }),
    ),
};
