import { INTERRUPT_CYCLES } from './costs';
import { Stop } from './stop';
import { TextPool } from './text-pool';

/** Which change of a level makes an interrupt routine run. */
export type InterruptMode = 'change' | 'rising' | 'falling';

/** A text display as a program sees it: letters go where its cursor stands. */
export interface TextScreen {
  write(text: string): void;
  /** `row` and `column` from 0. */
  setCursor(column: number, row: number): void;
  clear(): void;
  light(state: 'on' | 'off'): void;
}

/** One LED panel as a program sees it. A row is a byte, its highest bit the LED on the left. */
export interface LampPanel {
  /** Switches the panel on, which is off when its power comes. */
  wake(state: 'on' | 'off'): void;
  /** 0 to 15. */
  setBrightness(step: number): void;
  rows(): readonly number[];
  setRow(row: number, bits: number): void;
}

/** What a program does to its board, and what the board tells it. Pins by number, times by the machine. */
export interface ProgramHost {
  pinMode(pin: number, mode: number, line: number): void;
  digitalWrite(pin: number, level: number, line: number): void;
  digitalRead(pin: number, line: number): number;
  analogWrite(pin: number, duty: number, line: number): void;
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
  /** The display at an address of the two-wire bus; what nothing answers to takes everything in silence. */
  screen(address: number): TextScreen;
  /** The panels behind three pins, the nearest one first. */
  panel(
    pins: { readonly data: number; readonly clock: number; readonly select: number },
    index: number,
    line: number,
  ): LampPanel;
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

/** A program's routine for changes of pins, and the cells of the registers that say which pins. */
export interface PinChangeInterrupt {
  readonly routine: number;
  readonly enableCell: number;
  readonly maskCell: number;
}

/** The memory that a program takes before it runs. */
export interface ProgramMemory {
  readonly globalCells: number;
  readonly globalBytes: number;
  readonly pinChange?: PinChangeInterrupt;
}

/** A program ready to run: closures over a machine, no code generated at run time. */
export interface Executable {
  /** What runs once. */
  readonly start: (machine: Machine) => void;
  /** What repeats. */
  readonly pass: (machine: Machine) => void;
  /** Runs one of its functions without values, as an interrupt does. */
  readonly call: (machine: Machine, routine: number) => void;
}

/** Wrong results that are kept of a run. */
const MOST_FAULTS = 50;

/** The state of one run: flat memory, virtual time, and the budgets. */
export class Machine {
  readonly cells: Float64Array;
  /** First cell of the running function's frame, and the first free one. */
  frame = 0;
  top: number;
  cycles = 0;
  stepsLeft: number;
  /** Line of the statement that runs. */
  line = 0;
  returned = 0;
  freeBytes: number;
  /** Counts stores that changed a global, and everything that is seen from outside. */
  changes = 0;
  /** Counts stores that changed a local. */
  localChanges = 0;
  pauses = 0;
  /** Counts looks at pins and at the serial line: whoever looks may be waiting for something. */
  inputs = 0;
  /** Whether the clock was read in a way that is not followed since it was last cleared. */
  clockEscaped = false;
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
  /** Runs a function of the program; set by whoever starts it. */
  callRoutine: (routine: number) => void = () => undefined;
  /** Texts that the program has made. */
  readonly texts = new TextPool();
  /** Where the row of random numbers stands. */
  private random = 1;
  readonly endCycle: number;
  readonly clockHz: number;
  readonly loops: RunningLoop[] = [];
  readonly silentErrors: SilentError[] = [];

  constructor(
    readonly host: ProgramHost,
    readonly options: {
      readonly clockHz: number;
      readonly endCycle: number;
      readonly steps: number;
      readonly globalCells: number;
      readonly freeBytes: number;
      /** The chip's routine for changes of pins, and where its two registers lie. */
      readonly pinChange?: PinChangeInterrupt;
      /** Whether unchanging passes are skipped; off only to prove that it makes no difference. */
      readonly skip: boolean;
    },
  ) {
    this.cells = new Float64Array(options.globalCells + 8192);
    this.top = options.globalCells;
    this.stepsLeft = options.steps;
    this.freeBytes = options.freeBytes;
    this.endCycle = options.endCycle;
    this.clockHz = options.clockHz;
  }

  /** Lets `cycles` pass; ends the run when its time or its budget is over. */
  spend(cycles: number): void {
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
    const { returned, line, clockEscaped, turnCycle, passCycle } = this;
    this.inInterrupt = true;
    this.changes += 1;
    this.spend(INTERRUPT_CYCLES);
    this.callRoutine(routine);
    this.inInterrupt = false;
    Object.assign(this, { returned, line, clockEscaped, turnCycle, passCycle });
  }

  /** Forgets everything, as a board does when it is reset or loses its power. */
  restart(atCycle: number): void {
    this.cells.fill(0);
    this.frame = 0;
    this.top = this.options.globalCells;
    this.freeBytes = this.options.freeBytes;
    this.random = 1;
    this.returned = 0;
    this.inInterrupt = false;
    this.loops.length = 0;
    this.cycles = Math.max(this.cycles, atCycle);
    this.bootCycle = this.cycles;
    this.changes += 1;
    this.localChanges += 1;
  }

  /** Whole counts of the program's clock, a thousand or a million of which make a second. */
  counts(perSecond: number): number {
    return Math.floor(((this.cycles - this.bootCycle) * perSecond) / this.clockHz);
  }

  get seconds(): number {
    return this.cycles / this.clockHz;
  }

  /** The next number of the processor's library: 7^5 times the last, modulo 2^31 - 1 (Park and Miller). */
  nextRandom(): number {
    const last = this.random === 0 ? 123459876 : this.random;
    const next = 16807 * (last % 127773) - 2836 * Math.trunc(last / 127773);
    this.random = next < 0 ? next + 0x7fffffff : next;
    this.changes += 1;
    return this.random;
  }

  /** Begins the row of random numbers anew; a seed of zero changes nothing, as on the board. */
  seedRandom(seed: number): void {
    if (seed === 0 || seed === this.random) return;
    this.random = seed;
    this.changes += 1;
  }

  /** Puts a value into a cell, and counts the change when it is one. */
  write(cell: number, value: number): number {
    if (this.cells[cell] !== value) {
      this.cells[cell] = value;
      if (cell >= this.options.globalCells) this.localChanges += 1;
      else this.changes += 1;
    }
    return value;
  }

  /** A cell that there is: a pointer or an index that reaches out of the memory ends up at its last one. */
  within(cell: number): number {
    return cell >= 0 && cell < this.cells.length ? cell : this.cells.length - 1;
  }

  /** Whether one more of them would be kept; a loop makes a million of a kind. */
  get notesFaults(): boolean {
    return this.silentErrors.length < MOST_FAULTS;
  }

  fault(error: SilentError): void {
    if (this.notesFaults) this.silentErrors.push(error);
  }

  /**
   * After a pass that began at `passCycle` and changed nothing: skips as many equal passes as fit
   * before the next event or the next turn of a clock comparison, one pass short of it. The passes
   * that are skipped would each read the same inputs, take the same branches and the same time.
   */
  skipQuietPasses(): void {
    if (this.clockEscaped || !this.options.skip) return;
    const length = this.cycles - this.passCycle;
    if (length <= 0) return;
    const limit = Math.min(this.turnCycle, this.host.nextEventCycle(), this.endCycle);
    if (limit === Number.POSITIVE_INFINITY) return;
    const passes = Math.floor((limit - this.cycles) / length) - 1;
    if (passes <= 0) return;
    this.cycles += passes * length;
    this.skippedCycles += passes * length;
  }
}
