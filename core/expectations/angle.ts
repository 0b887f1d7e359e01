import * as z from 'zod';
import { quantity } from '../findings/finding';
import { lastBy } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { degreeSlot, nameSlot } from '../words/slots';
import { capital } from '../words/words';
import {
  degreesSchema,
  refSchema,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { absent, failedWith, passed, windowOf } from './outcome';

/** Share of the half circle that is off unnoticed. */
const ANGLE_TOLERANCE = 5 / 180;

const schema = z.strictObject({
  servo: refSchema,
  angle: degreesSchema,
  ...windowed,
});
type Angle = z.infer<typeof schema>;

/** Where a servo stands at the end of its window. */
export const angle: ExpectationDefinition<Angle> = {
  keys: ['servo', 'angle'],
  schema,
  sentence: sentence<Angle>(`{servo} stands at {angle}${WINDOW}`, {
    servo: nameSlot,
    angle: degreeSlot,
    ...windowSlots,
  }),
  example: 'M1 stands at 90°',
  exampleOf: ['angle'],
  parts: ({ servo }) => [servo],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.servo);
    if (ref === undefined) return absent(expectation.servo);
    const [, to] = windowOf(expectation, observed.trace);
    const degrees = lastBy(observed.trace.angles.get(ref), to)?.degrees;
    const found = degrees === undefined ? 'it gets no signal' : `at ${Math.round(degrees)}°`;
    const tolerance = (expectation.tolerance ?? ANGLE_TOLERANCE) * 180;
    if (degrees !== undefined && Math.abs(degrees - expectation.angle) <= tolerance) return passed(found);
    return failedWith(found, {
      code: 'angle-off',
      severity: 'fault',
      refs: [ref],
      message:
        degrees === undefined
          ? `${capital(partTextOf(observed.wiring, ref))} gets no signal it can follow, or no power; it should be at ${expectation.angle}° at ${seconds(to)}.`
          : `${capital(partTextOf(observed.wiring, ref))} is at ${Math.round(degrees)}° at ${seconds(to)}; it should be at ${expectation.angle}°.`,
      hints: [
        `What angle did the program last send to ${ref} before ${seconds(to)}?`,
        `${ref}: ${found}; it should be at ${expectation.angle}°.`,
        degrees === undefined
          ? `Check that ${ref} has power, that its ground is connected to the board, and that the program uses the pin its signal lead is on.`
          : `Write ${expectation.angle} to ${ref} before ${seconds(to)}.`,
      ],
      evidence:
        degrees === undefined
          ? {}
          : { angle: quantity(degrees, '°'), wanted: quantity(expectation.angle, '°') },
    });
  },
  describe: ({ trace, windows }) =>
    windows.flatMap(({ to }) =>
      [...trace.angles].flatMap(([servo, changes]): Angle[] => {
        const degrees = lastBy(changes, to)?.degrees;
        return degrees === undefined ? [] : [{ servo, angle: Math.round(degrees), to }];
      }),
    ),
};
