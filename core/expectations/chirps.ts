import * as z from 'zod';
import { quantity } from '../findings/finding';
import { heardIntervals } from '../rehearsal/heard';
import { soundingPhases } from '../rehearsal/phases';
import { observedSeconds } from '../rehearsal/trace';
import { seconds, times } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { nameSlot, numberSlot, rangeSlot } from '../words/slots';
import { capital } from '../words/words';
import { counted, countSchema, countsSlot, countText, isCount, OR_MORE, orMoreSlot } from './counted';
import { refSchema, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { nearestTo, rangeSchema } from './figures';
import { absent, failedWith, passed, windowOf } from './outcome';

const schema = z.strictObject({
  buzzer: refSchema,
  chirps: countSchema(),
  ...counted,
  /** How long each sound may be, in seconds. */
  lasting: rangeSchema(z.number().min(0)).optional(),
  ...windowed,
});
type Chirps = z.infer<typeof schema>;

const soundsFor = sentence<Chirps>(`{buzzer} sounds for {lasting}${WINDOW}`, {
  buzzer: nameSlot,
  lasting: rangeSlot(numberSlot, 's'),
  ...windowSlots,
});

/** How often a buzzer sounds, and how long each time. */
export const chirps: ExpectationDefinition<Chirps> = {
  keys: ['buzzer', 'chirps'],
  schema,
  sentence: sentence<Chirps>(`{buzzer} chirps {chirps}${OR_MORE}(, {lasting}< long>|)${WINDOW}`, {
    buzzer: nameSlot,
    chirps: countsSlot,
    ...orMoreSlot,
    lasting: rangeSlot(numberSlot, 's'),
    ...windowSlots,
  }),
  alsoRead: (text) => {
    const read = soundsFor.read(text);
    return read && { ...read, chirps: 1 };
  },
  example: 'Z1 chirps 3 times',
  exampleOf: ['sound'],
  parts: ({ buzzer }) => [buzzer],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.buzzer);
    const changes = ref && observed.trace.sounds.get(ref);
    if (ref === undefined || !changes) return absent(expectation.buzzer);
    const [from, to] = windowOf(expectation, observed.trace);
    const sounds = soundingPhases(changes, observedSeconds(observed.trace))
      .filter((phase) => phase.on && phase.to > from + 1e-9 && phase.from < to - 1e-9)
      .map((phase) => Math.min(to, phase.to) - Math.max(from, phase.from));
    const found =
      sounds.length === 0
        ? 'silent all the time'
        : `sounds ${times(sounds.length)}, ${sounds.slice(0, 5).map(seconds).join(', ')}`;
    const name = capital(partTextOf(observed.wiring, ref));
    const wanted = expectation.chirps;
    const { lasting, tolerance = 0 } = expectation;
    // Where lengths are asked for, what may be off is they.
    const isCounted = isCount(
      sounds.length,
      wanted,
      lasting ? { ...expectation, tolerance: 0 } : expectation,
    );
    if (!isCounted)
      return failedWith(found, {
        code: sounds.length === 0 ? 'tone-off' : 'count-wrong',
        severity: 'fault',
        refs: [ref],
        message: `${name} sounds ${times(sounds.length)} from ${seconds(from)} to ${seconds(to)}; it should sound ${countText(wanted, expectation)}.`,
        hints: [
          `Count how often ${ref} sounds. How often should it?`,
          `${ref} sounds ${times(sounds.length)} instead of ${countText(wanted, expectation)}.`,
          `Change the program so that ${ref} sounds ${countText(wanted, expectation)}.`,
        ],
        evidence: {
          found: quantity(sounds.length, ''),
          wanted: quantity(nearestTo(sounds.length, wanted), ''),
        },
      });
    const [least, most] = lasting ?? [0, Number.POSITIVE_INFINITY];
    const off = sounds.find(
      (length) => length < least * (1 - tolerance) - 1e-6 || length > most * (1 + tolerance) + 1e-6,
    );
    if (off === undefined) return passed(found);
    const way = off < least ? 'longer' : 'shorter';
    return failedWith(found, {
      code: 'timing-off',
      severity: 'fault',
      refs: [ref],
      message: `${name} sounds for ${seconds(off)}; it should be ${seconds(least)} to ${seconds(most)}.`,
      hints: [
        `How long does ${ref} sound, and how long should it?`,
        `${ref} sounds for ${seconds(off)}, and ${seconds(least)} to ${seconds(most)} would be right.`,
        `Make the sound ${way}: look at the delay between switching ${ref} on and off.`,
      ],
      evidence: { foundS: quantity(off, 's'), leastS: quantity(least, 's'), mostS: quantity(most, 's') },
    });
  },
  describe: ({ trace, seconds: length, windows }) =>
    [...trace.sounds].flatMap(([buzzer, changes]) =>
      windows.flatMap(({ from, to }): readonly Chirps[] => {
        const heard = heardIntervals(changes, length).filter((one) => one.to > from && one.from < to);
        const edges = [heard[0], heard.at(-1)];
        // A sound at an edge of the window was cut.
        if (heard.length < 3 || edges.some((edge) => edge && edge.hertz > 0)) return [];
        return [{ buzzer, chirps: heard.filter(({ hertz }) => hertz > 0).length, from, to }];
      }),
    ),
};
