import type { BoardProfile } from '@/core/boards';
import type { HouseRules } from '@/core/course/house-rules';
import type { RehearsedFault } from '@/core/faults/outcome';
import type { ExerciseData } from '@/core/formats/exercise';
import type { LiveRuns, RunSubject } from '@/core/generated/live-runs';
import type { Shown } from '@/core/generated/shown';
import type { HandoutWish } from '@/core/handout';
import type { Handout } from '@/core/handout/document';
import type { Language, ProgramProblem } from '@/core/program';
import type { Stimulus } from '@/core/stimuli';
import type { Depth, ReadOut } from '@/core/worksheet/read-out';
import type { Layout, Sheet } from '@/core/worksheet/sheet';

/** A sheet to be worked out; of several only the last is. */
export interface SheetRequest {
  readonly seq: number;
  readonly sheet: Sheet;
  readonly courseRules: HouseRules;
  /** How the full answer lays the circuit out; the quick one always keeps what it can. */
  readonly layout: Layout;
  /** What is wanted first; `in full` when the quick answer is there already. */
  readonly from: Depth;
}

/** A quick answer while typing, and a full one when the typing rests. */
export type SheetAnswer =
  | { readonly seq: number; readonly ok: true; readonly depth: Depth; readonly readOut: ReadOut }
  | { readonly seq: number; readonly ok: false; readonly message: string };

/** An exercise whose faults are to be rehearsed, and which of them: every `of`-th, from the `share`-th on. */
export interface FaultRequest {
  readonly exercise: ExerciseData;
  readonly share: number;
  readonly of: number;
}

/** What a rehearsal of faults says, one thing after the other. */
export type FaultAnswer =
  /** How many slips there are, of all shares together. */
  | { readonly type: 'planned'; readonly total: number }
  | { readonly type: 'rehearsed'; readonly index: number; readonly fault: RehearsedFault }
  | { readonly type: 'over' }
  /** Nothing can be rehearsed, and why. */
  | { readonly type: 'hindered'; readonly message: string };

/** A handout to be made; of several only the last is. */
export interface HandoutRequest {
  readonly seq: number;
  readonly sheet: Sheet;
  readonly courseRules: HouseRules;
  /** The exercise before it, whose build may still stand. */
  readonly before: ExerciseData | undefined;
  readonly wish: Omit<HandoutWish, 'before' | 'rules'>;
}

/** At once without what has to be tried for it, and then with it. */
export type HandoutAnswer =
  | {
      readonly seq: number;
      readonly ok: true;
      readonly depth: 'sketch' | 'whole';
      readonly handout: Handout;
    }
  | { readonly seq: number; readonly ok: false; readonly message: string };

/** Circuits to be run under the same hands; of several requests only the last is answered. */
export interface RunRequest {
  readonly type: 'run';
  readonly seq: number;
  /** One, or the reference and what is beside it. */
  readonly subjects: readonly RunSubject[];
  /** The parts as the first of them calls them. */
  readonly stimuli: readonly Stimulus[];
  readonly seconds: number;
}

/** What is done to a reference, to be made a scenario. */
export interface KeepRequest {
  readonly type: 'keep';
  readonly subject: RunSubject;
  readonly name: string;
  readonly stimuli: readonly Stimulus[];
  readonly seconds: number;
}

export type RunAnswer =
  | ({ readonly type: 'run'; readonly seq: number } & LiveRuns)
  /** What is wrong with the circuit or the program, so that nothing can be run. */
  | { readonly type: 'hindered'; readonly seq: number; readonly message: string }
  | { readonly type: 'kept'; readonly shown: Shown | undefined };

/** A program whose text is to be looked over; of several only the last is. */
export interface LookOver {
  readonly seq: number;
  readonly source: string;
  readonly board: BoardProfile;
  readonly language: Language;
}

export interface LookedOver {
  readonly seq: number;
  readonly problems: readonly ProgramProblem[];
}
