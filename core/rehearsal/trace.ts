import type { PinDrive } from '../electrics/bench';
import type { Ref } from '../brand';
import type { RunningLoop, SilentError } from '../program/machine';
import type { EndReason } from '../program/stop';

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

/** What a buzzer does from a moment on: its mean current, and the tone that a pin gives it, 0 for none. */
export interface SoundChange {
  readonly at: number;
  readonly currentMa: number;
  readonly hertz: number;
}

/** Where a servo is told to turn from a moment on, in degrees from 0 to 180. */
export interface AngleChange {
  readonly at: number;
  readonly degrees: number;
}

/** How fast a motor turns from a moment on, as a share of its speed at its rated volts; below 0 backwards. */
export interface TurnChange {
  readonly at: number;
  readonly speed: number;
}

/** Whether a relay has pulled in, from a moment on. */
export interface PullChange {
  readonly at: number;
  readonly isPulled: boolean;
}

/** What an LED panel shows from a moment on: a byte a row, its highest bit the LED on the left. */
export interface PictureChange {
  readonly at: number;
  readonly rows: readonly number[];
}

/** What a text display shows from a moment on, with all its spaces. */
export interface TextChange {
  readonly at: number;
  readonly lines: readonly string[];
}

/** How a program looked at a pin. */
export interface PinReads {
  readonly how: 'digital' | 'analog';
  /** Line that read it first. */
  readonly line: number;
  /** When it was first read, in seconds. */
  readonly firstAt: number;
  /** How often it was read, without the passes that are like one before. */
  readonly looks: number;
  /** Stretches in which it did not look, those of a fifth of a second and more; at most fifty. */
  readonly gaps: readonly { readonly from: number; readonly to: number }[];
}

/** A pin that was read while nothing held it. */
export interface FloatingRead {
  readonly pin: string;
  readonly how: 'digital' | 'analog';
  readonly line: number;
}

/** A write to a pin that is no output, with what it does instead. */
export interface UndirectedWrite {
  readonly pin: string;
  readonly level: 'high' | 'low';
  readonly line: number;
}

/** What a program asked of a pin that cannot do it now. */
export interface BeyondPin {
  readonly pin: string;
  /** `measure` an analog value, or `dim` what is connected. */
  readonly what: 'measure' | 'dim';
  readonly line: number;
  /** Whether it could, had not a servo or a tone taken its timer. */
  readonly isTaken: boolean;
}

/** A run of a program on a circuit as a compact list of changes; times in seconds from the start. */
export interface Trace {
  readonly seconds: number;
  readonly pins: ReadonlyMap<string, readonly PinChange[]>;
  /** Currents of LEDs, forward positive: by part, or by `D1.red` where a part has several lights. */
  readonly leds: ReadonlyMap<string, readonly CurrentChange[]>;
  /** The same of the LEDs on the board itself: `U1.lamp`. */
  readonly ownLights: ReadonlyMap<string, readonly CurrentChange[]>;
  readonly sounds: ReadonlyMap<Ref, readonly SoundChange[]>;
  readonly angles: ReadonlyMap<Ref, readonly AngleChange[]>;
  readonly turns: ReadonlyMap<Ref, readonly TurnChange[]>;
  readonly pulls: ReadonlyMap<Ref, readonly PullChange[]>;
  readonly pictures: ReadonlyMap<Ref, readonly PictureChange[]>;
  readonly texts: ReadonlyMap<Ref, readonly TextChange[]>;
  readonly serial: readonly { readonly at: number; readonly text: string }[];
  /** First pauses of the run, at most a few hundred. */
  readonly pauses: readonly { readonly at: number; readonly seconds: number; readonly line: number }[];
  /** Every state of the driven pins that occurred, at most 64. */
  readonly states: readonly ReadonlyMap<string, PinDrive>[];
  readonly undirected: readonly UndirectedWrite[];
  readonly reads: ReadonlyMap<string, PinReads>;
  /** Each pin and line once. */
  readonly floatingReads: readonly FloatingRead[];
  /** Pins that the program asked for an interrupt and that make it, with the line that asked first. */
  readonly interruptPins: ReadonlyMap<string, number>;
  /** Pins that the program asked for an interrupt and that make none, by the number it used. */
  readonly deadInterrupts: readonly { readonly number: number; readonly line: number }[];
  /** Each pin and line once. */
  readonly beyondPins: readonly BeyondPin[];
  /** Line of a pause in an interrupt routine, where the program stuck for good. */
  readonly stuckInInterrupt: number | undefined;
  /** The error that nobody caught and that ended the program. */
  readonly failure: { readonly kind: string; readonly message: string; readonly line: number } | undefined;
  readonly serialStarted: boolean;
  /** Bits a second of the serial line. */
  readonly serialRate: number;
  /** Line that started it. */
  readonly serialLine: number | undefined;
  /** Numbers that the program used as pins and the board does not have. */
  readonly unknownPins: readonly { readonly number: number; readonly line: number }[];
  readonly silentErrors: readonly SilentError[];
  /** Operating points of the circuit that were worked out for it. */
  readonly solutions: number;
  /** Steps of the budget that the run took. */
  readonly steps: number;
  readonly ended: {
    readonly reason: EndReason;
    readonly at: number;
    readonly line: number;
    /** Loop inside a function that was running at the end, with the time since it began. */
    readonly loop?: RunningLoop & {
      readonly seconds: number;
      readonly paused: boolean;
      /** Whether it looks at a pin or at the serial line. */
      readonly looks: boolean;
    };
  };
}

/** What of a run is seen, heard and read. */
export type SeenTrace = Pick<
  Trace,
  | 'seconds'
  | 'leds'
  | 'ownLights'
  | 'sounds'
  | 'angles'
  | 'turns'
  | 'pulls'
  | 'pictures'
  | 'texts'
  | 'pins'
  | 'serial'
  | 'ended'
>;

/** The lights to look at: the LEDs of the circuit, and on a bare board, where nothing else is seen or heard, its own. */
export const lightsOf = ({ leds, ownLights, ...others }: SeenTrace): Trace['leds'] => {
  const { sounds, angles, turns, pulls, pictures, texts } = others;
  const isBare = [leds, sounds, angles, turns, pulls, pictures, texts].every(({ size }) => size === 0);
  return isBare ? ownLights : leds;
};

/** The word for a drive in tables and traces: `high`, `pullup`, `pwm:128` on a board with that range. */
export const driveText = (drive: PinDrive, pwmRange: number): string =>
  drive.mode === 'pwm' ? `pwm:${Math.round(drive.duty * pwmRange)}` : drive.mode;

/** Seconds of the run that the trace tells of: all, unless it was cut because pins changed too often. */
export const observedSeconds = ({ seconds, ended }: Pick<Trace, 'seconds' | 'ended'>): number =>
  ended.reason === 'changes' ? ended.at : seconds;

/** Seconds of the run that were really played: what comes after a run was given up is not known. */
export const watchedSeconds = ({ seconds, ended }: Trace): number =>
  ended.reason === 'changes' || ended.reason === 'steps' ? Math.min(ended.at, seconds) : seconds;

/** The last change by a moment; `undefined` when nothing has happened by then. */
export const lastBy = <Change extends { readonly at: number }>(
  changes: readonly Change[] | undefined,
  moment: number,
): Change | undefined => changes?.filter(({ at }) => at <= moment + 1e-9).at(-1);

/** What is printed in a stretch of time, without the rest of a line that began before it. */
export function printedIn({ serial }: Trace, from: number, to: number): string {
  const textOf = (pieces: Trace['serial']): string => pieces.map(({ text }) => text).join('');
  const before = textOf(serial.filter(({ at }) => at < from));
  const within = textOf(serial.filter(({ at }) => at >= from && at <= to));
  return before === '' || before.endsWith('\n') ? within : within.replace(/^[^\n]*\n?/, '');
}

/** The rows of a panel's picture as text, `#` for an LED that is lit. */
export const pictureRows = (rows: readonly number[]): readonly string[] =>
  rows.map((row) => row.toString(2).padStart(8, '0').replace(/0/g, '.').replace(/1/g, '#'));
