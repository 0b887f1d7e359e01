import { legNames } from '../brand';
import { SMALL_SIGNAL_NPN } from '../solver/transistor';
import { defineKind, type Leg } from './kind';
import { readChoice } from './value';

const [collector, base, emitter] = legNames('collector', 'base', 'emitter');
const legs: readonly Leg[] = [
  { name: collector, title: 'collector', knownBy: 'the left leg, with the flat face towards you', mark: 'C' },
  { name: base, title: 'base', role: 'control', knownBy: 'the middle leg', mark: 'B' },
  { name: emitter, title: 'emitter', knownBy: 'the right leg, with the flat face towards you', mark: 'E' },
];

/** What a blocked transistor still lets through, 5 nA at 5 V, as a resistance in Ω. */
const BLOCKED_OHMS = 1e9;

export const transistorNpn = defineKind({
  kind: 'transistor-npn',
  alsoTyped: ['npn', 'transistor'],
  prefix: 'Q',
  title: 'transistor',
  legs,
  footprint: { type: 'leads', reachMm: 50, rows: 1 },
  ratings: { currentMa: 500, volts: 40, powerMw: 500, source: 'the usual small NPN switching transistor' },
  body: 'half-round',
  sign: 'transistor',
  hasNamedLegs: true,
  hazards: ['The order of the legs differs between makers: check it on the bag.'],
  preparation: 'Spread the three legs by one row each; the flat face tells which is which.',
  pretest: 'A meter’s diode range shows about 0.7 V from base to either other leg.',
  readValue: (text) =>
    readChoice(text, { 'small-signal': ['npn', 'switching'] }, { title: 'transistor', mustBeSaid: false }),
  elements: () => [
    { type: 'transistor', base, collector, emitter, model: SMALL_SIGNAL_NPN },
    { type: 'resistor', from: collector, to: emitter, ohms: BLOCKED_OHMS, leak: true },
  ],
  describe: () => 'transistor',
});
