import type { Ref } from '../brand';
import type { Observation } from '../findings/finding';
import { EYE_SECONDS, type SeenInterval } from '../rehearsal/seen';
import { lastBy, observedSeconds, type CurrentChange, type Trace } from '../rehearsal/trace';
import { isBrought, touchedBy, type Stimulus } from '../stimuli';
import type { Wiring } from '../wiring/wiring';

/** What one expectation came to. */
export interface Outcome {
  readonly passed: boolean;
  /** What was observed, as a sentence with numbers. */
  readonly observed: string;
  /** What is wrong, when it is. */
  readonly failures: readonly Observation[];
}

/** What an expectation is checked on: one run of a scenario. */
export interface Observed {
  readonly wiring: Wiring;
  /** The wiring of the exercise. */
  readonly asked: Wiring;
  readonly trace: Trace;
  readonly stimuli: readonly Stimulus[];
  /** Stretches in which the LED of the reference looks the same; `undefined` when no part stands for it. */
  readonly seen: (led: string) => readonly SeenInterval[] | undefined;
  /** The currents of that LED as they are. */
  readonly currents: (led: string) => readonly CurrentChange[] | undefined;
  /** The built pin that does what a pin of the reference does. */
  readonly builtPin: (reference: string) => string;
  /** The built part that stands for a part of the reference. */
  readonly builtRef: (reference: string) => Ref | undefined;
  /** Bits a second at which the computer listens; `undefined` where it takes any. */
  readonly listensAt: number | undefined;
  /** Another run of the same scenario, in which chance falls otherwise. */
  readonly again: (seed: number) => Observed;
}

export const passed = (observed: string): Outcome => ({ passed: true, observed, failures: [] });
export const failedWith = (observed: string, failure: Observation): Outcome => ({
  passed: false,
  observed,
  failures: [failure],
});
export const absent = (reference: string): Outcome => ({
  passed: false,
  observed: `nothing in the build stands for ${reference}`,
  failures: [],
});

/** Intervals cut to a window of time; what is left of one at its edges that no eye would see counts to what is beside it. */
export function within(
  intervals: readonly SeenInterval[],
  from: number,
  to: number,
): readonly SeenInterval[] {
  const cut = intervals
    .filter((interval) => interval.to > from && interval.from < to)
    .map((interval) => ({ ...interval, from: Math.max(from, interval.from), to: Math.min(to, interval.to) }));
  const seen = cut.filter(
    (interval, index) => (index > 0 && index < cut.length - 1) || interval.to - interval.from >= EYE_SECONDS,
  );
  const [first, last] = [cut[0], cut.at(-1)];
  if (seen.length === 0 || !first || !last) return cut;
  return seen.map((interval, index) => ({
    ...interval,
    ...(index === 0 ? { from: first.from } : {}),
    ...(index === seen.length - 1 ? { to: last.to } : {}),
  }));
}

/** The window of an expectation within a run. */
export const windowOf = (
  expectation: { readonly from?: number | undefined; readonly to?: number | undefined },
  trace: Trace,
): readonly [number, number] => [
  expectation.from ?? 0,
  Math.min(expectation.to ?? trace.seconds, observedSeconds(trace)),
];

/** The moments in a run at which something has been done to a part: a turn at its end, a press at once. */
export const momentsOf = (part: string, { stimuli, trace }: Observed): readonly number[] =>
  stimuli
    .filter((stimulus) => touchedBy(stimulus)?.name === part)
    .map((stimulus) => stimulus.at + (isBrought(stimulus) ? (stimulus.over ?? 0) : 0))
    .filter((at) => at < observedSeconds(trace))
    .sort((one, other) => one - other);

export const nothingDoneTo = (part: string): Outcome => ({
  passed: false,
  observed: `nothing is done to ${part}, so nothing answers`,
  failures: [],
});

/** Seconds that armatures and rotors take to follow: what is over sooner is not seen of them. */
const FOLLOWS_IN = 0.02;

/** What lasts of a thing that moves, within a window and from its beginning on, seconds. */
export function movesIn<Change extends { readonly at: number }>(
  changes: readonly Change[],
  [from, to]: readonly [number, number],
): readonly Change[] {
  const first = lastBy(changes, from);
  const all = [
    ...(first ? [{ ...first, at: from }] : []),
    ...changes.filter(({ at }) => at > from + 1e-9 && at < to - 1e-9),
  ];
  const lasting = all.filter(({ at }, index) => (all[index + 1]?.at ?? to) - at >= FOLLOWS_IN);
  return (lasting.length > 0 ? lasting : all).map((change, index) =>
    index === 0 ? { ...change, at: from } : change,
  );
}
