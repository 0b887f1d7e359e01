import type { Span } from './syntax';

/** A comparison in a program, and how what its two sides come to is shown. */
export interface Comparison {
  readonly span: Span;
  /** A value of either side as the program's language writes it. */
  readonly shown: (value: unknown) => string;
}

/** Whoever watches a program while it runs. Nothing that it does may change the run. */
export interface Watcher {
  /** A step is about to be taken; the machine says which line it is of, and when. */
  step(): void;
  /** A variable holds another moment of the clock, which counts as no change. */
  moved(): void;
  /** A comparison has been made of these two values. */
  compared(comparison: Comparison, left: unknown, right: unknown): void;
  /** The condition in this stretch of the program has come out. */
  decided(condition: Span, outcome: 'so' | 'not so'): void;
}

/** A name of a program whose value can be looked at while it runs. */
export interface WatchedName {
  readonly name: string;
  /** First and last line of the function that it belongs to; none for one of the whole program. */
  readonly within?: readonly [first: number, last: number];
  /** What it holds now, as the program's language writes it; `undefined` when that is nothing to be shown. */
  readonly read: () => string | undefined;
}
