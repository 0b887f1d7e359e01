import { legName } from '../brand';
import { fitJunction, type JunctionModel } from '../electrics/junction';
import { fail, ok } from '../result';
import type { PartKind } from './kind';

const anode = legName('anode');
const cathode = legName('cathode');

/**
 * Forward voltage at 1 mA and at 20 mA by colour: typical figures of the usual 5 mm indicator lamps.
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

export const lampColours: readonly string[] = Object.keys(forwardVolts);

const models: ReadonlyMap<string, JunctionModel> = new Map(
  Object.entries(forwardVolts).map(([colour, [low, high]]) => [colour, fitJunction(low, high)]),
);

export const led: PartKind = {
  kind: 'led',
  alsoTyped: ['lamp'],
  prefix: 'D',
  title: 'lamp',
  legs: [
    { name: anode, title: 'long leg', knownBy: 'the longer leg; the rim is round on its side' },
    { name: cathode, title: 'short leg', knownBy: 'the shorter leg; the rim is flat on its side' },
  ],
  reachMm: 30,
  conductor: false,
  joints: [],
  symmetrical: false,
  ratedMa: 20,
  readValue(text) {
    const colour = text.trim().toLowerCase();
    if (colour === '') return fail({ message: 'a lamp needs its colour, such as amber' });
    if (!models.has(colour))
      return fail({
        message: `“${text.trim()}” is not a lamp colour; known are ${lampColours.join(', ')}`,
        typed: text,
      });
    return ok({ text: colour });
  },
  elements: (value) => [{ type: 'junction', anode, cathode, model: models.get(value.text)! }],
  describe: (value) => `${value.text} lamp`,
};
