import { legName, type LegName } from '../brand';
import { defineKind, type Leg, type LegRole } from './kind';
import { anyNote, input, load, moduleRatings, output, supplyPair, vcc } from './module';

const named = (role: LegRole, name: string, title: string, mark: string): Leg => ({
  name: legName(name),
  title,
  mark,
  role,
});
const outputs = Array.from({ length: 8 }, (_, index) =>
  named('output', `q${index}`, `output ${index}`, `Q${index}`),
);
const carry = named('output', 'carry', 'carry output', 'Q7’');
const inputs = [
  named('input', 'clear', 'clear pin', 'CLR'),
  named('input', 'clock', 'clock pin', 'CLK'),
  named('input', 'latch', 'latch pin', 'LAT'),
  named('input', 'enable', 'enable pin', 'EN'),
  named('input', 'data', 'data pin', 'DAT'),
];
const [supply, ground] = supplyPair;
const [clear, clock, latch, enable, data] = inputs.map((leg) => leg.name) as [
  LegName,
  LegName,
  LegName,
  LegName,
  LegName,
];
/** An output that is high holds its supply, whatever that is. */
const RAIL_VOLTS = 6;

/** The two sides of the sixteen-legged chip, from the end with the notch. */
const left = [...outputs.slice(1), ground];
const right = [supply, outputs[0]!, inputs[4]!, inputs[3]!, inputs[2]!, inputs[1]!, inputs[0]!, carry];

export const shiftRegister = defineKind({
  kind: 'shift-register',
  prefix: 'X',
  title: 'shift register',
  alsoSaid: ['8-bit shift register', '8 bit shift register', 'serial-in parallel-out shift register'],
  legs: [...left, ...right].map((leg) =>
    leg.name === legName('q1')
      ? { ...leg, knownBy: 'left of the notch; the others follow round the chip' }
      : leg,
  ),
  footprint: {
    type: 'block',
    one: left.map((leg) => leg.name),
    other: right.map((leg) => leg.name),
    columns: ['e', 'f'],
  },
  ratings: { ...moduleRatings(2, 6), currentMa: 20 },
  body: 'chip',
  sign: 'box',
  spokenTo: () => 'protocol',
  hazards: ['The wrong way round it gets hot at once: the notch shows the top.'],
  preparation:
    'Bend both rows of legs inwards a little against the table until they fit across the centre gap.',
  readValue: anyNote,
  allOn: { shown: 2 ** (outputs.length + 1) - 1 },
  elements: (_, { shown }) => [
    load(5, 0.1),
    ...inputs.flatMap((leg) => input(leg.name)),
    ...[...outputs, carry].map((leg, bit) => output(leg.name, (shown >> bit) & 1 ? RAIL_VOLTS : 0, 50)),
  ],
  behave: () => {
    let [bits, latched] = [0, 0];
    let before = { clock: false, latch: false };
    return (volts, { shown }) => {
      const rail = volts(vcc) ?? 0;
      const high = (leg: LegName): boolean => rail > 1 && (volts(leg) ?? 0) > rail / 2;
      const now = { clock: high(clock), latch: high(latch) };
      if (now.latch && !before.latch) latched = bits;
      if (now.clock && !before.clock) bits = ((bits << 1) | (high(data) ? 1 : 0)) & 0xff;
      if (rail <= 1 || !high(clear)) bits = 0;
      before = now;
      // What it hands on is its last place, whatever the latch holds.
      const next = (high(enable) ? 0 : latched) | ((bits & 0x80) << 1);
      return next === shown ? [] : [{ afterSeconds: 0, state: { shown: next } }];
    };
  },
  describe: () => 'shift register',
});
