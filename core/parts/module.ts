import { legName, type LegName } from '../brand';
import { fitJunction } from '../solver/junction';
import { ok, type Result } from '../result';
import type { Leg, PartElement, Ratings } from './kind';
import type { PartValue } from './value';

export const vcc = legName('vcc');
export const gnd = legName('gnd');

/** The two supply legs that every module has. */
export const supplyPair: readonly [Leg, Leg] = [
  { name: vcc, title: 'supply pin', role: 'supply', knownBy: 'the print beside it', mark: '+' },
  { name: gnd, title: 'ground pin', role: 'ground', knownBy: 'the print beside it', mark: '−' },
];

/** The diode from an input to the supply inside nearly every chip; it limits a few milliamps. */
const CLAMP = fitJunction(0.65, 1.2, 1.1);
/** What an input of a chip leaks, in Ω. */
const INPUT_OHMS = 5e6;

/** What a module's own circuit draws from its supply, as the resistance it looks like, in Ω. */
export const load = (volts: number, currentMa: number): PartElement => ({
  type: 'resistor',
  from: vcc,
  to: gnd,
  ohms: (volts / currentMa) * 1e3,
});

/**
 * The diode from ground to an output inside every chip. It matters where both were exchanged: the chip then stands a
 * diode’s voltage above what its output is joined to, and tells nothing.
 */
export const substrate = (leg: LegName): PartElement => ({
  type: 'junction',
  anode: gnd,
  cathode: leg,
  model: CLAMP,
  clamp: 'none',
});

/** An input of a module: it leaks a little, and feeds the supply backwards when that is missing. */
export const moduleInput = (leg: LegName, plus: LegName, minus: LegName): readonly PartElement[] => [
  { type: 'resistor', from: leg, to: minus, ohms: INPUT_OHMS, leak: true },
  { type: 'junction', anode: leg, cathode: plus, model: CLAMP, clamp: 'forward' },
  { type: 'junction', anode: minus, cathode: leg, model: CLAMP, clamp: 'none' },
];

/** Such an input where the supply legs are called `vcc` and `gnd`. */
export const input = (leg: LegName): readonly PartElement[] => moduleInput(leg, vcc, gnd);

/** An output of a module that holds a voltage as far as its supply goes. */
export const output = (leg: LegName, volts: number, ohms = 200): PartElement => ({
  type: 'output',
  out: leg,
  plus: vcc,
  minus: gnd,
  volts,
  ohms,
});

export const moduleRatings = (lowest: number, highest: number): Ratings => ({
  supplyVolts: [lowest, highest],
  source: 'the usual module of this kind',
});

/** The value of a part of which there is one sort: whatever is written is kept as a note. */
export const anyNote = (text: string): Result<PartValue> => ok({ text: text.trim().toLowerCase() });
