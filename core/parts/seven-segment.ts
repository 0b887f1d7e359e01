import { legName, legNames } from '../brand';
import { defineKind } from './kind';
import { ledModels, ledRatings } from './light';
import { readChoice } from './value';

const common = legName('common');
const segments = legNames('a', 'b', 'c', 'd', 'e', 'f', 'g', 'dp');
const model = ledModels.get('red')!;

/** From the top, as the usual ten-legged digit has them; its second common leg is left out. */
const left = [...legNames('e', 'd'), common, ...legNames('c', 'dp')];
const right = [...legNames('g', 'f'), null, ...legNames('a', 'b')];

export const sevenSegment = defineKind({
  kind: 'seven-segment',
  alsoTyped: ['digit', '7-segment'],
  alsoSaid: [
    '7-seg',
    '7-seg display',
    'seven segment digit',
    'seven segment display',
    '7 segment display',
    'seven-segment digit',
    '7-segment digit',
    '7-segment display',
    '7 segment digit',
    'segment display',
    'digit display',
  ],
  prefix: 'D',
  title: 'seven-segment display',
  legs: [
    ...segments.map((name) => ({
      name,
      title: name === legName('dp') ? 'dot leg' : `leg of segment ${name}`,
      mark: name === legName('dp') ? '.' : (name as string),
    })),
    { name: common, title: 'common leg', knownBy: 'the middle leg of either side', mark: 'C' },
  ],
  footprint: { type: 'block', one: left, other: right, columns: ['d', 'h'] },
  ratings: ledRatings,
  observed: 'light',
  body: 'digit',
  sign: 'box',
  codeWords: ['segment'],
  hasNamedLegs: true,
  hazards: ['Each segment needs its own resistor.'],
  preparation: 'Hold it with the dot at the bottom right before you press it in across the centre gap.',
  pretest: 'Touch the common leg and each other leg with a 3 V coin cell and note which segment lights.',
  readValue: (text) =>
    readChoice(
      text,
      { 'common-cathode': ['cathode', 'cc'], 'common-anode': ['anode', 'ca'] },
      { title: 'kind of seven-segment display', mustBeSaid: true },
    ),
  elements: (value) =>
    segments.map((segment) =>
      value.text === 'common-cathode'
        ? { type: 'junction', anode: segment, cathode: common, model, led: segment }
        : { type: 'junction', anode: common, cathode: segment, model, led: segment },
    ),
  describe: (value) => `seven-segment display (${value.text.replace('-', ' ')})`,
  isValueHidden: true,
});
