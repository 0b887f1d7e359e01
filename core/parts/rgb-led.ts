import { legNames } from '../brand';
import { defineKind } from './kind';
import { ledModels, ledRatings, pureGreen } from './light';
import { readChoice } from './value';

const [red, common, green, blue] = legNames('red', 'common', 'green', 'blue');
const models = [
  [red, ledModels.get('red')!],
  [green, pureGreen],
  [blue, ledModels.get('blue')!],
] as const;

export const rgbLed = defineKind({
  kind: 'rgb-led',
  alsoTyped: ['rgb', 'three-colour-lamp'],
  alsoSaid: [
    'three-colour lamp',
    'three colour lamp',
    'colour lamp',
    'three-colour LED',
    'colour LED',
    'rgb light',
    'rgb lamp',
  ],
  prefix: 'D',
  title: 'RGB LED',
  legs: [
    { name: red, title: 'red leg', knownBy: 'the outer leg next to the longest one', mark: 'R' },
    { name: common, title: 'common leg', knownBy: 'the longest leg', mark: 'C' },
    { name: green, title: 'green leg', knownBy: 'the leg on the other side of the longest one', mark: 'G' },
    { name: blue, title: 'blue leg', knownBy: 'the outer leg beside the green one', mark: 'B' },
  ],
  footprint: { type: 'leads', reachMm: 30, rows: 1 },
  ratings: ledRatings,
  observed: 'light',
  body: 'dome-four',
  sign: 'box',
  codeWords: ['led'],
  hasNamedLegs: true,
  hazards: ['Each colour needs its own resistor.'],
  preparation: 'Spread the four legs by one row each; keep their order.',
  pretest: 'Touch the longest leg and one other with a 3 V coin cell: that colour lights one way round.',
  readValue: (text) =>
    readChoice(
      text,
      { 'common-cathode': ['cathode', 'cc'], 'common-anode': ['anode', 'ca'] },
      { title: 'kind of RGB LED', mustBeSaid: true },
    ),
  elements: (value) =>
    models.map(([leg, model]) =>
      value.text === 'common-cathode'
        ? { type: 'junction', anode: leg, cathode: common, model, led: leg }
        : { type: 'junction', anode: common, cathode: leg, model, led: leg },
    ),
  describe: (value) => `RGB LED (${value.text.replace('-', ' ')})`,
  isValueHidden: true,
});
