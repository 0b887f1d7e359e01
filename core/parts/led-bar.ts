import { legName } from '../brand';
import { defineKind, type Leg } from './kind';
import { ledColours, ledModels, ledRatings } from './light';
import { readChoice } from './value';

const numbers = Array.from({ length: 10 }, (_, index) => index + 1);
const anodes = numbers.map((number): Leg => ({
  name: legName(`a${number}`),
  title: `plus leg ${number}`,
  ...(number === 1 ? { knownBy: 'at the corner with the bevel' } : {}),
  mark: `${number}`,
}));
const cathodes = numbers.map((number): Leg => ({
  name: legName(`k${number}`),
  title: `minus leg ${number}`,
}));

export const ledBar = defineKind({
  kind: 'led-bar',
  alsoTyped: ['lamp-bar', 'bar'],
  alsoSaid: [
    'bar of lamps',
    'bar of leds',
    'bar graph',
    'light bar',
    ...['', '10-', '10 ', 'ten '].flatMap((ten) =>
      ['segment bar', 'segment bar graph', 'segment led bar', 'led bar graph'].map((name) => `${ten}${name}`),
    ),
  ],
  prefix: 'D',
  title: 'LED bar',
  legs: [...anodes, ...cathodes],
  footprint: {
    type: 'block',
    one: anodes.map((leg) => leg.name),
    other: cathodes.map((leg) => leg.name),
    columns: ['e', 'f'],
  },
  ratings: ledRatings,
  observed: 'light',
  body: 'bar',
  sign: 'box',
  codeWords: ['led'],
  hazards: ['Ten LEDs at once can be more than the board can give in total: add the currents up.'],
  preparation: 'Check that all twenty legs are straight, then press it in across the centre gap.',
  pretest: 'Try one of its LEDs with a 3 V coin cell.',
  readValue: (text) =>
    readChoice(text, Object.fromEntries(ledColours.map((colour) => [colour, []])), {
      title: 'LED bar colour',
      mustBeSaid: false,
    }),
  elements: (value) =>
    numbers.map((number) => ({
      type: 'junction',
      anode: legName(`a${number}`),
      cathode: legName(`k${number}`),
      model: ledModels.get(value.text)!,
      led: `a${number}`,
    })),
  describe: (value) => `${value.text} LED bar`,
});
