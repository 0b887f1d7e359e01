/** Why a run ended. */
export type EndReason =
  /** The wanted time is over: the usual end. */
  | 'time'
  /** The budget of steps is used up. */
  | 'steps'
  /** Calls and variables ran over the board's memory; the board would start again. */
  | 'memory'
  /** More was printed than is kept. */
  | 'output'
  /** Pins changed more often than is kept; what follows would be more of the same. */
  | 'changes';

/** Thrown to leave a program from wherever it is; caught where the run was started. */
export class Stop extends Error {
  constructor(readonly reason: EndReason) {
    super(reason);
  }
}

/** What a program does to its board, and what the board tells it. Pins by number, times by the machine. */
export interface ProgramHost {
  pinMode(pin: number, mode: number, line: number): void;
  digitalWrite(pin: number, level: number, line: number): void;
  digitalRead(pin: number, line: number): number;
  analogWrite(pin: number, duty: number, line: number): void;
  analogRead(pin: number, line: number): number;
  pause(seconds: number, line: number): void;
  serialBegin(rate: number, line: number): void;
  serialPrint(text: string, line: number): void;
  serialAvailable(): number;
  serialRead(): number;
  /** Cycle at which something outside happens next; a quiet loop may be skipped up to there. */
  nextEventCycle(): number;
}

/** A wrong result that the processor computes without a word. */
export interface SilentError {
  readonly kind: 'division' | 'index';
  readonly line: number;
  readonly name?: string;
  readonly index?: number;
  readonly length?: number;
}

/** A loop inside a function that is running now. */
export interface RunningLoop {
  readonly line: number;
  readonly sinceCycle: number;
  /** Value of `pauses` when it began. */
  readonly pausesBefore: number;
}

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
  /** Whether the clock was read in a way that is not followed since it was last cleared. */
  clockEscaped = false;
  /** Earliest cycle at which a comparison with the clock turns. */
  turnCycle = Number.POSITIVE_INFINITY;
  /** Cycle at which the pass began whose clock comparisons are being watched. */
  passCycle = 0;
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
    if (this.cycles >= this.endCycle) {
      this.cycles = this.endCycle;
      throw new Stop('time');
    }
    if (this.stepsLeft < 0) throw new Stop('steps');
  }

  /** Waits, as `delay` does. */
  pause(seconds: number, line: number): void {
    this.pauses += 1;
    this.host.pause(seconds, line);
    this.spend(Math.round(seconds * this.clockHz));
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

  fault(error: SilentError): void {
    if (this.silentErrors.length < 50) this.silentErrors.push(error);
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
    if (passes > 0) this.cycles += passes * length;
  }
}
