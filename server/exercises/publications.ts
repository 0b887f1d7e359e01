import type { Knex } from 'knex';
import { DEFAULT_HOUSE_RULES, rulesWith, type HouseRules } from '@/core/course/house-rules';
import { exerciseFrom, type Exercise } from '@/core/formats/exercise';
import { isUuid } from '../database/ids';
import { KEPT_UNTIL } from '../people/retention';
import { sameClass, type Viewer } from '../permissions';

/** What was opened for which class, and whether it is open now. */
interface Opened {
  readonly id: string;
  readonly classId: string;
  readonly className: string;
  readonly exerciseId: string;
  readonly revision: number;
  readonly isOpen: boolean;
  /** Whether it is to open later, by itself. */
  readonly isComing: boolean;
  /** When it opens by itself; `null` for at once. */
  readonly opensAt: Date | null;
  /** When it is due; `null` when it never is. */
  readonly dueAt: Date | null;
  /** When it closes by itself; `null` for never. */
  readonly closesAt: Date | null;
}

/** An exercise as it was opened for a class. */
export interface Publication extends Opened {
  readonly exercise: Exercise;
  /** The house rules that hold for it: the course's, and its own. */
  readonly rules: HouseRules;
}

interface OpenedRow {
  readonly id: string;
  readonly class_id: string;
  readonly class_name: string;
  readonly exercise_id: string;
  readonly number: number;
  readonly is_open: boolean;
  readonly is_coming: boolean;
  readonly opens_at: Date | null;
  readonly due_at: Date | null;
  readonly closes_at: Date | null;
}

interface Row extends OpenedRow {
  readonly content: unknown;
  readonly course_rules: unknown;
}

const joined = (db: Knex) =>
  db('publication')
    .join('revision', 'revision.id', 'publication.revision_id')
    .join('exercise', 'exercise.id', 'revision.exercise_id')
    .join('class', 'class.id', 'publication.class_id');

/** Whether a publication is open at this moment, as a condition. */
export const OPEN_NOW = `publication.closed_at is null
  and coalesce(publication.opens_at <= now(), true) and coalesce(publication.closes_at > now(), true)`;

/** Whether it is to open by itself. */
export const COMING = 'publication.closed_at is null and coalesce(publication.opens_at > now(), false)';

const openedColumns = (db: Knex) => [
  'publication.id',
  'publication.class_id',
  'class.name as class_name',
  'revision.exercise_id',
  'revision.number',
  'publication.opens_at',
  'publication.due_at',
  'publication.closes_at',
  db.raw(`(${OPEN_NOW}) as is_open`),
  db.raw(`(${COMING}) as is_coming`),
];

/** Leaves what is for other learners of the class out of what a learner asks for, but for what they handed in to. */
const forLearner =
  (viewer: Viewer) =>
  (query: Knex.QueryBuilder): void => {
    if (viewer.role === 'student')
      void query.whereRaw(
        `(not exists (select 1 from publication_learner as chosen where chosen.publication_id = publication.id)
          or exists (select 1 from publication_learner as chosen
                      where chosen.publication_id = publication.id and chosen.learner_id = ?)
          or exists (select 1 from submission
                      where submission.publication_id = publication.id and submission.learner_id = ?))`,
        [viewer.id, viewer.id],
      );
  };

const openedFrom = (row: OpenedRow): Opened => ({
  id: row.id,
  classId: row.class_id,
  className: row.class_name,
  exerciseId: row.exercise_id,
  revision: row.number,
  isOpen: row.is_open,
  isComing: row.is_coming,
  opensAt: row.opens_at,
  dueAt: row.due_at,
  closesAt: row.closes_at,
});

function fromRow(row: Row): Publication {
  const exercise = exerciseFrom(row.content);
  // Only checked content is ever published, so this is a bug or a damaged database.
  if (!exercise.ok)
    throw new Error(
      `revision of publication ${row.id} cannot be read: ${exercise.problems[0]?.message ?? ''}`,
    );
  return {
    ...openedFrom(row),
    exercise: exercise.value,
    rules: rulesOf(row.course_rules, exercise.value),
  };
}

/** The rules of a course with those of an exercise; what cannot be read is as if nothing were said. */
export function rulesOf(course: unknown, { data }: Exercise): HouseRules {
  const base = rulesWith(DEFAULT_HOUSE_RULES, course);
  const own = rulesWith(base.ok ? base.value : DEFAULT_HOUSE_RULES, data.rules);
  return own.ok ? own.value : base.ok ? base.value : DEFAULT_HOUSE_RULES;
}

/**
 * A publication of one of the viewer's classes; `undefined` when there is none, it is another's, or a learner may not
 * see it yet.
 */
export async function findPublication(
  db: Knex,
  viewer: Viewer,
  id: string,
): Promise<Publication | undefined> {
  if (!isUuid(id)) return undefined;
  const [row] = await joined(db)
    .where('publication.id', id)
    .modify(forLearner(viewer))
    .join('course', 'course.id', 'exercise.course_id')
    .select<Row[]>(...openedColumns(db), 'revision.content', 'course.rules as course_rules');
  if (!row || !sameClass(viewer, row.class_id)) return undefined;
  return viewer.role === 'student' && row.is_coming ? undefined : fromRow(row);
}

/** A publication as lists show it, without the exercise itself. */
export interface PublicationLine extends Opened {
  readonly title: string;
  readonly aim: string;
  /** Concepts that it introduces. */
  readonly introduces: readonly string[];
}

interface LineRow extends OpenedRow {
  readonly title: string;
  readonly aim: string | null;
  readonly introduces: readonly string[] | null;
}

/**
 * What is published to the viewer's classes, in the order of the course: of each exercise what is open or to open,
 * else what was open last.
 */
export async function publicationsFor(db: Knex, viewer: Viewer): Promise<readonly PublicationLine[]> {
  const rows = await joined(db)
    .whereIn('publication.class_id', [...viewer.classIds])
    .modify(forLearner(viewer))
    .orderBy(['class.name', 'exercise.position', 'revision.number'])
    .select<LineRow[]>(
      ...openedColumns(db),
      db.raw("revision.content->>'title' as title"),
      db.raw("revision.content->>'aim' as aim"),
      db.raw("revision.content->'concepts'->'introduces' as introduces"),
    );
  const shown = new Map<string, LineRow>();
  for (const row of rows) {
    const key = `${row.class_id} ${row.exercise_id}`;
    const before = shown.get(key);
    if (!before || row.is_open || row.is_coming || !(before.is_open || before.is_coming)) shown.set(key, row);
  }
  return rows
    .filter((row) => shown.get(`${row.class_id} ${row.exercise_id}`) === row)
    .map((row) => ({
      ...openedFrom(row),
      title: row.title,
      aim: row.aim ?? '',
      introduces: row.introduces ?? [],
    }));
}

/** What a hand-in to a publication needs to know of it. */
export interface Opening {
  readonly revisionId: string;
  readonly isOpen: boolean;
  /** Whether another revision of the exercise is open for the class. */
  readonly isPublishedAnew: boolean;
  /** Whether the exercise leaves to the learner what theirs does. */
  readonly leavesOpen: boolean;
  /** The exercise's own board, when it has one. */
  readonly boardProfile: unknown;
}

/** A publication of one of the viewer's classes, for handing in to it. */
export async function findOpening(db: Knex, viewer: Viewer, id: string): Promise<Opening | undefined> {
  if (!isUuid(id)) return undefined;
  const [row] = await joined(db)
    .where('publication.id', id)
    .modify(forLearner(viewer))
    .select<
      {
        class_id: string;
        is_open: boolean;
        revision_id: string;
        board_profile: unknown;
        leaves_open: boolean;
        is_published_anew: boolean;
      }[]
    >(
      'publication.class_id',
      'publication.revision_id',
      db.raw(`(${OPEN_NOW}) as is_open`),
      db.raw("revision.content->'boardProfile' as board_profile"),
      db.raw("jsonb_typeof(revision.content->'open') is not null as leaves_open"),
      db.raw(`exists (
        select 1 from publication as other join revision as its on its.id = other.revision_id
         where other.class_id = publication.class_id and other.closed_at is null
           and its.exercise_id = revision.exercise_id and its.id <> revision.id
      ) as is_published_anew`),
    );
  if (!row || !sameClass(viewer, row.class_id)) return undefined;
  return {
    revisionId: row.revision_id,
    isOpen: row.is_open,
    isPublishedAnew: row.is_published_anew,
    leavesOpen: row.leaves_open,
    boardProfile: row.board_profile ?? undefined,
  };
}

/** What a class had of an exercise before it was published anew, or an old revision brought back. */
export interface OtherPublication {
  readonly id: string;
  readonly revision: number;
  /** As it was published. */
  readonly exercise: Exercise | undefined;
}

/**
 * Other publications of the same exercise, on which a learner's work may have begun, those open last first: to the same
 * class, and to a class that they were in before.
 */
export async function otherPublications(
  db: Knex,
  publicationId: string,
  learnerId: string,
): Promise<readonly OtherPublication[]> {
  const rows = await db('publication as own')
    .join('revision as its', 'its.id', 'own.revision_id')
    .join('revision', 'revision.exercise_id', 'its.exercise_id')
    .join('publication as other', 'other.revision_id', 'revision.id')
    .where('own.id', publicationId)
    .whereRaw('other.id <> own.id')
    .whereRaw(
      `(other.class_id = own.class_id
        or exists (select 1 from bench_draft where publication_id = other.id and learner_id = ?)
        or exists (select 1 from submission where publication_id = other.id and learner_id = ?))`,
      [learnerId, learnerId],
    )
    .orderByRaw('other.closed_at desc nulls first')
    .select<{ id: string; number: number; content: unknown }[]>(
      'other.id',
      'revision.number',
      'revision.content',
    );
  return rows.map(({ id, number, content }) => {
    const exercise = exerciseFrom(content);
    return { id, revision: number, exercise: exercise.ok ? exercise.value : undefined };
  });
}

/** Classes of a viewer, by name. */
export async function classesOf(
  db: Knex,
  viewer: Viewer,
): Promise<
  readonly {
    readonly id: string;
    readonly name: string;
    readonly code: string;
    /** Days until its learners are erased; `null` for never. */
    readonly keptDays: number | null;
  }[]
> {
  return db('class')
    .whereIn('id', [...viewer.classIds])
    .whereNull('archived_at')
    .orderBy('name')
    .select<{ id: string; name: string; code: string; keptDays: number | null }[]>(
      'id',
      'name',
      'code',
      db.raw(`${KEPT_UNTIL} - current_date as "keptDays"`),
    );
}
