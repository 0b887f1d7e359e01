import type { BoardProfile } from '../boards';
import type { LegName, Ref } from '../brand';
import { stateOf, type PinDrive } from '../electrics/bench';
import type { BenchPoint } from '../electrics/bench-point';
import { kindOf, type Behaviour, type PartState } from '../parts';
import type { Circuit } from '../wiring/circuit';
import type { PlacedPart } from '../wiring/wiring';
import {
  AT_REST,
  driveKey,
  drivesKey,
  type BoardPower,
  type SolvedCircuit,
  type Swing,
} from './solved-circuit';

/** From how many volts an LED on the board itself begins to glow, and its current at the logic's full level, in mA. */
const OWN_LIGHT_FROM_VOLTS = 1.8;
const OWN_LIGHT_MA = 10;

/** Rounds in which parts with a memory may make each other change at one moment. */
const MOST_ROUNDS = 40;

/** The circuit at a moment of a run: what drives it, what state its parts are in, and what that comes to. */
export class LiveCircuit {
  private readonly drives = new Map<string, PinDrive>();
  /** The drives as a text; made when it is asked for after a change. */
  private drivesText: string | undefined = '';
  private states = AT_REST;
  private power: BoardPower = 'on';
  private readonly behaviours: readonly { readonly part: PlacedPart; readonly react: Behaviour }[];
  private now: BenchPoint | undefined;
  private readonly solvedBefore: number;
  /** States of the driven pins that occurred, at most 64. */
  readonly occurred = new Map<string, ReadonlyMap<string, PinDrive>>();
  readonly circuit: Circuit;

  constructor(
    private readonly solved: SolvedCircuit,
    private readonly board: BoardProfile,
  ) {
    this.circuit = solved.circuit;
    this.solvedBefore = solved.solutions;
    this.behaviours = this.circuit.parts.flatMap((part) => {
      const react = kindOf(part.kind).behave?.();
      return react ? [{ part, react }] : [];
    });
  }

  /** Drives a pin; whether that changed anything. */
  drive(pin: string, drive: PinDrive): boolean {
    const before = this.drives.get(pin);
    if (before && driveKey(before) === driveKey(drive)) return false;
    this.drives.set(pin, drive);
    this.drivesText = undefined;
    this.now = undefined;
    return true;
  }

  /** Lets go of every pin, and gives the board its power or takes it. */
  release(power: BoardPower): void {
    this.drives.clear();
    this.drivesText = undefined;
    this.power = power;
    this.now = undefined;
  }

  change(ref: Ref, state: Partial<PartState>): void {
    const { states } = this.states;
    this.states = this.solved.keyed(new Map(states).set(ref, { ...states.get(ref), ...state }));
    this.now = undefined;
  }

  /** The volts of the board's supplies as a share of what its profile says. */
  get supplyFactor(): number {
    return this.solved.supplyFactor;
  }

  /** Operating points that were worked out for this run. */
  get solutions(): number {
    return this.solved.solutions - this.solvedBefore;
  }

  get point(): BenchPoint {
    return (this.now ??= this.solve());
  }

  /** What the pins that pulse do to the circuit. */
  get swings(): readonly Swing[] {
    const { point } = this;
    let swings = this.solved.swings.get(point);
    if (!swings) {
      swings = this.swingsNow();
      this.solved.swings.set(point, swings);
    }
    return swings;
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
    const low = this.solved.at(still, this.states, this.power);
    return pulsing.map(({ pin, drive: { duty, hertz } }) => {
      const own = this.board.pins.find(({ name }) => name === pin)?.pwmHertz ?? this.board.pwm.hertz;
      const high = this.solved.at(new Map(still).set(pin, { mode: 'high' }), this.states, this.power);
      return { pin, hertz: hertz ?? own, duty, high, low };
    });
  }

  /** Current of each LED on the board itself, in mA, averaged over a period where its pin pulses. */
  get ownLights(): readonly number[] {
    const { point } = this;
    let lights = this.solved.ownLights.get(point);
    if (!lights) {
      lights = this.ownLightsNow();
      this.solved.ownLights.set(point, lights);
    }
    return lights;
  }

  private ownLightsNow(): readonly number[] {
    const { onBoard, logicVolts } = this.board;
    const lit = (volts: number | null, lights: 'high' | 'low'): number => {
      if (volts === null || this.power === 'off') return 0;
      const across = lights === 'high' ? volts : logicVolts - volts;
      return Math.max(
        0,
        (OWN_LIGHT_MA * (across - OWN_LIGHT_FROM_VOLTS)) / (logicVolts - OWN_LIGHT_FROM_VOLTS),
      );
    };
    return onBoard.map(({ pin, lights }) => {
      const swing = this.swings.find((one) => one.pin === pin);
      if (!swing) return lit(this.voltsOfPin(pin), lights);
      const [high, low] = [swing.high, swing.low].map(({ pins }) =>
        lit(pins.get(pin)?.volts ?? null, lights),
      );
      return swing.duty * high! + (1 - swing.duty) * low!;
    });
  }

  /** Volts of a pin of the board against its ground; `null` when it floats. */
  voltsOfPin(pin: string): number | null {
    const driven = this.point.pins.get(pin);
    if (driven) return driven.volts;
    const node = this.circuit.nodeOfPin(pin);
    return node === undefined ? null : (this.point.volts[node.id] ?? null);
  }

  /** Whether something is plugged into a pin's socket. */
  isWired(pin: string): boolean {
    return (this.circuit.nodeOfPin(pin)?.terminals.length ?? 0) > 0;
  }

  /** Volts of a part's leg against another one of its legs. */
  voltsBetween(part: PlacedPart, leg: LegName, minus: LegName, point = this.point): number | null {
    const [upper, lower] = [leg, minus].map((name) => point.volts[this.circuit.nodeOf(part, name)] ?? null);
    return upper === null || lower === null || upper === undefined || lower === undefined
      ? null
      : upper - lower;
  }

  /** Whether a leg of a part lies on the node of a board's pin. */
  isJoined(pin: string, part: PlacedPart, leg: LegName): boolean {
    return this.circuit.nodeOfPin(pin)?.id === this.circuit.nodeOf(part, leg);
  }

  /** Whether legs of two parts lie on one node. */
  areJoined(one: PlacedPart, leg: LegName, other: PlacedPart, otherLeg: LegName): boolean {
    return this.circuit.nodeOf(one, leg) === this.circuit.nodeOf(other, otherLeg);
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
      const reactions = this.behaviours.flatMap(({ part, react }) => {
        const ground = kindOf(part.kind).supplyLegs!.minus;
        return react((leg) => this.voltsBetween(part, leg, ground), stateOf(part, this.states.states)).map(
          (reaction) => ({ ref: part.ref, ...reaction }),
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

  private solve(): BenchPoint {
    const key = (this.drivesText ??= drivesKey(this.drives));
    if (this.occurred.size < MOST_STATES && !this.occurred.has(key))
      this.occurred.set(key, new Map(this.drives));
    return this.solved.at(this.drives, this.states, this.power, key);
  }
}

const MOST_STATES = 64;
