import { INTERRUPT_CYCLES } from './costs';
import { Stop } from './stop';
import type { WatchedName, Watcher } from './watching';

/** Which change of a level makes an interrupt routine run. */
export type InterruptMode = 'change' | 'rising' | 'falling';

/** A text display as a program sees it: letters go where its cursor stands. */
export interface TextScreen {
  /** Makes it ready, and empty; before that it takes everything and shows nothing. */
  start(): void;
  write(text: string): void;
  /** `row` and `column` from 0. */
  setCursor(column: number, row: number): void;
  clear(): void;
  light(state: 'on' | 'off'): void;
}

/** One LED panel as a program sees it. A row is a byte, its highest bit the LED on the left. */
export interface LedPanel {
  /** Switches the panel on, which is off when its power comes. */
  wake(state: 'on' | 'off'): void;
  /** 0 to 15. */
  setBrightness(step: number): void;
  rows(): readonly number[];
  setRow(row: number, bits: number): void;
}

/** Numbers of the pins that are the bits of a register, the lowest first; `undefined` where a bit is none. */
export type PortPins = readonly (number | undefined)[];

/** What a program does to its board, and what the board tells it. Pins by number, times by the machine. */
export interface ProgramHost {
  pinMode(pin: number, mode: number, line: number): void;
  digitalWrite(pin: number, level: number, line: number): void;
  digitalRead(pin: number, line: number): number;
  analogWrite(pin: number, duty: number, line: number): void;
  /** Puts the bits of a byte on pins, the lowest first: their directions, or the levels of their latches. */
  setPort(pins: PortPins, what: 'direction' | 'latch', bits: number, line: number): void;
  /** What the bits of a register are: directions, latches, or the levels at the pins themselves. */
  port(pins: PortPins, what: 'direction' | 'latch' | 'level', line: number): number;
  /** PWM with a share from 0 to 1 of its period, and so many periods a second. */
  pwm(pin: number, share: number, hertz: number, line: number): void;
  /** A whole number of 32 bits that nobody can tell beforehand; the run's seed decides it. */
  chance(): number;
  analogRead(pin: number, line: number): number;
  /** The pin that a program means by a number in analog reading, where 0 may be the first analog pin. */
  analogChannel(number: number): number;
  pause(seconds: number, line: number): void;
  serialBegin(rate: number, line: number): void;
  serialPrint(text: string, line: number): void;
  serialAvailable(): number;
  /** The next character typed to the board, -1 when there is none; `peek` leaves it there. */
  serialRead(way: 'take' | 'peek'): number;
  /** Microseconds that a pin keeps a level, from its next beginning; 0 after `timeout` microseconds. */
  pulseIn(pin: number, level: number, timeout: number, line: number): number;
  /** Puts a tone on a pin, for some time or until it is ended. */
  tone(pin: number, hertz: number, seconds: number | undefined, line: number): void;
  noTone(pin: number, line: number): void;
  /** Gives a pin the pulses that a servo follows, `undefined` to end them; widths in microseconds. */
  servoPulse(pin: number, microseconds: number | undefined, line: number): void;
  /** Number of the interrupt that a pin makes; -1 when it makes none. */
  interruptOf(pin: number): number;
  attachInterrupt(interrupt: number, routine: number, mode: InterruptMode, line: number): void;
  detachInterrupt(interrupt: number): void;
  /** Whether interrupts come at once or wait. */
  allowInterrupts(state: 'now' | 'later'): void;
  /** The registers have changed that say which pins interrupt when their levels change. */
  followPinChanges(): void;
  /** A write to a pin that is no output, which the language refuses: nothing happens to the pin. */
  refusedWrite(pin: number, level: number, line: number): void;
  /** The display at an address of the two-wire bus; what nothing answers to takes everything in silence. */
  screen(address: number): TextScreen;
  /** The panels behind three pins, the nearest one first. */
  panel(
    pins: { readonly data: number; readonly clock: number; readonly select: number },
    index: number,
    line: number,
  ): LedPanel;
  /** Cycle at which something outside happens next; a quiet loop may be skipped up to there. */
  nextEventCycle(): number;
  /** Called as soon as `wakeCycle` has come: lets happen what happens then, and sets the next one. */
  wake(): void;
}

/** A wrong result that the processor computes without a word. */
export interface SilentError {
  readonly kind: 'division' | 'index' | 'text' | 'range' | 'pause' | 'overflow';
  readonly line: number;
  readonly name?: string;
  readonly index?: number;
  readonly length?: number;
}

/** A loop inside a function that is running now. */
export interface RunningLoop {
  readonly line: number;
  readonly sinceCycle: number;
  /** Values of `pauses` and `inputs` when it began. */
  readonly pausesBefore: number;
  readonly inputsBefore: number;
}

/** A program's routine for changes of pins, and which pins it has let make it run. */
export interface PinChangeInterrupt {
  readonly routine: number;
  /** The bits of the pins, by their numbers; `undefined` while it is not let run at all. */
  readonly mask: () => number | undefined;
}

/** What a run may take, and how it is made. */
export interface RunLimits {
  readonly clockHz: number;
  readonly endCycle: number;
  readonly steps: number;
  /** Bytes of the board for values. */
  readonly dataBytes: number;
  /** Whether unchanging passes are skipped; off only to prove that it makes no difference. */
  readonly skip: boolean;
}

/** A program on a machine of its own. */
export interface ProgramRun {
  readonly machine: Machine;
  /** What runs once. */
  readonly start: () => void;
  /** What repeats. */
  readonly pass: () => void;
  /** Runs one of its functions without values, as an interrupt does. */
  readonly call: (routine: number) => void;
  /** Its variables, those of its functions behind those of the whole program. */
  readonly names: readonly WatchedName[];
}

/** A program ready to run: closures over a machine, no code generated at run time. */
export interface Executable {
  readonly begin: (host: ProgramHost, limits: RunLimits) => ProgramRun;
}

/** A loop that runs, with how the passes of the one around it are watched meanwhile. */
class WatchedLoop implements RunningLoop {
  line = 0;
  sinceCycle = 0;
  pausesBefore = 0;
  inputsBefore = 0;
  clockEscaped = false;
  countEscaped = false;
  turnCycle = 0;
  passCycle = 0;
  /** Whether any of its passes read the clock in a way that is not followed, or not beyond a count. */
  hasEscaped = false;
  hasEscapedByCount = false;
  /** Earliest cycle at which a comparison with the clock turns that was made in one of its passes. */
  earliestTurn = Number.POSITIVE_INFINITY;
  changes = 0;
}

/** Wrong results that are kept of a run. */
const MOST_FAULTS = 50;

/**
 * The state of one run that every language has: virtual time, the budgets, and what tells passes that change nothing.
 * What a program's values lie in is its language's.
 */
export class Machine {
  cycles = 0;
  stepsLeft: number;
  /** Line of the statement that runs. */
  line = 0;
  freeBytes: number;
  /** Counts stores that changed a global, and everything that is seen from outside. */
  changes = 0;
  /** Counts stores that changed a local, where those do not count as changes; for whoever watches. */
  localChanges = 0;
  pauses = 0;
  /** Counts looks at pins and at the serial line: whoever looks may be waiting for something. */
  inputs = 0;
  /** Whether the clock was read in a way that is not followed since the pass began. */
  clockEscaped = false;
  /** Whether it was read so that all is the same as long as its count in milliseconds is, and no longer. */
  countEscaped = false;
  /** Earliest cycle at which a comparison with the clock turns. */
  turnCycle = Number.POSITIVE_INFINITY;
  /** Cycle at which the pass began whose clock comparisons are being watched. */
  passCycle = 0;
  /** Cycles of passes that were left out since each was like the one before. */
  skippedCycles = 0;
  /** Cycle at which the host wants to be woken. */
  wakeCycle = Number.POSITIVE_INFINITY;
  /** Cycle at which the program began, which its clock counts from. */
  bootCycle = 0;
  /** Whether an interrupt routine runs. */
  inInterrupt = false;
  /** The error that ended a program of a language that has errors. */
  failure: { readonly kind: string; readonly message: string; readonly line: number } | undefined;
  /** Line of a pause inside an interrupt routine, which never ends: the clock stands still there. */
  stuckInInterrupt: number | undefined;
  /** The chip's routine for changes of pins, where the program has one. */
  pinChange: PinChangeInterrupt | undefined;
  /** Whoever looks at every step; most runs are watched by nobody. */
  watcher: Watcher | undefined;
  /** Runs a function of the program; set by whoever starts it. */
  callRoutine: (routine: number) => void = () => undefined;
  readonly endCycle: number;
  readonly clockHz: number;
  readonly silentErrors: SilentError[] = [];
  /** Whether a comparison in a loop is followed for the pass around it too, or ends the skipping of that. */
  protected readonly turnsInLoopsCount: boolean = false;
  /** Made once for each depth: a loop inside of another is entered a million times. */
  private readonly watched: WatchedLoop[] = [];
  private depth = 0;

  constructor(
    readonly host: ProgramHost,
    protected readonly limits: RunLimits,
  ) {
    this.stepsLeft = limits.steps;
    this.freeBytes = limits.dataBytes;
    this.endCycle = limits.endCycle;
    this.clockHz = limits.clockHz;
  }

  /** Steps that were taken. */
  get steps(): number {
    return this.limits.steps - this.stepsLeft;
  }

  /** Loops that are running, the innermost last. */
  get loops(): readonly RunningLoop[] {
    return this.watched.slice(0, this.depth);
  }

  /** Lets `cycles` pass; ends the run when its time or its budget is over. */
  spend(cycles: number): void {
    this.watcher?.step();
    this.cycles += cycles;
    this.stepsLeft -= 1;
    if (this.cycles >= this.wakeCycle && this.wakeCycle < this.endCycle) this.host.wake();
    if (this.cycles >= this.endCycle) {
      this.cycles = this.endCycle;
      throw Stop.for('time');
    }
    if (this.stepsLeft < 0) throw Stop.for('steps');
  }

  /** Waits, as `delay` does. */
  pause(seconds: number, line: number): void {
    this.pauses += 1;
    this.host.pause(seconds, line);
    if (this.inInterrupt) {
      this.stuckInInterrupt = line;
      this.cycles = this.endCycle;
    }
    this.wait(seconds);
  }

  /** Lets time pass and does nothing, but for what interrupts do meanwhile. */
  wait(seconds: number): void {
    const until = this.cycles + Math.round(seconds * this.clockHz);
    while (this.wakeCycle < Math.min(until, this.endCycle))
      this.spend(Math.max(0, this.wakeCycle - this.cycles));
    this.spend(Math.max(0, until - this.cycles));
  }

  /** Runs an interrupt routine between two steps of the program, which goes on as if nothing had been. */
  interrupt(routine: number): void {
    const { line, clockEscaped, countEscaped, turnCycle, passCycle } = this;
    this.inInterrupt = true;
    this.changes += 1;
    this.spend(INTERRUPT_CYCLES);
    this.callRoutine(routine);
    this.inInterrupt = false;
    Object.assign(this, { line, clockEscaped, countEscaped, turnCycle, passCycle });
  }

  /** Forgets everything, as a board does when it is reset or loses its power. */
  restart(atCycle: number): void {
    this.freeBytes = this.limits.dataBytes;
    this.inInterrupt = false;
    this.depth = 0;
    this.cycles = Math.max(this.cycles, atCycle);
    this.bootCycle = this.cycles;
    this.changes += 1;
  }

  /** Whole counts of the program's clock, a thousand or a million of which make a second. */
  counts(perSecond: number): number {
    return Math.floor(((this.cycles - this.bootCycle) * perSecond) / this.clockHz);
  }

  get seconds(): number {
    return this.cycles / this.clockHz;
  }

  /** Whether one more of them would be kept; a loop makes a million of a kind. */
  get notesFaults(): boolean {
    return this.silentErrors.length < MOST_FAULTS;
  }

  fault(error: SilentError): void {
    if (this.notesFaults) this.silentErrors.push(error);
  }

  /** A loop begins. Its passes are watched from here on, those of whatever is around it later again. */
  enterLoop(line: number): void {
    if (this.depth === this.watched.length) this.watched.push(new WatchedLoop());
    const loop = this.watched[this.depth]!;
    this.depth += 1;
    loop.line = line;
    loop.sinceCycle = this.cycles;
    loop.pausesBefore = this.pauses;
    loop.inputsBefore = this.inputs;
    loop.clockEscaped = this.clockEscaped;
    loop.countEscaped = this.countEscaped;
    loop.turnCycle = this.turnCycle;
    loop.passCycle = this.passCycle;
    loop.hasEscaped = false;
    loop.hasEscapedByCount = false;
    loop.earliestTurn = Number.POSITIVE_INFINITY;
  }

  /** A pass of the innermost loop begins. */
  beginPass(): void {
    const loop = this.watched[this.depth - 1]!;
    loop.changes = this.changes;
    this.watchPass();
  }

  /** A pass begins whose clock comparisons are to be watched. */
  watchPass(): void {
    this.clockEscaped = false;
    this.countEscaped = false;
    this.turnCycle = Number.POSITIVE_INFINITY;
    this.passCycle = this.cycles;
  }

  /** A pass of the innermost loop has gone through to its end: when it changed nothing, its like are skipped. */
  endPass(): void {
    const loop = this.watched[this.depth - 1]!;
    if (this.changes === loop.changes && this.areLocalsAsBefore()) this.skipQuietPasses();
    this.noteClockOf(loop);
  }

  /**
   * The innermost loop is over. What was read of the clock inside counts for the pass of the loop around it too: a comparison
   * that turns inside makes another pass of that one.
   */
  leaveLoop(): void {
    this.depth -= 1;
    const loop = this.watched[this.depth]!;
    this.noteClockOf(loop);
    const hasTurned = loop.earliestTurn !== Number.POSITIVE_INFINITY;
    this.clockEscaped = loop.clockEscaped || loop.hasEscaped || (hasTurned && !this.turnsInLoopsCount);
    this.countEscaped = loop.countEscaped || loop.hasEscapedByCount;
    this.turnCycle = Math.min(loop.turnCycle, loop.earliestTurn);
    this.passCycle = loop.passCycle;
  }

  private noteClockOf(loop: WatchedLoop): void {
    loop.hasEscaped ||= this.clockEscaped;
    loop.hasEscapedByCount ||= this.countEscaped;
    loop.earliestTurn = Math.min(loop.earliestTurn, this.turnCycle);
  }

  /**
   * The clock was read in a way that is not followed. `byCount`: whether all is the same as long as its count in
   * milliseconds is.
   */
  escape(byCount: boolean): void {
    if (byCount) this.countEscaped = true;
    else this.clockEscaped = true;
  }

  /**
   * What moves with the clock was read in the innermost loop, and got its value so many loops around it: there it stands still,
   * and for the pass around them it does not.
   */
  escapeAround(loops: number, byCount: boolean): void {
    const around = this.watched[this.depth - loops];
    if (!around) return;
    if (byCount) around.countEscaped = true;
    else around.clockEscaped = true;
  }

  /** The cycle at which the count of milliseconds grows after the watched pass has begun. */
  private get nextCount(): number {
    const cyclesPerCount = this.clockHz / 1e3;
    const counts = Math.floor((this.passCycle - this.bootCycle) / cyclesPerCount);
    return this.bootCycle + (counts + 1) * cyclesPerCount;
  }

  /**
   * After a pass that began at `passCycle` and changed nothing: skips as many equal passes as fit
   * before the next event or the next turn of a clock comparison, one pass short of it. The passes
   * that are skipped would each read the same inputs, take the same branches and the same time.
   */
  skipQuietPasses(): void {
    if (this.clockEscaped || !this.limits.skip) return;
    const length = this.cycles - this.passCycle;
    if (length <= 0) return;
    const turn = this.countEscaped ? Math.min(this.turnCycle, this.nextCount) : this.turnCycle;
    const limit = Math.min(turn, this.host.nextEventCycle(), this.endCycle);
    if (limit === Number.POSITIVE_INFINITY) return;
    const passes = this.skippable(Math.floor((limit - this.cycles) / length) - 1, length);
    if (passes <= 0) return;
    const from = this.cycles;
    this.cycles += passes * length;
    this.skippedCycles += passes * length;
    this.skipped(from, passes);
  }

  /** Whether the pass of the innermost loop has left the locals as they were, where those do not count as changes. */
  protected areLocalsAsBefore(): boolean {
    return true;
  }

  /** How many of so many passes, `length` cycles each, may be skipped at once as far as the language's memory goes. */
  protected skippable(passes: number, _length: number): number {
    return passes;
  }

  /** Passes from that cycle on have been skipped: what they would have left in the language's memory is put there. */
  protected skipped(_from: number, _passes: number): void {}
}
