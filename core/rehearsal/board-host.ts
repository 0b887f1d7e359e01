import { findPin, pinByNumber, type BoardProfile } from '../boards';
import type { Ref } from '../brand';
import { effort } from '../effort';
import type { PartState } from '../parts';
import type { InterruptMode, LedPanel, Machine, PortPins, ProgramHost, TextScreen } from '../program/machine';
import type { BoardChange } from '../stimuli';
import { Restart, Stop, type EndReason } from '../program/stop';
import { Agenda } from './agenda';
import { Interrupts } from './interrupts';
import type { SolvedCircuit } from './solved-circuit';
import { LiveCircuit } from './live-circuit';
import { Modules, SILENT_PANEL, SILENT_SCREEN } from './modules';
import { PinLog } from './pin-log';
import { driveOf, pinAtRest } from './pin-state';
import { Pins } from './pins';
import type { RehearsalOptions } from './options';
import { endOf } from './run-end';
import { SerialPort } from './serial';
import { boardTimelineOf, timelineOf, type TimedChange } from './timeline';
import type { Trace } from './trace';
import { Watch } from './watch';

/** A letter of a text that has begun to come: no text of its own. */
const LETTER = '';
/** Key under which the pin-change interrupt is attached; the others have their numbers. */
const PIN_CHANGE = 'pins';

type Event =
  | { readonly kind: 'part'; readonly ref: Ref; readonly state: Partial<PartState> }
  | BoardChange
  | { readonly kind: 'tone-end'; readonly pin: number };

/** The board on its circuit, as the program that runs on it finds it; writes down everything that happens. */
export class BoardHost implements ProgramHost {
  machine!: Machine;
  private readonly log: PinLog;
  private readonly pins: Pins;
  private readonly circuit: LiveCircuit;
  private readonly watch: Watch;
  private readonly modules: Modules;
  private readonly interrupts = new Interrupts();
  private readonly agenda = new Agenda<Event>();
  private readonly pauseList: { at: number; seconds: number; line: number }[] = [];
  private readonly interruptPins = new Map<string, number>();
  private readonly deadInterrupts: { number: number; line: number }[] = [];
  private readonly serial: SerialPort;
  private readonly onBoard: readonly TimedChange[];
  private serialLine: number | undefined;
  private isOver = false;

  constructor(
    circuit: SolvedCircuit,
    private readonly board: BoardProfile,
    private readonly options: RehearsalOptions,
  ) {
    const { stimuli = [] } = options;
    this.log = new PinLog(options.changes);
    this.onBoard = boardTimelineOf(stimuli);
    this.serial = new SerialPort(
      this.onBoard.flatMap(({ at, change }) => (change.kind === 'typed' ? [{ at, text: change.text }] : [])),
    );
    for (const { at, ref, state } of timelineOf(stimuli, options.bounceSeed))
      this.agenda.add(at, { kind: 'part', ref, state });
    for (const { at, change } of this.onBoard) this.agenda.add(at, change);
    this.circuit = new LiveCircuit(circuit, board);
    this.circuit.settle();
    this.pins = new Pins(board, this.circuit, this.log, options, {
      machine: () => this.machine,
      catchUp: () => this.catchUp(),
      changed: () => this.pinChanged(),
      isSerial: () => this.serial.started,
    });
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
        this.awaitLetter(at);
        return;
      case 'tone-end':
        if (this.pins.tonePin === event.pin) this.noTone(event.pin, 0);
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

  /** The next letter of what is typed is something that comes, too. */
  private awaitLetter(after: number): void {
    const next = this.serial.nextAfter(after);
    // One is waited for at a time, whoever asks.
    this.agenda.drop((event) => event.kind === 'typed' && event.text === LETTER);
    if (next !== undefined) this.agenda.add(next, { kind: 'typed', text: LETTER });
  }

  /** Lets go of all pins, as a board does that starts, stops or loses its power. */
  letGo(at: number, power: 'on' | 'off'): void {
    this.pins.letGo(at);
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
    if (this.interrupts.isUsed) this.interrupts.look((pin) => this.pins.levelOf(pin));
  }

  private pinChanged(): void {
    const before = this.agenda.nextAt;
    this.changed(this.machine.seconds);
    if (this.agenda.nextAt !== before) this.setAlarm();
    this.serve();
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
    this.pins.setMode(number, mode, line);
  }

  digitalWrite(number: number, level: number, line: number): void {
    this.pins.write(number, level, line);
  }

  refusedWrite(number: number, level: number, line: number): void {
    this.pins.refuse(number, level, line);
  }

  setPort(pins: PortPins, what: 'direction' | 'latch', bits: number, line: number): void {
    this.pins.setPort(pins, what, bits, line);
  }

  port(pins: PortPins, what: 'direction' | 'latch' | 'level', line: number): number {
    return this.pins.port(pins, what, line);
  }

  analogWrite(number: number, value: number, line: number): void {
    this.pins.dim(number, value, line);
  }

  pwm(number: number, share: number, hertz: number, line: number): void {
    this.pins.pulse(number, share, hertz, line);
  }

  chance(): number {
    return this.pins.chance();
  }

  digitalRead(number: number, line: number): number {
    return this.pins.read(number, line);
  }

  analogRead(number: number, line: number): number {
    return this.pins.measure(number, line);
  }

  analogChannel(number: number): number {
    return number < 16 ? (findPin(this.board, `A${number}`)?.number ?? number) : number;
  }

  pulseIn(number: number, of: number, timeout: number, line: number): number {
    const level = this.pins.levelsOf(number, line);
    if (!level) return 0;
    const { machine } = this;
    const until = machine.seconds + timeout / 1e6;
    const wanted = of !== 0 ? 1 : 0;
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
    if (!waitFor(() => level() !== wanted) || !waitFor(() => level() === wanted)) return 0;
    const begin = machine.seconds;
    return waitFor(() => level() !== wanted) ? Math.round((machine.seconds - begin) * 1e6) : 0;
  }

  tone(number: number, hertz: number, seconds: number | undefined, line: number): void {
    if (!this.pins.sound(number, hertz, line)) return;
    this.agenda.drop(({ kind }) => kind === 'tone-end');
    if (seconds !== undefined && seconds > 0) {
      this.agenda.add(this.machine.seconds + seconds, { kind: 'tone-end', pin: number });
      this.setAlarm();
    }
  }

  noTone(number: number, line: number): void {
    this.pins.silence(number, line);
  }

  servoPulse(number: number, microseconds: number | undefined, line: number): void {
    this.pins.servo(number, microseconds, line);
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
      this.pins.levelOf(name),
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
        this.pins.levelOf(name),
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
    const [data, clock, select] = [pins.data, pins.clock, pins.select].map((number) =>
      this.pins.drive(number, line),
    );
    if (data === undefined || clock === undefined || select === undefined) return SILENT_PANEL;
    return this.modules.panel({ data, clock, select }, index) ?? SILENT_PANEL;
  }

  pause(seconds: number, line: number): void {
    if (this.pauseList.length < 400) this.pauseList.push({ at: this.machine.seconds, seconds, line });
  }

  serialBegin(rate: number, line: number): void {
    this.serialLine ??= line;
    if (this.serial.begin(rate)) {
      this.machine.changes += 1;
      // What is on its way already comes letter by letter from now on.
      this.awaitLetter(this.machine.seconds);
      this.setAlarm();
    }
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
    const code = this.serial.read(this.machine.seconds, way);
    // Where nothing has come, nothing is taken.
    if (way === 'take' && code >= 0) this.machine.changes += 1;
    return code;
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
      pins: this.log.changes,
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
      undirected: this.log.undirected,
      reads: this.log.looks.reads,
      floatingReads: this.log.looks.floating,
      interruptPins: this.interruptPins,
      deadInterrupts: this.deadInterrupts,
      beyondPins: this.log.beyond,
      stuckInInterrupt: machine.stuckInInterrupt,
      failure: machine.failure,
      serialStarted: this.serial.started,
      serialRate: this.serial.rate,
      serialLine: this.serialLine,
      unknownPins: this.log.unknown,
      silentErrors: machine.silentErrors,
      solutions: this.circuit.solutions,
      steps: machine.steps,
      ended,
    };
  }
}
