import type { Drawing } from '@/core/drawing/list';
import type { Bench } from '@/core/meeting/benches';
import type { Checklists } from '@/core/meeting/checklists';
import type { Fit } from '@/core/meeting/fit';
import type { RunSheet } from '@/core/meeting/run-sheet';
import type { MeetingDecision, PlannedExercise, RunMessage, Suggestion, Tick } from '@/core/messages/meeting';

/** A meeting as its run sheet shows it. */
export interface MeetingView {
  readonly id: string;
  readonly classId: string;
  readonly className: string;
  readonly startsAt: string;
  readonly endsAt: string;
  readonly exercises: readonly PlannedExercise[];
  readonly prepared: readonly string[];
  readonly perBench: number;
  readonly benches: readonly Bench[];
  /** Values that were found on benches, by the name of who sits there. */
  readonly values: Readonly<Record<string, string>>;
}

export interface RunSheetProps {
  readonly meeting: MeetingView;
  readonly sheet: RunSheet;
  readonly fit: Fit;
  readonly lists: Checklists;
  readonly restsOn: string;
  readonly unready: readonly string[];
  readonly ticked: readonly string[];
  readonly run: RunMessage;
  readonly suggestion: Suggestion | undefined;
  /** What the meeting could have, by course. */
  readonly choice: readonly { readonly course: string; readonly exercises: readonly PlannedExercise[] }[];
  /** The reference of each exercise, for the hold that is on. */
  readonly drawings: readonly (Drawing | null)[];
  /** Sorts that the store is short of. */
  readonly short: number;
  readonly mayPlan: boolean;
  readonly actions: RunSheetActions;
}

export interface RunSheetActions {
  readonly decide: (meetingId: string, decision: MeetingDecision) => Promise<string | undefined>;
  readonly tick: (meetingId: string, tick: Tick) => Promise<string | undefined>;
}
