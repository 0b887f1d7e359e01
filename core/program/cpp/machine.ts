import { Machine, type ProgramHost, type RunLimits } from '../machine';
import { TextPool } from './text-pool';
import { countsUntilTurn } from './clock-turn';
import { conversionTo, type IntegerType } from './types';

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

/** How a moment of the clock was kept. */
interface Moment {
  readonly unit: 'millis' | 'micros';
  readonly type: IntegerType;
  /** Cell of the local that it was taken from; `undefined` where the clock was read on the spot. */
  readonly source: number | undefined;
}

/** A variable that is given a moment, again and again. */
interface KeptMoment extends Moment {
  /** The pass in which it was given the last one, the cycle, and that of the one before. */
  readonly pass: number;
  readonly cycle: number;
  readonly before: number;
}

/** `passes++;` and `sum += 5;`: by how much a variable grows each time. */
export interface Counting {
  readonly by: number;
  readonly type: IntegerType;
}

/** A variable that grows by the same in every pass. */
interface Counter {
  readonly pass: number;
  /** By how much it has grown in that pass, and in the one before. */
  readonly by: number;
  readonly before: number;
  readonly type: IntegerType;
}

/** Counts before the turn of a comparison at which passes are no longer skipped. */
const MARGIN = { millis: 2, micros: 8 } as const;

/** How often whoever watches is shown the moments of passes that are skipped: seconds, and times at most. */
const LOOK_SECONDS = 0.05;
const MOST_LOOKS = 400;

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
  /** Texts that the program has made. */
  readonly texts = new TextPool();
  /** Number of the pass that is watched. */
  private passNumber = 0;
  /** Cells of moments that something in this pass has counted on to be kept anew. */
  private readonly counted = new Set<number>();
  /** Moments of the clock in variables, by their cell. */
  private readonly moments = new Map<number, KeptMoment>();
  private readonly counters = new Map<number, Counter>();
  /** Cells with a difference of two moments, which stands still but for the rounding of counts: pass and unit. */
  private readonly rounded = new Map<number, { readonly pass: number; readonly unit: Moment['unit'] }>();
  /** Passes after this one that come out alike as far as comparisons with counters go. */
  private alike = Number.POSITIVE_INFINITY;
  /** Where the row of random numbers stands. */
  private random = 1;

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
    this.moments.clear();
    this.counters.clear();
    this.rounded.clear();
  }

  override watchPass(): void {
    super.watchPass();
    this.passNumber += 1;
    this.counted.clear();
    this.alike = Number.POSITIVE_INFINITY;
  }

  /**
   * Puts a moment of the clock into a variable. Where the pass before did the same, that is no change: passes like
   * this one may be skipped as long as nothing reads the variable but what moves with it.
   */
  keepMoment(cell: number, value: number, moment: Moment): number {
    if (cell >= this.memory.globalCells) {
      this.clockEscaped = true;
      return this.write(cell, value);
    }
    this.rounded.delete(cell);
    const last = this.moments.get(cell);
    const { cycles, passNumber } = this;
    this.moments.set(cell, {
      ...moment,
      pass: passNumber,
      cycle: cycles,
      before: last?.cycle ?? Number.NEGATIVE_INFINITY,
    });
    if (last?.pass !== passNumber - 1) this.changes += 1;
    this.cells[cell] = value;
    this.watcher?.moved();
    return value;
  }

  /** Puts the difference of two moments into a cell. */
  keepRounded(cell: number, value: number, unit: Moment['unit']): number {
    this.rounded.set(cell, { pass: this.passNumber, unit });
    return this.write(cell, value);
  }

  /** Puts into a cell what moves with the clock as its expression says, whatever was in it before. */
  keepRunning(cell: number, value: number): number {
    this.rounded.delete(cell);
    return this.write(cell, value);
  }

  /** Whether what is in a cell is the difference of two moments that move alike. */
  isRounded(cell: number): boolean {
    return this.rounded.size > 0 && (this.rounded.get(cell)?.pass ?? -1) >= this.passNumber - 1;
  }

  /** Whether a cell is given a new moment in every pass. */
  isMoment(cell: number): boolean {
    return (this.moments.get(cell)?.pass ?? -1) >= this.passNumber - 1;
  }

  /** Puts the next number into a counter. Where the pass before counted as far, that is no change either. */
  count(cell: number, value: number, { by, type }: Counting): number {
    if (cell >= this.memory.globalCells) return this.write(cell, value);
    const last = this.counters.get(cell);
    const { passNumber } = this;
    const isAgain = last?.pass === passNumber;
    const soFar = isAgain ? last.by : 0;
    const before = isAgain ? last.before : last?.pass === passNumber - 1 ? last.by : 0;
    this.counters.set(cell, { pass: passNumber, by: soFar + by, before, type });
    if (before === 0) this.changes += 1;
    this.cells[cell] = value;
    this.watcher?.moved();
    return value;
  }

  /** Whether a cell moves by itself in every pass, this one or the one before: with the clock, or by the same each time. */
  isMoving(cell: number): boolean {
    const since = this.passNumber - 1;
    return this.isMoment(cell) || (this.counters.get(cell)?.pass ?? -1) >= since || this.isRounded(cell);
  }

  /**
   * Follows a comparison of what is in a cell that moves with something that stands still: passes are skipped no
   * farther than it comes out as now. Whether that can be told.
   */
  follow(
    cell: number,
    running: number,
    fixed: number,
    holds: (running: number, fixed: number) => boolean,
  ): boolean {
    // A conversion that makes another number of it is not followed.
    if (running !== this.cells[cell]) return false;
    const rounded = this.isRounded(cell) ? this.rounded.get(cell) : undefined;
    if (rounded) {
      const step = rounded.unit === 'millis' ? 1 : 4;
      const now = holds(running, fixed);
      return holds(running + step, fixed) === now && (running < step || holds(running - step, fixed) === now);
    }
    this.counted.add(cell);
    const moment = this.moments.get(cell);
    if (moment !== undefined && moment.pass >= this.passNumber - 1) {
      const counts = countsUntilTurn(running, fixed, moment.type, holds) - MARGIN[moment.unit];
      const perSecond = moment.unit === 'millis' ? 1e3 : 1e6;
      this.turnCycle = Math.min(this.turnCycle, this.passCycle + (counts * this.clockHz) / perSecond);
      return true;
    }
    const { pass, by, before } = this.counters.get(cell)!;
    // By how much it grows in a whole pass: as far as is known, this one may not be over.
    const step = pass === this.passNumber ? before : by;
    if (step === 0) return false;
    const away = (fixed - running) / step;
    const now = holds(running, fixed);
    const turns = [Math.ceil(away), Math.floor(away) + 1, Math.ceil(away) + 1].filter(
      (passes) => passes >= 1 && holds(running + passes * step, fixed) !== now,
    );
    this.alike = Math.min(this.alike, Math.min(...turns, Number.POSITIVE_INFINITY) - 1);
    return true;
  }

  /** What is known of the moment in a cell that moves; whoever asks counts on its being kept anew in this pass. */
  keptIn(cell: number): { readonly isOfThisPass: boolean; readonly source: number | undefined } {
    const kept = this.moments.get(cell);
    this.counted.add(cell);
    return { isOfThisPass: kept?.pass === this.passNumber, source: kept?.source };
  }

  /** Passes that keep moments are skipped by whole counts of the clock, so that what they keep is known to the count. */
  protected override skippable(passes: number, length: number): number {
    const isOfThisPass = (cell: number): boolean =>
      this.moments.get(cell)?.pass === this.passNumber || this.counters.get(cell)?.pass === this.passNumber;
    for (const cell of this.counted) if (!isOfThisPass(cell)) return 0;
    let most = Math.min(passes, this.alike);
    for (const [cell, { pass, by, before, type }] of this.counters) {
      if (pass !== this.passNumber) continue;
      if (by !== before) return 0;
      most = Math.min(most, passesUntilWrap(this.cells[cell]!, by, type));
    }
    // Passes after which all of the clocks have moved by whole counts.
    let together = 1;
    for (const { pass, unit, cycle, before } of this.moments.values()) {
      if (pass !== this.passNumber) continue;
      const count = this.cyclesOfStep(unit);
      if (cycle - before !== length || !Number.isInteger(count)) return 0;
      const passesOfCount = count / commonDivisor(count, length);
      together *= passesOfCount / commonDivisor(together, passesOfCount);
    }
    return most - (most % together);
  }

  protected override skipped(from: number, passes: number): void {
    const { cycles: until, watcher } = this;
    const kept = [...this.moments].filter(([, { pass }]) => pass === this.passNumber);
    const counting = [...this.counters].filter(([, { pass }]) => pass === this.passNumber);
    if (kept.length + counting.length === 0) return;
    const before = kept.map(([cell]) => this.cells[cell]!);
    const counts = counting.map(([cell]) => this.cells[cell]!);
    const to = (cycles: number): void => {
      const done = Math.round(((cycles - from) / (until - from)) * passes);
      counting.forEach(([cell, { by }], index) => {
        this.cells[cell] = counts[index]! + done * by;
      });
      kept.forEach(([cell, { unit, type }], index) => {
        const counts = ((cycles - from) * (unit === 'millis' ? 1e3 : 1e6)) / this.clockHz;
        this.cells[cell] = conversionTo(type)(before[index]! + Math.round(counts));
      });
    };
    // Whoever watches sees the moments go by.
    const looks = watcher
      ? Math.min(MOST_LOOKS, Math.floor((until - from) / this.clockHz / LOOK_SECONDS))
      : 0;
    for (let look = 1; look <= looks; look += 1) {
      this.cycles = from + ((until - from) * look) / (looks + 1);
      to(this.cycles);
      watcher!.moved();
    }
    this.cycles = until;
    to(until);
    for (const [cell, moment] of kept)
      this.moments.set(cell, {
        ...moment,
        cycle: moment.cycle + until - from,
        before: moment.before + until - from,
      });
  }

  /** Cycles after which the clock shows something new: the micros clock counts in steps of four. */
  private cyclesOfStep(unit: Moment['unit']): number {
    return unit === 'millis' ? this.clockHz / 1e3 : this.clockHz / 250e3;
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
      if (cell >= this.memory.globalCells) this.localChanges += 1;
      else {
        this.changes += 1;
        const { pinChange } = this.memory;
        if (pinChange && (cell === pinChange.enableCell || cell === pinChange.maskCell))
          this.host.followPinChanges();
      }
    }
    return value;
  }

  /** A cell that there is: a pointer or an index that reaches out of the memory ends up at its last one. */
  within(cell: number): number {
    return cell >= 0 && cell < this.cells.length ? cell : this.cells.length - 1;
  }
}

function commonDivisor(one: number, other: number): number {
  return other === 0 ? one : commonDivisor(other, one % other);
}

/** Passes in which a counter stays within its type. */
function passesUntilWrap(value: number, by: number, { bits, signed }: IntegerType): number {
  const most = 2 ** (signed ? bits - 1 : bits) - 1;
  const least = signed ? -(2 ** (bits - 1)) : 0;
  return Math.floor((by > 0 ? most - value : value - least) / Math.abs(by));
}
