import type { PinDrive } from '../electrics/bench';
import type { Ref } from '../brand';
import type { EndReason, RunningLoop, SilentError } from '../program/machine';

/** A pin's drive from a moment on, and the program line that caused it. */
export interface PinChange {
  readonly at: number;
  readonly drive: PinDrive;
  readonly line: number;
}

/** A part's mean current in mA from a moment on. */
export interface CurrentChange {
  readonly at: number;
  readonly currentMa: number;
}

/** A write to a pin that is no output, with what it does instead. */
export interface UndirectedWrite {
  readonly pin: string;
  readonly level: 'high' | 'low';
  readonly line: number;
}

/** A run of a program on a circuit as a compact list of changes; times in seconds from the start. */
export interface Trace {
  readonly seconds: number;
  readonly pins: ReadonlyMap<string, readonly PinChange[]>;
  /** Currents of lamps, forward positive. */
  readonly lamps: ReadonlyMap<Ref, readonly CurrentChange[]>;
  readonly serial: readonly { readonly at: number; readonly text: string }[];
  /** First pauses of the run, at most a few hundred. */
  readonly pauses: readonly { readonly at: number; readonly seconds: number; readonly line: number }[];
  /** Every state of the driven pins that occurred, at most 64. */
  readonly states: readonly ReadonlyMap<string, PinDrive>[];
  readonly undirected: readonly UndirectedWrite[];
  readonly serialStarted: boolean;
  /** Numbers that the program used as pins and the board does not have. */
  readonly unknownPins: readonly { readonly number: number; readonly line: number }[];
  readonly silentErrors: readonly SilentError[];
  /** Steps of the budget that the run took. */
  readonly steps: number;
  readonly ended: {
    readonly reason: EndReason;
    readonly at: number;
    readonly line: number;
    /** Loop inside a function that was running at the end, with the time since it began. */
    readonly loop?: RunningLoop & { readonly seconds: number; readonly paused: boolean };
  };
}

/** The word for a drive in tables and traces: `high`, `pullup`, `pwm:128` on a board with that range. */
export const driveText = (drive: PinDrive, pwmRange: number): string =>
  drive.mode === 'pwm' ? `pwm:${Math.round(drive.duty * pwmRange)}` : drive.mode;

/** Seconds of the run that the trace tells of: all, unless it was cut because pins changed too often. */
export const observedSeconds = ({ seconds, ended }: Trace): number =>
  ended.reason === 'changes' ? ended.at : seconds;
