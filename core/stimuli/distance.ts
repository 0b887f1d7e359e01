import * as z from 'zod';
import { plainNumber } from '../units';
import { measured } from './measured';

/** How far away something stands before a distance sensor, in m. */
export const distance = measured({
  key: 'distance',
  state: 'metres',
  to: z.number().min(0),
  ends: [0.05, 3],
  form: 'something {to} m before {distance} at {at} s( over {over} s|)',
  unit: ' m',
  valueText: (metres) => `${plainNumber(metres)} m`,
  example: 'something 0.4 m before X1 at 1 s',
});
