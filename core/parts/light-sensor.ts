import { defineKind, eitherWay, twoEnds } from './kind';
import { readOhmsOr } from './value';

const [one, two] = twoEnds;

/**
 * Resistance of a cadmium-free stand-in for the usual light-dependent resistor: a power law between
 * 45 times its middle value in the dark and a 45th of it in bright light, on the usual log scale.
 */
const SPAN = 45;
export const lightSensorOhms = (middleOhms: number, light: number): number =>
  middleOhms * SPAN ** (1 - 2 * light);

export const lightSensor = defineKind({
  kind: 'light-sensor',
  alsoTyped: ['ldr', 'photoresistor'],
  alsoSaid: [
    'light dependent resistor',
    'ldr sensor',
    'photo resistor',
    'light-dependent resistor',
    'brightness sensor',
    'photocell',
  ],
  prefix: 'L',
  title: 'light sensor',
  legs: twoEnds,
  footprint: { type: 'leads', reachMm: 30, rows: 2 },
  symmetrical: true,
  turns: eitherWay(twoEnds),
  ratings: { powerMw: 100, source: 'the usual 5 mm light-dependent resistor' },
  stimulus: 'light',
  resistance: 'sensed',
  body: 'disc',
  sign: 'light-sensor',
  givesAt: two.name,
  measures: 'the light on',
  codeWords: ['light'],
  preparation: 'Bend the legs apart by two rows; the face with the wavy line looks up.',
  pretest: 'A meter shows some kiloohms in the room and far more under a thumb.',
  readValue: readOhmsOr(20_000, 'light sensor', 1),
  elements: (value, { light }) => [
    {
      type: 'resistor',
      from: one.name,
      to: two.name,
      ohms: lightSensorOhms(value.amount ?? 20_000, light),
      hasTolerance: true,
    },
  ],
  describe: () => 'light sensor',
});
