import type { BoardProfile } from '../boards';
import type { LegName, Ref } from '../brand';
import { effort } from '../effort';
import { AT_REST, isPowerSource, kindOf, type PartElement, type PartState } from '../parts';
import type { Circuit } from '../wiring/circuit';
import type { PlacedPart } from '../wiring/wiring';
import type { Element, SolverNode } from '../solver/network';
import { fitJunction, type JunctionModel } from '../solver/junction';

/**
 * What the program makes a pin do. `duty` is the high share of a period, from 0 to 1; `hertz` how many
 * periods make a second where it is not the board's own PWM: a tone, or a servo's pulses.
 */
export type PinDrive =
  | { readonly mode: 'high' | 'low' | 'input' | 'pullup' | 'pulldown' }
  | { readonly mode: 'pwm'; readonly duty: number; readonly hertz?: number };

/** Drives by pin name; a pin that is not named is an input. */
export type PinDrives = ReadonlyMap<string, PinDrive>;

/** States of parts that are not at rest. */
export type PartStates = ReadonlyMap<Ref, Partial<PartState>>;

/** How far the figures of one part, or of the board's own supplies, are off; for worst cases. */
export interface Spread {
  /** The part; or the board's supplies, or the pulls inside of its pins. */
  readonly owner: Ref | 'supplies' | 'pulls';
  /** Factor on its resistance, or on its volts when it is a source. */
  readonly factor: number;
  /** Volts added to an LED's forward voltage. */
  readonly forwardVolts: number;
}

export interface BenchOptions {
  readonly states?: PartStates;
  readonly spread?: readonly Spread[];
  /** Whether the board has its power; its supplies are dead without. */
  readonly boardPower?: 'on' | 'off';
}

/** What an element of the bench belongs to. */
export interface Owner {
  readonly ref: Ref;
  readonly element: PartElement;
}

/** A wiring made ready for the solver; only the pin drives are still open. */
export interface Bench {
  readonly circuit: Circuit;
  readonly board: BoardProfile | undefined;
  readonly options: BenchOptions;
  /** Solver node of each netlist node. */
  readonly solverNode: readonly SolverNode[];
  readonly nodeCount: number;
  /** The board's logic supply. */
  readonly supplyNode: SolverNode;
  readonly elements: readonly Element[];
  /** For each element, the part it belongs to; `null` for the board's own. */
  readonly owners: readonly (Owner | null)[];
  /** For each of the board's supplies that is on, the place of its source among the elements. */
  readonly supplies: ReadonlyMap<string, number>;
}

/** A closed contact of a button, switch or relay, in Ω. */
const CONTACT_OHMS = 0.05;
/** What a board without power looks like between its supply and ground, in Ω. */
const DEAD_BOARD_OHMS = 2000;

/** The diode from every pin of a controller to its supply, and from ground to the pin. */
const PIN_CLAMP: JunctionModel = fitJunction(0.6, 1.0, 1.1);

/**
 * Prepares a wiring for solving. The board's ground is the reference; without a board it is the minus
 * of the first battery, else the first node.
 */
export function prepareBench(circuit: Circuit, options: BenchOptions = {}): Bench {
  const { wiring } = circuit;
  effort(wiring.parts.length * 2500);
  const board = wiring.board?.profile;
  const reference = referenceNode(circuit);
  let nodeCount = 1;
  const solverNode = circuit.nodes.map((node) => (node.id === reference ? 0 : nodeCount++));
  const elements: Element[] = [];
  const owners: (Owner | null)[] = [];
  const supplies = new Map<string, number>();
  const factorOf = (owner: Spread['owner']): number => factorIn(options, owner);
  const add = (element: Element, owner: Owner | null): void => {
    elements.push(element);
    owners.push(owner);
  };
  let supplyNode = 0;
  for (const supply of board?.supplies ?? []) {
    if (supply.role === 'ground') continue;
    const node = circuit.nodeOfPin(supply.name);
    if (supply.role === 'input') {
      if (!node) continue;
      add({ type: 'resistor', from: solverNode[node.id]!, to: 0, ohms: supply.loadOhms }, null);
      if (supply.feedsLogic) supplyNode = solverNode[node.id]!;
      continue;
    }
    const at = node ? solverNode[node.id]! : nodeCount++;
    if (supply.volts === board!.logicVolts) supplyNode = at;
    if (options.boardPower === 'off') add({ type: 'resistor', from: at, to: 0, ohms: DEAD_BOARD_OHMS }, null);
    else {
      supplies.set(supply.name, elements.length);
      add(
        {
          type: 'source',
          from: at,
          to: 0,
          volts: supply.volts * factorOf('supplies'),
          ohms: supply.sourceOhms,
        },
        null,
      );
    }
  }
  for (const part of circuit.parts) {
    const { ref } = part;
    // Without a board it is the battery that is taken off.
    if (!board && options.boardPower === 'off' && isPowerSource(part)) continue;
    const at = (leg: LegName): SolverNode => solverNode[circuit.nodeOf(part, leg)]!;
    const factor = factorOf(ref);
    const shift = options.spread?.find((spread) => spread.owner === ref)?.forwardVolts ?? 0;
    for (const element of kindOf(part.kind).elements(part.value, stateOf(part, options.states)))
      add(solverElement(element, at, factor, shift), { ref, element });
  }
  return { circuit, board, options, solverNode, nodeCount, supplyNode, elements, owners, supplies };
}

const factorIn = ({ spread }: BenchOptions, owner: Spread['owner']): number =>
  spread?.find((one) => one.owner === owner)?.factor ?? 1;

/** The whole state of a part, with what is not said at rest. */
export const stateOf = (part: PlacedPart, states: PartStates | undefined): PartState => ({
  ...AT_REST,
  ...states?.get(part.ref),
});

function referenceNode(circuit: Circuit): number | undefined {
  if (circuit.wiring.board) return circuit.nodes.find(({ id }) => circuit.side(id) === 'ground')?.id;
  for (const part of circuit.parts) {
    const { poles } = kindOf(part.kind);
    if (poles) return circuit.nodeOf(part, poles.minus);
  }
  return circuit.nodes[0]?.id;
}

function solverElement(
  element: PartElement,
  at: (leg: LegName) => SolverNode,
  factor: number,
  shift: number,
): Element {
  switch (element.type) {
    case 'resistor':
      return {
        type: 'resistor',
        from: at(element.from),
        to: at(element.to),
        ohms: element.hasTolerance ? element.ohms * factor : element.ohms,
        ...(element.leak ? { leak: true } : {}),
      };
    case 'contact':
      return { type: 'resistor', from: at(element.from), to: at(element.to), ohms: CONTACT_OHMS };
    case 'junction':
      return {
        type: 'junction',
        from: at(element.anode),
        to: at(element.cathode),
        model: element.led === undefined ? element.model : shifted(element.model, shift),
        ...(element.clamp ? { clamp: element.clamp } : {}),
      };
    case 'capacitor':
      return { type: 'capacitor', from: at(element.from), to: at(element.to), farads: element.farads };
    case 'transistor':
      return {
        type: 'transistor',
        from: at(element.collector),
        to: at(element.emitter),
        base: at(element.base),
        model: element.model,
      };
    case 'source':
      return {
        type: 'source',
        from: at(element.plus),
        to: at(element.minus),
        volts: element.volts * factor,
        ohms: element.ohms,
      };
    case 'output':
      return {
        type: 'output',
        from: at(element.plus),
        to: at(element.out),
        minus: at(element.minus),
        volts: element.volts,
        ohms: element.ohms,
      };
  }
}

const shifted = (model: JunctionModel, volts: number): JunctionModel =>
  volts === 0 ? model : { ...model, saturationA: model.saturationA * Math.exp(-volts / model.slopeVolts) };

/** The drive that a pin has when nothing sets it. */
const INPUT: PinDrive = { mode: 'input' };

/** What a driven or wired pin adds to a circuit. */
export interface PinElement {
  readonly pin: string;
  readonly node: SolverNode;
  /** Place of its driver among the elements. */
  readonly index: number;
  /** Factor that turns the driver's current into the current out of the pin. */
  readonly sign: 1 | -1;
  /** Places of its two clamps: from the pin to the supply, and from ground to the pin. */
  readonly clamps?: readonly [toSupply: number, fromGround: number];
}

/** A bench with the drivers of its pins: everything that the solver and an exported netlist need. */
export interface DrivenBench {
  readonly nodeCount: number;
  readonly elements: readonly Element[];
  readonly pins: readonly PinElement[];
}

/**
 * Adds the drivers of the pins. `clamps` also adds the diodes between each pin and the rails, which
 * only matter where a pin lies outside them.
 */
export function driveBench(
  bench: Bench,
  drives: PinDrives,
  clamps: 'with-clamps' | 'without-clamps',
): DrivenBench {
  const elements = [...bench.elements];
  const pins: PinElement[] = [];
  let { nodeCount } = bench;
  if (!bench.board) return { nodeCount, elements, pins };
  const wired = new Map<string, SolverNode>();
  for (const node of bench.circuit.nodes)
    for (const pin of node.pins) wired.set(pin, bench.solverNode[node.id]!);
  for (const { name } of bench.board.pins) {
    const drive = drives.get(name);
    let node = wired.get(name);
    if (node === undefined) {
      if (!drive) continue;
      node = nodeCount++;
    }
    const steady = bench.options.boardPower === 'off' ? INPUT : (drive ?? INPUT);
    const { element, sign } = driverElement(bench, bench.board, steady, node);
    pins.push({ pin: name, node, index: elements.length, sign });
    elements.push(element);
  }
  if (clamps === 'without-clamps') return { nodeCount, elements, pins };
  const clamped = pins.map((pin): PinElement => {
    const at = elements.length;
    elements.push(
      { type: 'junction', from: pin.node, to: bench.supplyNode, model: PIN_CLAMP, clamp: 'forward' },
      { type: 'junction', from: 0, to: pin.node, model: PIN_CLAMP, clamp: 'none' },
    );
    return { ...pin, clamps: [at, at + 1] };
  });
  return { nodeCount, elements, pins: clamped };
}

/** A driver as the resistor that it is: to the supply, to ground, weakly to the supply, or a leak. */
function driverElement(
  bench: Bench,
  board: BoardProfile,
  drive: PinDrive,
  node: SolverNode,
): { readonly element: Element; readonly sign: 1 | -1 } {
  const pullOhms = board.input.pullUpOhms * factorIn(bench.options, 'pulls');
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
        element: { type: 'resistor', from: bench.supplyNode, to: node, ohms: pullOhms },
        sign: 1,
      };
    case 'pulldown':
      return { element: { type: 'resistor', from: node, to: 0, ohms: pullOhms }, sign: -1 };
    case 'input':
      return {
        element: { type: 'resistor', from: node, to: 0, ohms: board.input.leakOhms, leak: true },
        sign: -1,
      };
    case 'pwm':
      throw new Error('a PWM drive is split into steady ones before it is solved');
  }
}
