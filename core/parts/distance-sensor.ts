import { legName } from '../brand';
import { defineKind, rowOfLegs } from './kind';
import { anyNote, gnd, input, load, moduleRatings, output, supplyPair, vcc } from './module';

const trigger = legName('trig');
const echo = legName('echo');
const legs = [
  supplyPair[0],
  { name: trigger, title: 'trigger pin', knownBy: 'the print beside it', mark: 'T' },
  { name: echo, title: 'echo pin', knownBy: 'the print beside it', mark: 'E' },
  supplyPair[1],
];

export const distanceSensor = defineKind({
  kind: 'distance-sensor',
  alsoTyped: ['ultrasonic-sensor'],
  prefix: 'X',
  title: 'distance sensor',
  legs,
  footprint: rowOfLegs(legs),
  ratings: moduleRatings(4.5, 5.5),
  stimulus: 'distance',
  body: 'module',
  sign: 'box',
  supplyLegs: { plus: vcc, minus: gnd },
  hazards: ['Its echo pin gives 5 V: a 3.3 V board needs a divider there.'],
  readValue: anyNote,
  elements: () => [load(5, 15), ...input(trigger), output(echo, 0)],
  describe: () => 'distance sensor',
});
