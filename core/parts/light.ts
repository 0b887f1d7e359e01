import { fitJunction, type JunctionModel } from '../solver/junction';
import type { Ratings } from './kind';

/**
 * Forward voltage at 1 mA and at 20 mA by colour: typical figures of the usual 5 mm indicator LEDs.
 * Red to green are low-band-gap types, blue and white high-band-gap ones.
 */
const forwardVolts: Readonly<Record<string, readonly [number, number]>> = {
  red: [1.7, 2.0],
  amber: [1.8, 2.1],
  orange: [1.8, 2.1],
  yellow: [1.82, 2.1],
  green: [1.9, 2.2],
  blue: [2.65, 3.2],
  white: [2.65, 3.2],
};

/** Colours in which LEDs, bars and digits are made. */
export const ledColours: readonly string[] = Object.keys(forwardVolts);

/** The junction of each colour of LED. */
export const ledModels: ReadonlyMap<string, JunctionModel> = new Map(
  Object.entries(forwardVolts).map(([colour, [low, high]]) => [colour, fitJunction(low, high)]),
);

/** The green of an RGB LED is of the high-band-gap type, unlike that of a single green LED. */
export const pureGreen: JunctionModel = fitJunction(2.55, 3.1);

/** What one junction of an indicator LED stands. */
export const ledRatings: Ratings = {
  currentMa: 20,
  volts: 5,
  source: 'the usual 5 mm indicator LED: 20 mA continuous, 5 V reverse',
};
