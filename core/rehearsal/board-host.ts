import { findPin, pinByNumber, type BoardPin, type BoardProfile } from '../boards';
import type { Ref } from '../brand';
import { effort } from '../effort';
import type { PartState } from '../parts';
import type { InterruptMode, LedPanel, Machine, PortPins, ProgramHost, TextScreen } from '../program/machine';
import { randomFrom } from '../random';
import type { BoardChange } from '../stimuli';
import { Restart, Stop, type EndReason } from '../program/stop';
import { Agenda } from './agenda';
import { Interrupts } from './interrupts';
import type { SolvedCircuit } from './solved-circuit';
import { LiveCircuit } from './live-circuit';
import { LookLog } from './look-log';
import { Modules, SILENT_PANEL, SILENT_SCREEN } from './modules';
import { driveOf, pinAtRest, type PinState } from './pin-state';
import type { RehearsalOptions } from './options';
import { SerialPort } from './serial';
import { boardTimelineOf, timelineOf, type TimedChange } from './timeline';
import type { BeyondPin, FloatingRead, PinChange, Trace, UndirectedWrite } from './trace';
import { Watch } from './watch';

const MOST_CHANGES = 20_000;
/** Seconds between two pulses that a servo gets. */
const SERVO_PERIOD = 0.02;
/** Key under which the pin-change interrupt is attached; the others have their numbers. */
const PIN_CHANGE = 'pins';

type Event =
  | { readonly kind: 'part'; readonly ref: Ref; readonly state: Partial<PartState> }
  | BoardChange
  | { readonly kind: 'tone-end'; readonly pin: number };

/** The board on its circuit, as the program that runs on it finds it; writes down everything that happens. */
export class BoardHost implements ProgramHost {
  machine!: Machine;
  private readonly states = new Map<string, PinState>();
  private readonly circuit: LiveCircuit;
  private readonly watch: Watch;
  private readonly modules: Modules;
  private readonly interrupts = new Interrupts();
  private readonly agenda = new Agenda<Event>();
  private readonly pinChanges = new Map<string, PinChange[]>();
  private readonly pauseList: { at: number; seconds: number; line: number }[] = [];
  private readonly undirected: UndirectedWrite[] = [];
  private readonly unknownPins: { number: number; line: number }[] = [];
  private readonly looks = new LookLog();
  private readonly interruptPins = new Map<string, number>();
  private readonly deadInterrupts: { number: number; line: number }[] = [];
  private readonly beyondPins: BeyondPin[] = [];
  private readonly serial: SerialPort;
  private readonly onBoard: readonly TimedChange[];
  private readonly servos = new Set<string>();
  private tonePin: number | undefined;
  private serialLine: number | undefined;
  private changeCount = 0;
  private readonly noise: () => number;
  /** The socket by which the logic itself is fed, on a chip without a regulator. */
  private readonly logicFeed: string | undefined;
  private isOver = false;

  constructor(
    circuit: SolvedCircuit,
    private readonly board: BoardProfile,
    private readonly options: RehearsalOptions,
  ) {
    this.noise = randomFrom(options.seed ?? 1);
    this.logicFeed = board.supplies.find((socket) => socket.role === 'input' && socket.feedsLogic)?.name;
    const { stimuli = [] } = options;
    this.onBoard = boardTimelineOf(stimuli);
    this.serial = new SerialPort(
      this.onBoard.flatMap(({ at, change }) => (change.kind === 'typed' ? [{ at, text: change.text }] : [])),
    );
    for (const { at, ref, state } of timelineOf(stimuli, options.bounceSeed))
      this.agenda.add(at, { kind: 'part', ref, state });
    for (const { at, change } of this.onBoard) this.agenda.add(at, change);
    this.circuit = new LiveCircuit(circuit, board);
    this.circuit.settle();
    this.watch = new Watch(this.circuit);
    this.modules = new Modules(this.circuit, board, () => this.machine.seconds);
  }

  /** Takes the machine that the program runs on. */
  attach(machine: Machine): void {
    this.machine = machine;
    this.setAlarm();
  }

  wake(): void {
    this.catchUp();
    this.setAlarm();
    this.serve();
  }

  private setAlarm(): void {
    const at = Math.ceil(this.agenda.nextAt * this.board.clockHz);
    this.machine.wakeCycle = Math.max(at, this.machine.cycles + 1);
  }

  /** Lets everything happen that has come meanwhile, each at its own moment. */
  private catchUp(): void {
    for (
      let next = this.agenda.take(this.machine.seconds);
      next;
      next = this.agenda.take(this.machine.seconds)
    ) {
      this.machine.changes += 1;
      this.happen(next.event, next.at);
    }
  }

  private happen(event: Event, at: number): void {
    switch (event.kind) {
      case 'part':
        this.circuit.change(event.ref, event.state);
        this.changed(at);
        return;
      // The port knows what was typed by the time.
      case 'typed':
        return;
      case 'tone-end':
        if (this.tonePin === event.pin) this.noTone(event.pin, 0);
        return;
      case 'reset':
      case 'power': {
        if (this.isOver) return;
        const to = event.kind === 'power' ? event.to : 'on';
        this.letGo(at, to);
        throw new Restart(to === 'on' ? at : Number.POSITIVE_INFINITY);
      }
    }
  }

  /** Lets go of all pins, as a board does that starts, stops or loses its power. */
  letGo(at: number, power: 'on' | 'off'): void {
    for (const changes of this.pinChanges.values())
      if (changes.at(-1)!.drive.mode !== 'input') changes.push({ at, drive: { mode: 'input' }, line: 0 });
    this.states.clear();
    this.servos.clear();
    this.tonePin = undefined;
    this.interrupts.clear();
    this.agenda.drop(({ kind }) => kind === 'tone-end');
    this.circuit.release(power);
    this.changed(at);
  }

  /** Until when a board without power stays so: the next time that its supply is switched on. */
  powerReturns(): number {
    const on = this.onBoard.filter(
      ({ at, change }) => change.kind === 'power' && change.to === 'on' && at > this.machine.seconds,
    );
    return Math.min(Number.POSITIVE_INFINITY, ...on.map(({ at }) => at));
  }

  /** After the circuit has changed: what that sets off, and what is seen of it. */
  private changed(at: number): void {
    for (const { ref, afterSeconds, state } of this.circuit.settle())
      this.agenda.add(at + afterSeconds, { kind: 'part', ref, state });
    this.watch.record(at);
    effort(this.interrupts.isUsed ? 8000 : 2000);
    if (this.interrupts.isUsed) this.interrupts.look((pin) => this.levelOf(pin));
  }

  /** Runs the interrupt routines whose turn it is. */
  private serve(): void {
    const { machine, interrupts } = this;
    while (interrupts.allowed === 'now' && !machine.inInterrupt) {
      const routine = interrupts.take();
      if (routine === undefined) return;
      machine.interrupt(routine);
    }
  }

  pinMode(number: number, mode: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    state.output = mode === 1;
    // Making a pin an input lets go of its latch, unless the pull-up is asked for.
    if (mode !== 1) state.latch = mode === 2;
    state.pulledDown = mode === 3;
    state.duty = undefined;
    this.apply(state, line);
  }

  digitalWrite(number: number, level: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    state.latch = level !== 0;
    state.duty = undefined;
    if (!state.output) this.noteUndirected(state, level, line);
    this.apply(state, line);
  }

  refusedWrite(number: number, level: number, line: number): void {
    const state = this.state(number, line);
    if (state) this.noteUndirected(state, level, line);
  }

  private noteUndirected({ pin: { name } }: PinState, level: number, line: number): void {
    if (!this.undirected.some((write) => write.pin === name && write.line === line))
      this.undirected.push({ pin: name, level: level !== 0 ? 'high' : 'low', line });
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
    if (this.circuit.isWired(state.pin.name)) this.noteRead(state.pin.name, 'digital', line);
    else if (!state.output) return state.latch;
    return this.level(state) === 1;
  }

  analogWrite(number: number, value: number, line: number): void {
    const state = this.state(number, line);
    if (!state) return;
    const { range } = this.board.pwm;
    if (value < 0 || value > range) this.machine.fault({ kind: 'range', line, index: value, length: range });
    state.output = true;
    // The register of an 8-bit board keeps the lowest eight bits; the others cut the number off at the ends.
    const duty = this.board.language.intBits === 16 ? value & range : Math.max(0, Math.min(range, value));
    const isSteady = duty <= 0 || duty >= range;
    if (!isSteady && !this.hasPwm(state.pin)) this.noteBeyond(state.pin, 'dim', line);
    if (isSteady || !this.hasPwm(state.pin)) {
      state.latch = duty * 2 >= range;
      state.duty = undefined;
    } else state.duty = duty / range;
    state.hertz = undefined;
    this.apply(state, line);
  }

  pwm(number: number, share: number, hertz: number, line: number): void {
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

  chance(): number {
    this.machine.changes += 1;
    return Math.floor(this.noise() * 2 ** 32);
  }

  /** Whether a pin has PWM now: a servo or a tone takes the timer of some. */
  private hasPwm({ name, functions }: BoardPin): boolean {
    const { servo, tone } = this.board.timers;
    const taken =
      (this.servos.size > 0 && servo.includes(name)) || (this.tonePin !== undefined && tone.includes(name));
    return functions.includes('pwm') && !taken;
  }

  digitalRead(number: number, line: number): number {
    const state = this.state(number, line);
    if (!state) return 0;
    this.noteRead(state.pin.name, 'digital', line);
    return this.level(state);
  }

  private level(state: PinState): 0 | 1 {
    const volts = this.circuit.voltsOfPin(state.pin.name);
    if (volts === null) state.lastRead = this.floatingLevel();
    else if (volts >= this.board.input.highAboveVolts * this.supplyShare()) state.lastRead = 1;
    else if (volts <= this.board.input.lowBelowVolts * this.supplyShare()) state.lastRead = 0;
    return state.lastRead;
  }

  private levelOf(name: string): 0 | 1 {
    const state = this.states.get(name);
    if (state) return this.level(state);
    const from = this.board.input.highAboveVolts * this.supplyShare();
    return (this.circuit.voltsOfPin(name) ?? 0) >= from ? 1 : 0;
  }

  /**
   * Volts of the logic as a share of what the board's profile says, with which goes what it takes for high and low, or
   * measures against: a chip without a regulator works at whatever it is fed with.
   */
  private supplyShare(): number {
    if (this.logicFeed === undefined) return this.circuit.supplyFactor;
    const volts = this.circuit.voltsOfPin(this.logicFeed) ?? 0;
    return volts > 0 ? volts / this.board.logicVolts : 1;
  }

  analogChannel(number: number): number {
    return number < 16 ? (findPin(this.board, `A${number}`)?.number ?? number) : number;
  }

  analogRead(number: number, line: number): number {
    const { range, referenceVolts } = this.board.analog;
    const state = this.state(number, line);
    if (!state) return 0;
    this.noteRead(state.pin.name, 'analog', line);
    // The converter has no way to this pin and measures what happens to lie on it.
    if (!state.pin.functions.includes('analog')) {
      this.noteBeyond(state.pin, 'measure', line);
      return this.noiseUpTo(range);
    }
    const volts = this.circuit.voltsOfPin(state.pin.name);
    if (volts === null) return this.noiseUpTo(range);
    return Math.max(
      0,
      Math.min(range, Math.floor((volts / (referenceVolts * this.supplyShare())) * (range + 1))),
    );
  }

  /** What a measurement of nothing gives. */
  private noiseUpTo(range: number): number {
    return this.options.floatingReads === 'noise'
      ? this.chance() % (range + 1)
      : this.floatingLevel() * range;
  }

  private noteBeyond({ name, functions }: BoardPin, what: BeyondPin['what'], line: number): void {
    const isTaken = what === 'dim' && functions.includes('pwm');
    if (!this.beyondPins.some((one) => one.pin === name && one.line === line))
      this.beyondPins.push({ pin: name, what, line, isTaken });
  }

  private noteRead(pin: string, how: FloatingRead['how'], line: number): void {
    this.machine.inputs += 1;
    this.looks.note(pin, how, line, this.machine);
    if (this.circuit.voltsOfPin(pin) === null) this.looks.noteFloating({ pin, how, line });
  }

  pulseIn(number: number, level: number, timeout: number, line: number): number {
    const state = this.state(number, line);
    if (!state) return 0;
    const { machine } = this;
    const until = machine.seconds + timeout / 1e6;
    const wanted = level !== 0 ? 1 : 0;
    /** Lets time pass until the pin has a level; whether that happened before the time was over. */
    const waitFor = (reached: () => boolean): boolean => {
      while (!reached()) {
        const next = Math.min(this.agenda.nextAt, until);
        machine.wait(Math.max(0, next - machine.seconds) + 1 / machine.clockHz);
        this.catchUp();
        if (machine.seconds >= until) return reached();
      }
      return true;
    };
    // A pulse that runs already is not the one to be measured.
    if (!waitFor(() => this.level(state) !== wanted) || !waitFor(() => this.level(state) === wanted))
      return 0;
    const begin = machine.seconds;
    return waitFor(() => this.level(state) !== wanted) ? Math.round((machine.seconds - begin) * 1e6) : 0;
  }

  tone(number: number, hertz: number, seconds: number | undefined, line: number): void {
    // There is one timer for tones: a pin that sounds keeps it.
    if (this.tonePin !== undefined && this.tonePin !== number) return;
    const state = this.state(number, line);
    if (!state || hertz <= 0) return;
    this.tonePin = number;
    Object.assign(state, { output: true, latch: false, duty: 0.5, hertz });
    this.apply(state, line);
    this.agenda.drop(({ kind }) => kind === 'tone-end');
    if (seconds !== undefined && seconds > 0) {
      this.agenda.add(this.machine.seconds + seconds, { kind: 'tone-end', pin: number });
      this.setAlarm();
    }
  }

  noTone(number: number, line: number): void {
    const state = this.state(number, line);
    if (this.tonePin === number) this.tonePin = undefined;
    if (!state || state.hertz === undefined) return;
    Object.assign(state, { latch: false, duty: undefined, hertz: undefined });
    this.apply(state, line);
  }

  servoPulse(number: number, microseconds: number | undefined, line: number): void {
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

  interruptOf(number: number): number {
    return pinByNumber(this.board, number)?.interrupt ?? -1;
  }

  attachInterrupt(interrupt: number, routine: number, mode: InterruptMode, line: number): void {
    const pin = this.board.pins.find((candidate) => candidate.interrupt === interrupt);
    if (!pin) {
      this.deadInterrupts.push({ number: interrupt, line });
      return;
    }
    this.noteInterrupt(pin.name, line);
    this.interrupts.attach(String(interrupt), { pins: [pin.name], routine, mode }, (name) =>
      this.levelOf(name),
    );
  }

  detachInterrupt(interrupt: number): void {
    this.interrupts.detach(String(interrupt));
  }

  allowInterrupts(state: 'now' | 'later'): void {
    this.interrupts.allowed = state;
    this.followPinChanges();
    this.serve();
  }

  /** Attaches the chip's pin-change routine to the pins that its registers name now. */
  followPinChanges(): void {
    const { pinChange } = this.machine;
    if (!pinChange) return;
    const mask = pinChange.mask();
    const pins = this.board.pins
      .filter(
        ({ number, functions }) => functions.includes('pin-change') && (((mask ?? 0) >> number) & 1) === 1,
      )
      .map(({ name }) => name);
    for (const name of mask === undefined ? [] : pins) this.noteInterrupt(name, this.machine.line);
    if (mask !== undefined)
      this.interrupts.attach(PIN_CHANGE, { pins, routine: pinChange.routine, mode: 'change' }, (name) =>
        this.levelOf(name),
      );
    else this.interrupts.detach(PIN_CHANGE);
  }

  private noteInterrupt(pin: string, line: number): void {
    if (!this.interruptPins.has(pin)) this.interruptPins.set(pin, line);
  }

  screen(address: number): TextScreen {
    return this.modules.screen(address) ?? SILENT_SCREEN;
  }

  panel(
    pins: { readonly data: number; readonly clock: number; readonly select: number },
    index: number,
    line: number,
  ): LedPanel {
    const [data, clock, select] = [pins.data, pins.clock, pins.select].map((number) => {
      const state = this.state(number, line);
      if (state && !state.output) {
        state.output = true;
        this.apply(state, line);
      }
      return state?.pin.name;
    });
    if (data === undefined || clock === undefined || select === undefined) return SILENT_PANEL;
    return this.modules.panel({ data, clock, select }, index) ?? SILENT_PANEL;
  }

  pause(seconds: number, line: number): void {
    if (this.pauseList.length < 400) this.pauseList.push({ at: this.machine.seconds, seconds, line });
  }

  serialBegin(rate: number, line: number): void {
    this.serialLine ??= line;
    if (this.serial.begin(rate)) this.machine.changes += 1;
    this.giveToSerial();
  }

  /** The line takes its two pins; what is wired there sees it, and the program has not done it. */
  private giveToSerial(): void {
    const taken = this.board.pins.filter(({ name, serialEnd }) => serialEnd && this.circuit.isWired(name));
    const changed = taken.map((pin) => this.circuit.drive(pin.name, driveOf(pinAtRest(pin), true)));
    if (changed.includes(true)) this.changed(this.machine.seconds);
  }

  serialPrint(text: string): void {
    this.machine.changes += 1;
    const wait = this.serial.print(text, this.machine.seconds);
    if (wait > 0) this.machine.wait(wait);
    if (this.serial.isFull) throw Stop.for('output');
  }

  serialAvailable(): number {
    this.machine.inputs += 1;
    return this.serial.available(this.machine.seconds);
  }

  serialRead(way: 'take' | 'peek'): number {
    this.machine.inputs += 1;
    if (way === 'take') this.machine.changes += 1;
    return this.serial.read(this.machine.seconds, way);
  }

  nextEventCycle(): number {
    const { seconds, cycles } = this.machine;
    if (this.agenda.nextAt <= seconds) {
      // It came after the pass had looked: the next pass may find something else.
      this.wake();
      return cycles;
    }
    return this.agenda.nextAt * this.board.clockHz;
  }

  trace(reason: EndReason): Trace {
    this.isOver = true;
    const { machine } = this;
    const ended = endOf(machine, reason);
    // What went on after the program had ended is watched to the end.
    if (reason === 'finished') {
      this.letGo(machine.seconds, 'on');
      machine.cycles = machine.endCycle;
    }
    this.catchUp();
    return {
      seconds: this.options.seconds,
      pins: this.pinChanges,
      leds: this.watch.leds,
      ownLights: this.watch.ownLights,
      sounds: this.watch.sounds,
      angles: this.watch.angles,
      turns: this.watch.turns,
      pulls: this.watch.pulls,
      pictures: this.modules.pictures,
      texts: this.modules.texts,
      serial: this.serial.printed,
      pauses: this.pauseList,
      states: [...this.circuit.occurred.values()],
      undirected: this.undirected,
      reads: this.looks.reads,
      floatingReads: this.looks.floating,
      interruptPins: this.interruptPins,
      deadInterrupts: this.deadInterrupts,
      beyondPins: this.beyondPins,
      stuckInInterrupt: machine.stuckInInterrupt,
      failure: machine.failure,
      serialStarted: this.serial.started,
      serialRate: this.serial.rate,
      serialLine: this.serialLine,
      unknownPins: this.unknownPins,
      silentErrors: machine.silentErrors,
      solutions: this.circuit.solutions,
      steps: machine.steps,
      ended,
    };
  }

  private state(number: number, line: number): PinState | undefined {
    this.catchUp();
    effort(900);
    const pin = pinByNumber(this.board, number);
    if (!pin) {
      if (!this.unknownPins.some((known) => known.number === number)) this.unknownPins.push({ number, line });
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
    const isSerial = this.serial.started && state.pin.serialEnd !== undefined;
    const drive = driveOf(state, isSerial);
    const isNew = this.circuit.drive(name, drive);
    // What a program writes to the pins of its serial line changes nothing, and is still what it means to use.
    if (!isNew && !(isSerial && !this.pinChanges.has(name))) return;
    this.machine.changes += 1;
    const changes = this.pinChanges.get(name) ?? [];
    changes.push({ at: this.machine.seconds, drive, line });
    this.pinChanges.set(name, changes);
    if ((this.changeCount += 1) > MOST_CHANGES) throw Stop.for('changes');
    const before = this.agenda.nextAt;
    this.changed(this.machine.seconds);
    if (this.agenda.nextAt !== before) this.setAlarm();
    this.serve();
  }

  private floatingLevel(): 0 | 1 {
    if (this.options.floatingReads === 'noise') return (this.chance() & 1) as 0 | 1;
    return this.options.floatingReads === 'high' ? 1 : 0;
  }
}

/** How a run ended, with the loop that was running then. */
function endOf(machine: Machine, reason: EndReason): Trace['ended'] {
  const loop = machine.loops[0];
  return {
    reason,
    at: machine.seconds,
    line: machine.line,
    ...(loop
      ? {
          loop: {
            ...loop,
            seconds: machine.seconds - loop.sinceCycle / machine.clockHz,
            paused: machine.pauses > loop.pausesBefore,
            looks: machine.inputs > loop.inputsBefore,
          },
        }
      : {}),
  };
}
