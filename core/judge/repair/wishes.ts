/** How much a person has to do for each kind of change of a program. */
export const cost = { repair: 1, pinNumber: 1.5, word: 1.6, number: 1.8, insert: 2, loop: 2.4 } as const;

/** What a program may have been meant to say, from the build and from the exercise. */
export interface ProgramWishes {
  /** Numbers that may be meant: pins of the build and of the exercise, its times in milliseconds. */
  readonly pins: readonly number[];
  /** Numbers that the program uses as pins; no other number is one. */
  readonly used: readonly number[];
  readonly milliseconds: readonly number[];
  /** Pins that are read while nothing holds them. */
  readonly floating: readonly number[];
  /** Pins that are written to without a direction. */
  readonly undirected: readonly number[];
  /** Line of a loop that was still running at the end. */
  readonly endlessLine: number | undefined;
}
