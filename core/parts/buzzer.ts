import { legName } from '../brand';
import { fitJunction } from '../solver/junction';
import { defineKind } from './kind';
import { readChoice } from './value';

const plus = legName('plus');
const minus = legName('minus');

/** An active buzzer's circuit passes current one way only: about 15 mA at 5 V. */
const ACTIVE = fitJunction(1.2, 5.6, 1.5);
/** A passive one is a coil of this resistance, in Ω, or a piezo disc of far more. */
const PASSIVE_OHMS = 1000;

export const buzzer = defineKind({
  kind: 'buzzer',
  alsoTyped: ['bell', 'sounder'],
  alsoSaid: ['buzzer module', 'beeper'],
  prefix: 'Z',
  title: 'buzzer',
  legs: [
    { name: plus, title: 'plus leg', knownBy: 'the longer leg, and the plus on the lid', mark: '+' },
    { name: minus, title: 'minus leg', knownBy: 'the shorter leg', mark: '−' },
  ],
  // Its pins are stiff and three rows apart.
  footprint: { type: 'block', one: [plus, null, null, minus], other: [], columns: ['e', 'f'] },
  ratings: { currentMa: 30, volts: 6, source: 'the usual 12 mm buzzer for 5 V' },
  observed: 'sound',
  body: 'sounder',
  sign: 'sounder',
  spokenTo: ({ text }) => (text === 'passive' ? 'tone' : 'level'),
  deeds: { on: 'sounds', off: 'is silent' },
  polarity: ({ text }) => (text === 'active' ? { plus, minus, backwards: 'stays silent' } : undefined),
  pretest: 'An active one sounds on a 3 V coin cell, plus to plus; a passive one only clicks.',
  readValue: (text) =>
    readChoice(text, { active: ['magnetic'], passive: ['piezo'] }, { title: 'buzzer', mustBeSaid: true }),
  elements: (value) => [
    value.text === 'active'
      ? { type: 'junction', anode: plus, cathode: minus, model: ACTIVE }
      : { type: 'resistor', from: plus, to: minus, ohms: PASSIVE_OHMS },
  ],
  describe: (value) => `${value.text} buzzer`,
});
