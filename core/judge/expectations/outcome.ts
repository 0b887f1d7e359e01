import type { Ref } from '../../brand';
import type { Observation } from '../../finding';
import type { Expectation } from '../../formats/scenario';
import type { SeenInterval } from '../../rehearsal/seen';
import { observedSeconds, type Trace } from '../../rehearsal/trace';
import type { Wiring } from '../../wiring/wiring';

/** What one expectation came to. */
export interface Outcome {
  readonly passed: boolean;
  /** What was observed, as a sentence with numbers. */
  readonly observed: string;
  /** What is wrong, when it is. */
  readonly failures: readonly Observation[];
}

/** What an expectation is checked on. */
export interface Observed {
  readonly wiring: Wiring;
  readonly trace: Trace;
  /** Stretches in which the lamp of the reference looks the same; `undefined` when no part stands for it. */
  readonly seen: (lamp: string) => readonly SeenInterval[] | undefined;
  /** The built part that stands for a part of the reference. */
  readonly builtRef: (reference: string) => Ref | undefined;
}

export type Check<E extends Expectation> = (expectation: E, observed: Observed) => Outcome;

/** Intervals cut to a window of time. */
export function within(
  intervals: readonly SeenInterval[],
  from: number,
  to: number,
): readonly SeenInterval[] {
  return intervals
    .filter((interval) => interval.to > from && interval.from < to)
    .map((interval) => ({ ...interval, from: Math.max(from, interval.from), to: Math.min(to, interval.to) }));
}

/** The window of an expectation within a run. */
export const windowOf = (expectation: Expectation, trace: Trace): readonly [number, number] => [
  expectation.from ?? 0,
  Math.min(expectation.to ?? trace.seconds, observedSeconds(trace)),
];
