import type { BoardProfile } from '../../boards';
import type { Bench, PinDrives } from '../../electrics/bench';
import type { BenchPoint } from '../../electrics/bench-point';
import type { Observation } from '../../finding';
import type { Netlist } from '../../wiring/netlist';
import type { Wiring } from '../../wiring/wiring';

/** A state of the pins that occurred or is to be assumed, and what the circuit comes to in it. */
export interface SolvedState {
  readonly drives: PinDrives;
  readonly point: BenchPoint;
}

/** What the wiring rules look at. */
export interface RuleContext {
  readonly wiring: Wiring;
  readonly netlist: Netlist;
  readonly bench: Bench;
  readonly board: BoardProfile;
  readonly states: readonly SolvedState[];
  /** Whether the program uses the serial line. */
  readonly usesSerial: boolean;
}

/** One rule: what it sees in a wiring. Rules are independent of each other and of the exercise. */
export type Rule = (context: RuleContext) => readonly Observation[];
