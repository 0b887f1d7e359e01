import type { Knex } from 'knex';
import { rulesWith } from '@/core/course/house-rules';
import type { ExerciseData } from '@/core/formats/exercise';
import { benchCount, classNeeds, keyOf, needsOfAll, type Losses, type Need } from '@/core/kit';
import type { TriedSubstitutes } from '@/core/messages/kit';
import {
  freeStock,
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
import type { Draft } from '../exercises/drafts';
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

/** What exercises need, by id and version: working it out takes reading them. */
const known = new Map<string, readonly Need[]>();
const MOST_KNOWN = 500;

/** What each exercise needs on one bench, by its id. */
async function needsByExercise(
  db: Knex,
  guarded: Guard,
  exerciseIds: readonly string[],
): Promise<ReadonlyMap<string, readonly Need[]>> {
  const versions = await db('exercise')
    .whereIn('id', [...exerciseIds])
    .select<{ id: string; version: number }[]>('id', 'version');
  const keys = new Map(versions.map(({ id, version }) => [id, `${id} ${version}`]));
  const unknown = [...keys].flatMap(([id, key]) => (known.has(key) ? [] : [id]));
  if (unknown.length > 0) {
    const rows = await db('exercise')
      .whereIn('id', unknown)
      .select<{ id: string; version: number; draft: ExerciseData }[]>('id', 'version', 'draft');
    const found = await guarded.ask('needs', { exercises: rows.map(({ draft }) => draft) });
    for (const [index, { id, version }] of rows.entries()) {
      if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
      known.set(`${id} ${version}`, found[index] ?? []);
      // Changed since: what it needs now.
      keys.set(id, `${id} ${version}`);
    }
  }
  return new Map([...keys].map(([id, key]) => [id, known.get(key) ?? []]));
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
  /** Meetings that have exercises, the next first, each with what it needs and what of that is there. */
  readonly meetings: readonly {
    readonly meeting: PlannedMeeting;
    readonly supplies: readonly Supply[];
    /** What of the store nobody has at that time, this meeting included. */
    readonly free: readonly StockLine[];
  }[];
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
    meetings: planned.map((meeting, index) => ({
      meeting,
      supplies: supplyFor(reservations[index]!, reservations, stock),
      free: freeStock(reservations[index]!, reservations, stock),
    })),
    shopping: shoppingList(reservations, stock),
  };
}

/**
 * What of the store would do for something that a meeting is short of, tried in each exercise that needs it; `undefined`
 * when the meeting does not need it any more. Throws `NoAnswer` when trying takes too long.
 */
export async function substitutesForMeeting(
  db: Knex,
  guarded: Guard,
  meeting: PlannedMeeting,
  key: string,
  now: Date,
): Promise<readonly TriedSubstitutes[] | undefined> {
  const [{ meetings }, drafts] = await Promise.all([outlook(db, guarded, now), draftsFor(db, meeting)]);
  const planned = meetings.find((one) => one.meeting.id === meeting.id);
  const supply = planned?.supplies.find(({ need }) => keyOf(need.item) === key);
  if (!planned || !supply) return undefined;
  const needs = await needsByExercise(
    db,
    guarded,
    drafts.map(({ id }) => id),
  );
  return Promise.all(
    drafts
      .filter(({ id }) => needs.get(id)?.some(({ item }) => keyOf(item) === key) === true)
      .map(async ({ id, sheet }) => ({
        exerciseId: id,
        title: sheet.title,
        substitution: await guarded.ask('substitutes', {
          exercise: sheet,
          item: supply.need.item,
          stock: planned.free,
          missing: supply.short,
        }),
      })),
  );
}
