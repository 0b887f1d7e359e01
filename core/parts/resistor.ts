import { legName } from '../brand';
import { fail, ok } from '../result';
import type { PartKind } from './kind';
import { ohmsText, readOhms } from './value';

const one = legName('1');
const two = legName('2');

export const resistor: PartKind = {
  kind: 'resistor',
  alsoTyped: ['res'],
  prefix: 'R',
  title: 'resistor',
  legs: [
    { name: one, title: 'one end' },
    { name: two, title: 'other end' },
  ],
  reachMm: 50,
  conductor: false,
  joints: [],
  symmetrical: true,
  readValue(text) {
    if (text.trim() === '') return fail({ message: 'a resistor needs its value, such as 330' });
    const read = readOhms(text);
    if (!read.ok) return read;
    if (read.value <= 0)
      return fail({ message: `a resistor of ${text.trim()} Ω is a wire; record it as one`, typed: text });
    return ok({ text: ohmsText(read.value), amount: read.value });
  },
  elements: (value) => [{ type: 'resistor', from: one, to: two, ohms: value.amount ?? 0 }],
  describe: (value) => `${value.text} Ω resistor`,
};
