import { legName } from '../brand';
import { fail, ok } from '../result';
import { defineKind } from './kind';
import { voltsSaid } from './value';

const plus = legName('plus');
const minus = legName('minus');

/** Currents of the usual small toy motor at its rated volts: running with a light load, and at standstill. */
const RUNNING_MA = 150;
const STARTING_MA = 900;

export const motor = defineKind({
  kind: 'motor',
  alsoTyped: ['dc-motor'],
  alsoSaid: [
    'electric motor',
    'dc motor',
    'fan',
    'fan motor',
    'propeller',
    'pump',
    'water pump',
    'vibration motor',
  ],
  prefix: 'M',
  title: 'motor',
  legs: [
    { name: plus, title: 'red lead', knownBy: 'the red lead; exchanged, it turns the other way', mark: '+' },
    { name: minus, title: 'black lead', knownBy: 'the black lead', mark: '−' },
  ],
  footprint: { type: 'leads', rows: 2 },
  ratings: { currentMa: STARTING_MA, volts: 6, source: 'the usual 3 V to 6 V toy motor' },
  observed: 'turning',
  powerLegs: { plus, minus },
  surges: true,
  inductive: true,
  body: 'motor',
  sign: 'motor',
  deeds: { on: 'runs', off: 'stands still' },
  hazards: [
    'A motor takes far more than a pin can give: feed it from its own supply, with the grounds joined.',
    'Keep hair and fingers away from what turns.',
  ],
  pretest: 'Touch its leads to a battery holder: it turns.',
  readValue(text) {
    const match = /^(\d+(?:\.\d+)?)\s*v?$/i.exec(text.trim() === '' ? '5' : text.trim());
    const volts = match ? Number(match[1]) : 0;
    if (!(volts >= 1 && volts <= 24))
      return fail({ message: `“${text.trim()}” is no motor voltage; write it like 5V`, typed: text });
    return ok({ text: `${volts}V`, amount: volts });
  },
  elements: (value, { starting }) => [
    {
      type: 'resistor',
      from: plus,
      to: minus,
      ohms: ((value.amount ?? 5) / (starting ? STARTING_MA : RUNNING_MA)) * 1e3,
    },
  ],
  describe: (value) => `${voltsSaid(value.text)} motor`,
});
