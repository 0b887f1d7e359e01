import type { Ref } from '../brand';
import { isResistor, kindOf } from '../parts';
import type { Circuit } from '../wiring/circuit';
import { prepareBench, type BenchOptions, type PinDrives, type Spread } from './bench';
import { solveBench, type BenchPoint } from './bench-point';

/** Lowest and highest that a figure can be. */
export type Interval = readonly [lowest: number, highest: number];

/** Figures of one state as intervals. Currents in mA, volts by netlist node (`null` where it floats). */
export interface WorstCase {
  readonly parts: ReadonlyMap<Ref, Interval>;
  readonly leds: ReadonlyMap<string, Interval>;
  readonly pins: ReadonlyMap<string, Interval>;
  readonly supplies: ReadonlyMap<string, Interval>;
  readonly volts: readonly (Interval | null)[];
}

/** Gold band, the usual class of kit resistors: the share by which one may be off. */
export const RESISTOR_TOLERANCE = 0.05;
/** Spread of an LED's forward voltage between pieces of one colour, in V, from usual data-sheet limits. */
export const FORWARD_SPREAD_VOLTS = 0.2;

/**
 * The intervals of every figure over the tolerance of resistors and supplies and the spread of LEDs:
 * extreme-value analysis. Each source of spread is taken to both its ends alone, and what that does to
 * a figure is added up; the sum encloses every combination to first order. Two solutions a part.
 */
export function worstCase(
  circuit: Circuit,
  drives: PinDrives,
  options: Omit<BenchOptions, 'spread'> = {},
): WorstCase {
  const at = (spread: readonly Spread[]): BenchPoint =>
    solveBench(prepareBench(circuit, { ...options, spread }), drives);
  const nominal = at([]);
  const ends = sourcesOfSpread(circuit).map(([low, high]) => [at([low]), at([high])] as const);
  const interval = (read: (point: BenchPoint) => number): Interval => {
    const middle = read(nominal);
    let [lowest, highest] = [middle, middle];
    for (const [one, other] of ends) {
      const shifts = [read(one) - middle, read(other) - middle, 0];
      lowest += Math.min(...shifts);
      highest += Math.max(...shifts);
    }
    return [lowest, highest];
  };
  const intervals = <Key>(
    keys: Iterable<Key>,
    read: (point: BenchPoint, key: Key) => number,
  ): ReadonlyMap<Key, Interval> =>
    new Map([...keys].map((key) => [key, interval((point) => read(point, key))]));
  return {
    parts: intervals(nominal.parts.keys(), (point, ref) => point.parts.get(ref)!.currentMa),
    leds: intervals(nominal.leds.keys(), (point, led) => point.leds.get(led)!),
    pins: intervals(nominal.pins.keys(), (point, pin) => point.pins.get(pin)!.currentMa),
    supplies: intervals(nominal.supplies.keys(), (point, name) => point.supplies.get(name)!),
    volts: nominal.volts.map((volts, node) =>
      volts === null ? null : interval((point) => point.volts[node] ?? 0),
    ),
  };
}

/** Each thing that differs between pieces, at both its ends. */
function sourcesOfSpread({ wiring, parts }: Circuit): readonly (readonly [Spread, Spread])[] {
  const board = wiring.board?.profile;
  const supplyTolerance = Math.max(
    0,
    ...(board?.supplies ?? []).map((supply) => (supply.role === 'supply' ? supply.toleranceFraction : 0)),
  );
  const both = (owner: Ref | 'supplies', factor: number, forwardVolts: number): readonly [Spread, Spread] => [
    { owner, factor: 1 - factor, forwardVolts: -forwardVolts },
    { owner, factor: 1 + factor, forwardVolts },
  ];
  return [
    ...(supplyTolerance > 0 ? [both('supplies', supplyTolerance, 0)] : []),
    ...parts.flatMap((part) => {
      if (isResistor(part)) return [both(part.ref, RESISTOR_TOLERANCE, 0)];
      return kindOf(part.kind).observed === 'light' ? [both(part.ref, 0, FORWARD_SPREAD_VOLTS)] : [];
    }),
  ];
}
