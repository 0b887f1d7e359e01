import type { Knex } from 'knex';
import { rulesWith } from '@/core/course/house-rules';
import { benchCount, classNeeds, needsOfAll, type Losses, type Need } from '@/core/kit';
import {
  supplyFor,
  shoppingList,
  type Purchase,
  type Reservation,
  type StockLine,
  type Supply,
} from '@/core/kit/stock';
import type { Fit } from '@/core/meeting/fit';
import type { Checklists } from '@/core/meeting/checklists';
import { paceText } from '@/core/meeting/pace';
import type { RunSheet } from '@/core/meeting/run-sheet';
import type { Guard } from '../guard/processes';
import { findDraft, type Draft } from '../exercises/drafts';
import type { Viewer } from '../permissions';
import { draftsFor, meetingsOfAll, paceOfClass, type PlannedMeeting } from './meetings';
import { kitLines, lossesOf, stockOf } from './kit-store';

/** Everything that follows from the plan of a meeting. */
export interface MeetingLesson {
  readonly sheet: RunSheet;
  readonly fit: Fit;
  readonly lists: Checklists;
  /** What the minutes rest on. */
  readonly restsOn: string;
  /** Exercises that cannot be planned as they stand. */
  readonly unready: readonly string[];
}

const rulesOf = ({ courseRules, sheet }: Draft) => {
  const own = rulesWith(courseRules, sheet.rules);
  return own.ok ? own.value : courseRules;
};

/** The run sheet of a meeting, by its exercises and by how its class works. */
export async function lessonOf(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  meeting: PlannedMeeting,
): Promise<MeetingLesson> {
  const drafts = await draftsFor(db, meeting);
  const pace = await paceOfClass(db, viewer, meeting.classId, drafts);
  const { own, ...rest } = pace;
  const planned = await guarded.ask('lesson', {
    exercises: drafts.map((draft) => ({ data: draft.sheet, rules: rulesOf(draft) })),
    learners: meeting.learners.length,
    perBench: meeting.perBench,
    pace: { ...rest, own: [...own] },
    prepared: meeting.prepared,
    available: (meeting.endsAt.getTime() - meeting.startsAt.getTime()) / 60_000,
  });
  return { ...planned, restsOn: paceText(pace) };
}

/** What each exercise needs on one bench, by its id. */
async function needsByExercise(
  db: Knex,
  guarded: Guard,
  exerciseIds: readonly string[],
): Promise<ReadonlyMap<string, readonly Need[]>> {
  const drafts = (await Promise.all(exerciseIds.map((id) => findDraft(db, id)))).filter(
    (draft) => draft !== undefined,
  );
  const needs = await guarded.ask('needs', { exercises: drafts.map(({ sheet }) => sheet) });
  return new Map(drafts.map(({ id }, index) => [id, needs[index] ?? []]));
}

const reservationOf = (
  meeting: PlannedMeeting,
  needs: ReadonlyMap<string, readonly Need[]>,
  losses: Losses,
): Reservation => ({
  meetingId: meeting.id,
  from: meeting.startsAt,
  to: meeting.endsAt,
  needs: classNeeds(
    needsOfAll(meeting.exercises.map(({ id }) => needs.get(id) ?? [])),
    benchCount(meeting.learners.length, meeting.perBench),
    losses,
  ),
});

/** The store beside everything that is planned from now on. */
export interface StoreOutlook {
  readonly stock: readonly StockLine[];
  /** Meetings that have exercises, the next first, each with what it needs and what of that is there. */
  readonly meetings: readonly { readonly meeting: PlannedMeeting; readonly supplies: readonly Supply[] }[];
  readonly shopping: readonly Purchase[];
}

export async function outlook(db: Knex, guarded: Guard, now: Date): Promise<StoreOutlook> {
  const [lines, all, losses] = await Promise.all([kitLines(db), meetingsOfAll(db, now), lossesOf(db)]);
  const planned = all.filter(({ exercises }) => exercises.length > 0);
  const ids = [...new Set(planned.flatMap(({ exercises }) => exercises.map(({ id }) => id)))];
  const needs = await needsByExercise(db, guarded, ids);
  const reservations = planned.map((meeting) => reservationOf(meeting, needs, losses));
  const stock = stockOf(lines);
  return {
    stock,
    meetings: planned.map((meeting, index) => ({
      meeting,
      supplies: supplyFor(reservations[index]!, reservations, stock),
    })),
    shopping: shoppingList(reservations, stock),
  };
}
