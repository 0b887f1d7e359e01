import { legName } from '../brand';
import { defineKind, rowOfLegs, type Leg } from './kind';
import { anyNote, input, load, moduleRatings, supplyPair, vcc } from './module';

const data = legName('sda');
const clock = legName('scl');
const legs: readonly Leg[] = [
  supplyPair[1],
  supplyPair[0],
  { name: data, title: 'data pin', role: 'bus', knownBy: 'the print beside it', mark: 'DA' },
  { name: clock, title: 'clock pin', role: 'bus', knownBy: 'the print beside it', mark: 'CL' },
];

/** The resistors from both bus lines to the supply on the module, in Ω. */
const BUS_PULL_OHMS = 4700;

export const textDisplay = defineKind({
  kind: 'text-display',
  alsoTyped: ['display', 'lcd'],
  alsoSaid: [
    'text panel',
    'character display',
    'lcd display',
    'i2c display',
    'i2c lcd',
    'lcd screen',
    'lcd panel',
    'text screen',
    ...['16x2', '2x16', '1602', '20x4', '4x20'].flatMap((size) =>
      ['lcd', 'display', 'lcd display', 'character display'].flatMap((name) => [
        `${size} ${name}`,
        `${name} ${size}`,
      ]),
    ),
  ],
  prefix: 'X',
  title: 'LCD',
  legs,
  footprint: rowOfLegs(legs),
  ratings: moduleRatings(4.5, 5.5),
  observed: 'text',
  body: 'module',
  sign: 'box',
  spokenTo: () => 'protocol',
  hazards: ['It pulls both lines up to its own supply: at 5 V that is too much for a 3.3 V board.'],
  pretest: 'With supply and ground joined it lights up; the small screw at the back sets the contrast.',
  readValue: anyNote,
  elements: () => [
    load(5, 25),
    ...input(data),
    ...input(clock),
    { type: 'resistor', from: vcc, to: data, ohms: BUS_PULL_OHMS },
    { type: 'resistor', from: vcc, to: clock, ohms: BUS_PULL_OHMS },
  ],
  describe: () => 'two-line LCD',
});
