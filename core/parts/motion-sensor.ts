import { legName } from '../brand';
import { defineKind } from './kind';
import { anyNote, load, moduleRatings, output, substrate, supplyPair } from './module';

const out = legName('out');

/** What the output gives while something moves, in V. */
const ALARM_VOLTS = 3.3;

export const motionSensor = defineKind({
  kind: 'motion-sensor',
  alsoTyped: ['pir'],
  alsoSaid: ['pir sensor', 'movement sensor', 'motion detector'],
  prefix: 'X',
  title: 'motion sensor',
  legs: [
    supplyPair[0],
    { name: out, title: 'output pin', role: 'output', knownBy: 'the middle one of the three', mark: 'O' },
    supplyPair[1],
  ],
  footprint: { type: 'plug' },
  ratings: moduleRatings(4.5, 12),
  stimulus: 'motion',
  body: 'module',
  sign: 'box',
  deeds: { on: 'sees something move', off: 'sees nothing move' },
  codeWords: ['motion'],
  hazards: [],
  preparation: 'Leave it still for a minute after power on: it has to learn the room.',
  readValue: anyNote,
  elements: (_, { moving }) => [load(5, 0.1), output(out, moving ? ALARM_VOLTS : 0, 1000), substrate(out)],
  describe: () => 'motion sensor',
});
