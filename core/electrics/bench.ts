import type { BoardProfile } from '../boards';
import type { Ref } from '../brand';
import { kindOf } from '../parts';
import { circuitParts, nodeOfLeg, type Netlist } from '../wiring/netlist';
import type { Wiring } from '../wiring/wiring';
import type { Circuit, Element, SolverNode } from './circuit';
import type { JunctionModel } from './junction';
import { operatingPoint, type OperatingPoint } from './operating-point';

/** What the program makes a pin do. `duty` is the high share of a period, from 0 to 1. */
export type PinDrive =
  { readonly mode: 'high' | 'low' | 'input' | 'pullup' } | { readonly mode: 'pwm'; readonly duty: number };

/** Drives by pin name; a pin that is not named is an input. */
export type PinDrives = ReadonlyMap<string, PinDrive>;

/** Shifts of every figure to one end of its tolerance, for worst cases. */
export interface Corner {
  /** Factor on every resistor. */
  readonly resistance: number;
  /** Factor on every supply. */
  readonly supply: number;
  /** Volts added to every lamp's forward voltage. */
  readonly forwardVolts: number;
}

export const NOMINAL: Corner = { resistance: 1, supply: 1, forwardVolts: 0 };

/** A wiring made ready for the solver; only the pin drives are still open. */
export interface Bench {
  readonly wiring: Wiring;
  readonly netlist: Netlist;
  readonly board: BoardProfile | undefined;
  /** Solver node of each netlist node. */
  readonly solverNode: readonly SolverNode[];
  readonly nodeCount: number;
  readonly supplyNode: SolverNode;
  readonly elements: readonly Element[];
  /** For each element, the part it belongs to; `null` for the board's own. */
  readonly owners: readonly (Ref | null)[];
}

/** What one state of the bench comes to. Currents in mA, power in mW, volts by netlist node. */
export interface BenchPoint {
  /** Volts of each netlist node, `null` when it floats. */
  readonly volts: readonly (number | null)[];
  readonly parts: ReadonlyMap<Ref, { readonly currentMa: number; readonly powerMw: number }>;
  /** Current out of each driven pin (negative into it) and its volts. */
  readonly pins: ReadonlyMap<string, { readonly volts: number | null; readonly currentMa: number }>;
  /** Current out of each supply of the board. */
  readonly supplies: ReadonlyMap<string, number>;
  readonly trouble: OperatingPoint['trouble'];
}

/** Prepares a wiring for solving. The board's first ground is the reference. */
export function prepareBench(wiring: Wiring, netlist: Netlist, corner: Corner = NOMINAL): Bench {
  const board = wiring.board?.profile;
  const grounds = new Set(
    board?.supplies.filter((supply) => supply.role === 'ground').map((supply) => supply.name),
  );
  let nodeCount = 1;
  const solverNode = netlist.nodes.map((node) =>
    node.pins.some((pin) => grounds.has(pin)) ? 0 : nodeCount++,
  );
  const elements: Element[] = [];
  const owners: (Ref | null)[] = [];
  let supplyNode = 0;
  for (const supply of board?.supplies ?? []) {
    if (supply.role === 'ground' || supply.volts === undefined) continue;
    const node = netlist.nodes.find((candidate) => candidate.pins.includes(supply.name));
    const at = node ? solverNode[node.id]! : nodeCount++;
    if (supply.volts === board!.logicVolts) supplyNode = at;
    elements.push({
      type: 'source',
      from: at,
      to: 0,
      volts: supply.volts * corner.supply,
      ohms: supply.sourceOhms ?? 0,
    });
    owners.push(null);
  }
  for (const part of circuitParts(wiring)) {
    const at = (leg: Parameters<typeof nodeOfLeg>[2]): SolverNode =>
      solverNode[nodeOfLeg(netlist, part.ref, leg)]!;
    for (const element of kindOf(part.kind).elements(part.value)) {
      if (element.type === 'resistor')
        elements.push({
          type: 'resistor',
          from: at(element.from),
          to: at(element.to),
          ohms: element.ohms * corner.resistance,
        });
      else
        elements.push({
          type: 'junction',
          from: at(element.anode),
          to: at(element.cathode),
          model: shifted(element.model, corner.forwardVolts),
        });
      owners.push(part.ref);
    }
  }
  return { wiring, netlist, board, solverNode, nodeCount, supplyNode, elements, owners };
}

const shifted = (model: JunctionModel, volts: number): JunctionModel =>
  volts === 0 ? model : { ...model, saturationA: model.saturationA * Math.exp(-volts / model.slopeVolts) };

/** The drive that a pin has when nothing sets it. */
const INPUT: PinDrive = { mode: 'input' };

/**
 * Solves one state of the bench. With PWM pins the result is the time average over one period, all
 * pins rising together: an average of currents is what an eye and a meter see, an operating point
 * at the mean voltage is not.
 */
export function solveBench(
  bench: Bench,
  drives: PinDrives,
  start?: Float64Array,
): BenchPoint & { readonly warm: Float64Array } {
  const duties = [...drives.values()].flatMap((drive) => (drive.mode === 'pwm' ? [drive.duty] : []));
  const edges = [...new Set([0, ...duties.filter((duty) => duty > 0 && duty < 1), 1])].sort((a, b) => a - b);
  if (edges.length === 2 && duties.length === 0) return solveSteady(bench, drives, start);
  let warm = start;
  const slices = edges.slice(1).map((until, index) => {
    const from = edges[index]!;
    const still = new Map(
      [...drives].map(([pin, drive]): [string, PinDrive] => [
        pin,
        drive.mode === 'pwm' ? { mode: drive.duty > from ? 'high' : 'low' } : drive,
      ]),
    );
    const point = solveSteady(bench, still, warm);
    warm = point.warm;
    return { share: until - from, point };
  });
  return { ...average(slices), warm: warm ?? new Float64Array(bench.nodeCount) };
}

function average(slices: readonly { readonly share: number; readonly point: BenchPoint }[]): BenchPoint {
  const first = slices[0]!.point;
  const mean = (read: (point: BenchPoint) => number): number =>
    slices.reduce((sum, { share, point }) => sum + share * read(point), 0);
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
    pins: new Map(
      [...first.pins].map(([pin, { volts }]) => [
        pin,
        {
          volts: volts === null ? null : mean((point) => point.pins.get(pin)!.volts ?? 0),
          currentMa: mean((point) => point.pins.get(pin)!.currentMa),
        },
      ]),
    ),
    supplies: new Map(
      [...first.supplies.keys()].map((name) => [name, mean((point) => point.supplies.get(name)!)]),
    ),
    trouble: slices.find(({ point }) => point.trouble)?.point.trouble ?? null,
  };
}

function solveSteady(
  bench: Bench,
  drives: PinDrives,
  start?: Float64Array,
): BenchPoint & { readonly warm: Float64Array } {
  const elements = [...bench.elements];
  const pinElements: { pin: string; node: SolverNode; index: number; sign: 1 | -1 }[] = [];
  let { nodeCount } = bench;
  if (bench.board) {
    const wired = new Map(
      bench.netlist.nodes.flatMap((node) =>
        node.pins.map((pin) => [pin, bench.solverNode[node.id]!] as const),
      ),
    );
    for (const { name } of bench.board.pins) {
      const drive = drives.get(name);
      let node = wired.get(name);
      if (node === undefined) {
        if (!drive) continue;
        node = nodeCount++;
      }
      const { element, sign } = driverElement(bench, bench.board, drive ?? INPUT, node);
      pinElements.push({ pin: name, node, index: elements.length, sign });
      elements.push(element);
    }
  }
  const circuit: Circuit = { nodeCount, elements };
  const solved = operatingPoint(circuit, start && start.length === nodeCount ? start : undefined);
  const voltsAt = (node: SolverNode): number | null => (solved.floating[node] ? null : solved.volts[node]!);
  const parts = new Map<Ref, { currentMa: number; powerMw: number }>();
  const supplies = new Map<string, number>();
  const supplyNames =
    bench.board?.supplies.filter((supply) => supply.role === 'supply').map((supply) => supply.name) ?? [];
  let supplyIndex = 0;
  bench.elements.forEach((element, index) => {
    const owner = bench.owners[index];
    const amps = solved.amps[index]!;
    if (element.type === 'source' && owner === null) supplies.set(supplyNames[supplyIndex++]!, -amps * 1e3);
    if (!owner) return;
    const across = solved.volts[element.from]! - solved.volts[element.to]!;
    const before = parts.get(owner) ?? { currentMa: 0, powerMw: 0 };
    parts.set(owner, {
      currentMa: before.currentMa + amps * 1e3,
      powerMw: before.powerMw + amps * across * 1e3,
    });
  });
  return {
    volts: bench.solverNode.map(voltsAt),
    parts,
    pins: new Map(
      pinElements.map(({ pin, node, index, sign }) => [
        pin,
        { volts: voltsAt(node), currentMa: sign * solved.amps[index]! * 1e3 },
      ]),
    ),
    supplies,
    trouble: solved.trouble,
    warm: solved.volts,
  };
}

/** A driver as the resistor that it is: to the supply, to ground, weakly to the supply, or a leak. */
function driverElement(
  bench: Bench,
  board: BoardProfile,
  drive: PinDrive,
  node: SolverNode,
): { readonly element: Element; readonly sign: 1 | -1 } {
  switch (drive.mode) {
    case 'high':
      return {
        element: { type: 'resistor', from: bench.supplyNode, to: node, ohms: board.drive.outputOhms },
        sign: 1,
      };
    case 'low':
      return { element: { type: 'resistor', from: node, to: 0, ohms: board.drive.outputOhms }, sign: -1 };
    case 'pullup':
      return {
        element: { type: 'resistor', from: bench.supplyNode, to: node, ohms: board.input.pullUpOhms },
        sign: 1,
      };
    case 'input':
      return {
        element: { type: 'resistor', from: node, to: 0, ohms: board.input.leakOhms, leak: true },
        sign: -1,
      };
    case 'pwm':
      throw new Error('a PWM drive is split into steady ones before it is solved');
  }
}

/** Lowest and highest current of each part over part and supply tolerance and forward-voltage spread. */
export function worstCaseMa(
  wiring: Wiring,
  netlist: Netlist,
  drives: PinDrives,
): ReadonlyMap<Ref, readonly [lowestMa: number, highestMa: number]> {
  const tolerance =
    wiring.board?.profile.supplies.find((supply) => supply.role === 'supply')?.toleranceFraction ?? 0;
  const solve = (corner: Corner): BenchPoint => solveBench(prepareBench(wiring, netlist, corner), drives);
  const low = solve({
    resistance: 1 + RESISTOR_TOLERANCE,
    supply: 1 - tolerance,
    forwardVolts: FORWARD_SPREAD_VOLTS,
  });
  const high = solve({
    resistance: 1 - RESISTOR_TOLERANCE,
    supply: 1 + tolerance,
    forwardVolts: -FORWARD_SPREAD_VOLTS,
  });
  return new Map(
    [...low.parts].map(([ref, { currentMa }]) => {
      const pair = [currentMa, high.parts.get(ref)!.currentMa].sort((a, b) => Math.abs(a) - Math.abs(b));
      return [ref, [pair[0]!, pair[1]!] as const];
    }),
  );
}

/** Gold band: the usual class of kit resistors. */
const RESISTOR_TOLERANCE = 0.05;
/** Spread of a lamp's forward voltage between pieces of one colour, from usual data-sheet limits. */
const FORWARD_SPREAD_VOLTS = 0.2;
