import type { Knex } from 'knex';
import { timesTaken, recordCells } from '@/core/plan/class-record';
import { paceOf, type Pace } from '@/core/meeting/pace';
import type { Preparation } from '@/core/meeting/run-sheet';
import type { Running } from '@/core/meeting/running';
import {
  takenSchema,
  type MeetingDecision,
  type PlannedExercise,
  type RunMessage,
  type Suggestion,
  type Tick,
} from '@/core/messages/meeting';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { draftsOf, findDraft, type Draft } from '../exercises/drafts';
import { can, sameClass, type Viewer } from '../permissions';
import { mayWithExercise } from '../sharing';
import { classTries } from '../submissions/class-record';

/** A meeting of a class, with what is planned for it. */
export interface PlannedMeeting {
  readonly id: string;
  readonly classId: string;
  readonly className: string;
  readonly startsAt: Date;
  readonly endsAt: Date;
  readonly prepared: readonly Preparation[];
  readonly perBench: number;
  readonly learners: readonly { readonly id: string; readonly name: string }[];
  readonly exercises: readonly PlannedExercise[];
}

interface Row {
  readonly id: string;
  readonly class_id: string;
  readonly name: string;
  readonly starts_at: Date;
  readonly ends_at: Date;
  readonly prepared: Preparation[];
  readonly per_bench: number;
  readonly learners: { id: string; name: string }[];
  readonly exercises: PlannedExercise[];
}

const selectMeetings = (db: Knex) =>
  db('meeting')
    .join('class', 'class.id', 'meeting.class_id')
    .orderBy('meeting.starts_at')
    .select<Row[]>(
      'meeting.id',
      'meeting.class_id',
      'class.name',
      'meeting.starts_at',
      'meeting.ends_at',
      'meeting.prepared',
      'class.per_bench',
      db.raw(`coalesce((select json_agg(json_build_object('id', learner.id, 'name', learner.name)
        order by lower(learner.name), learner.name) from learner where learner.class_id = class.id), '[]') as learners`),
      db.raw(`coalesce((select json_agg(json_build_object('id', exercise.id, 'title', exercise.draft->>'title',
        'minutes', (exercise.draft->>'minutes')::integer) order by meeting_exercise.position)
        from meeting_exercise join exercise on exercise.id = meeting_exercise.exercise_id
        where meeting_exercise.meeting_id = meeting.id), '[]') as exercises`),
    );

const fromRow = (row: Row): PlannedMeeting => ({
  id: row.id,
  classId: row.class_id,
  className: row.name,
  startsAt: row.starts_at,
  endsAt: row.ends_at,
  prepared: row.prepared,
  perBench: row.per_bench,
  learners: row.learners,
  exercises: row.exercises,
});

/** A meeting of one of the viewer's classes; `undefined` when it is none. */
export async function findMeeting(
  db: Knex,
  viewer: Viewer,
  meetingId: string,
): Promise<PlannedMeeting | undefined> {
  if (viewer.role === 'student' || !isUuid(meetingId)) return undefined;
  const [row] = await selectMeetings(db).where('meeting.id', meetingId);
  return row && sameClass(viewer, row.class_id) ? fromRow(row) : undefined;
}

/** The meetings of a class, or of all of the viewer's, that are not over at a moment, the next first. */
export async function comingMeetings(
  db: Knex,
  classIds: readonly string[],
  now: Date,
  most = 60,
): Promise<readonly PlannedMeeting[]> {
  const rows = await selectMeetings(db)
    .whereIn('meeting.class_id', [...classIds])
    .whereNull('class.archived_at')
    .where('meeting.ends_at', '>', now)
    .limit(most);
  return rows.map(fromRow);
}

/** All meetings of a class, for its calendar. */
export const meetingsOf = async (db: Knex, classId: string): Promise<readonly PlannedMeeting[]> =>
  (await selectMeetings(db).where('meeting.class_id', classId)).map(fromRow);

/** All meetings from a moment on, whoever teaches them: they share one store. */
export const meetingsOfAll = async (db: Knex, now: Date): Promise<readonly PlannedMeeting[]> =>
  (await selectMeetings(db).whereNull('class.archived_at').where('meeting.ends_at', '>', now).limit(400)).map(
    fromRow,
  );

/** The drafts of the exercises of a meeting, in its order; those that are gone are left out. */
export async function draftsFor(db: Knex, { exercises }: PlannedMeeting): Promise<readonly Draft[]> {
  const drafts = await Promise.all(exercises.map(({ id }) => findDraft(db, id)));
  return drafts.filter((draft) => draft !== undefined);
}

/** How a class works, by its own record; by the ids that exercises have in their files. */
export async function paceOfClass(
  db: Knex,
  viewer: Viewer,
  classId: string,
  drafts: readonly Draft[],
): Promise<Pace> {
  const record = await classTries(db, viewer, classId);
  if (!record) return paceOf([]);
  const pace = paceOf(timesTaken(record.exercises, recordCells(record.tries)));
  const slugs = new Map(drafts.map(({ id, sheet }) => [id, sheet.id]));
  return {
    ...pace,
    own: new Map(
      [...pace.own].flatMap(([id, factor]) => {
        const slug = slugs.get(id);
        return slug === undefined ? [] : [[slug, factor] as const];
      }),
    ),
  };
}

/** Decides something of a meeting; says why not. */
export async function decide(
  db: Knex,
  viewer: Viewer,
  meetingId: string,
  decision: MeetingDecision,
): Promise<string | undefined> {
  const meeting = await findMeeting(db, viewer, meetingId);
  if (!meeting || !can(viewer.role, 'plan-meeting')) return 'This meeting is not yours to plan.';
  if ('exercises' in decision) {
    const wanted = [...new Set(decision.exercises)];
    const allowed = await Promise.all(wanted.map((id) => mayWithExercise(db, viewer, id, 'look')));
    if (allowed.includes(false)) return 'One of these exercises no longer exists.';
    await db.transaction(async (transaction) => {
      await transaction('meeting').where({ id: meetingId }).forUpdate().first('id');
      await transaction('meeting_exercise').where({ meeting_id: meetingId }).delete();
      if (wanted.length > 0)
        await transaction('meeting_exercise').insert(
          wanted.map((exercise_id, position) => ({ meeting_id: meetingId, exercise_id, position })),
        );
      await audit(transaction, viewer.id, 'plan-meeting', meeting.classId);
    });
  } else if ('prepared' in decision)
    await db('meeting').where({ id: meetingId }).update({ prepared: decision.prepared });
  else await db('class').where({ id: meeting.classId }).update({ per_bench: decision.perBench });
  return undefined;
}

/** What comes next for a class: the lesson behind the one of its meeting before, else the first of a course. */
export async function suggestionFor(
  db: Knex,
  viewer: Viewer,
  meeting: PlannedMeeting,
): Promise<Suggestion | undefined> {
  const before = await db('meeting_exercise')
    .join('meeting', 'meeting.id', 'meeting_exercise.meeting_id')
    .join('exercise', 'exercise.id', 'meeting_exercise.exercise_id')
    .where('meeting.class_id', meeting.classId)
    .where('meeting.starts_at', '<', meeting.startsAt)
    .orderBy([
      { column: 'meeting.starts_at', order: 'desc' },
      { column: 'exercise.position', order: 'desc' },
    ])
    .first<{ exercise_id: string; course_id: string; position: number } | undefined>(
      'exercise.id as exercise_id',
      'exercise.course_id',
      'exercise.position',
    );
  const courseId = before?.course_id ?? (await firstCourse(db, viewer));
  if (courseId === undefined) return undefined;
  const next = await db('exercise')
    .where({ course_id: courseId })
    .where('position', '>', before?.position ?? 0)
    .orderBy('position')
    .first<{ id: string; lesson_id: string | null } | undefined>('id', 'lesson_id');
  if (!next || !(await mayWithExercise(db, viewer, next.id, 'look'))) return undefined;
  const [lesson, drafts] = await Promise.all([
    next.lesson_id === null
      ? undefined
      : db('lesson').where({ id: next.lesson_id }).first<{ title: string } | undefined>('title'),
    draftsOf(db, courseId),
  ]);
  const ids =
    next.lesson_id === null
      ? [next.id]
      : await db('exercise').where({ lesson_id: next.lesson_id }).orderBy('position').pluck<string[]>('id');
  return {
    lesson: lesson?.title ?? 'Next',
    exercises: drafts
      .filter(({ id }) => ids.includes(id))
      .map(({ id, sheet }) => ({ id, title: sheet.title, minutes: sheet.minutes ?? null })),
  };
}

async function firstCourse(db: Knex, viewer: Viewer): Promise<string | undefined> {
  const row = await db('course')
    .where({ owner_id: viewer.id })
    .orderBy('created_at')
    .first<{ id: string } | undefined>('id');
  return row?.id;
}

/** How a meeting runs, as it was told last. */
export async function runOf(db: Knex, meetingId: string): Promise<RunMessage> {
  const row = await db('meeting_run')
    .where({ meeting_id: meetingId })
    .first<{ state: RunMessage['state']; pressed_at: string } | undefined>('state', 'pressed_at');
  return row ? { state: row.state, pressedAt: Number(row.pressed_at) } : { state: null, pressedAt: 0 };
}

/** Keeps how a meeting runs, unless something was pressed later; how it runs then. */
export async function setRun(
  db: Knex,
  meetingId: string,
  { state, pressedAt, taken }: RunMessage,
): Promise<RunMessage> {
  const known = state?.taken ?? taken;
  await db('meeting_run')
    .insert({
      meeting_id: meetingId,
      state: JSON.stringify(state),
      pressed_at: pressedAt,
      ...(known === undefined ? {} : { taken: JSON.stringify(known) }),
    })
    .onConflict('meeting_id')
    .merge()
    .where('meeting_run.pressed_at', '<', pressedAt);
  return runOf(db, meetingId);
}

/** How long the stretches of the meetings of a class have taken, the last meeting first. */
export async function takenInClass(db: Knex, classId: string): Promise<readonly Running['taken'][]> {
  const rows = await db('meeting_run')
    .join('meeting', 'meeting.id', 'meeting_run.meeting_id')
    .where('meeting.class_id', classId)
    .orderBy('meeting.starts_at', 'desc')
    .pluck<unknown[]>('meeting_run.taken');
  return rows.map((taken) => takenSchema.safeParse(taken).data ?? {});
}

/** What has been ticked off for a meeting. */
export const ticksOf = (db: Knex, meetingId: string): Promise<readonly string[]> =>
  db('meeting_tick').where({ meeting_id: meetingId }).pluck<string[]>('item');

export async function tick(db: Knex, viewer: Viewer, meetingId: string, { item, done }: Tick): Promise<void> {
  if (done === 'no') await db('meeting_tick').where({ meeting_id: meetingId, item }).delete();
  else
    await db('meeting_tick')
      .insert({ meeting_id: meetingId, item, staff_id: viewer.id })
      .onConflict(['meeting_id', 'item'])
      .ignore();
}
