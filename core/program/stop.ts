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
  | 'changes'
  /** The program stopped itself, or an error did; a Python program can. */
  | 'finished';

/** Thrown to leave a program from wherever it is; caught where the run was started. */
export class Stop extends Error {
  private static readonly made = new Map<EndReason, Stop>();

  private constructor(readonly reason: EndReason) {
    super(reason);
  }

  /** The one with a reason. Made once: every run ends with one, and where it was thrown is of no interest. */
  static for(reason: EndReason): Stop {
    let stop = Stop.made.get(reason);
    if (!stop) Stop.made.set(reason, (stop = new Stop(reason)));
    return stop;
  }
}

/** Thrown to begin the program anew from wherever it is: the board was reset, or its power came back. */
export class Restart extends Error {
  constructor(
    /** Seconds from the start at which the program begins again. */
    readonly atSeconds: number,
  ) {
    super('restart');
  }
}
