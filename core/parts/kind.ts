import type { LegName } from '../brand';
import type { JunctionModel } from '../electrics/junction';
import type { Result } from '../result';
import type { PartValue } from './value';

/** One leg of a part kind: its name in tables, its name for a beginner, and how a hand knows it. */
export interface Leg {
  readonly name: LegName;
  readonly title: string;
  readonly knownBy?: string;
}

/** What a part puts between its legs for the solver. */
export type PartElement =
  | { readonly type: 'resistor'; readonly from: LegName; readonly to: LegName; readonly ohms: number }
  | {
      readonly type: 'junction';
      readonly anode: LegName;
      readonly cathode: LegName;
      readonly model: JunctionModel;
    };

/**
 * Everything the core knows about one kind of part. Adding a kind is adding a file that exports one
 * of these and naming it in `index.ts`.
 */
export interface PartKind {
  /** The word in the kind column of a wiring table. */
  readonly kind: string;
  /** Other words that people type for it. */
  readonly alsoTyped: readonly string[];
  /** First letters of its part names: `R` for `R1`. */
  readonly prefix: string;
  /** What a class calls it: `lamp`. */
  readonly title: string;
  readonly legs: readonly Leg[];
  /** Farthest that two legs may be apart, in millimetres; `undefined` for any distance. */
  readonly reachMm?: number;
  /** Whether the part only joins its legs and is not counted as a part of the circuit. */
  readonly conductor: boolean;
  /** Pairs of legs that are one piece of metal inside the part. */
  readonly joints: readonly (readonly [LegName, LegName])[];
  /** Whether its two legs may be exchanged without changing anything. */
  readonly symmetrical: boolean;
  /** Continuous current that the part stands, in mA. */
  readonly ratedMa?: number;
  /** Reads the value column. */
  readonly readValue: (text: string) => Result<PartValue>;
  /** Solver elements of a part with this value. */
  readonly elements: (value: PartValue) => readonly PartElement[];
  /** A phrase for findings and lists: `amber lamp`, `330 Ω resistor`. */
  readonly describe: (value: PartValue) => string;
}
