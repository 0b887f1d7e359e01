import { Machine } from '../machine';

/** What moves on with the clock when passes are skipped. */
export interface MovesOn {
  /** So many cycles have gone by unseen. */
  later(cycles: number): void;
}

/** A place whose value a pass has changed, for now. */
export interface ChangedPlace {
  /** What it is a place of, a row of names or an object, and which of its places. */
  readonly holder: object;
  readonly key: string | number;
  /** Whether it holds again what it held before the pass. */
  readonly isAsBefore: () => boolean;
}

/** Places of a pass whose values are compared at its end; a pass that changes more is taken to change something. */
const MOST_PLACES = 12;

/** The machine of a Python program, which knows what was read from the clock, and what was changed, in each pass of a loop. */
export class PythonMachine extends Machine {
  /** Number of the pass that is watched. */
  pass = 0;
  /** Readings of the clock that were made in this pass. */
  private readings: MovesOn[] = [];
  private hasRead = false;
  private places: ChangedPlace[] = [];

  /** The clock in seconds, of which it counts thousandths, at a cycle. */
  clockAt(cycle: number): number {
    return Math.floor(((cycle - this.bootCycle) * 1000) / this.clockHz) / 1000;
  }

  /** Takes note of a reading of the clock. */
  read(reading: MovesOn): void {
    this.hasRead = true;
    this.readings.push(reading);
  }

  /** Takes note of a place that gets another value: a pass that leaves all of them as they were has changed nothing. */
  change(holder: object, key: string | number, isAsBefore: () => boolean): void {
    if (this.places.some((place) => place.key === key && place.holder === holder)) return;
    if (this.places.length < MOST_PLACES) this.places.push({ holder, key, isAsBefore });
    else this.changes += 1;
  }

  override beginPass(): void {
    // What is around a loop is not followed into it.
    this.settle();
    super.beginPass();
  }

  override endPass(): void {
    this.settle();
    super.endPass();
  }

  private settle(): void {
    if (this.places.some(({ isAsBefore }) => !isAsBefore())) this.changes += 1;
    this.places = [];
  }

  override watchPass(): void {
    super.watchPass();
    this.pass += 1;
    this.readings = [];
  }

  /** A loop inside of another has passes of its own: what was read from the clock is followed no farther around it. */
  override leaveLoop(): void {
    this.settle();
    super.leaveLoop();
    if (this.hasRead) this.clockEscaped = true;
  }

  protected override skipped(from: number): void {
    for (const reading of this.readings) reading.later(this.cycles - from);
  }
}
