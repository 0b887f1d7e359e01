import * as z from 'zod';
import { quantity } from '../findings/finding';
import { seconds, stretch } from '../units';
import { sentence } from '../words/sentence';
import { lightsSlot } from '../words/slots';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { passed, windowOf, within } from './outcome';
import { takingTurns } from './turns';

const schema = z.strictObject({ 'never-together': z.array(lightSchema).min(2).max(100), ...windowed });
type NeverTogether = z.infer<typeof schema>;

/** LEDs of which at most one is lit at a time. */
export const neverTogether: ExpectationDefinition<NeverTogether> = {
  keys: ['never-together'],
  schema,
  sentence: sentence<NeverTogether>(`{never-together} never< lit> together${WINDOW}`, {
    'never-together': lightsSlot,
    ...windowSlots,
  }),
  parts: (expectation) => expectation['never-together'].map(partOfLight),
  check: (expectation, observed) => {
    const leds = expectation['never-together'];
    const [from, to] = windowOf(expectation, observed.trace);
    const lit = leds.map((led) =>
      within(observed.seen(led) ?? [], from, to).filter((interval) => interval.glow === 'lit'),
    );
    for (let first = 0; first < leds.length; first += 1)
      for (let second = first + 1; second < leds.length; second += 1)
        for (const a of lit[first]!)
          for (const b of lit[second]!) {
            const [start, end] = [Math.max(a.from, b.from), Math.min(a.to, b.to)];
            // An overlap too short for an eye is a matter of the order of two lines, not of what is seen.
            if (end - start < 0.02) continue;
            const names = `${leds[first]} and ${leds[second]}`;
            // Each of them is lit alone too: they take turns, and the change comes too late.
            const overlaps = end - start < Math.min(a.to - a.from, b.to - b.from) * 0.9;
            return {
              passed: false,
              observed: `${names} lit together for ${seconds(end - start)}`,
              failures: [
                {
                  code: overlaps ? 'turn-overlap' : 'order-wrong',
                  severity: 'fault',
                  refs: [leds[first]!, leds[second]!],
                  message: `${names} are lit together ${stretch(start, end)}; they should take turns.`,
                  hints: [
                    `Is one of ${names} switched off before the other is switched on?`,
                    `From ${seconds(start)} on, ${names} are both lit, for ${seconds(end - start)}.`,
                    `Switch one of ${names} off in the line before the other is switched on.`,
                  ],
                  evidence: { togetherS: quantity(end - start, 's') },
                },
              ],
            };
          }
    return passed('never lit together');
  },
  describe: (run) => {
    const lit = takingTurns(run);
    return lit.length > 1 ? [{ 'never-together': [...lit] }] : [];
  },
};
