import { pinByNumber, type BoardPin, type BoardProfile } from '../boards';
import { effort } from '../effort';
import type { Machine, PortPins } from '../program/machine';
import { randomFrom } from '../random';
import type { LiveCircuit } from './live-circuit';
import type { RehearsalOptions } from './options';
import type { PinLog } from './pin-log';
import { driveOf, pinAtRest, type PinState } from './pin-state';
import type { FloatingRead } from './trace';

/** Seconds between two pulses that a servo gets. */
const SERVO_PERIOD = 0.02;

/** What the pins are part of. */
export interface PinSurroundings {
  readonly machine: () => Machine;
  /** Lets happen what has come until now: a pin is looked at and set as it is by then. */
  readonly catchUp: () => void;
  /** A pin has changed what it does to the circuit. */
  readonly changed: () => void;
  /** Whether the serial line has started, which keeps its two pins. */
  readonly isSerial: () => boolean;
}

/** The pins of a board as a program sets and reads them. */
export class Pins {
  /** The pin that sounds: there is one timer for tones. */
  tonePin: number | undefined;
  private readonly states = new Map<string, PinState>();
  private readonly servos = new Set<string>();
  private readonly noise: () => number;
  /** The socket that has the volts of the logic itself: what feeds a chip, or what a board gives of its own supply. */
  private readonly logicFeed: string | undefined;

  constructor(
    private readonly board: BoardProfile,
    private readonly circuit: LiveCircuit,
    private readonly log: PinLog,
    private readonly options: Pick<RehearsalOptions, 'seed' | 'floatingReads'>,
    private readonly around: PinSurroundings,
  ) {
    this.noise = randomFrom(options.seed ?? 1);
    this.logicFeed = board.supplies.find((socket) =>
      socket.role === 'input'
        ? socket.feedsLogic
        : socket.role === 'supply' && socket.volts === board.logicVolts,
    )?.name;
  }

  /** Forgets what the program has told them. */
  letGo(at: number): void {
    this.log.release(at);
    this.states.clear();
    this.servos.clear();
    this.tonePin = undefined;
  }

  /** `mode`: 0 an input, 1 an output, 2 pulled up, 3 pulled down. */
  setMode(number: number, mode: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    state.output = mode === 1;
    // Making a pin an input lets go of its latch, unless the pull-up is asked for.
    if (mode !== 1) state.latch = mode === 2;
    state.pulledDown = mode === 3;
    state.duty = undefined;
    this.apply(state, line);
  }

  write(number: number, level: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    state.latch = level !== 0;
    state.duty = undefined;
    if (!state.output) this.log.writeWithoutDirection(state.pin.name, level, line);
    this.apply(state, line);
  }

  /** A write that the language refuses. */
  refuse(number: number, level: number, line: number): void {
    const state = this.state(number, line);
    if (state) this.log.writeWithoutDirection(state.pin.name, level, line);
  }

  /** Makes a pin an output, as whoever talks to a module over it does; its name. */
  drive(number: number, line: number): string | undefined {
    const state = this.state(number, line);
    if (state && !state.output) {
      state.output = true;
      this.apply(state, line);
    }
    return state?.pin.name;
  }

  setPort(pins: PortPins, what: 'direction' | 'latch', bits: number, line: number): void {
    pins.forEach((number, bit) => {
      const state = number === undefined ? undefined : this.state(number, line);
      if (!state) return;
      const is = ((bits >> bit) & 1) === 1;
      if (is === (what === 'latch' ? state.latch : state.output)) return;
      // A latch that is set while the pin is an input is its pull-up, as whoever writes registers knows.
      if (what === 'latch') state.latch = is;
      else state.output = is;
      state.duty = undefined;
      this.apply(state, line);
    });
  }

  port(pins: PortPins, what: 'direction' | 'latch' | 'level', line: number): number {
    return pins.reduce<number>((bits, number, bit) => {
      const state = number === undefined ? undefined : this.state(number, line);
      if (!state) return bits;
      const is =
        what === 'level' ? this.levelInPort(state, line) : what === 'latch' ? state.latch : state.output;
      return is ? bits | (1 << bit) : bits;
    }, 0);
  }

  /** The level of a pin that is read with its neighbours: only where something is wired does anybody look at it. */
  private levelInPort(state: PinState, line: number): boolean {
    if (this.circuit.isWired(state.pin.name)) this.look(state, 'digital', line);
    else if (!state.output) return state.latch;
    return this.level(state) === 1;
  }

  dim(number: number, value: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    const { range } = this.board.pwm;
    if (value < 0 || value > range)
      this.around.machine().fault({ kind: 'range', line, index: value, length: range });
    state.output = true;
    // The register of an 8-bit board keeps the lowest eight bits; the others cut the number off at the ends.
    const duty = this.board.language.intBits === 16 ? value & range : Math.max(0, Math.min(range, value));
    const isSteady = duty <= 0 || duty >= range;
    if (!isSteady && !this.hasPwm(state.pin)) this.log.beyondIt(state.pin, 'dim', line);
    if (isSteady || !this.hasPwm(state.pin)) {
      state.latch = duty * 2 >= range;
      state.duty = undefined;
    } else state.duty = duty / range;
    state.hertz = undefined;
    this.apply(state, line);
  }

  /** Lets a pin pulse, `share` of each period high. */
  pulse(number: number, share: number, hertz: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    const isSteady = share <= 0 || share >= 1;
    Object.assign(state, {
      output: true,
      latch: share >= 1,
      duty: isSteady ? undefined : share,
      hertz: isSteady ? undefined : hertz,
    });
    this.apply(state, line);
  }

  /** Whether a pin has PWM now: a servo or a tone takes the timer of some. */
  private hasPwm({ name, functions }: BoardPin): boolean {
    const { servo, tone } = this.board.timers;
    const taken =
      (this.servos.size > 0 && servo.includes(name)) || (this.tonePin !== undefined && tone.includes(name));
    return functions.includes('pwm') && !taken;
  }

  /** Whether the tone has begun: a pin that sounds keeps the timer. */
  sound(number: number, hertz: number, line: number): boolean {
    if (this.tonePin !== undefined && this.tonePin !== number) return false;
    const state = this.state(number, line);
    if (!state || hertz <= 0) return false;
    this.tonePin = number;
    Object.assign(state, { output: true, latch: false, duty: 0.5, hertz });
    this.apply(state, line);
    return true;
  }

  silence(number: number, line: number): void {
    const state = this.state(number, line);
    if (this.tonePin === number) this.tonePin = undefined;
    if (!state || state.hertz === undefined) return;
    Object.assign(state, { latch: false, duty: undefined, hertz: undefined });
    this.apply(state, line);
  }

  /** Gives a servo its pulses; none where `microseconds` is not told. */
  servo(number: number, microseconds: number | undefined, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    const { name } = state.pin;
    const duty = microseconds === undefined ? undefined : microseconds / 1e6 / SERVO_PERIOD;
    // A program that writes an angle at every pass sends the pulses that are there already.
    if (duty !== undefined && this.servos.has(name) && state.output && state.duty === duty) return;
    if (microseconds === undefined) this.servos.delete(name);
    else this.servos.add(name);
    Object.assign(
      state,
      duty === undefined
        ? { latch: false, duty: undefined, hertz: undefined }
        : { output: true, duty, hertz: 1 / SERVO_PERIOD },
    );
    this.apply(state, line);
  }

  read(number: number, line: number): 0 | 1 {
    const state = this.state(number, line);
    if (!state) return 0;
    this.look(state, 'digital', line);
    return this.level(state);
  }

  /** What looks at a pin again and again and counts as one look; `undefined` where there is no such pin. */
  levelsOf(number: number, line: number): (() => 0 | 1) | undefined {
    const state = this.state(number, line);
    if (!state) return undefined;
    this.log.look(state.pin.name, 'digital', line, false, this.around.machine());
    return () => this.level(state);
  }

  /** The level of a pin, whether or not the program has told it anything. */
  levelOf(name: string): 0 | 1 {
    const state = this.states.get(name);
    if (state) return this.level(state);
    const from = this.board.input.highAboveVolts * this.supplyShare();
    return (this.circuit.voltsOfPin(name) ?? 0) >= from ? 1 : 0;
  }

  private level(state: PinState): 0 | 1 {
    const volts = this.circuit.voltsOfPin(state.pin.name);
    if (volts === null) state.lastRead = this.floatingLevel();
    else if (volts >= this.board.input.highAboveVolts * this.supplyShare()) state.lastRead = 1;
    else if (volts <= this.board.input.lowBelowVolts * this.supplyShare()) state.lastRead = 0;
    return state.lastRead;
  }

  measure(number: number, line: number): number {
    const { range, referenceVolts } = this.board.analog;
    const state = this.state(number, line);
    if (!state) return 0;
    this.look(state, 'analog', line);
    // The converter has no way to this pin and measures what happens to lie on it.
    if (!state.pin.functions.includes('analog')) {
      this.log.beyondIt(state.pin, 'measure', line);
      return this.noiseUpTo(range);
    }
    const volts = this.circuit.voltsOfPin(state.pin.name);
    if (volts === null) return this.noiseUpTo(range);
    return Math.max(
      0,
      Math.min(range, Math.floor((volts / (referenceVolts * this.supplyShare())) * (range + 1))),
    );
  }

  /** A number of 32 bits by chance. */
  chance(): number {
    this.around.machine().changes += 1;
    return Math.floor(this.noise() * 2 ** 32);
  }

  /** What a measurement of nothing gives. */
  private noiseUpTo(range: number): number {
    return this.options.floatingReads === 'noise'
      ? this.chance() % (range + 1)
      : this.floatingLevel() * range;
  }

  private floatingLevel(): 0 | 1 {
    if (this.options.floatingReads === 'noise') return (this.chance() & 1) as 0 | 1;
    return this.options.floatingReads === 'high' ? 1 : 0;
  }

  /**
   * Volts of the logic as a share of what the board's profile says, with which goes what it takes for high and low, or
   * measures against: a chip without a regulator works at whatever it is fed with, and what sags under its load sags
   * for the converter too.
   */
  private supplyShare(): number {
    const volts = this.logicFeed === undefined ? 0 : (this.circuit.voltsOfPin(this.logicFeed) ?? 0);
    return volts > 0 ? volts / this.board.logicVolts : this.circuit.supplyFactor;
  }

  private look({ pin: { name } }: PinState, how: FloatingRead['how'], line: number): void {
    const machine = this.around.machine();
    machine.inputs += 1;
    this.log.look(name, how, line, this.circuit.voltsOfPin(name) === null, machine);
  }

  private state(number: number, line: number): PinState | undefined {
    this.around.catchUp();
    effort(900);
    const pin = pinByNumber(this.board, number);
    if (!pin) {
      this.log.unknownNumber(number, line);
      return undefined;
    }
    let state = this.states.get(pin.name);
    if (!state) {
      state = pinAtRest(pin);
      this.states.set(pin.name, state);
    }
    return state;
  }

  private apply(state: PinState, line: number): void {
    const { name } = state.pin;
    const isSerial = this.around.isSerial() && state.pin.serialEnd !== undefined;
    const drive = driveOf(state, isSerial);
    const isNew = this.circuit.drive(name, drive);
    // What a program writes to the pins of its serial line changes nothing, and is still what it means to use.
    if (!isNew && !(isSerial && !this.log.changes.has(name))) return;
    const machine = this.around.machine();
    machine.changes += 1;
    this.log.change(name, machine.seconds, drive, line);
    this.around.changed();
  }
}
