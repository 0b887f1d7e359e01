import * as z from 'zod';
import { plainNumber } from '../units';
import { signedSlot } from '../words/slots';
import { measured } from './measured';

/** The temperature around a sensor, in °C. */
export const warm = measured({
  key: 'warm',
  state: 'celsius',
  to: z.number(),
  ends: [0, 45],
  form: 'warm {warm} to {to}( °C at| at) {at} s( over {over} s|)',
  amount: signedSlot,
  unit: ' °C',
  valueText: (celsius) => `${plainNumber(celsius)} °C`,
  example: 'warm T1 to 31 °C at 1 s',
});
