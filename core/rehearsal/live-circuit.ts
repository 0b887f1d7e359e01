import type { BoardProfile } from '../boards';
import type { LegName, Ref } from '../brand';
import { prepareBench, stateOf, type Bench, type PartStates, type PinDrive } from '../electrics/bench';
import { solveBench, type BenchPoint, type WarmPoint } from '../electrics/bench-point';
import { kindOf, type Behaviour, type PartState } from '../parts';
import { nodeOfLeg, nodeOfPin, type Netlist } from '../wiring/netlist';
import type { Wiring } from '../wiring/wiring';

/** A pin that changes too fast to be followed step by step, and the circuit with it high and low. */
export interface Swing {
  readonly pin: string;
  readonly hertz: number;
  readonly duty: number;
  readonly high: BenchPoint;
  readonly low: BenchPoint;
}

interface Solved {
  readonly point: WarmPoint;
  swings?: readonly Swing[];
}

/** Operating points that are kept; a run that brings about more solves the rest again. */
const MOST_KEPT = 5000;
/** Rounds in which parts with a memory may make each other change at one moment. */
const MOST_ROUNDS = 40;

/** The circuit at a moment of a run: what drives it, what state its parts are in, and what that comes to. */
export class LiveCircuit {
  private readonly drives = new Map<string, PinDrive>();
  private states: PartStates = new Map();
  private power: 'on' | 'off' = 'on';
  private readonly behaviours: readonly { readonly ref: Ref; readonly react: Behaviour }[];
  private readonly benches = new Map<string, Bench>();
  private readonly solved = new Map<string, Solved>();
  private stateKey = '';
  private now: Solved | undefined;
  private warm: Float64Array | undefined;
  /** Operating points that were worked out. */
  solutions = 0;
  /** States of the driven pins that occurred, at most 64. */
  readonly occurred = new Map<string, ReadonlyMap<string, PinDrive>>();

  constructor(
    readonly wiring: Wiring,
    private readonly netlist: Netlist,
    private readonly board: BoardProfile,
  ) {
    this.behaviours = wiring.parts.flatMap(({ ref, kind }) => {
      const react = kindOf(kind).behave?.();
      return react ? [{ ref, react }] : [];
    });
  }

  /** Drives a pin; whether that changed anything. */
  drive(pin: string, drive: PinDrive): boolean {
    const before = this.drives.get(pin);
    if (before && driveKey(before) === driveKey(drive)) return false;
    this.drives.set(pin, drive);
    this.now = undefined;
    return true;
  }

  /** Lets go of every pin, and gives the board its power or takes it. */
  release(power: 'on' | 'off'): void {
    this.drives.clear();
    this.power = power;
    this.now = undefined;
  }

  change(ref: Ref, state: Partial<PartState>): void {
    this.states = new Map(this.states).set(ref, { ...this.states.get(ref), ...state });
    this.stateKey = [...this.states].map(([name, held]) => `${name}${JSON.stringify(held)}`).join();
    this.now = undefined;
  }

  get point(): BenchPoint {
    return this.solve().point;
  }

  /** What the pins that pulse do to the circuit. */
  get swings(): readonly Swing[] {
    const solved = this.solve();
    solved.swings ??= this.swingsNow();
    return solved.swings;
  }

  /** Each pulsing pin high and low while the others that pulse are low: one solution for each, and one for all low. */
  private swingsNow(): readonly Swing[] {
    const pulsing = [...this.drives].flatMap(([pin, drive]) =>
      drive.mode === 'pwm' ? [{ pin, drive }] : [],
    );
    if (pulsing.length === 0) return [];
    const still = new Map([
      ...this.drives,
      ...pulsing.map(({ pin }): [string, PinDrive] => [pin, { mode: 'low' }]),
    ]);
    const low = solveBench(this.bench(), still, this.warm);
    return pulsing.map(({ pin, drive: { duty, hertz } }) => {
      const own = this.board.pins.find(({ name }) => name === pin)?.pwmHertz ?? this.board.pwm.hertz;
      const high = solveBench(this.bench(), new Map(still).set(pin, { mode: 'high' }), this.warm);
      return { pin, hertz: hertz ?? own, duty, high, low };
    });
  }

  /** Volts of a pin of the board against its ground; `null` when it floats. */
  voltsOfPin(pin: string): number | null {
    const driven = this.point.pins.get(pin);
    if (driven) return driven.volts;
    const node = nodeOfPin(this.netlist, pin);
    return node === undefined ? null : (this.point.volts[node] ?? null);
  }

  /** Volts of a part's leg against another one of its legs. */
  voltsBetween(ref: Ref, leg: LegName, minus: LegName, point = this.point): number | null {
    const [upper, lower] = [leg, minus].map(
      (name) => point.volts[nodeOfLeg(this.netlist, ref, name)] ?? null,
    );
    return upper === null || lower === null || upper === undefined || lower === undefined
      ? null
      : upper - lower;
  }

  /** Whether a leg of a part lies on the node of a board's pin. */
  isJoined(pin: string, ref: Ref, leg: LegName): boolean {
    return nodeOfPin(this.netlist, pin) === nodeOfLeg(this.netlist, ref, leg);
  }

  /** Whether legs of two parts lie on one node. */
  areJoined(one: Ref, leg: LegName, other: Ref, otherLeg: LegName): boolean {
    return nodeOfLeg(this.netlist, one, leg) === nodeOfLeg(this.netlist, other, otherLeg);
  }

  /**
   * Lets the parts that remember take note of the circuit, again and again until none of them changes
   * anything; gives back what they will do later.
   */
  settle(): readonly {
    readonly ref: Ref;
    readonly afterSeconds: number;
    readonly state: Partial<PartState>;
  }[] {
    const later: { ref: Ref; afterSeconds: number; state: Partial<PartState> }[] = [];
    if (this.behaviours.length === 0) return later;
    for (let round = 0, changed = true; changed && round < MOST_ROUNDS; round += 1) {
      changed = false;
      // All of them see the circuit as it is before any of them changes it.
      const reactions = this.behaviours.flatMap(({ ref, react }) => {
        const part = this.wiring.parts.find((candidate) => candidate.ref === ref)!;
        const ground = kindOf(part.kind).supplyLegs!.minus;
        return react((leg) => this.voltsBetween(ref, leg, ground), stateOf(part, this.states)).map(
          (reaction) => ({ ref, ...reaction }),
        );
      });
      for (const reaction of reactions) {
        if (reaction.afterSeconds > 0) later.push(reaction);
        else {
          this.change(reaction.ref, reaction.state);
          changed = true;
        }
      }
    }
    return later;
  }

  private solve(): Solved {
    if (this.now) return this.now;
    const driven = [...this.drives].map(([pin, drive]) => `${pin}${driveKey(drive)}`).join();
    const key = `${this.power}${this.stateKey} ${driven}`;
    let solved = this.solved.get(key);
    if (!solved) {
      const pulsing = [...this.drives.values()].filter(({ mode }) => mode === 'pwm').length;
      this.solutions += 1 + pulsing;
      solved = { point: solveBench(this.bench(), this.drives, this.warm) };
      this.warm = solved.point.warm;
      if (this.solved.size < MOST_KEPT) this.solved.set(key, solved);
      if (this.occurred.size < 64) this.occurred.set(driven, new Map(this.drives));
    }
    this.now = solved;
    return solved;
  }

  private bench(): Bench {
    const key = `${this.power}${this.stateKey}`;
    let bench = this.benches.get(key);
    if (!bench) {
      bench = prepareBench(this.wiring, this.netlist, { states: this.states, boardPower: this.power });
      if (this.benches.size < MOST_KEPT) this.benches.set(key, bench);
    }
    return bench;
  }
}

const driveKey = (drive: PinDrive): string =>
  drive.mode === 'pwm' ? `=${drive.duty}@${drive.hertz ?? ''}` : `=${drive.mode}`;
