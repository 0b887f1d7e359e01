import * as z from 'zod';
import { plainNumber } from '../units';
import { measured } from './measured';

/** Light on a sensor, from dark to bright. */
export const light = measured({
  key: 'light',
  state: 'light',
  to: z.number().min(0).max(1, 'light goes from 0 (dark) to 1 (bright)'),
  ends: [0, 1],
  form: 'light on {light} to {to} at {at} s( over {over} s|)',
  valueText: (share) => `${plainNumber(share * 100)} % light`,
  example: 'light on L1 to 0.2 at 1 s',
});
