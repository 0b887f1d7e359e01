import { Machine, type ProgramHost, type RunLimits } from '../machine';
import { ChangedCells } from './changed-cells';
import { ChangedLocals } from './changed-locals';
import { MovingCells, type ClockUnit, type Counting, type Moment } from './moving-cells';
import { TextPool } from './text-pool';
import type { IntegerType } from './types';

/** The memory that a program takes before it runs. */
export interface ProgramMemory {
  readonly globalCells: number;
  readonly globalBytes: number;
  readonly pinChange?: {
    readonly routine: number;
    /** Cells of the registers that let it run, and that say for which pins. */
    readonly enableCell: number;
    readonly maskCell: number;
  };
}

/** Cells for the frames of functions. */
const STACK_CELLS = 8192;
/** The bit that lets changes of pins interrupt, in the chip's register for it. */
const PIN_CHANGE_ENABLE = 1 << 5;

/** Cells of the memory that survives a reset, as on the eight-bit boards. */
const PERMANENT_CELLS = 1024;

/** A machine with the flat memory that programs of this language have: globals, then the frames of functions. */
export class CppMachine extends Machine {
  /** A few cells that a reset leaves as they are; empty ones hold 255. */
  readonly permanent = new Uint8Array(PERMANENT_CELLS).fill(255);
  readonly cells: Float64Array;
  /** First cell of the running function's frame, and the first free one. */
  frame = 0;
  top: number;
  returned = 0;
  protected override readonly turnsInLoopsCount = true;
  /** Whether something that moves was read in what was worked out `apart` last. */
  hasMoved = false;
  /** Whether it may be otherwise within the same count of milliseconds too. */
  hasMovedFreely = false;
  /** Texts that the program has made. */
  readonly texts = new TextPool();
  /** Cells that move by themselves. */
  readonly moving = new MovingCells(this);
  /** Where the row of random numbers stands. */
  private random = 1;
  /** Cells that the pass of the function that repeats has changed, and what had been changed before it. */
  private readonly changed = new ChangedCells(this);
  private changesBefore = 0;
  private readonly changedLocals = new ChangedLocals(this);

  constructor(
    host: ProgramHost,
    limits: RunLimits,
    private readonly memory: ProgramMemory,
  ) {
    super(host, { ...limits, dataBytes: limits.dataBytes - memory.globalBytes });
    this.cells = new Float64Array(memory.globalCells + STACK_CELLS);
    this.top = memory.globalCells;
    const { pinChange } = memory;
    if (pinChange)
      this.pinChange = {
        routine: pinChange.routine,
        mask: () =>
          (this.cells[pinChange.enableCell]! & PIN_CHANGE_ENABLE) === 0
            ? undefined
            : this.cells[pinChange.maskCell]!,
      };
  }

  override interrupt(routine: number): void {
    const { returned } = this;
    super.interrupt(routine);
    this.returned = returned;
  }

  override restart(atCycle: number): void {
    super.restart(atCycle);
    this.cells.fill(0);
    this.frame = 0;
    this.top = this.memory.globalCells;
    this.random = 1;
    this.returned = 0;
    this.moving.clear();
    this.changedLocals.clear();
  }

  override enterLoop(line: number): void {
    super.enterLoop(line);
    this.changedLocals.enterLoop();
  }

  override beginPass(): void {
    super.beginPass();
    this.changedLocals.beginPass();
  }

  override leaveLoop(): void {
    super.leaveLoop();
    this.changedLocals.leaveLoop();
  }

  protected override areLocalsAsBefore(): boolean {
    return this.changedLocals.areAsBefore();
  }

  override watchPass(): void {
    super.watchPass();
    this.moving.beginPass();
  }

  /** Puts a moment of the clock into a variable; in a local, which is gone in the next pass, it is not followed. */
  keepMoment(cell: number, value: number, moment: Moment): number {
    if (this.isLocal(cell)) {
      this.escape(moment.unit === 'millis');
      return this.write(cell, value);
    }
    this.moving.keep(cell, value, moment);
    return value;
  }

  /** Puts the difference of two moments that move alike into a cell. */
  keepRounded(cell: number, value: number, unit: ClockUnit, type: IntegerType): number {
    this.moving.round(cell, unit, type);
    return this.write(cell, value);
  }

  /** Puts into a local what moves with the clock as its expression says, whatever was in its cell before. */
  keepRunning(cell: number, value: number): number {
    this.moving.unround(cell);
    return this.write(cell, value);
  }

  /** Puts the next number into a counter. */
  count(cell: number, value: number, counting: Counting): number {
    // What begins anew in each pass is no counter of passes.
    if (this.isLocal(cell) || this.isRegister(cell) || this.changed.has(cell)) return this.write(cell, value);
    this.moving.count(cell, value, counting);
    return value;
  }

  /** What an expression comes to; `hasMoved` says whether something that moves was read for it. */
  apart(value: (machine: this) => number): number {
    const { clockEscaped, countEscaped } = this;
    this.clockEscaped = false;
    this.countEscaped = false;
    const result = value(this);
    this.hasMoved = this.clockEscaped || this.countEscaped;
    this.hasMovedFreely = this.clockEscaped;
    this.clockEscaped = clockEscaped;
    this.countEscaped = countEscaped;
    return result;
  }

  protected override skippable(passes: number, length: number): number {
    return this.moving.skippable(passes, length);
  }

  protected override skipped(from: number, passes: number): void {
    this.moving.skip(from, passes);
  }

  private isLocal(cell: number): boolean {
    return cell >= this.memory.globalCells;
  }

  /** Whether a cell is a register that says which pins interrupt. */
  private isRegister(cell: number): boolean {
    const { pinChange } = this.memory;
    return pinChange !== undefined && (cell === pinChange.enableCell || cell === pinChange.maskCell);
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
    const before = this.cells[cell]!;
    if (before !== value) {
      this.cells[cell] = value;
      if (this.isLocal(cell)) {
        this.localChanges += 1;
        this.changedLocals.note(cell, before);
      } else {
        this.changes += 1;
        if (this.isRegister(cell)) this.host.followPinChanges();
        else this.changed.note(cell, before);
      }
    }
    return value;
  }

  /** A pass of the function that repeats begins. */
  beginTurn(): void {
    this.changesBefore = this.changes;
    this.changed.clear();
    this.watchPass();
  }

  /** It has gone through to its end: when it has left everything as it was, its like are skipped. */
  endTurn(): void {
    const isSame = this.changes - this.changed.times === this.changesBefore;
    if (isSame && this.changed.areAsBefore((cell) => this.moving.isMoving(cell))) this.skipQuietPasses();
  }

  /** A cell that there is: a pointer or an index that reaches out of the memory ends up at its last one. */
  within(cell: number): number {
    return cell >= 0 && cell < this.cells.length ? cell : this.cells.length - 1;
  }
}
