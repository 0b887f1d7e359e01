import { effort } from '../effort';
import { legPoint } from '../wiring/wiring';
import type { LegName, PointName, Ref } from '../brand';
import { kindOf, type PartElement } from '../parts';
import {
  driveBench,
  prepareBench,
  stateOf,
  type Bench,
  type DrivenBench,
  type PartStates,
  type PinDrive,
  type PinDrives,
} from './bench';
import {
  operatingPoint,
  outputCurrent,
  transistorCurrents,
  type OperatingPoint,
} from '../solver/operating-point';

/** What one part carries. */
export interface PartFigures {
  /**
   * Of a part with two legs, the current from its first to its second (out of the plus of a source); of
   * any other, the largest through one leg.
   */
  readonly currentMa: number;
  /** Power that becomes heat or light in it; of a source, the power it gives. */
  readonly powerMw: number;
}

/** What one state of the bench comes to. Currents in mA, power in mW, volts by netlist node. */
export interface BenchPoint {
  /** Volts of each netlist node, `null` when it floats. */
  readonly volts: readonly (number | null)[];
  readonly parts: ReadonlyMap<Ref, PartFigures>;
  /** Current into each leg of a part. */
  readonly legs: ReadonlyMap<PointName, number>;
  /** Current of each light: by the part for an LED, by `D1.red` where a part has several. */
  readonly leds: ReadonlyMap<string, number>;
  /** Current out of each driven pin (negative into it) and its volts. */
  readonly pins: ReadonlyMap<string, { readonly volts: number | null; readonly currentMa: number }>;
  /** Current out of each supply of the board. */
  readonly supplies: ReadonlyMap<string, number>;
  readonly trouble: OperatingPoint['trouble'];
}

export type WarmPoint = BenchPoint & {
  /** Volts of the solver's nodes, as a start for a nearby state. */
  readonly warm: Float64Array;
};

/** Solves one state of the bench; with pins that pulse, see `averaged`. */
export const solveBench = (bench: Bench, drives: PinDrives, start?: Float64Array): WarmPoint => {
  let warm = start;
  return averaged(
    slicesOf(drives).map(({ share, held }) => {
      const point = solveSteady(bench, held, warm);
      warm = point.warm;
      return { share, held: point };
    }),
  );
};

/** A share of a period in which no pin changes. */
interface Slice<Held> {
  readonly share: number;
  readonly held: Held;
}

/** The period of the pins that pulse, all rising together, as the drives that hold for a share of it each. */
export function slicesOf(drives: PinDrives): readonly Slice<PinDrives>[] {
  const duties = [...drives.values()].flatMap((drive) => (drive.mode === 'pwm' ? [drive.duty] : []));
  if (duties.length === 0) return [{ share: 1, held: drives }];
  const edges = [...new Set([0, ...duties.filter((duty) => duty > 0 && duty < 1), 1])].sort((a, b) => a - b);
  return edges.slice(1).map((until, index) => {
    const from = edges[index]!;
    const held = new Map(
      [...drives].map(([pin, drive]): [string, PinDrive] => [
        pin,
        drive.mode === 'pwm' ? { mode: drive.duty > from ? 'high' : 'low' } : drive,
      ]),
    );
    return { share: until - from, held };
  });
}

/**
 * The time average over one period: an average of currents is what an eye and a meter see, an operating point at the
 * mean voltage is not.
 */
export function averaged(slices: readonly Slice<WarmPoint>[]): WarmPoint {
  const [only] = slices;
  if (only && slices.length === 1) return only.held;
  const points = slices.map(({ share, held }) => ({ share, point: held }));
  return { ...average(points), warm: points.at(-1)!.point.warm };
}

function average(slices: readonly { readonly share: number; readonly point: BenchPoint }[]): BenchPoint {
  const first = slices[0]!.point;
  effort(slices.length * (first.volts.length + first.parts.size + first.legs.size) * 520);
  const mean = (read: (point: BenchPoint) => number): number =>
    slices.reduce((sum, { share, point }) => sum + share * read(point), 0);
  const meanMap = <Key>(read: (point: BenchPoint) => ReadonlyMap<Key, number>): ReadonlyMap<Key, number> =>
    new Map([...read(first).keys()].map((key) => [key, mean((point) => read(point).get(key) ?? 0)]));
  return {
    volts: first.volts.map((volts, node) =>
      volts === null ? null : mean((point) => point.volts[node] ?? 0),
    ),
    parts: new Map(
      [...first.parts.keys()].map((ref) => [
        ref,
        {
          currentMa: mean((point) => point.parts.get(ref)!.currentMa),
          powerMw: mean((point) => point.parts.get(ref)!.powerMw),
        },
      ]),
    ),
    legs: meanMap((point) => point.legs),
    leds: meanMap((point) => point.leds),
    pins: new Map(
      [...first.pins].map(([pin, { volts }]) => [
        pin,
        {
          volts: volts === null ? null : mean((point) => point.pins.get(pin)!.volts ?? 0),
          currentMa: mean((point) => point.pins.get(pin)!.currentMa),
        },
      ]),
    ),
    supplies: meanMap((point) => point.supplies),
    trouble: slices.find(({ point }) => point.trouble)?.point.trouble ?? null,
  };
}

/** Rounds in which relays may pull in or let go; one that never rests keeps its last state. */
const MOST_REACTIONS = 6;
/** How far a pin may lie outside the rails before its protection starts to conduct, in V. */
const CLAMP_VOLTS = 0.3;

/** The bench with its relays in the state that these drives bring about. */
export const settledBench = (bench: Bench, drives: PinDrives): Bench => settle(bench, drives).bench;

/** Solves one state of the bench in which no pin pulses. */
export function solveSteady(bench: Bench, drives: PinDrives, start?: Float64Array): WarmPoint {
  const settled = settle(bench, drives, start);
  return figures(settled.bench, settled.driven, settled.point);
}

function settle(
  bench: Bench,
  drives: PinDrives,
  start?: Float64Array,
): { readonly bench: Bench; readonly driven: DrivenBench; readonly point: OperatingPoint } {
  let now = bench;
  let solved = solveOnce(now, drives, start);
  for (let round = 0; round < MOST_REACTIONS; round += 1) {
    const states = reactions(now, solved.point);
    if (!states) break;
    now = prepareBench(bench.circuit, { ...bench.options, states });
    solved = solveOnce(now, drives, solved.point.volts);
  }
  return { bench: now, ...solved };
}

function solveOnce(
  bench: Bench,
  drives: PinDrives,
  start?: Float64Array,
): { readonly driven: DrivenBench; readonly point: OperatingPoint } {
  effort(26_000 + (bench.elements.length + bench.circuit.nodes.length) * 2600);
  const driven = driveBench(bench, drives, 'without-clamps');
  const point = operatingPoint(driven, start && start.length === driven.nodeCount ? start : undefined);
  const rail = point.volts[bench.supplyNode]!;
  const isOutside = driven.pins.some(({ node }) => {
    const volts = point.volts[node]!;
    return volts > rail + CLAMP_VOLTS || volts < -CLAMP_VOLTS;
  });
  if (!isOutside || point.trouble !== null) return { driven, point };
  const clamped = driveBench(bench, drives, 'with-clamps');
  return { driven: clamped, point: operatingPoint(clamped) };
}

/** States of the parts that switch by their own voltages, when one of them changes. */
function reactions(bench: Bench, point: OperatingPoint): PartStates | undefined {
  let changed: Map<Ref, object> | undefined;
  for (const part of bench.circuit.parts) {
    const { react } = kindOf(part.kind);
    if (!react) continue;
    const state = stateOf(part, bench.options.states);
    const volts = (leg: LegName): number => point.volts[bench.solverNode[bench.circuit.nodeOf(part, leg)]!]!;
    const next = react(volts, state);
    if (next.pulled === state.pulled) continue;
    changed ??= new Map(bench.options.states);
    changed.set(part.ref, next);
  }
  return changed;
}

function figures(bench: Bench, driven: DrivenBench, solved: OperatingPoint): WarmPoint {
  const { volts, amps } = solved;
  const voltsAt = (node: number): number | null => (solved.floating[node] ? null : volts[node]!);
  const tally = new Map<Ref, { firstMa: number; powerMw: number; isSource: boolean }>();
  const legs = new Map<PointName, number>();
  const leds = new Map<string, number>();
  const into = (ref: Ref, leg: LegName, currentMa: number): void => {
    const name = legPoint(ref, leg);
    legs.set(name, (legs.get(name) ?? 0) + currentMa);
  };
  bench.elements.forEach((element, index) => {
    const owner = bench.owners[index];
    if (!owner) return;
    const { ref } = owner;
    const currentMa = amps[index]! * 1e3;
    const across = volts[element.from]! - volts[element.to]!;
    const sum = tally.get(ref) ?? { firstMa: 0, powerMw: 0, isSource: false };
    sum.firstMa += currentMa;
    sum.powerMw += element.type === 'output' ? outputPower(element, volts) : currentMa * across;
    if (element.type === 'source') sum.isSource = true;
    if (element.type === 'transistor') {
      const baseMa = transistorCurrents(element, volts).baseA * 1e3;
      sum.powerMw += baseMa * (volts[element.base]! - volts[element.to]!);
    }
    tally.set(ref, sum);
    for (const [leg, legMa] of legCurrents(owner.element, currentMa, element, volts)) into(ref, leg, legMa);
    if (owner.element.type === 'junction' && owner.element.led !== undefined)
      leds.set(owner.element.led === '' ? ref : `${ref}.${owner.element.led}`, currentMa);
  });
  return {
    volts: bench.solverNode.map(voltsAt),
    parts: new Map(
      [...tally].map(([ref, { firstMa, powerMw, isSource }]) => [
        ref,
        {
          currentMa: isSource ? -firstMa : partCurrent(bench, ref, firstMa, legs),
          powerMw: isSource ? -powerMw : powerMw,
        },
      ]),
    ),
    legs,
    leds: leds,
    pins: new Map(
      driven.pins.map(({ pin, node, index, sign, clamps }) => {
        const driverA = sign * amps[index]!;
        const clampA = clamps ? amps[clamps[1]]! - amps[clamps[0]]! : 0;
        return [pin, { volts: voltsAt(node), currentMa: (driverA + clampA) * 1e3 }];
      }),
    ),
    supplies: new Map([...bench.supplies].map(([name, index]) => [name, -amps[index]! * 1e3])),
    trouble: solved.trouble,
    warm: volts,
  };
}

/** Power lost in a chip's output, in mW. */
function outputPower(
  element: Extract<Bench['elements'][number], { type: 'output' }>,
  volts: Float64Array,
): number {
  const { amps, giver } = outputCurrent(element, volts);
  return amps * 1e3 * (volts[giver]! - volts[element.to]!);
}

function legCurrents(
  element: PartElement,
  currentMa: number,
  solver: Bench['elements'][number],
  volts: Float64Array,
): readonly (readonly [LegName, number])[] {
  switch (element.type) {
    case 'junction':
      return [
        [element.anode, currentMa],
        [element.cathode, -currentMa],
      ];
    case 'source':
      return [
        [element.plus, currentMa],
        [element.minus, -currentMa],
      ];
    case 'output': {
      const isGiven = solver.type === 'output' && outputCurrent(solver, volts).giver === solver.from;
      return [
        [isGiven ? element.plus : element.minus, currentMa],
        [element.out, -currentMa],
      ];
    }
    case 'transistor': {
      const baseMa = solver.type === 'transistor' ? transistorCurrents(solver, volts).baseA * 1e3 : 0;
      return [
        [element.collector, currentMa],
        [element.base, baseMa],
        [element.emitter, -currentMa - baseMa],
      ];
    }
    default:
      return [
        [element.from, currentMa],
        [element.to, -currentMa],
      ];
  }
}

function partCurrent(bench: Bench, ref: Ref, firstMa: number, legs: ReadonlyMap<PointName, number>): number {
  const part = bench.circuit.part(ref)!;
  if (part.legs.length === 2) return firstMa;
  return Math.max(...part.legs.map(({ leg }) => Math.abs(legs.get(legPoint(ref, leg)) ?? 0)));
}
