import { legNames } from '../brand';
import { defineKind } from './kind';
import { moduleInput } from './module';
import { readChoice } from './value';

const [signal, plus, minus] = legNames('signal', 'plus', 'minus');

/** Currents of the usual small hobby servo at 5 V: holding lightly, and at the start of a move. */
const HOLDING_MA = 20;
const STARTING_MA = 650;

export const servo = defineKind({
  kind: 'servo',
  alsoSaid: ['servo motor', 'servomotor'],
  prefix: 'M',
  title: 'servo',
  legs: [
    {
      name: signal,
      title: 'signal lead',
      role: 'input',
      knownBy: 'the lightest lead: white, yellow or orange',
      mark: 'S',
    },
    { name: plus, title: 'supply lead', role: 'supply', knownBy: 'the middle lead, red', mark: '+' },
    {
      name: minus,
      title: 'ground lead',
      role: 'ground',
      knownBy: 'the darkest lead: black or brown',
      mark: '−',
    },
  ],
  footprint: { type: 'plug' },
  ratings: { supplyVolts: [4.5, 6.5], currentMa: STARTING_MA, source: 'the usual 9 g servo' },
  observed: 'angle',
  body: 'module',
  sign: 'box',
  spokenTo: () => 'angle',
  powerLegs: { plus, minus },
  surges: true,
  hazards: [
    'A servo takes more than the board gives when it starts: feed it from its own supply, with the grounds joined.',
    'Never turn it by hand beyond its stops.',
  ],
  preparation: 'Centre it with a program before the horn is screwed on.',
  pretest: 'Run the centring program: it turns to the middle and holds.',
  readValue: (text) =>
    readChoice(text, { standard: ['180'], continuous: ['360'] }, { title: 'servo', mustBeSaid: false }),
  elements: (_, { starting }) => [
    { type: 'resistor', from: plus, to: minus, ohms: (5 / (starting ? STARTING_MA : HOLDING_MA)) * 1e3 },
    ...moduleInput(signal, plus, minus),
  ],
  describe: (value) => (value.text === 'continuous' ? 'continuous servo' : 'servo'),
});
