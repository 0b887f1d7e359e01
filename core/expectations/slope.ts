import * as z from 'zod';
import { quantity } from '../findings/finding';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { lightSlot } from '../words/slots';
import { capital } from '../words/words';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { glances } from './glances';
import { absent, failedWith, passed, windowOf, type Observed, type Outcome } from './outcome';

/** Change of brightness that is seen as one. */
const SEEN_CHANGE = 0.1;
/** Unsteadiness that is not. */
const UNSEEN_CHANGE = 0.02;

const risesSchema = z.strictObject({ lamp: lightSchema, rises: z.literal(true), ...windowed });
const fallsSchema = z.strictObject({ lamp: lightSchema, falls: z.literal(true), ...windowed });
type Rises = z.infer<typeof risesSchema>;
type Falls = z.infer<typeof fallsSchema>;

const slots = { lamp: lightSlot, ...windowSlots };

/** An LED gets brighter all the time. */
export const rises: ExpectationDefinition<Rises> = {
  keys: ['lamp', 'rises'],
  schema: risesSchema,
  sentence: sentence<Rises>(`{lamp} gets brighter${WINDOW}`, slots),
  fixed: { rises: true },
  parts: ({ lamp: led }) => [partOfLight(led)],
  check: (expectation, observed) => checkSlope(expectation, observed, 'brighter'),
};

/** An LED gets darker all the time. */
export const falls: ExpectationDefinition<Falls> = {
  keys: ['lamp', 'falls'],
  schema: fallsSchema,
  sentence: sentence<Falls>(`{lamp} gets darker${WINDOW}`, slots),
  fixed: { falls: true },
  parts: ({ lamp: led }) => [partOfLight(led)],
  check: (expectation, observed) => checkSlope(expectation, observed, 'darker'),
};

/** Whether an LED gets brighter, or darker, all the time and enough to be seen. */
function checkSlope(
  expectation: Omit<Rises, 'rises'>,
  observed: Observed,
  wanted: 'brighter' | 'darker',
): Outcome {
  const changes = observed.currents(expectation.lamp);
  const ref = observed.builtRef(expectation.lamp);
  if (!changes || ref === undefined) return absent(expectation.lamp);
  const [from, to] = windowOf(expectation, observed.trace);
  const seen = glances(changes, from, to);
  const sign = wanted === 'brighter' ? 1 : -1;
  const [first, last] = [seen[0]!, seen.at(-1)!];
  const percent = (share: number): string => `${Math.round(share * 100)} %`;
  const summary = `from ${percent(first)} to ${percent(last)} bright`;
  const steady = seen.every((now, index) => index === 0 || sign * (now - seen[index - 1]!) >= -UNSEEN_CHANGE);
  if (steady && sign * (last - first) >= SEEN_CHANGE) return passed(summary);
  const goesBack = sign * (last - first) <= -SEEN_CHANGE;
  const name = capital(partTextOf(observed.wiring, ref));
  const how = goesBack
    ? `gets ${sign > 0 ? 'darker' : 'brighter'}`
    : Math.abs(last - first) < SEEN_CHANGE
      ? 'does not change'
      : `does not get ${wanted} all the time`;
  return failedWith(summary, {
    code: goesBack ? 'wrong-direction' : Math.abs(last - first) < SEEN_CHANGE ? 'no-response' : 'unsteady',
    severity: 'fault',
    refs: [ref],
    message: `${name} ${how} from ${seconds(from)} to ${seconds(to)}: it goes ${summary}; it should get ${wanted}.`,
    hints: [
      `What changes from ${seconds(from)} to ${seconds(to)}, and what should ${ref} do then?`,
      `${ref} goes ${summary}.`,
      goesBack
        ? `Reverse the direction: swap the ends of the range in the program, or the outer wires of what you turn.`
        : `Set the brightness of ${ref} from the reading every time round the loop.`,
    ],
    evidence: { first: quantity(first, ''), last: quantity(last, '') },
  });
}
