import * as z from 'zod';
import { plainNumber } from '../units';
import { percentSlot } from '../words/slots';
import { measured } from './measured';

/** A potentiometer or slider, from one end to the other. */
export const turn = measured({
  key: 'turn',
  state: 'position',
  to: z.number().min(0).max(1, 'it turns from 0 to 1, that is from 0 to 100 %'),
  ends: [0, 1],
  form: 'turn {turn} to {to} % at {at} s( over {over} s|)',
  alsoForm: 'turn {turn} to {to} at {at} s( over {over} s|)',
  amount: percentSlot,
  unit: ' %',
  valueText: (share) => `${plainNumber(share * 100)} %`,
  example: 'turn P1 to 50 % at 1 s',
});
