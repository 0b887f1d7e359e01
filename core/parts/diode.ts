import { legName } from '../brand';
import { fitJunction } from '../solver/junction';
import { defineKind } from './kind';
import { readChoice } from './value';

const anode = legName('anode');
const cathode = legName('cathode');

/** Forward volts at 1 mA and 20 mA: a 1 A silicon rectifier, and a small-signal diode. */
const models = { rectifier: fitJunction(0.6, 0.73, 1.6), signal: fitJunction(0.62, 0.78, 1.8) } as const;

export const diode = defineKind({
  kind: 'diode',
  prefix: 'D',
  title: 'diode',
  legs: [
    { name: anode, title: 'plain end', knownBy: 'the end without the stripe', mark: '+' },
    { name: cathode, title: 'striped end', knownBy: 'the end with the stripe', mark: '−' },
  ],
  footprint: { type: 'leads', reachMm: 50, rows: 4 },
  ratings: { currentMa: 200, volts: 75, source: 'the weaker of the two: a small-signal silicon diode' },
  body: 'stripe',
  sign: 'diode',
  preparation: 'Bend both legs down at right angles.',
  pretest: 'A meter’s diode range shows about 0.6 V one way round and nothing the other.',
  readValue: (text) =>
    readChoice(
      text,
      { rectifier: ['power'], signal: ['small-signal'] },
      { title: 'diode', mustBeSaid: false },
    ),
  elements: (value) => [
    { type: 'junction', anode, cathode, model: models[value.text as keyof typeof models] },
  ],
  describe: (value) => (value.text === 'signal' ? 'signal diode' : 'diode'),
});
