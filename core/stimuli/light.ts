import * as z from 'zod';
import { plainNumber } from '../units';
import { percentSlot } from '../words/slots';
import { measured } from './measured';

/** Light on a sensor, from dark to bright. */
export const light = measured({
  key: 'light',
  state: 'light',
  to: z.number().min(0).max(1, 'light goes from 0 (dark) to 1 (bright)'),
  ends: [0, 1],
  form: 'light on {light} to {to} % at {at} s( over {over} s|)',
  alsoForm: 'light on {light} to {to} at {at} s( over {over} s|)',
  amount: percentSlot,
  unit: ' %',
  valueText: (share) => `${plainNumber(share * 100)} % light`,
  example: 'light on L1 to 20 % at 1 s',
});
