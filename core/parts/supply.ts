import { legName } from '../brand';
import { fail, ok } from '../result';
import { defineKind } from './kind';
import { voltsSaid } from './value';

const plus = legName('plus');
const minus = legName('minus');

/** Inner resistance of a regulated bench supply with its leads, in Ω. */
const LEAD_OHMS = 0.05;
/** Highest volts that a class room works with: extra-low voltage that a hand may touch. */
const HIGHEST_VOLTS = 24;

export const supply = defineKind({
  kind: 'supply',
  alsoTyped: ['bench-supply', 'power-supply'],
  usualValues: ['5V'],
  prefix: 'G',
  title: 'bench supply',
  legs: [
    { name: plus, title: 'plus lead', role: 'plus pole', knownBy: 'the red lead', mark: '+' },
    { name: minus, title: 'minus lead', role: 'minus pole', knownBy: 'the black lead', mark: '−' },
  ],
  footprint: { type: 'leads', rows: 1 },
  body: 'cell',
  sign: 'battery',
  hazards: ['Set the volts and the current limit before you join the leads.'],
  pretest: 'Read its display, or measure it, before the leads are joined.',
  readValue(text) {
    const match = /^(\d+(?:\.\d+)?)\s*v?(?:\s.*)?$/i.exec(text.trim());
    const volts = match ? Number(match[1]) : Number.NaN;
    if (text.trim() === '') return fail({ message: 'a bench supply needs its volts, such as 5V' });
    if (!(volts > 0 && volts <= HIGHEST_VOLTS))
      return fail({
        message: `“${text.trim()}” is no setting for a class room; write volts up to ${HIGHEST_VOLTS}, such as 5V`,
        typed: text,
      });
    return ok({ text: `${volts}V`, amount: volts });
  },
  elements: (value) => [{ type: 'source', plus, minus, volts: value.amount ?? 0, ohms: LEAD_OHMS }],
  describe: (value) => `bench supply at ${voltsSaid(value.text)}`,
});
