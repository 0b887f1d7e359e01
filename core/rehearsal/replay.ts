import type { Ref } from '../brand';
import type { PinDrive } from '../electrics/bench';
import { brightnessAt } from '../electrics/brightness';
import { heardIntervals, type HeardInterval } from './heard';
import { EYE_SECONDS } from './seen';
import type { AngleChange, CurrentChange, SeenTrace, TurnChange } from './trace';

/** Degrees a second of the usual small servo (data sheets: 60° in 0.1 s at 5 V). */
const SERVO_SPEED = 600;
/** Turns a second of a motor at its rated volts, as slow as an eye can follow. */
export const SHOWN_TURNS = 2;
/** Two moments that are nearer to each other than this are one, in seconds. */
const ONE_MOMENT = 1e-7;

/** What a bench looks and sounds like at one moment of a run. */
export interface Moment {
  readonly at: number;
  /** Brightness as the eye sees it, 0 to 1, by part or by `D1.red`; the board's own light by `U1.lamp`. */
  readonly lights: ReadonlyMap<string, number>;
  /** Pitch in Hz of what sounds, 0 for silence. */
  readonly sounds: ReadonlyMap<Ref, number>;
  /** Where servos stand, in degrees; one that was never told to turn is missing. */
  readonly angles: ReadonlyMap<Ref, number>;
  /** How fast motors turn, as a share of their speed at rated volts, and how far they have come, in turns. */
  readonly turns: ReadonlyMap<Ref, { readonly speed: number; readonly turned: number }>;
  readonly pulled: ReadonlyMap<Ref, boolean>;
  readonly pictures: ReadonlyMap<Ref, readonly number[]>;
  readonly texts: ReadonlyMap<Ref, readonly string[]>;
  readonly pins: ReadonlyMap<string, PinDrive>;
}

/** The place of the last of the sorted moments that has come by `at`; -1 before the first. */
export function lastPlace(length: number, momentOf: (place: number) => number, at: number): number {
  let [low, high] = [0, length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (momentOf(middle) <= at) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

const placeIn = (changes: readonly { readonly at: number }[], at: number): number =>
  lastPlace(changes.length, (place) => changes[place]!.at, at + ONE_MOMENT);

/** A run to be seen again, from any of its moments to any other. */
export class Replay {
  private readonly heard: ReadonlyMap<Ref, readonly HeardInterval[]>;
  private readonly servos: ReadonlyMap<Ref, readonly Turning[]>;
  private readonly motors: ReadonlyMap<Ref, readonly Running[]>;
  private readonly lights: readonly (readonly [string, readonly CurrentChange[]])[];
  /** Moments at which something is seen, heard, shown or printed anew, in their order. */
  private readonly changeTimes: readonly number[];

  constructor(readonly trace: SeenTrace) {
    const { seconds } = trace;
    this.heard = new Map(
      [...trace.sounds].map(([ref, changes]) => [ref, heardIntervals(changes, seconds)] as const),
    );
    this.servos = new Map([...trace.angles].map(([ref, changes]) => [ref, turnings(changes)] as const));
    this.motors = new Map([...trace.turns].map(([ref, changes]) => [ref, runnings(changes)] as const));
    this.lights = [...trace.leds, ...trace.ownLights];
    this.changeTimes = changeTimesOf(trace);
  }

  /** How it all is at a moment. `eye`: the seconds of the run that the eye melts into one impression. */
  momentAt(at: number, eye: number = EYE_SECONDS): Moment {
    const { trace } = this;
    return {
      at,
      lights: new Map(
        this.lights.map(([name, changes]) => [name, brightnessAt(meanCurrent(changes, at - eye, at))]),
      ),
      sounds: this.soundsAt(at),
      angles: new Map(
        [...this.servos].flatMap(([ref, changes]) => {
          const degrees = angleAt(changes, at);
          return degrees === undefined ? [] : [[ref, degrees]];
        }),
      ),
      turns: new Map([...this.motors].map(([ref, changes]) => [ref, turnAt(changes, at)])),
      pulled: lastOf(trace.pulls, at, ({ isPulled }) => isPulled),
      pictures: lastOf(trace.pictures, at, ({ rows }) => rows),
      texts: lastOf(trace.texts, at, ({ lines }) => lines),
      pins: this.pinsAt(at),
    };
  }

  /** What the program does with the pins that it uses. */
  pinsAt(at: number): Moment['pins'] {
    return lastOf(this.trace.pins, at, ({ drive }) => drive);
  }

  /** Pitch in Hz of what sounds at a moment, 0 for silence. */
  soundsAt(at: number): Moment['sounds'] {
    return new Map([...this.heard].map(([ref, intervals]) => [ref, pitchAt(intervals, at)]));
  }

  /** How many pieces of text had come from the board by a moment. */
  printedBy(at: number): number {
    return placeIn(this.trace.serial, at) + 1;
  }

  /** The next moment, or the one before, at which something is seen, heard, shown or printed anew. */
  changeFrom(at: number, way: 'next' | 'before'): number | undefined {
    const { changeTimes } = this;
    const moment = (place: number): number => changeTimes[place]!;
    return way === 'next'
      ? changeTimes[lastPlace(changeTimes.length, moment, at + ONE_MOMENT) + 1]
      : changeTimes[lastPlace(changeTimes.length, moment, at - ONE_MOMENT * 2)];
  }
}

function lastOf<Name, Change extends { readonly at: number }, Kept>(
  all: ReadonlyMap<Name, readonly Change[]>,
  at: number,
  kept: (change: Change) => Kept,
): ReadonlyMap<Name, Kept> {
  const found = new Map<Name, Kept>();
  for (const [name, changes] of all) {
    const last = changes[placeIn(changes, at)];
    if (last) found.set(name, kept(last));
  }
  return found;
}

/** Mean of a current over a stretch of time, in mA; at the beginning over what there is of it. */
function meanCurrent(changes: readonly CurrentChange[], from: number, to: number): number {
  let place = placeIn(changes, to);
  if (place < 0) return 0;
  const begin = Math.max(0, from);
  if (to - begin <= 0 || changes[place]!.at <= begin) return changes[place]!.currentMa;
  let charge = 0;
  let until = to;
  for (; place >= 0 && until > begin; place -= 1) {
    const { at, currentMa } = changes[place]!;
    charge += currentMa * (until - Math.max(at, begin));
    until = at;
  }
  return charge / (to - begin);
}

function pitchAt(intervals: readonly HeardInterval[], at: number): number {
  const place = lastPlace(intervals.length, (index) => intervals[index]!.from, at + ONE_MOMENT);
  const interval = intervals[place];
  return interval && at < interval.to ? interval.hertz : 0;
}

/** A servo on its way from one angle to another. */
interface Turning {
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

function turnings(changes: readonly AngleChange[]): readonly Turning[] {
  const all: Turning[] = [];
  for (const { at, degrees } of changes) {
    const before = all.at(-1);
    // Where it stood before its first pulse nobody knows: it is taken to be there at once.
    all.push({ at, from: before ? standing(before, at) : degrees, to: degrees });
  }
  return all;
}

function standing({ at: begun, from, to }: Turning, at: number): number {
  const way = Math.min(Math.abs(to - from), Math.max(0, at - begun) * SERVO_SPEED);
  return from + Math.sign(to - from) * way;
}

function angleAt(changes: readonly Turning[], at: number): number | undefined {
  const turning = changes[placeIn(changes, at)];
  return turning && standing(turning, at);
}

/** A motor at one speed, with the turns that it had made before. */
interface Running extends TurnChange {
  readonly turned: number;
}

function runnings(changes: readonly TurnChange[]): readonly Running[] {
  const all: Running[] = [];
  for (const change of changes) {
    const before = all.at(-1);
    all.push({ ...change, turned: before ? turnedBy(before, change.at) : 0 });
  }
  return all;
}

const turnedBy = ({ at, speed, turned }: Running, moment: number): number =>
  turned + speed * SHOWN_TURNS * (moment - at);

function turnAt(
  changes: readonly Running[],
  at: number,
): { readonly speed: number; readonly turned: number } {
  const running = changes[placeIn(changes, at)];
  return running ? { speed: running.speed, turned: turnedBy(running, at) } : { speed: 0, turned: 0 };
}

function changeTimesOf(trace: SeenTrace): readonly number[] {
  const of = (all: ReadonlyMap<unknown, readonly { readonly at: number }[]>): readonly number[] =>
    [...all.values()].flatMap((changes) => changes.map(({ at }) => at));
  const all = [
    ...of(trace.leds),
    ...of(trace.sounds),
    ...of(trace.angles),
    ...of(trace.turns),
    ...of(trace.pulls),
    ...of(trace.pictures),
    ...of(trace.texts),
    ...of(trace.pins),
    ...trace.serial.map(({ at }) => at),
  ];
  return [...new Set(all)].sort((one, other) => one - other);
}
