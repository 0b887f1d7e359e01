import * as z from 'zod';
import { quantity } from '../findings/finding';
import { lastBy } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { nameSlot, numberSlot } from '../words/slots';
import { capital } from '../words/words';
import {
  degreesSchema,
  refSchema,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { boundsOf, figureSchema, figureSlot, figureText, nearestTo, type Figure } from './figures';
import { absent, failedWith, passed, windowOf } from './outcome';

/** Degrees that a servo turns from end to end. */
const HALF_CIRCLE = 180;
const ENDS = [0, HALF_CIRCLE] as const;
/** Share of the half circle that is off unnoticed. */
const ANGLE_TOLERANCE = 5 / HALF_CIRCLE;

const schema = z.strictObject({
  servo: refSchema,
  angle: figureSchema(degreesSchema),
  ...windowed,
});
type Angle = z.infer<typeof schema>;

const said = (wanted: Figure): string => figureText(wanted, ENDS, (degrees) => `${degrees}°`);

/** Where a servo stands at the end of its window. */
export const angle: ExpectationDefinition<Angle> = {
  keys: ['servo', 'angle'],
  schema,
  sentence: sentence<Angle>(`{servo} stands {angle}${WINDOW}`, {
    servo: nameSlot,
    angle: figureSlot(numberSlot, ENDS, '°', ' ?°?'),
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
    const { angle: wanted, tolerance } = expectation;
    const [least, most] = boundsOf(wanted, {
      usual: ANGLE_TOLERANCE,
      said: tolerance,
      of: () => HALF_CIRCLE,
    });
    if (degrees !== undefined && degrees >= least && degrees <= most) return passed(found);
    const written =
      typeof wanted === 'number' ? `${wanted}` : `an angle ${said(wanted).replace(/^at/, 'of')}`;
    return failedWith(found, {
      code: 'angle-off',
      severity: 'fault',
      refs: [ref],
      message:
        degrees === undefined
          ? `${capital(partTextOf(observed.wiring, ref))} gets no signal it can follow, or no power; it should be ${said(wanted)} at ${seconds(to)}.`
          : `${capital(partTextOf(observed.wiring, ref))} is at ${Math.round(degrees)}° at ${seconds(to)}; it should be ${said(wanted)}.`,
      hints: [
        `What angle did the program last send to ${ref} before ${seconds(to)}?`,
        `${ref}: ${found}; it should be ${said(wanted)}.`,
        degrees === undefined
          ? `Check that ${ref} has power, that its ground is connected to the board, and that the program uses the pin its signal lead is on.`
          : `Write ${written} to ${ref} before ${seconds(to)}.`,
      ],
      evidence:
        degrees === undefined
          ? {}
          : { angle: quantity(degrees, '°'), wanted: quantity(nearestTo(degrees, wanted), '°') },
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
