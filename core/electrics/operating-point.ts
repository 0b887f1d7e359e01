import type { Circuit, Element } from './circuit';
import { junctionAt } from './junction';
import { solveDense } from './linear';

/** Conductance from every node to the reference that keeps lone nodes solvable, in S. */
const GMIN = 1e-12;
const MOST_ROUNDS = 120;

export interface OperatingPoint {
  /** Voltage of every solver node against the reference; index 0 is 0. */
  readonly volts: Float64Array;
  /** Current in A through each element from its `from` to its `to` node (out of a source's plus: negative). */
  readonly amps: Float64Array;
  /** Whether a node has no conducting path to the reference. */
  readonly floating: readonly boolean[];
  /** Why there is no answer: `null` when it settled. */
  readonly trouble: null | 'contradiction' | 'not-settled';
}

/**
 * Finds the voltages at which every node's currents cancel: modified nodal analysis (Ho, Ruehli and
 * Brennan, 1975) with Newton's method on junctions; when that does not settle, the sources are raised
 * in steps. `start` may hold the volts of a nearby state. Pure: never throws on any circuit.
 */
export function operatingPoint(circuit: Circuit, start?: Float64Array): OperatingPoint {
  const system = new NodalSystem(circuit);
  const direct = system.newton(start, 1);
  if (direct.trouble !== 'not-settled') return direct;
  let stepped = direct;
  let from: Float64Array | undefined;
  for (const share of [0.02, 0.05, 0.1, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 1]) {
    stepped = system.newton(from, share);
    from = stepped.volts;
  }
  return stepped;
}

class NodalSystem {
  private readonly unknowns: number;
  private readonly matrix: Float64Array;
  private readonly right: Float64Array;
  private readonly sources: readonly Element[];

  constructor(private readonly circuit: Circuit) {
    this.sources = circuit.elements.filter((element) => element.type === 'source');
    this.unknowns = circuit.nodeCount - 1 + this.sources.length;
    this.matrix = new Float64Array(this.unknowns * this.unknowns);
    this.right = new Float64Array(this.unknowns);
  }

  newton(start: Float64Array | undefined, share: number): OperatingPoint {
    const { nodeCount, elements } = this.circuit;
    const volts = new Float64Array(nodeCount);
    if (start) volts.set(start.subarray(0, nodeCount));
    const linear = !elements.some((element) => element.type === 'junction');
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      this.assemble(volts, share);
      if (!solveDense(this.matrix, this.right, this.unknowns)) return this.result(volts, 'contradiction');
      let change = 0;
      for (let node = 1; node < nodeCount; node += 1) {
        const next = this.right[node - 1]!;
        change = Math.max(change, Math.abs(next - volts[node]!));
        volts[node] = next;
      }
      if (!Number.isFinite(change)) return this.result(volts, 'not-settled');
      if (linear || change < 1e-10) return this.result(volts, null);
      // A junction can bounce between two slopes; half steps end that.
      if (round > 40) this.damp(volts, start);
      start = Float64Array.from(volts);
    }
    return this.result(volts, 'not-settled');
  }

  private damp(volts: Float64Array, before: Float64Array | undefined): void {
    if (before)
      for (let node = 1; node < volts.length; node += 1) volts[node] = (volts[node]! + before[node]!) / 2;
  }

  private assemble(volts: Float64Array, share: number): void {
    this.matrix.fill(0);
    this.right.fill(0);
    for (let node = 1; node < this.circuit.nodeCount; node += 1) this.add(node, node, GMIN);
    let branch = this.circuit.nodeCount;
    for (const element of this.circuit.elements) {
      const { from, to } = element;
      if (element.type === 'resistor') this.conduct(from, to, 1 / element.ohms);
      else if (element.type === 'junction') {
        const across = volts[from]! - volts[to]!;
        const { amps, siemens } = junctionAt(element.model, across);
        const conductance = siemens + GMIN;
        this.conduct(from, to, conductance);
        const offset = amps + GMIN * across - conductance * across;
        this.inject(from, -offset);
        this.inject(to, offset);
      } else {
        // Unknown: the current from `from` to `to` through the source.
        this.add(from, branch, 1);
        this.add(to, branch, -1);
        this.add(branch, from, 1);
        this.add(branch, to, -1);
        this.add(branch, branch, -element.ohms);
        this.inject(branch, element.volts * share);
        branch += 1;
      }
    }
  }

  private conduct(from: number, to: number, siemens: number): void {
    this.add(from, from, siemens);
    this.add(to, to, siemens);
    this.add(from, to, -siemens);
    this.add(to, from, -siemens);
  }

  private add(row: number, column: number, amount: number): void {
    if (row > 0 && column > 0) this.matrix[(row - 1) * this.unknowns + column - 1]! += amount;
  }

  private inject(row: number, amount: number): void {
    if (row > 0) this.right[row - 1]! += amount;
  }

  private result(volts: Float64Array, trouble: OperatingPoint['trouble']): OperatingPoint {
    const { nodeCount, elements } = this.circuit;
    const amps = new Float64Array(elements.length);
    let branch = nodeCount - 1;
    elements.forEach((element, index) => {
      const across = volts[element.from]! - volts[element.to]!;
      if (element.type === 'resistor') amps[index] = across / element.ohms;
      else if (element.type === 'junction') amps[index] = junctionAt(element.model, across).amps;
      else {
        amps[index] = trouble === null ? this.right[branch]! : Number.NaN;
        branch += 1;
      }
    });
    return { volts, amps, floating: floatingNodes(this.circuit), trouble };
  }
}

/** Nodes from which no chain of elements leads to the reference; leakage is no path. */
function floatingNodes({ nodeCount, elements }: Circuit): readonly boolean[] {
  const neighbours: number[][] = Array.from({ length: nodeCount }, () => []);
  for (const element of elements) {
    if (element.type === 'resistor' && element.leak) continue;
    neighbours[element.from]!.push(element.to);
    neighbours[element.to]!.push(element.from);
  }
  const floating = new Array<boolean>(nodeCount).fill(true);
  const open = [0];
  floating[0] = false;
  for (let node = open.pop(); node !== undefined; node = open.pop())
    for (const next of neighbours[node]!)
      if (floating[next]) {
        floating[next] = false;
        open.push(next);
      }
  return floating;
}
