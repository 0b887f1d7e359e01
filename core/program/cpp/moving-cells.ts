import { countsUntilTurn, holdsEitherWay, MICROS_STEP } from './clock-turn';
import { conversionTo, type IntegerType } from './types';

/** Units in which a program's clock counts. */
export type ClockUnit = 'millis' | 'micros';

/** How a moment of the clock is kept. */
export interface Moment {
  readonly unit: ClockUnit;
  readonly type: IntegerType;
  /** Cell of the local that it was taken from; `undefined` where the clock was read on the spot. */
  readonly source: number | undefined;
}

/** A variable that is given a moment, again and again; changed in its place, since that happens in every pass. */
interface KeptMoment {
  unit: ClockUnit;
  type: IntegerType;
  source: number | undefined;
  /** The pass in which it was given the last one, the cycle, and that of the one before. */
  pass: number;
  cycle: number;
  before: number;
}

/** `passes++;` and `sum += 5;`: by how much a variable grows each time. */
export interface Counting {
  readonly by: number;
  readonly type: IntegerType;
}

/** A variable that grows by the same in every pass. */
interface Counter extends Counting {
  readonly pass: number;
  /** By how much it has grown in the pass before that one; `by` is of that pass as far as it has gone. */
  readonly before: number;
}

/** The difference of two moments, which stands still but for the rounding of counts. */
interface Rounded {
  readonly pass: number;
  readonly unit: ClockUnit;
  readonly type: IntegerType;
}

/** What moving cells ask and tell of their machine. */
export interface Surroundings {
  readonly cells: Float64Array;
  readonly clockHz: number;
  cycles: number;
  passCycle: number;
  /** Cycle from which the clock counts. */
  readonly bootCycle: number;
  turnCycle: number;
  changes: number;
  readonly watcher: { moved(): void } | undefined;
}

/** Counts that one look at a clock may be behind another: what is told of it in counts may come that much earlier. */
const STEP: Readonly<Record<ClockUnit, number>> = { millis: 1, micros: MICROS_STEP };
const COUNTS_A_SECOND: Readonly<Record<ClockUnit, number>> = { millis: 1e3, micros: 1e6 };

/** Passes that are left to run where a difference of moments is in a variable. */
const PASSES_ANEW = 3;
/** Passes before the last one that are looked at for one in which no count begins. */
const MOST_TRIES = 200;

/** How often whoever watches is shown the moments of passes that are skipped: seconds, and times at most. */
const LOOK_SECONDS = 0.05;
const MOST_LOOKS = 400;

/**
 * The cells of a program's memory that move by themselves: they are given a new moment of the clock in every pass, or
 * grow by the same. That is no change, and passes like the last one may be skipped, as long as nothing reads them but
 * what moves along. Decision 0057 says why.
 */
export class MovingCells {
  /** Number of the pass that is watched. */
  private pass = 0;
  private readonly moments = new Map<number, KeptMoment>();
  private readonly counters = new Map<number, Counter>();
  private readonly rounded = new Map<number, Rounded>();
  /** Cells that something in this pass counts on to move in it too. */
  private readonly counted = new Set<number>();
  /** Passes after this one that come out alike as far as comparisons with counters go. */
  private alike = Number.POSITIVE_INFINITY;

  constructor(private readonly machine: Surroundings) {}

  clear(): void {
    this.moments.clear();
    this.counters.clear();
    this.rounded.clear();
  }

  beginPass(): void {
    this.pass += 1;
    this.counted.clear();
    this.alike = Number.POSITIVE_INFINITY;
  }

  /** Puts a moment into a cell. Where the pass before did the same, that is no change. */
  keep(cell: number, value: number, { unit, type, source }: Moment): void {
    if (this.rounded.size > 0) this.rounded.delete(cell);
    const { pass } = this;
    const { cycles: cycle } = this.machine;
    const last = this.moments.get(cell);
    const wasKept = last?.pass === pass - 1;
    if (last) {
      last.unit = unit;
      last.type = type;
      last.source = source;
      last.pass = pass;
      last.before = last.cycle;
      last.cycle = cycle;
    } else this.moments.set(cell, { unit, type, source, pass, cycle, before: Number.NEGATIVE_INFINITY });
    this.put(cell, value, wasKept);
  }

  /** Puts the next number into a counter. Where the pass before counted too, that is no change. */
  count(cell: number, value: number, { by, type }: Counting): void {
    const last = this.counters.get(cell);
    const isAgain = last?.pass === this.pass;
    const before = isAgain ? last.before : last?.pass === this.pass - 1 ? last.by : 0;
    this.counters.set(cell, { pass: this.pass, by: isAgain ? last.by + by : by, before, type });
    this.put(cell, value, before !== 0);
  }

  private put(cell: number, value: number, isAsBefore: boolean): void {
    if (!isAsBefore) this.machine.changes += 1;
    this.machine.cells[cell] = value;
    this.machine.watcher?.moved();
  }

  /** Says that a cell holds the difference of two moments now. */
  round(cell: number, unit: ClockUnit, type: IntegerType): void {
    this.rounded.set(cell, { pass: this.pass, unit, type });
  }

  /** Says that it does so no more. */
  unround(cell: number): void {
    this.rounded.delete(cell);
  }

  /** Whether a cell holds the difference of two moments that move alike, since this pass or the one before. */
  isRounded(cell: number): boolean {
    return this.rounded.size > 0 && this.isRecent(this.rounded.get(cell));
  }

  /** Whether a cell is given a new moment in every pass. */
  isMoment(cell: number): boolean {
    return this.moments.size > 0 && this.isRecent(this.moments.get(cell));
  }

  /** Whether what is in a cell is another thing in the next pass, or may be by rounding. */
  isMoving(cell: number): boolean {
    return this.isMoment(cell) || this.isRounded(cell) || this.isRecent(this.counters.get(cell));
  }

  private isRecent(one: { readonly pass: number } | undefined): boolean {
    return one !== undefined && one.pass >= this.pass - 1;
  }

  /** The moment that a cell was given in this pass; `undefined` where it was given none. */
  momentNow(cell: number): Readonly<KeptMoment> | undefined {
    const kept = this.moments.get(cell);
    return kept?.pass === this.pass ? kept : undefined;
  }

  /** What is known of the moment in a cell; whoever asks counts on its being kept anew in this pass. */
  keptIn(cell: number): { readonly isOfThisPass: boolean; readonly source: number | undefined } {
    const kept = this.moments.get(cell);
    this.counted.add(cell);
    return { isOfThisPass: kept?.pass === this.pass, source: kept?.source };
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
    if (running !== this.machine.cells[cell]) return false;
    const rounded = this.rounded.get(cell);
    if (rounded && this.isRounded(cell)) {
      const { unit, type } = rounded;
      return holdsEitherWay(running, fixed, { type, step: STEP[unit], mayWrap: false, holds });
    }
    const moment = this.moments.get(cell);
    if (moment && this.isMoment(cell)) {
      this.counted.add(cell);
      this.followMoment(moment, moment.type, [running, fixed], holds);
      return true;
    }
    const counter = this.counters.get(cell);
    if (!counter || !this.isRecent(counter)) return false;
    const { pass, by, before } = counter;
    // By how much it grows in a whole pass: this one may not be over.
    const step = pass === this.pass ? before : by;
    if (step === 0) return false;
    this.counted.add(cell);
    this.alike = Math.min(this.alike, passesUntilTurn(running, fixed, step, holds) - 1);
    return true;
  }

  /** Notes when a comparison of something that a moment moves with something that stands still comes out otherwise. */
  private followMoment(
    { unit, pass }: KeptMoment,
    type: IntegerType,
    [running, fixed]: readonly [number, number],
    holds: (running: number, fixed: number) => boolean,
  ): void {
    const { passCycle, bootCycle, clockHz } = this.machine;
    const count = clockHz / COUNTS_A_SECOND[unit];
    const counts = countsUntilTurn(running, fixed, type, holds);
    // Of the pass before, the count may be about to turn; of this one it was looked at after the pass had begun.
    const turn =
      pass === this.pass
        ? bootCycle +
          (Math.floor((passCycle - bootCycle) / count) + counts - (unit === 'micros' ? MICROS_STEP : 0)) *
            count
        : passCycle + (counts - 2 * STEP[unit]) * count;
    this.machine.turnCycle = Math.min(this.machine.turnCycle, turn);
  }

  /**
   * Follows a comparison of two sums in which a moment of this pass stands, as in `now - last >= 500`, and beside it
   * perhaps one that moves against it. `type` is the one in which both are compared. Whether that can be told.
   */
  followSum(
    { now, against }: { readonly now: number; readonly against: number | undefined },
    [running, fixed]: readonly [number, number],
    type: IntegerType,
    holds: (running: number, fixed: number) => boolean,
  ): boolean {
    const moment = this.moments.get(now);
    if (moment?.pass !== this.pass) return false;
    this.counted.add(now);
    if (against === undefined) {
      this.followMoment(moment, type, [running, fixed], holds);
      return true;
    }
    const other = this.moments.get(against);
    if (!other || !this.isMoment(against) || other.unit !== moment.unit) return false;
    const kept = this.keptIn(against);
    // Two moments from one look at the clock differ by nothing, whatever the count.
    if (kept.isOfThisPass && kept.source === now) return true;
    return holdsEitherWay(running, fixed, {
      type,
      step: STEP[moment.unit],
      mayWrap: kept.isOfThisPass,
      holds,
    });
  }

  /**
   * How many of so many passes, `length` cycles each, may be skipped. Those that keep moments are skipped by whole counts
   * of the clock, or to where no count begins in a pass before it keeps its moment: what is kept is then known to the count.
   */
  skippable(passes: number, length: number): number {
    const now = (one: { readonly pass: number } | undefined): boolean => one?.pass === this.pass;
    for (const cell of this.counted)
      if (!now(this.moments.get(cell)) && !now(this.counters.get(cell))) return 0;
    let most = Math.min(passes, this.alike);
    for (const [cell, counter] of this.counters) {
      if (!now(counter)) continue;
      if (counter.by !== counter.before) return 0;
      most = Math.min(most, passesUntilWrap(this.machine.cells[cell]!, counter));
    }
    // Passes after which all of the clocks have moved by whole counts.
    let together = 1;
    for (const moment of this.moments.values()) {
      if (!now(moment)) continue;
      const { unit, cycle, before } = moment;
      const count = (this.machine.clockHz * STEP[unit]) / COUNTS_A_SECOND[unit];
      if (cycle - before !== length || !Number.isInteger(count)) return 0;
      const passesOfCount = count / commonDivisor(count, length);
      together *= passesOfCount / commonDivisor(together, passesOfCount);
    }
    const whole = most - (most % together);
    if (together === 1) return whole;
    // What a difference comes to by rounding is worked out anew before anything may ask for it.
    const isRounding = [...this.rounded.values()].some((one) => this.isRecent(one));
    return Math.max(whole, this.surePasses(isRounding ? most - PASSES_ANEW : most, length));
  }

  /** The most passes after which every moment is known to the count, wherever in its pass the clock is read; 0 for none. */
  private surePasses(most: number, length: number): number {
    const { passCycle, bootCycle, clockHz } = this.machine;
    const kept = [...this.moments.values()].filter(({ pass }) => pass === this.pass);
    const isSure = (passes: number): boolean =>
      kept.every(({ unit, cycle }) => {
        const count = (clockHz * STEP[unit]) / COUNTS_A_SECOND[unit];
        const begun = passCycle - bootCycle + passes * length;
        return Math.floor(begun / count) === Math.floor((begun + cycle - passCycle) / count);
      });
    if (!isSure(0)) return 0;
    for (let passes = most; passes > Math.max(0, most - MOST_TRIES); passes -= 1)
      if (isSure(passes)) return passes;
    return 0;
  }

  /** So many passes from a cycle on have been skipped: the cells are put where they would have left them. */
  skip(from: number, passes: number): void {
    const { machine } = this;
    const moments = [...this.moments].filter(([, { pass }]) => pass === this.pass);
    const counters = [...this.counters].filter(([, { pass }]) => pass === this.pass);
    if (moments.length + counters.length === 0) return;
    const { cycles: until, cells, watcher } = machine;
    const [starts, counted] = [moments, counters].map((all) => all.map(([cell]) => cells[cell]!)) as [
      number[],
      number[],
    ];
    /** Puts them where they are after some of it. */
    const to = (cycles: number): void => {
      const done = Math.round(((cycles - from) / (until - from)) * passes);
      for (const [index, [cell, { by }]] of counters.entries()) cells[cell] = counted[index]! + done * by;
      for (const [index, [cell, { unit, type, cycle }]] of moments.entries()) {
        const count = (machine.clockHz * STEP[unit]) / COUNTS_A_SECOND[unit];
        const kept = cycle - machine.bootCycle;
        const counts = Math.floor((kept + cycles - from) / count) - Math.floor(kept / count);
        cells[cell] = conversionTo(type)(starts[index]! + counts * STEP[unit]);
      }
    };
    const looks = watcher
      ? Math.min(MOST_LOOKS, Math.floor((until - from) / machine.clockHz / LOOK_SECONDS))
      : 0;
    for (let look = 1; look <= looks; look += 1) {
      machine.cycles = from + ((until - from) * look) / (looks + 1);
      to(machine.cycles);
      watcher!.moved();
    }
    machine.cycles = until;
    to(until);
    const later = until - from;
    for (const [, moment] of moments) {
      moment.cycle += later;
      moment.before += later;
    }
  }
}

/** After how many passes a comparison with a number that grows by `step` in each comes out otherwise. */
function passesUntilTurn(
  running: number,
  fixed: number,
  step: number,
  holds: (running: number, fixed: number) => boolean,
): number {
  const now = holds(running, fixed);
  const away = (fixed - running) / step;
  // Where it meets the other number, and where it has gone past it.
  const turns = [Math.ceil(away), Math.floor(away) + 1, Math.ceil(away) + 1].filter(
    (passes) => passes >= 1 && holds(running + passes * step, fixed) !== now,
  );
  return Math.min(...turns, Number.POSITIVE_INFINITY);
}

/** Passes in which a counter stays within its type. */
function passesUntilWrap(value: number, { by, type: { bits, signed } }: Counting): number {
  const most = 2 ** (signed ? bits - 1 : bits) - 1;
  const least = signed ? -(2 ** (bits - 1)) : 0;
  return Math.floor((by > 0 ? most - value : value - least) / Math.abs(by));
}

const commonDivisor = (one: number, other: number): number =>
  other === 0 ? one : commonDivisor(other, one % other);
