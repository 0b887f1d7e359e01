import { legNames } from '../brand';
import { defineKind } from './kind';
import { anyNote, gnd, input, load, moduleRatings, supplyPair, vcc } from './module';

const [signal, closes, common, opens] = legNames('in', 'no', 'com', 'nc');

/** Volts of the control pin and of the supply from which the relay pulls, and the coil's current. */
const PULLS_FROM_VOLTS = 2;
const SUPPLY_FROM_VOLTS = 3.7;
const COIL_MA = 70;

export const relay = defineKind({
  kind: 'relay',
  alsoTyped: ['relay-module'],
  alsoSaid: ['relay board'],
  prefix: 'K',
  title: 'relay module',
  legs: [
    ...supplyPair,
    { name: signal, title: 'control pin', role: 'input', knownBy: 'the print beside it', mark: 'IN' },
    { name: common, title: 'common terminal', knownBy: 'the middle screw', mark: 'C' },
    { name: closes, title: 'closing terminal', knownBy: 'open at rest', mark: 'NO' },
    { name: opens, title: 'opening terminal', knownBy: 'closed at rest', mark: 'NC' },
  ],
  footprint: { type: 'plug' },
  ratings: { ...moduleRatings(4.5, 5.5), currentMa: 2000 },
  observed: 'click',
  powerLegs: { plus: vcc, minus: gnd },
  body: 'module',
  sign: 'box',
  spokenTo: () => 'level',
  deeds: { on: 'pulls in', off: 'lets go' },
  hazards: ['Only low voltage on the screws. Anything on mains voltage is outside this lesson.'],
  pretest: 'Join supply and ground, touch the control pin to the supply: it clicks.',
  readValue: anyNote,
  elements: (_, { pulled }) => [
    load(5, pulled ? COIL_MA + 3 : 3),
    { type: 'resistor', from: signal, to: gnd, ohms: 10_000 },
    ...input(signal),
    { type: 'contact', from: common, to: pulled ? closes : opens },
  ],
  react: (volts, state) => ({
    ...state,
    pulled: volts(signal) - volts(gnd) >= PULLS_FROM_VOLTS && volts(vcc) - volts(gnd) >= SUPPLY_FROM_VOLTS,
  }),
  describe: () => 'relay module',
});
