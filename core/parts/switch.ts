import { legNames } from '../brand';
import { ok } from '../result';
import { defineKind, rowOfLegs } from './kind';

const [one, common, two] = legNames('1', 'common', '2');
const legs = [
  {
    name: one,
    title: 'outer leg 1',
    knownBy: 'joined with the middle leg when the slider is on its side',
    mark: '1',
  },
  { name: common, title: 'middle leg', knownBy: 'the middle one of the three', mark: 'C' },
  {
    name: two,
    title: 'outer leg 2',
    knownBy: 'joined with the middle leg when the slider is on its side',
    mark: '2',
  },
];

export const slideSwitch = defineKind({
  kind: 'switch',
  alsoTyped: ['slide-switch'],
  alsoSaid: [
    'slider switch',
    'sliding switch',
    'toggle switch',
    'on/off switch',
    'on-off switch',
    'power switch',
  ],
  prefix: 'S',
  title: 'slide switch',
  legs,
  footprint: rowOfLegs(legs),
  symmetrical: true,
  turns: [[two, common, one]],
  ratings: { currentMa: 300, volts: 12, source: 'the usual small slide switch' },
  stimulus: 'turn',
  contact: 'latching',
  givesAt: two,
  body: 'slide',
  sign: 'switch',
  preparation: 'Straighten the three legs; they stand in three neighbouring rows.',
  pretest: 'A meter’s continuity range sounds between the middle leg and the one that the slider is at.',
  readValue: (text) => ok({ text: text.trim().toLowerCase() }),
  elements: (_, { position }) => [{ type: 'contact', from: common, to: position > 0.5 ? two : one }],
  describe: () => 'slide switch',
});
