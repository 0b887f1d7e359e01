import { legNames } from '../brand';
import { defineKind, rowOfLegs, type Leg } from './kind';
import { ohmsSaid, readOhmsOr } from './value';

const [one, wiper, two] = legNames('1', 'wiper', '2');
const legs: readonly Leg[] = [
  {
    name: one,
    title: 'outer leg 1',
    knownBy: 'the left one, seen from the shaft with the legs towards you',
    mark: '1',
  },
  { name: wiper, title: 'middle leg', role: 'measured', knownBy: 'the middle one of the three', mark: 'W' },
  {
    name: two,
    title: 'outer leg 2',
    knownBy: 'the right one, seen from the shaft with the legs towards you',
    mark: '2',
  },
];

/** What is left between wiper and end when it is turned home, in Ω: the track's contact. */
const END_OHMS = 1;

export const potentiometer = defineKind({
  kind: 'potentiometer',
  alsoTyped: ['pot', 'knob'],
  alsoSaid: [
    'variable resistor',
    'turning knob',
    'slider pot',
    'slide pot',
    'slide potentiometer',
    'volume knob',
    'dial',
    'potmeter',
    'poti',
    'trimmer',
    'potentiometer knob',
    'rotary knob',
    'trim pot',
    'trimpot',
    'rotary potentiometer',
  ],
  prefix: 'P',
  title: 'potentiometer',
  legs,
  footprint: rowOfLegs(legs),
  ratings: { powerMw: 100, source: 'the usual small carbon-track potentiometer' },
  stimulus: 'turn',
  body: 'potentiometer',
  sign: 'potentiometer',
  // Fed at its other end it lets through the more, the further it is turned up.
  givesAt: wiper,
  measures: 'the potentiometer',
  codeWords: ['potentiometer'],
  preparation: 'Straighten the three legs; they stand in neighbouring rows.',
  pretest: 'A meter shows the whole value between the outer legs, and less at the middle one as you turn.',
  readValue: readOhmsOr(10_000, 'potentiometer', 10),
  elements(value, { position }) {
    const track = value.amount ?? 10_000;
    return [
      { type: 'resistor', from: one, to: wiper, ohms: Math.max(END_OHMS, track * position) },
      { type: 'resistor', from: wiper, to: two, ohms: Math.max(END_OHMS, track * (1 - position)) },
    ];
  },
  describe: (value) => `${ohmsSaid(value.text)} potentiometer`,
});
