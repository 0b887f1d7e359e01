import {
  prepareBench,
  stateOf,
  type Bench,
  type PartStates,
  type PinDrive,
  type PinDrives,
  type Spread,
} from '../electrics/bench';
import { averaged, slicesOf, solveSteady, type BenchPoint, type WarmPoint } from '../electrics/bench-point';
import { effort } from '../effort';
import { kindOf } from '../parts';
import type { Circuit } from '../wiring/circuit';
import { KeptPoints } from './kept-points';

export type BoardPower = 'on' | 'off';

/** Parts that are not at rest, with a text that is the same for what is the same circuit. */
export interface KeyedStates {
  readonly states: PartStates;
  readonly key: string;
}

export const AT_REST: KeyedStates = { states: new Map(), key: '' };

/** A pin that changes too fast to be followed step by step, and the circuit with it high and low. */
export interface Swing {
  readonly pin: string;
  readonly hertz: number;
  readonly duty: number;
  readonly high: BenchPoint;
  readonly low: BenchPoint;
}

/** Operating points and benches that are kept; more are worked out again each time. */
const MOST_KEPT = 5000;

const NO_DRIVES: PinDrives = new Map();

/** A circuit with its operating points, each worked out once for all the runs on it. */
export class SolvedCircuit {
  /** Operating points that were worked out. */
  solutions = 0;
  /** What the pins that pulse do, by the operating point that comes of it. */
  readonly swings = new WeakMap<BenchPoint, readonly Swing[]>();
  /** Currents of the LEDs on the board itself, in mA, by the operating point that comes with them. */
  readonly ownLights = new WeakMap<BenchPoint, readonly number[]>();
  private readonly benches = new Map<string, Bench>();
  private readonly points = new Map<string, WarmPoint>();
  private start: Float64Array | undefined;

  /**
   * `spread`: how far its parts are off. `kept`: what was worked out of the same wiring with the same spread before; it
   * saves time, and counts as work like what is worked out here.
   */
  constructor(
    readonly circuit: Circuit,
    private readonly spread: readonly Spread[] = [],
    private readonly kept = new KeptPoints(),
  ) {}

  /** The states of parts. What a part only measures, as what stands before a distance sensor, makes no other circuit. */
  keyed(states: PartStates): KeyedStates {
    const key = [...states.keys()].map((ref) => {
      const part = this.circuit.part(ref);
      return part && `${ref}${JSON.stringify(kindOf(part.kind).elements(part.value, stateOf(part, states)))}`;
    });
    return { states, key: key.join() };
  }

  /** The volts of the board's supplies as a share of what its profile says. */
  get supplyFactor(): number {
    return this.spread.find(({ owner }) => owner === 'supplies')?.factor ?? 1;
  }

  /**
   * The operating point with these drives and states; with pins that pulse, the average over a period. `text`: the
   * `drivesKey` of the drives, where it is known.
   */
  at(
    drives: PinDrives,
    states: KeyedStates,
    power: BoardPower = 'on',
    text: string = drivesKey(drives),
  ): WarmPoint {
    effort(4000 + 600 * drives.size);
    const key = `${power}${states.key} ${text}`;
    const known = this.points.get(key);
    if (known) return known;
    const isSteady = [...drives.values()].every(({ mode }) => mode !== 'pwm');
    const point = isSteady
      ? this.solve(drives, states, power, key)
      : this.average(drives, states, power, key);
    if (this.points.size < MOST_KEPT) this.points.set(key, point);
    return point;
  }

  private solve(
    drives: PinDrives,
    { states, key: stateKey }: KeyedStates,
    power: BoardPower,
    key: string,
  ): WarmPoint {
    this.solutions += 1;
    // Always from the same start, so that what was solved before leaves no trace in the last digits.
    const start = (this.start ??= this.kept.get(
      'start',
      () => solveSteady(prepareBench(this.circuit), NO_DRIVES).warm,
    ));
    const bench = this.bench(`${power}${stateKey}`, states, power);
    return this.kept.get(key, () => solveSteady(bench, drives, start));
  }

  private average(drives: PinDrives, states: KeyedStates, power: BoardPower, key: string): WarmPoint {
    const slices = slicesOf(drives).map(({ share, held }) => ({ share, held: this.at(held, states, power) }));
    return this.kept.get(key, () => averaged(slices));
  }

  private bench(key: string, states: PartStates, power: BoardPower): Bench {
    let bench = this.benches.get(key);
    if (!bench) {
      bench = this.kept.get(`bench ${key}`, () =>
        prepareBench(this.circuit, { states, boardPower: power, spread: this.spread }),
      );
      if (this.benches.size < MOST_KEPT) this.benches.set(key, bench);
    }
    return bench;
  }
}

/** Drives as a text, the same for the same ones. */
export const drivesKey = (drives: PinDrives): string =>
  [...drives].map(([pin, drive]) => `${pin}${driveKey(drive)}`).join();

export const driveKey = (drive: PinDrive): string =>
  drive.mode === 'pwm' ? `=${drive.duty}@${drive.hertz ?? ''}` : `=${drive.mode}`;
