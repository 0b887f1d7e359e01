import type { BoardProfile } from '../boards';
import type { Bench, PartStates, PinDrives } from '../electrics/bench';
import type { BenchPoint } from '../electrics/bench-point';
import type { FindingCode, Observation } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import type { Stimulus } from '../stimuli';
import type { ProgramProblem } from '../program';
import type { Trace } from '../rehearsal/trace';
import type { Circuit } from '../wiring/circuit';
import type { PlacedPart } from '../wiring/wiring';
import type { LedBands } from './led-bands';
import type { Comparison, Match, Reduced } from './match';
import type { Wording } from './program/wording';

/** A state of pins and parts that occurred or is to be assumed, and what the circuit comes to in it. */
export interface SolvedState {
  readonly drives: PinDrives;
  /** Parts that are not at rest. */
  readonly parts: PartStates;
  readonly point: BenchPoint;
}

/** A wiring that is judged, in all the states that matter. */
export interface Built {
  readonly circuit: Circuit;
  readonly bench: Bench;
  /** The board that the exercise asks for. */
  readonly board: BoardProfile;
  readonly states: readonly SolvedState[];
  /** Pins that the program read while nothing held them; `undefined` where no program ran. */
  readonly floatingPins: ReadonlySet<string> | undefined;
  /** Whether the program uses the serial line. */
  readonly usesSerial: boolean;
}

/** The exercise that a build is compared with, and how the two correspond. */
export interface Asked {
  readonly exercise: Exercise;
  /** Its reference, and what is compared of it. */
  readonly reference: Reduced;
  readonly circuit: Circuit;
  /** Signal pins that the reference uses. */
  readonly pins: readonly string[];
  readonly ledBands: LedBands;
  /** What is not held against a build: the course allows it, or the exercise’s own program does it. */
  readonly condoned: ReadonlySet<FindingCode>;
  readonly match: Match;
  readonly compared: Comparison['compared'];
  /** Built parts by the reference part that they stand for. */
  readonly pairs: ReadonlyMap<string, PlacedPart>;
}

/** A run with what was done to the parts in it. */
export interface PlayedTrace {
  readonly trace: Trace;
  readonly stimuli: readonly Stimulus[];
  /** Whether the exercise's own program looks away too while a button is pressed at a time, in seconds. */
  readonly isMissedAnyway: (button: string, at: number) => boolean;
  /** Whether the exercise's own program reads a part again and again. */
  readonly isReadAgain: (part: string) => boolean;
}

/** A program and its runs; none when it could not be run. */
export interface Ran {
  readonly problems: readonly ProgramProblem[];
  readonly runs: readonly PlayedTrace[];
  readonly board: BoardProfile;
  readonly wording: Wording;
}

/** Everything that is judged, as far as it is there. */
export interface Subject {
  readonly built?: Built;
  readonly asked?: Asked;
  readonly ran?: Ran;
}

/** What is said of a subject; nothing when what it looks at is not there. */
export type Rule = (subject: Subject) => readonly Observation[];

type Seen = readonly Observation[];
export type WiringRule = (built: Built) => Seen;
export type ComparingRule = (built: Built, asked: Asked) => Seen;
export type MeetingRule = (built: Built, asked: Asked, ran: Ran) => Seen;
export type ProgramRule = (ran: Ran) => Seen;
export type RunRule = (played: PlayedTrace, ran: Ran, subject: Subject) => Seen;
export type BuiltRunRule = (played: PlayedTrace, ran: Ran, built: Built) => Seen;

/** Rules on a wiring, whatever it is for. */
export const onWiring = (...rules: readonly WiringRule[]): readonly Rule[] =>
  rules.map(
    (rule): Rule =>
      ({ built }) =>
        built ? rule(built) : [],
  );

/** Rules on a wiring beside the one that was asked for. */
export const onComparison = (...rules: readonly ComparingRule[]): readonly Rule[] =>
  rules.map(
    (rule): Rule =>
      ({ built, asked }) =>
        built && asked ? rule(built, asked) : [],
  );

/** Rules on where a wiring, the exercise and a program meet. */
export const onMeeting = (...rules: readonly MeetingRule[]): readonly Rule[] =>
  rules.map(
    (rule): Rule =>
      ({ built, asked, ran }) =>
        built && asked && ran ? rule(built, asked, ran) : [],
  );

/** Rules on a program as it is written. */
export const onProgram = (...rules: readonly ProgramRule[]): readonly Rule[] =>
  rules.map(
    (rule): Rule =>
      ({ ran }) =>
        ran ? rule(ran) : [],
  );

/** Rules on each run of a program, whatever it runs on. */
export const onRuns = (...rules: readonly RunRule[]): readonly Rule[] =>
  rules.map(
    (rule): Rule =>
      (subject) =>
        ofEachLine(subject.ran, (played, ran) => rule(played, ran, subject)),
  );

/** Rules on each run of a program on a wiring. */
export const onBuiltRuns = (...rules: readonly BuiltRunRule[]): readonly Rule[] =>
  rules.map(
    (rule): Rule =>
      ({ ran, built }) =>
        built ? ofEachLine(ran, (played, its) => rule(played, its, built)) : [],
  );

/** Rules that guess what a run, and a repair that passes it, would show for certain. */
export const beforeAnyRun = (...rules: readonly ComparingRule[]): readonly Rule[] =>
  rules.map(
    (rule): Rule =>
      ({ built, asked, ran }) =>
        built && asked && !ran ? rule(built, asked) : [],
  );

/** Every run may show the same of a line; the first one that does says it. */
function ofEachLine(ran: Ran | undefined, look: (played: PlayedTrace, ran: Ran) => Seen): Seen {
  const all = ran ? ran.runs.flatMap((played) => look(played, ran)) : [];
  return all.filter(
    (one, index) => all.findIndex((other) => other.code === one.code && other.line === one.line) === index,
  );
}
