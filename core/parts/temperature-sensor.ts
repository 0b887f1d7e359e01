import { legName } from '../brand';
import { defineKind } from './kind';
import { anyNote, load, moduleRatings, output, substrate, supplyPair } from './module';

const out = legName('out');

/** Output of the usual analog sensor: 0.5 V at 0 °C and 10 mV for each degree. */
export const sensorVolts = (celsius: number): number => Math.max(0, 0.5 + 0.01 * celsius);

export const temperatureSensor = defineKind({
  kind: 'temperature-sensor',
  alsoTyped: ['thermometer'],
  alsoSaid: ['temp sensor'],
  prefix: 'T',
  title: 'temperature sensor',
  legs: [
    { ...supplyPair[0], knownBy: 'the left leg, with the flat face towards you' },
    { name: out, title: 'output leg', role: 'measured', knownBy: 'the middle leg', mark: 'O' },
    { ...supplyPair[1], knownBy: 'the right leg, with the flat face towards you' },
  ],
  footprint: { type: 'leads', reachMm: 50, rows: 1 },
  ratings: moduleRatings(2.7, 5.5),
  stimulus: 'warm',
  body: 'half-round',
  sign: 'box',
  measures: 'the warmth of',
  codeWords: ['warmth'],
  hazards: ['The wrong way round it gets hot enough to burn: touch it only after the power is off.'],
  preparation: 'Spread the three legs by one row each; the flat face tells which is which.',
  pretest: 'With supply and ground joined, a meter shows about 0.75 V at the output in a room.',
  readValue: anyNote,
  elements: (_, { celsius }) => [load(5, 0.05), output(out, sensorVolts(celsius)), substrate(out)],
  describe: () => 'temperature sensor',
});
