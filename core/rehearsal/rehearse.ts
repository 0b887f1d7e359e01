import { findPin, pinByNumber, type BoardPin, type BoardProfile } from '../boards';
import type { Ref } from '../brand';
import { prepareBench, type Bench, type PinDrive } from '../electrics/bench';
import { solveBench, type BenchPoint, type WarmPoint } from '../electrics/bench-point';
import type { Stimulus } from '../formats/scenario';
import type { Program } from '../program';
import { Machine, Stop, type EndReason, type ProgramHost } from '../program/machine';
import { netlistOf, nodeOfPin, type Netlist } from '../wiring/netlist';
import type { Wiring } from '../wiring/wiring';
import { SerialPort } from './serial';
import { timelineOf, type Moment } from './timeline';
import type { CurrentChange, PinChange, Trace, UndirectedWrite } from './trace';

export interface RehearsalOptions {
  /** Virtual seconds to run. */
  readonly seconds: number;
  /** What happens to the circuit meanwhile. */
  readonly stimuli?: readonly Stimulus[];
  /** Buttons bounce as this seed has it; without one they do not bounce. */
  readonly bounceSeed?: number;
  /** Steps after which the run is given up; one step is a statement or a library call. */
  readonly steps?: number;
  /** What a floating line reads as; `noise` follows the seed. */
  readonly floatingReads?: 'low' | 'high' | 'noise';
  readonly seed?: number;
  /** Off only to prove that skipping unchanging passes makes no difference. */
  readonly skip?: boolean;
}

/** Enough for a busy minute of virtual time, and over within a few seconds of real time. */
const DEFAULT_STEPS = 15_000_000;
const MOST_CHANGES = 20_000;
/** Difference of two currents, in mA, that is the solver's rather than the circuit's. */
const NO_CHANGE_MA = 1e-6;

/** Runs a compiled program on a wiring. The same input gives the same trace. */
export function rehearse(
  program: NonNullable<Program['compiled']>,
  wiring: Wiring,
  board: BoardProfile,
  options: RehearsalOptions,
): Trace {
  const netlist = netlistOf(wiring);
  const host = new BoardHost(wiring, netlist, board, options);
  const { tree, executable } = program;
  const machine = new Machine(host, {
    clockHz: board.clockHz,
    endCycle: Math.round(options.seconds * board.clockHz),
    steps: options.steps ?? DEFAULT_STEPS,
    globalCells: tree.globalCells,
    freeBytes: board.memory.dataBytes - tree.globalBytes,
    skip: options.skip ?? true,
  });
  host.machine = machine;
  return host.trace(runToEnd(machine, executable));
}

function runToEnd(machine: Machine, executable: NonNullable<Program['compiled']>['executable']): EndReason {
  try {
    executable.start(machine);
    for (;;) executable.pass(machine);
  } catch (error) {
    if (error instanceof Stop) return error.reason;
    // A call chain deeper than this engine's own stack is deeper than the board's memory too.
    if (error instanceof RangeError) return 'memory';
    throw error;
  }
}

interface PinState {
  readonly pin: BoardPin;
  output: boolean;
  latch: boolean;
  duty: number | undefined;
  lastRead: 0 | 1;
}

class BoardHost implements ProgramHost {
  machine!: Machine;
  private readonly states = new Map<string, PinState>();
  private readonly drives = new Map<string, PinDrive>();
  private readonly timeline: readonly Moment[];
  /** How many moments of the timeline have come. */
  private come = 0;
  private readonly benches = new Map<number, Bench>();
  private readonly solved = new Map<string, WarmPoint>();
  private warm: Float64Array | undefined;
  private readonly pinChanges = new Map<string, PinChange[]>();
  private readonly lampChanges = new Map<Ref, CurrentChange[]>();
  private readonly stateList = new Map<string, ReadonlyMap<string, PinDrive>>();
  private readonly pauseList: { at: number; seconds: number; line: number }[] = [];
  private readonly undirected: UndirectedWrite[] = [];
  private readonly unknownPins: { number: number; line: number }[] = [];
  private readonly serial: SerialPort;
  private changeCount = 0;
  private noise: number;

  constructor(
    private readonly wiring: Wiring,
    private readonly netlist: Netlist,
    private readonly board: BoardProfile,
    private readonly options: RehearsalOptions,
  ) {
    this.noise = (options.seed ?? 1) >>> 0 || 1;
    const { stimuli = [] } = options;
    this.serial = new SerialPort(
      stimuli.flatMap((stimulus) =>
        'serial' in stimulus ? [{ at: stimulus.at, text: stimulus.serial }] : [],
      ),
    );
    this.timeline = timelineOf(stimuli, options.bounceSeed);
    for (const part of wiring.parts)
      if (part.kind === 'led') this.lampChanges.set(part.ref, [{ at: 0, currentMa: 0 }]);
    this.recordLamps(0);
  }

  /** Lets everything happen that has come meanwhile, each at its own moment. */
  private catchUp(): void {
    for (
      let next = this.timeline[this.come];
      next && next.at <= this.machine.seconds;
      next = this.timeline[this.come]
    ) {
      this.come += 1;
      this.machine.changes += 1;
      this.recordLamps(next.at);
    }
  }

  pinMode(number: number, mode: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    state.output = mode === 1;
    // Making a pin an input lets go of its latch, unless the pull-up is asked for.
    if (mode !== 1) state.latch = mode === 2;
    state.duty = undefined;
    this.apply(state, line);
  }

  digitalWrite(number: number, level: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    state.latch = level !== 0;
    state.duty = undefined;
    if (
      !state.output &&
      !this.undirected.some((write) => write.pin === state.pin.name && write.line === line)
    )
      this.undirected.push({ pin: state.pin.name, level: level !== 0 ? 'high' : 'low', line });
    this.apply(state, line);
  }

  analogWrite(number: number, value: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    const { range } = this.board.pwm;
    state.output = true;
    if (value <= 0 || value >= range || !state.pin.functions.includes('pwm')) {
      state.latch = value * 2 >= range;
      state.duty = undefined;
    } else state.duty = value / range;
    this.apply(state, line);
  }

  digitalRead(number: number, line: number): number {
    const state = this.state(number, line);
    if (!state) return 0;
    const volts = this.voltsAt(state.pin);
    if (volts === null) state.lastRead = this.floatingLevel();
    else if (volts >= this.board.input.highAboveVolts) state.lastRead = 1;
    else if (volts <= this.board.input.lowBelowVolts) state.lastRead = 0;
    return state.lastRead;
  }

  analogRead(number: number, line: number): number {
    const { range, referenceVolts } = this.board.analog;
    const analog = findPin(this.board, `A${number}`);
    const state = this.state(analog && number < 16 ? analog.number : number, line);
    if (!state) return 0;
    const volts = this.voltsAt(state.pin);
    if (volts === null)
      return this.options.floatingReads === 'noise'
        ? this.random() % (range + 1)
        : this.floatingLevel() * range;
    return Math.max(0, Math.min(range, Math.floor((volts / referenceVolts) * (range + 1))));
  }

  pause(seconds: number, line: number): void {
    if (this.pauseList.length < 400) this.pauseList.push({ at: this.machine.seconds, seconds, line });
  }

  serialBegin(rate: number): void {
    if (this.serial.begin(rate)) this.machine.changes += 1;
  }

  serialPrint(text: string): void {
    this.machine.changes += 1;
    const wait = this.serial.print(text, this.machine.seconds);
    if (wait > 0) this.machine.spend(Math.round(wait * this.board.clockHz));
    if (this.serial.isFull) throw new Stop('output');
  }

  serialAvailable(): number {
    return this.serial.available(this.machine.seconds);
  }

  serialRead(): number {
    this.machine.changes += 1;
    return this.serial.read(this.machine.seconds);
  }

  nextEventCycle(): number {
    const { seconds, cycles } = this.machine;
    const next = this.timeline[this.come]?.at ?? Number.POSITIVE_INFINITY;
    if (next <= seconds) {
      // It came after the pass had looked: the next pass may find something else.
      this.catchUp();
      return cycles;
    }
    return Math.min(next, this.serial.nextTyped(seconds)) * this.board.clockHz;
  }

  trace(reason: EndReason): Trace {
    this.catchUp();
    const { machine } = this;
    const loop = machine.loops[0];
    return {
      seconds: this.options.seconds,
      pins: this.pinChanges,
      lamps: this.lampChanges,
      serial: this.serial.printed,
      pauses: this.pauseList,
      states: [...this.stateList.values()],
      undirected: this.undirected,
      serialStarted: this.serial.started,
      unknownPins: this.unknownPins,
      silentErrors: machine.silentErrors,
      steps: machine.options.steps - machine.stepsLeft,
      ended: {
        reason,
        at: machine.seconds,
        line: machine.line,
        ...(loop
          ? {
              loop: {
                ...loop,
                seconds: machine.seconds - loop.sinceCycle / machine.clockHz,
                paused: machine.pauses > loop.pausesBefore,
              },
            }
          : {}),
      },
    };
  }

  private state(number: number, line: number): PinState | undefined {
    this.catchUp();
    const pin = pinByNumber(this.board, number);
    if (!pin) {
      if (!this.unknownPins.some((known) => known.number === number)) this.unknownPins.push({ number, line });
      return undefined;
    }
    let state = this.states.get(pin.name);
    if (!state) {
      state = { pin, output: false, latch: false, duty: undefined, lastRead: 0 };
      this.states.set(pin.name, state);
    }
    return state;
  }

  private apply(state: PinState, line: number): void {
    const { name } = state.pin;
    const drive = driveOf(state);
    const before = this.drives.get(name);
    if (before && driveKey(before) === driveKey(drive)) return;
    this.drives.set(name, drive);
    this.machine.changes += 1;
    const changes = this.pinChanges.get(name) ?? [];
    changes.push({ at: this.machine.seconds, drive, line });
    this.pinChanges.set(name, changes);
    if ((this.changeCount += 1) > MOST_CHANGES) throw new Stop('changes');
    this.recordLamps(this.machine.seconds);
  }

  private recordLamps(at: number): void {
    const { point } = this.solve();
    for (const [ref, changes] of this.lampChanges) {
      const currentMa = point.parts.get(ref)?.currentMa ?? 0;
      if (Math.abs(changes.at(-1)!.currentMa - currentMa) > NO_CHANGE_MA) changes.push({ at, currentMa });
    }
  }

  private solve(): { readonly point: BenchPoint } {
    const driven = [...this.drives].map(([pin, drive]) => `${pin}${driveKey(drive)}`).join();
    const key = `${this.come} ${driven}`;
    let point = this.solved.get(key);
    if (!point) {
      point = solveBench(this.benchNow(), this.drives, this.warm);
      this.warm = point.warm;
      if (this.solved.size < 5000) this.solved.set(key, point);
      if (this.stateList.size < 64) this.stateList.set(driven, new Map(this.drives));
    }
    return { point };
  }

  /** The circuit as it is now that so much has happened to it. */
  private benchNow(): Bench {
    let bench = this.benches.get(this.come);
    if (!bench) {
      const states = this.timeline[this.come - 1]?.states;
      bench = prepareBench(this.wiring, this.netlist, states ? { states } : {});
      this.benches.set(this.come, bench);
    }
    return bench;
  }

  private voltsAt(pin: BoardPin): number | null {
    const { point } = this.solve();
    const driven = point.pins.get(pin.name);
    if (driven) return driven.volts;
    const node = nodeOfPin(this.netlist, pin.name);
    return node === undefined ? null : (point.volts[node] ?? null);
  }

  private floatingLevel(): 0 | 1 {
    if (this.options.floatingReads === 'noise') return (this.random() & 1) as 0 | 1;
    return this.options.floatingReads === 'high' ? 1 : 0;
  }

  /** Xorshift of 32 bits (Marsaglia, 2003); the seed makes it repeatable. */
  private random(): number {
    this.machine.changes += 1;
    let x = this.noise;
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    this.noise = x >>> 0;
    return this.noise;
  }
}

function driveOf(state: PinState): PinDrive {
  if (!state.output) return { mode: state.latch ? 'pullup' : 'input' };
  if (state.duty !== undefined) return { mode: 'pwm', duty: state.duty };
  return { mode: state.latch ? 'high' : 'low' };
}

const driveKey = (drive: PinDrive): string => (drive.mode === 'pwm' ? `=${drive.duty}` : `=${drive.mode}`);
