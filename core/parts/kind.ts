import { legName, type LegName } from '../brand';
import type { Column } from '../breadboards';
import type { JunctionModel } from '../solver/junction';
import type { TransistorModel } from '../solver/transistor';
import type { Result } from '../result';
import type { PartValue } from './value';

/** One leg of a part kind: its name in tables, its name for a beginner, and how a hand knows it. */
export interface Leg {
  readonly name: LegName;
  readonly title: string;
  readonly knownBy?: string;
  /** A short mark beside the leg on drawings: `+`, `B`, `3`. Legs that are all alike have none. */
  readonly mark?: string;
  /** What it does; legs that only carry a current through the part have none. */
  readonly role?: LegRole;
}

/**
 * What a leg does in a circuit. `supply` and `ground` take the part's power, the poles give it. A pin drives an
 * `input`, reads an `output`, measures what is between the rails at a `measured` one, talks both ways over a
 * `bus`, and switches a current by a `control`.
 */
export type LegRole =
  'supply' | 'ground' | 'plus pole' | 'minus pole' | 'input' | 'output' | 'measured' | 'bus' | 'control';

/** Two legs that have to be on the right sides. */
export interface LegPair {
  readonly plus: LegName;
  readonly minus: LegName;
}

/** The legs of a part that has a direction, and what it does the wrong way round. */
export interface Polarity extends LegPair {
  readonly backwards: 'stays dark' | 'stays silent' | 'bursts' | 'gets hot';
}

/**
 * How the legs of a part lie towards each other.
 * `leads`: thin legs or own wires, anywhere within the reach. `block`: a fixed pattern of legs on one
 * or both sides of a body; with two it stands across the centre gap. `plug`: it stands beside the
 * breadboard and takes wires on its pins.
 */
export type Footprint =
  | {
      readonly type: 'leads';
      /** Farthest that two legs may be apart, in millimetres; `undefined` for its own wires. */
      readonly reachMm?: number;
      /** Rows between neighbouring legs when it is put in along a column. */
      readonly rows: number;
    }
  | {
      readonly type: 'block';
      /** Legs on each side of the body by row; `null` where a row has none. */
      readonly one: readonly (LegName | null)[];
      readonly other: readonly (LegName | null)[];
      /** Columns in which the legs of its two sides stand; one with legs on one side stands in either. */
      readonly columns: readonly [one: Column, other: Column];
    }
  | { readonly type: 'plug' };

/** What a person does to a part, or what happens around it. */
export type StimulusKind = 'press' | 'turn' | 'light' | 'warm' | 'distance' | 'motion';

/** The state that a part is in; a kind looks only at what concerns it. */
export interface PartState {
  /** Whether a button is held down. */
  readonly pressed: boolean;
  /** Potentiometer or slider, 0 to 1; at 0 the wiper is at leg 1. */
  readonly position: number;
  /** Light on a sensor, 0 (dark) to 1 (bright). */
  readonly light: number;
  /** Temperature in °C. */
  readonly celsius: number;
  /** Distance of what stands before a sensor, in m. */
  readonly metres: number;
  /** Whether something moves before a sensor. */
  readonly moving: boolean;
  /** Whether a motor or servo is only just being switched on and takes its starting current. */
  readonly starting: boolean;
  /** Whether a relay has pulled in; follows from the circuit, see `PartKind.react`. */
  readonly pulled: boolean;
  /** Whether a distance sensor holds its echo line up. */
  readonly echoing: boolean;
  /** What a shift register shows, its first output the lowest bit; the ninth is what it hands on. */
  readonly shown: number;
}

/** Something that changes about a part by itself, at once or later. */
export interface PartReaction {
  readonly afterSeconds: number;
  readonly state: Partial<PartState>;
}

/**
 * What a part that remembers does when the circuit has changed. `volts`: between a leg and the part's own
 * ground, `null` where the leg floats.
 */
export type Behaviour = (volts: (leg: LegName) => number | null, state: PartState) => readonly PartReaction[];

/** A part left alone in a room: nothing pressed, potentiometers in the middle, 25 °C. */
export const AT_REST: PartState = {
  pressed: false,
  position: 0.5,
  light: 0.5,
  celsius: 25,
  metres: 1,
  moving: false,
  starting: false,
  pulled: false,
  echoing: false,
  shown: 0,
};

/** What a part puts between its legs for the solver. */
export type PartElement =
  | {
      readonly type: 'resistor';
      readonly from: LegName;
      readonly to: LegName;
      readonly ohms: number;
      /** Whether its spread between pieces counts in worst cases (a resistor's does, a coil's does not). */
      readonly hasTolerance?: boolean;
      /** An insulation that leaks: it holds a voltage but is no path. */
      readonly leak?: boolean;
    }
  /** Metal on metal: the rules take both legs for one node. */
  | { readonly type: 'contact'; readonly from: LegName; readonly to: LegName }
  | {
      readonly type: 'junction';
      readonly anode: LegName;
      readonly cathode: LegName;
      readonly model: JunctionModel;
      /** The light that it gives: empty for an LED, the leg's name for one of several in a housing. */
      readonly led?: string;
      /** Protects a chip's pin, see `Element`. */
      readonly clamp?: 'forward' | 'none';
    }
  /** Passes no steady current. */
  | { readonly type: 'capacitor'; readonly from: LegName; readonly to: LegName; readonly farads: number }
  | {
      readonly type: 'transistor';
      readonly base: LegName;
      readonly collector: LegName;
      readonly emitter: LegName;
      readonly model: TransistorModel;
    }
  | {
      readonly type: 'source';
      readonly plus: LegName;
      readonly minus: LegName;
      readonly volts: number;
      readonly ohms: number;
    }
  /** An output that holds `volts` above `minus`, as far as its supply allows, and draws its current from there. */
  | {
      readonly type: 'output';
      readonly out: LegName;
      readonly plus: LegName;
      readonly minus: LegName;
      readonly volts: number;
      readonly ohms: number;
    };

/** Continuous figures that a part stands. */
export interface Ratings {
  /** Through any one leg, in mA. */
  readonly currentMa?: number;
  /** Across the part, in V. */
  readonly volts?: number;
  /** In mW. */
  readonly powerMw?: number;
  /** Supply that a module is made for: lowest and highest volts. */
  readonly supplyVolts?: readonly [number, number];
  /** Where the figures come from. */
  readonly source: string;
}

/** What a person can see, hear or feel of a part, and by which channels. */
export type Observed = 'light' | 'sound' | 'turning' | 'angle' | 'click' | 'picture' | 'text';

/** Which drawn body a part has; the drawing code knows how each is made. */
export type Body =
  | 'bands'
  | 'dome'
  | 'dome-four'
  | 'bar'
  | 'digit'
  | 'stripe'
  | 'disc'
  | 'can'
  | 'half-round'
  | 'button'
  | 'slide'
  | 'potentiometer'
  | 'sounder'
  | 'motor'
  | 'cell'
  | 'chip'
  | 'module';

/** Which sign a part has in a schematic. */
export type SchematicSign =
  | 'resistor'
  | 'led'
  | 'diode'
  | 'capacitor'
  | 'electrolytic'
  | 'transistor'
  | 'button'
  | 'switch'
  | 'potentiometer'
  | 'light-sensor'
  | 'thermistor'
  | 'sounder'
  | 'motor'
  | 'battery'
  | 'box';

/**
 * Everything the core knows about one kind of part. Adding a kind is adding a file that exports one
 * of these and naming it in `index.ts`.
 */
export interface PartKind {
  /** The word in the kind column of a wiring table. */
  readonly kind: string;
  /** Other words that people type for it. */
  readonly alsoTyped: readonly string[];
  /** What people say for it in a sentence, beyond its title and what stands in tables. */
  readonly alsoSaid: readonly string[];
  /** Values that it most often has, for a choice where none is said. */
  readonly usualValues: readonly string[];
  /** First letters of its part names: `R` for `R1`. */
  readonly prefix: string;
  /** What a class calls it: `lamp`. */
  readonly title: string;
  readonly legs: readonly Leg[];
  readonly footprint: Footprint;
  /** Of a conductor, where its ends hold: in holes and sockets, or on bare legs as well. */
  readonly fastens?: 'in holes' | 'anywhere' | undefined;
  /** Whether the part only joins its legs and is not counted as a part of the circuit. */
  readonly conductor: boolean;
  /** Pairs of legs that are one piece of metal inside the part. */
  readonly joints: readonly (readonly [LegName, LegName])[];
  /** Whether it may be turned round without changing anything, whatever its value. */
  readonly symmetrical: boolean;
  /** Orders of its legs that are electrically the same part as the first order; none beyond it when empty. */
  readonly turns: readonly (readonly LegName[])[];
  readonly ratings?: Ratings;
  /** What can be done to it while a program runs. */
  readonly stimulus?: StimulusKind;
  readonly observed?: Observed;
  readonly body: Body;
  readonly sign: SchematicSign;
  /** Legs that take the supply and the ground of a module. */
  readonly supplyLegs?: LegPair;
  /** The poles of a part that gives power. */
  readonly poles?: LegPair;
  /** How a part joins its legs by hand: only while it is held, or until it is moved again. */
  readonly contact?: 'momentary' | 'latching';
  /** Its state while everything that it switches is on; none for what switches nothing by itself. */
  readonly allOn?: Partial<PartState>;
  /** Of what a current is led through by hand or by the room: the leg on which it comes out. */
  readonly givesAt?: LegName;
  /** Of a part that is nothing but a resistance: whether it is chosen, or follows what is sensed. */
  readonly resistance?: 'fixed' | 'sensed';
  /** Which way round it has to be, by its value; its lights and supply legs speak for themselves. */
  readonly polarity?: (value: PartValue) => Polarity | undefined;
  /** Whether its legs do different things and are easily taken for each other. */
  readonly hasNamedLegs: boolean;
  /**
   * How a pin speaks to its inputs: by a level, by a tone, by an angle in pulses, by one pulse that starts it, or
   * in a protocol of its own.
   */
  readonly spokenTo?: (value: PartValue) => 'level' | 'tone' | 'angle' | 'pulse' | 'protocol';
  /** What it does with current or when it is told to, and without: `sounds` and `is silent`. */
  readonly deeds?: { readonly on: string; readonly off: string };
  /** What a voltage that it gives tells, before its name: `the light on`. */
  readonly measures?: string;
  /** What a program calls it, in words that begin small. */
  readonly codeWords: readonly string[];
  /** The legs through which something that moves takes its power. */
  readonly powerLegs?: LegPair;
  /** Whether it takes far more current at the moment when it starts. */
  readonly surges: boolean;
  /** Whether it has a coil, whose current must not be cut off without a diode across it. */
  readonly inductive: boolean;
  /** What can go wrong for people or parts; one sentence each, for the step that needs it. */
  readonly hazards: readonly string[];
  /** Share of a class's pieces that breaks or gets lost in one meeting, 0 to 1; our own estimate, until it is counted. */
  readonly usualLoss: number;
  /** How it is made ready before it is put in. */
  readonly preparation?: string;
  /** How it is tried before it is used. */
  readonly pretest?: string;
  /** Reads the value column. */
  readonly readValue: (text: string) => Result<PartValue>;
  /** Solver elements of a part with this value in this state. */
  readonly elements: (value: PartValue, state: PartState) => readonly PartElement[];
  /** For parts that switch by their own voltages: the state that follows from the volts on their legs. */
  readonly react?: (volts: (leg: LegName) => number, state: PartState) => PartState;
  /** For parts with a memory: makes one that knows nothing yet. */
  readonly behave?: () => Behaviour;
  /** A phrase for findings and lists: `amber LED`, `330 Ω resistor`. */
  readonly describe: (value: PartValue) => string;
  /** Whether nobody sees its value on it, so that a sentence about one part calls it by its title. */
  readonly isValueHidden?: true;
}

type Given = Pick<
  PartKind,
  'kind' | 'prefix' | 'title' | 'legs' | 'footprint' | 'body' | 'sign' | 'readValue' | 'elements' | 'describe'
> &
  Partial<Omit<PartKind, 'supplyLegs' | 'poles'>>;

/** Thin legs break and small parts roll away; what stands beside the breadboard is counted back. */
const LOSS: Readonly<Record<Footprint['type'], number>> = { leads: 0.05, block: 0.03, plug: 0.02 };

/** Fills in what most kinds have alike, and what follows from the roles of the legs. */
export function defineKind(given: Given): PartKind {
  const supplyLegs = pairOf(given.legs, 'supply', 'ground');
  const poles = pairOf(given.legs, 'plus pole', 'minus pole');
  return {
    alsoTyped: [],
    alsoSaid: [],
    usualValues: [],
    conductor: false,
    joints: [],
    symmetrical: false,
    turns: [],
    hasNamedLegs: supplyLegs !== undefined,
    surges: false,
    inductive: false,
    hazards: [],
    codeWords: [given.kind.replace(/-.*/, '')],
    usualLoss: LOSS[given.footprint.type],
    ...(supplyLegs ? { supplyLegs } : {}),
    ...(poles ? { poles } : {}),
    ...given,
  };
}

function pairOf(legs: readonly Leg[], plus: LegRole, minus: LegRole): LegPair | undefined {
  const [high, low] = [plus, minus].map((role) => legs.find((leg) => leg.role === role)?.name);
  return high !== undefined && low !== undefined ? { plus: high, minus: low } : undefined;
}

/** Legs `1` and `2` of parts whose ends are alike. */
export const twoEnds: readonly [Leg, Leg] = [
  { name: legName('1'), title: 'one end' },
  { name: legName('2'), title: 'other end' },
];

/** The turns of a part whose two legs may be exchanged. */
export const eitherWay = (legs: readonly Leg[]): readonly (readonly LegName[])[] => [
  legs.map((leg) => leg.name).reverse(),
];

/** Legs in one row of pins at neighbouring rows of the breadboard. */
export const rowOfLegs = (legs: readonly Leg[]): Footprint => ({
  type: 'block',
  one: legs.map((leg) => leg.name),
  other: [],
  columns: ['e', 'f'],
});
