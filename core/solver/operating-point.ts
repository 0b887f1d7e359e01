import { effort } from '../effort';
import type { Network, Element } from './network';
import { islandsOf, type Islands } from './floating';
import { junctionAt } from './junction';
import { solveDense } from './linear';
import { limitedVolts, transistorAt } from './transistor';

/** Conductance from every node to the reference that keeps lone nodes solvable, in S. */
const GMIN = 1e-12;
/** Conductance that holds an island with a battery of its own at the reference, in S. */
const TIE = 1e-9;
const MOST_ROUNDS = 120;
/**
 * Largest change of a voltage in a round that counts as settled, against 1 V or the voltage itself. The
 * error left is about its square, since Newton's method converges quadratically.
 */
const SETTLED = 1e-7;
/**
 * A node that only leaks hold is known no better than this beside strong ones, which leave it the
 * rounding of their currents; it counts as settled once no junction's current changes any more, in A.
 */
const WEAK = 1e-2;
const SETTLED_AMPS = 1e-9;
/** Rounds in succession after which that is taken for an answer. */
const PATIENCE = 20;

export interface OperatingPoint {
  /** Voltage of every solver node against the reference; index 0 is 0. */
  readonly volts: Float64Array;
  /**
   * Current in A through each element from its `from` to its `to` node: out of a source's plus it is
   * negative, into a transistor's collector positive.
   */
  readonly amps: Float64Array;
  /** Whether a node has no conducting path to any source. */
  readonly floating: readonly boolean[];
  /** Why there is no answer: `null` when it settled. */
  readonly trouble: null | 'contradiction' | 'not-settled';
}

/**
 * Finds the voltages at which every node's currents cancel: modified nodal analysis (Ho, Ruehli and
 * Brennan, 1975) with Newton's method on junctions and transistors; when that does not settle, first
 * extra conductance to the reference is stepped away, then the sources are raised in steps. `start` may
 * hold the volts of a nearby state. Pure: never throws on any circuit.
 */
export function operatingPoint(circuit: Network, start?: Float64Array): OperatingPoint {
  const system = new NodalSystem(circuit);
  const direct = system.newton(start, 1, GMIN);
  if (direct.trouble !== 'not-settled') return direct;
  const eased = inSteps([1e-2, 1e-3, 1e-4, 1e-5, 1e-6, 1e-8, 1e-10, GMIN], (from, extra) =>
    system.newton(from, 1, extra),
  );
  if (eased.trouble !== 'not-settled') return eased;
  return inSteps([0.02, 0.05, 0.1, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 1], (from, share) =>
    system.newton(from, share, GMIN),
  );
}

function inSteps(
  amounts: readonly number[],
  solve: (from: Float64Array | undefined, amount: number) => OperatingPoint,
): OperatingPoint {
  let point: OperatingPoint | undefined;
  for (const amount of amounts) point = solve(point?.volts, amount);
  return point!;
}

class NodalSystem {
  private readonly unknowns: number;
  private readonly matrix: Float64Array;
  private readonly right: Float64Array;
  private readonly islands: Islands;
  private readonly isLinear: boolean;
  private readonly effortOfRound: number;
  /** Base–emitter and base–collector volts at which each transistor was last set up. */
  private readonly junctionVolts: Float64Array;
  private wasLimited = false;
  /** Current of each junction, transistor and output in the last round, and the largest change since, in A. */
  private readonly amps: Float64Array;
  private currentChange = 0;

  constructor(private readonly circuit: Network) {
    const { elements, nodeCount } = circuit;
    this.islands = islandsOf(circuit);
    this.unknowns = nodeCount - 1 + elements.filter(isIdeal).length;
    this.matrix = new Float64Array(this.unknowns * this.unknowns);
    this.right = new Float64Array(this.unknowns);
    this.effortOfRound = this.unknowns ** 3 * 0.5 + this.unknowns ** 2 * 5 + elements.length * 80;
    this.isLinear = !elements.some(
      ({ type }) => type === 'junction' || type === 'transistor' || type === 'output',
    );
    this.junctionVolts = new Float64Array(elements.length * 2);
    this.amps = new Float64Array(elements.length);
  }

  newton(start: Float64Array | undefined, share: number, gmin: number): OperatingPoint {
    const { nodeCount, elements } = this.circuit;
    const volts = new Float64Array(nodeCount);
    if (start) volts.set(start.subarray(0, nodeCount));
    let before: Float64Array | undefined;
    let stillRounds = 0;
    elements.forEach((element, index) => {
      if (element.type !== 'transistor') return;
      this.junctionVolts[2 * index] = volts[element.base]! - volts[element.to]!;
      this.junctionVolts[2 * index + 1] = volts[element.base]! - volts[element.from]!;
    });
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      effort(this.effortOfRound);
      this.wasLimited = false;
      this.currentChange = 0;
      this.assemble(volts, share, gmin);
      if (!solveDense(this.matrix, this.right, this.unknowns)) return this.result(volts, 'contradiction');
      let change = 0;
      for (let node = 1; node < nodeCount; node += 1) {
        const next = this.right[node - 1]!;
        const step = Math.abs(next - volts[node]!) / (1 + Math.abs(next));
        if (!(step <= change)) change = step;
        volts[node] = next;
      }
      if (!Number.isFinite(change)) return this.result(volts, 'not-settled');
      const isStill = change < WEAK && this.currentChange < SETTLED_AMPS && !this.wasLimited;
      stillRounds = isStill ? stillRounds + 1 : 0;
      const hasSettled = change < SETTLED || stillRounds > PATIENCE;
      if (this.isLinear || (hasSettled && !this.wasLimited)) return this.result(volts, null);
      // A junction can bounce between two slopes; half steps end that.
      if (round > 40 && before)
        for (let node = 1; node < nodeCount; node += 1) volts[node] = (volts[node]! + before[node]!) / 2;
      if (round >= 40) before = Float64Array.from(volts);
    }
    return this.result(volts, 'not-settled');
  }

  private assemble(volts: Float64Array, share: number, gmin: number): void {
    this.matrix.fill(0);
    this.right.fill(0);
    for (let node = 1; node < this.circuit.nodeCount; node += 1) this.add(node, node, gmin);
    for (const node of this.islands.ties) this.add(node, node, TIE);
    let branch = this.circuit.nodeCount;
    const { elements } = this.circuit;
    for (let index = 0; index < elements.length; index += 1) {
      const element = elements[index]!;
      const { from, to } = element;
      switch (element.type) {
        case 'resistor':
          this.conduct(from, to, 1 / element.ohms);
          break;
        case 'junction': {
          const across = volts[from]! - volts[to]!;
          const { amps, siemens } = junctionAt(element.model, across);
          this.noteCurrent(index, amps);
          const conductance = siemens + GMIN;
          this.conduct(from, to, conductance);
          const offset = amps + GMIN * across - conductance * across;
          this.inject(from, -offset);
          this.inject(to, offset);
          break;
        }
        case 'capacitor':
          break;
        case 'transistor':
          this.stampTransistor(element, index, volts);
          break;
        case 'source':
          if (element.ohms > 0) {
            this.conduct(from, to, 1 / element.ohms);
            this.inject(from, (element.volts * share) / element.ohms);
            this.inject(to, (-element.volts * share) / element.ohms);
            break;
          }
          // Unknown: the current from `from` to `to` through the source.
          this.add(from, branch, 1);
          this.add(to, branch, -1);
          this.add(branch, from, 1);
          this.add(branch, to, -1);
          this.inject(branch, element.volts * share);
          branch += 1;
          break;
        case 'output':
          this.stampOutput(element, index, volts);
          break;
      }
    }
  }

  private stampTransistor(
    element: Extract<Element, { type: 'transistor' }>,
    index: number,
    volts: Float64Array,
  ): void {
    const { from: collector, to: emitter, base, model } = element;
    const wanted = [volts[base]! - volts[emitter]!, volts[base]! - volts[collector]!] as const;
    const forward = limitedVolts(wanted[0], this.junctionVolts[2 * index]!, model.saturationA);
    const reverse = limitedVolts(wanted[1], this.junctionVolts[2 * index + 1]!, model.saturationA);
    if (forward !== wanted[0] || reverse !== wanted[1]) this.wasLimited = true;
    this.junctionVolts[2 * index] = forward;
    this.junctionVolts[2 * index + 1] = reverse;
    const at = transistorAt(model, forward, reverse);
    this.noteCurrent(index, at.collectorA);
    const rows = [
      [base, at.baseA, at.baseByForward, at.baseByReverse],
      [collector, at.collectorA, at.collectorByForward, at.collectorByReverse],
    ] as const;
    for (const [row, amps, byForward, byReverse] of rows) {
      const offset = amps - byForward * forward - byReverse * reverse;
      this.stampCurrent(row, base, byForward + byReverse, emitter);
      this.stampCurrent(row, emitter, -byForward, emitter);
      this.stampCurrent(row, collector, -byReverse, emitter);
      this.inject(row, -offset);
      this.inject(emitter, offset);
    }
  }

  private noteCurrent(index: number, amps: number): void {
    const change = Math.abs(amps - this.amps[index]!) - 1e-6 * Math.abs(amps);
    if (change > this.currentChange) this.currentChange = change;
    this.amps[index] = amps;
  }

  /** A current out of `row` and into `back` that grows with the volts of `by`. */
  private stampCurrent(row: number, by: number, siemens: number, back: number): void {
    this.add(row, by, siemens);
    this.add(back, by, -siemens);
  }

  private stampOutput(
    element: Extract<Element, { type: 'output' }>,
    index: number,
    volts: Float64Array,
  ): void {
    const { from: plus, to: out, minus, ohms } = element;
    const supply = volts[plus]! - volts[minus]!;
    const siemens = 1 / ohms;
    const slope = supply > 0 && supply < element.volts ? siemens : 0;
    const constant = supply >= element.volts ? siemens * element.volts : 0;
    // Current into out: slope·(plus − minus) + constant − siemens·(out − minus), from the one or the other.
    const { amps, giver } = outputCurrent(element, volts);
    this.noteCurrent(index, giver === plus ? amps : 0);
    for (const [row, sign] of [
      [giver, 1],
      [out, -1],
    ] as const) {
      this.add(row, plus, sign * slope);
      this.add(row, minus, sign * (siemens - slope));
      this.add(row, out, -sign * siemens);
      this.inject(row, -sign * constant);
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
      switch (element.type) {
        case 'resistor':
          amps[index] = across / element.ohms;
          break;
        case 'junction':
          amps[index] = junctionAt(element.model, across).amps;
          break;
        case 'capacitor':
          break;
        case 'transistor':
          amps[index] = transistorCurrents(element, volts).collectorA;
          break;
        case 'source':
          if (element.ohms > 0) amps[index] = (across - element.volts) / element.ohms;
          else {
            amps[index] = trouble === null ? this.right[branch]! : Number.NaN;
            branch += 1;
          }
          break;
        case 'output':
          amps[index] = outputCurrent(element, volts).amps;
          break;
      }
    });
    return { volts, amps, floating: this.islands.floating, trouble };
  }
}

const isIdeal = (element: Element): boolean => element.type === 'source' && element.ohms === 0;

/** Base and collector currents of a transistor at these node voltages. */
export const transistorCurrents = (
  { base, from, to, model }: Extract<Element, { type: 'transistor' }>,
  volts: Float64Array,
): { readonly baseA: number; readonly collectorA: number } =>
  transistorAt(model, volts[base]! - volts[to]!, volts[base]! - volts[from]!);

/** Current in A out of a chip's output, and the node that gives it: the supply, or `minus` when it takes. */
export function outputCurrent(
  { from: plus, to: out, minus, volts: wanted, ohms }: Extract<Element, { type: 'output' }>,
  volts: Float64Array,
): { readonly amps: number; readonly giver: number } {
  const supply = volts[plus]! - volts[minus]!;
  const level = Math.max(0, Math.min(wanted, supply));
  const amps = (level - (volts[out]! - volts[minus]!)) / ohms;
  return { amps, giver: wanted > 0 && amps > 0 ? plus : minus };
}
