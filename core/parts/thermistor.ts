import { defineKind, eitherWay, twoEnds } from './kind';
import { ohmsSaid, readOhmsOr } from './value';

const [one, two] = twoEnds;

/** Material constant B of the usual 10 kΩ bead, in K, and the temperature at which its value is given. */
const B_KELVIN = 3950;
const NOMINAL_KELVIN = 298.15;

/** Resistance of a falling thermistor by the B equation: R25 · exp(B · (1/T − 1/T25)). */
export const thermistorOhms = (nominalOhms: number, celsius: number): number =>
  nominalOhms * Math.exp(B_KELVIN * (1 / (Math.max(-60, celsius) + 273.15) - 1 / NOMINAL_KELVIN));

export const thermistor = defineKind({
  kind: 'thermistor',
  alsoTyped: ['ntc'],
  prefix: 'T',
  title: 'thermistor',
  legs: twoEnds,
  footprint: { type: 'leads', reachMm: 30, rows: 2 },
  symmetrical: true,
  turns: eitherWay(twoEnds),
  ratings: { powerMw: 50, source: 'the usual bead; beyond some milliwatts it warms itself' },
  stimulus: 'warm',
  resistance: 'sensed',
  body: 'disc',
  sign: 'thermistor',
  givesAt: two.name,
  measures: 'the warmth of',
  codeWords: ['warmth'],
  preparation: 'Bend the legs apart by two rows; leave the bead free in the air.',
  pretest: 'A meter shows about its value in a warm room and less between two fingers.',
  readValue: readOhmsOr(10_000, 'thermistor', 1),
  elements: (value, { celsius }) => [
    {
      type: 'resistor',
      from: one.name,
      to: two.name,
      ohms: thermistorOhms(value.amount ?? 10_000, celsius),
      hasTolerance: true,
    },
  ],
  describe: (value) => `${ohmsSaid(value.text)} thermistor`,
});
