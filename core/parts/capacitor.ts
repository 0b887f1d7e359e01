import { legName } from '../brand';
import { fail, ok, type Result } from '../result';
import { defineKind, eitherWay, twoEnds } from './kind';
import { faradsText, readFarads, type PartValue } from './value';

const [one, two] = twoEnds;
const plus = legName('plus');
const minus = legName('minus');

/** Resistance of a good film or ceramic capacitor's insulation, and of a wet one's, in Ω. */
const INSULATION_OHMS = 1e10;
const WET_INSULATION_OHMS = 1e7;

const readValue =
  (title: string, example: string) =>
  (text: string): Result<PartValue> => {
    if (text.trim() === '') return fail({ message: `${title} needs its value, such as ${example}` });
    const read = readFarads(text);
    return read.ok ? ok({ text: faradsText(read.value), amount: read.value }) : read;
  };

/** `100n` as it is said: `100 nF`. */
const faradsSaid = (text: string): string =>
  `${text.replace(/([\d.])([pnuµ]?)$/, '$1\u00a0$2').replace('u', 'µ')}F`;

export const capacitor = defineKind({
  kind: 'capacitor',
  alsoTyped: ['cap'],
  usualValues: ['100n'],
  prefix: 'C',
  title: 'capacitor',
  legs: twoEnds,
  footprint: { type: 'leads', reachMm: 50, rows: 2 },
  symmetrical: true,
  turns: eitherWay(twoEnds),
  ratings: { volts: 50, source: 'the usual ceramic capacitor' },
  body: 'disc',
  sign: 'capacitor',
  readValue: readValue('a capacitor', '100n'),
  elements: (value) => [
    { type: 'capacitor', from: one.name, to: two.name, farads: value.amount ?? 0 },
    { type: 'resistor', from: one.name, to: two.name, ohms: INSULATION_OHMS, leak: true },
  ],
  describe: (value) => `${faradsSaid(value.text)} capacitor`,
});

export const electrolytic = defineKind({
  kind: 'electrolytic',
  alsoTyped: ['electrolytic-capacitor', 'elko'],
  usualValues: ['470u'],
  prefix: 'C',
  title: 'electrolytic capacitor',
  legs: [
    { name: plus, title: 'plus leg', knownBy: 'the longer leg', mark: '+' },
    { name: minus, title: 'minus leg', knownBy: 'the stripe on the can with minus signs', mark: '−' },
  ],
  footprint: { type: 'leads', reachMm: 50, rows: 1 },
  ratings: { volts: 16, source: 'the usual 16 V can' },
  body: 'can',
  sign: 'electrolytic',
  polarity: () => ({ plus, minus, backwards: 'bursts' }),
  hazards: ['The wrong way round it can burst: the striped side goes to minus. Look twice before power on.'],
  preparation: 'Spread the legs by one row. Do not cut them: the longer one is plus.',
  readValue: readValue('an electrolytic capacitor', '100u'),
  elements: (value) => [
    { type: 'capacitor', from: plus, to: minus, farads: value.amount ?? 0 },
    { type: 'resistor', from: plus, to: minus, ohms: WET_INSULATION_OHMS, leak: true },
  ],
  describe: (value) => `${faradsSaid(value.text)} electrolytic capacitor`,
});
