import { legNames } from '../brand';
import { defineKind } from './kind';
import { anyNote, input, load, moduleRatings, output, supplyPair } from './module';

const [dataIn, select, clock, dataOut] = legNames('din', 'cs', 'clk', 'dout');

export const ledMatrix = defineKind({
  kind: 'led-matrix',
  alsoTyped: ['lamp-panel', 'panel'],
  alsoSaid: [
    'panel of lamps',
    '8x8 matrix',
    '8x8 led matrix',
    'dot matrix',
    'dot matrix display',
    'matrix display',
    '8x8 led panel',
  ],
  prefix: 'X',
  title: 'LED matrix',
  legs: [
    ...supplyPair,
    { name: dataIn, title: 'data-in pin', role: 'input', knownBy: 'the print beside it', mark: 'DI' },
    { name: select, title: 'select pin', role: 'input', knownBy: 'the print beside it', mark: 'CS' },
    { name: clock, title: 'clock pin', role: 'input', knownBy: 'the print beside it', mark: 'CK' },
    {
      name: dataOut,
      title: 'data-out pin',
      role: 'output',
      knownBy: 'on the far edge, for the next matrix',
      mark: 'DO',
    },
  ],
  footprint: { type: 'plug' },
  ratings: moduleRatings(4, 5.5),
  observed: 'picture',
  body: 'module',
  sign: 'box',
  spokenTo: () => 'protocol',
  hazards: ['A matrix with many LEDs lit takes more than a pin can give: feed it from the supply.'],
  preparation: 'Look for the arrow of the data: the wires go to the edge that it comes from.',
  pretest: 'Run the test program: every LED lights up in turn.',
  readValue: anyNote,
  elements: () => [load(5, 120), ...input(dataIn), ...input(select), ...input(clock), output(dataOut, 0)],
  describe: () => '8×8 LED matrix',
});
