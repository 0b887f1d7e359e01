import type { Knex } from 'knex';
import { DEFAULT_HOUSE_RULES, judgedRules, rulesWith, type HouseRules } from '@/core/course/house-rules';
import { exerciseFrom, isComplete, type Exercise } from '@/core/formats/exercise';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import type { Guard } from '../guard/processes';
import { sameClass, type Viewer } from '../permissions';
import { mayWithExercise } from '../sharing';
import { ownFault } from './own-check';

/** What was opened for which class, and whether it still is. */
interface Opened {
  readonly id: string;
  readonly classId: string;
  readonly className: string;
  readonly exerciseId: string;
  readonly revision: number;
  readonly isOpen: boolean;
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
  readonly closed_at: Date | null;
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

const openedColumns = [
  'publication.id',
  'publication.class_id',
  'class.name as class_name',
  'revision.exercise_id',
  'revision.number',
  'publication.closed_at',
];

const openedFrom = (row: OpenedRow): Opened => ({
  id: row.id,
  classId: row.class_id,
  className: row.class_name,
  exerciseId: row.exercise_id,
  revision: row.number,
  isOpen: row.closed_at === null,
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
function rulesOf(course: unknown, { data }: Exercise): HouseRules {
  const base = rulesWith(DEFAULT_HOUSE_RULES, course);
  const own = rulesWith(base.ok ? base.value : DEFAULT_HOUSE_RULES, data.rules);
  return own.ok ? own.value : base.ok ? base.value : DEFAULT_HOUSE_RULES;
}

/** A publication of one of the viewer's classes; `undefined` when there is none, or it is another's. */
export async function findPublication(
  db: Knex,
  viewer: Viewer,
  id: string,
): Promise<Publication | undefined> {
  if (!isUuid(id)) return undefined;
  const [row] = await joined(db)
    .where('publication.id', id)
    .join('course', 'course.id', 'exercise.course_id')
    .select<Row[]>(...openedColumns, 'revision.content', 'course.rules as course_rules');
  return row && sameClass(viewer, row.class_id) ? fromRow(row) : undefined;
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
 * What is published to the viewer's classes, in the order of the course: what is open, and what was handed in to
 * before it was closed or published anew.
 */
export async function publicationsFor(db: Knex, viewer: Viewer): Promise<readonly PublicationLine[]> {
  const rows = await joined(db)
    .whereIn('publication.class_id', [...viewer.classIds])
    .orderBy(['class.name', 'exercise.position', 'revision.number'])
    .select<LineRow[]>(
      ...openedColumns,
      db.raw("revision.content->>'title' as title"),
      db.raw("revision.content->>'aim' as aim"),
      db.raw("revision.content->'concepts'->'introduces' as introduces"),
    );
  const newest = new Map(rows.map((row) => [`${row.class_id} ${row.exercise_id}`, row.number]));
  return rows
    .filter(
      (row) => row.closed_at === null || newest.get(`${row.class_id} ${row.exercise_id}`) === row.number,
    )
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
  /** Whether a later revision of the exercise is open for the class. */
  readonly isPublishedAnew: boolean;
  /** The exercise's own board, when it has one. */
  readonly boardProfile: unknown;
}

/** A publication of one of the viewer's classes, for handing in to it. */
export async function findOpening(db: Knex, viewer: Viewer, id: string): Promise<Opening | undefined> {
  if (!isUuid(id)) return undefined;
  const [row] = await joined(db)
    .where('publication.id', id)
    .select<
      {
        class_id: string;
        closed_at: Date | null;
        revision_id: string;
        board_profile: unknown;
        is_published_anew: boolean;
      }[]
    >(
      'publication.class_id',
      'publication.closed_at',
      'publication.revision_id',
      db.raw("revision.content->'boardProfile' as board_profile"),
      db.raw(`exists (
        select 1 from publication as later join revision as its on its.id = later.revision_id
         where later.class_id = publication.class_id and later.closed_at is null
           and its.exercise_id = revision.exercise_id and its.number > revision.number
      ) as is_published_anew`),
    );
  if (!row || !sameClass(viewer, row.class_id)) return undefined;
  return {
    revisionId: row.revision_id,
    isOpen: row.closed_at === null,
    isPublishedAnew: row.is_published_anew,
    boardProfile: row.board_profile ?? undefined,
  };
}

/** Earlier publications of the same exercise to the same class, newest first: work begun on them goes on. */
export const earlierPublications = (db: Knex, publicationId: string): Promise<readonly string[]> =>
  db('publication as own')
    .join('revision as its', 'its.id', 'own.revision_id')
    .join('publication as earlier', 'earlier.class_id', 'own.class_id')
    .join('revision', 'revision.id', 'earlier.revision_id')
    .where('own.id', publicationId)
    .whereRaw('revision.exercise_id = its.exercise_id and revision.number < its.number')
    .orderBy('revision.number', 'desc')
    .pluck<string[]>('earlier.id');

/** Classes of a viewer, by name. */
export async function classesOf(
  db: Knex,
  viewer: Viewer,
): Promise<readonly { readonly id: string; readonly name: string; readonly code: string }[]> {
  return db('class')
    .whereIn('id', [...viewer.classIds])
    .orderBy('name')
    .select<{ id: string; name: string; code: string }[]>('id', 'name', 'code');
}

type Published = { readonly publicationId: string } | { readonly message: string };

/** Publishes the draft of an exercise to a class, when its own wiring and program do what it asks for. */
export async function publish(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  exerciseId: string,
  classId: string,
): Promise<Published> {
  const draft = (await mayWithExercise(db, viewer, exerciseId, 'look'))
    ? await db('exercise').where({ id: exerciseId }).first<{ draft: object } | undefined>('draft')
    : undefined;
  const read = draft && exerciseFrom(draft.draft);
  // What cannot be read or judged is refused below, by its reason.
  const fault = read?.ok && isComplete(read.value) ? await ownFault(guarded, read.value) : undefined;
  if (fault !== undefined) return { message: `The exercise cannot be published yet: ${fault}` };
  return publishAsItIs(db, viewer, exerciseId, classId);
}

/** Publishes a draft that is known to do what it asks for: a new revision when it has changed, and open. */
export async function publishAsItIs(
  db: Knex,
  viewer: Viewer,
  exerciseId: string,
  classId: string,
): Promise<Published> {
  if (!sameClass(viewer, classId)) return { message: 'This is not one of your classes.' };
  if (!(await mayWithExercise(db, viewer, exerciseId, 'look')))
    return { message: 'This exercise no longer exists.' };
  return db.transaction(async (transaction) => {
    const exercise = await transaction('exercise')
      .join('course', 'course.id', 'exercise.course_id')
      .where('exercise.id', exerciseId)
      .forUpdate('exercise')
      .first<{ draft: object; rules: unknown } | undefined>('exercise.draft', 'course.rules');
    if (!exercise) return { message: 'This exercise no longer exists.' };
    const checked = exerciseFrom(exercise.draft);
    if (!checked.ok)
      return { message: `The exercise cannot be published yet: ${checked.problems[0]?.message ?? ''}` };
    if (!isComplete(checked.value))
      return {
        message: 'The exercise cannot be published yet: without a scenario no hand-in can be judged.',
      };
    // What hand-ins are judged by stays as it is now, whatever the course says later.
    const content = JSON.stringify({
      ...exercise.draft,
      rules: { ...judgedRules(rulesOf(exercise.rules, checked.value)), ...checked.value.data.rules },
    });
    const latest = await transaction('revision')
      .where({ exercise_id: exerciseId })
      .orderBy('number', 'desc')
      .first<{ id: string; number: number; same: boolean } | undefined>(
        'id',
        'number',
        transaction.raw('content = ?::jsonb as same', [content]),
      );
    let revisionId = latest?.same ? latest.id : undefined;
    if (revisionId === undefined) {
      const [made] = await transaction('revision')
        .insert({
          exercise_id: exerciseId,
          number: (latest?.number ?? 0) + 1,
          content,
          published_by: viewer.id,
        })
        .returning<{ id: string }[]>('id');
      revisionId = made!.id;
    }
    const [publication] = await transaction('publication')
      .insert({ revision_id: revisionId, class_id: classId })
      .onConflict(['revision_id', 'class_id'])
      .merge({ closed_at: null })
      .returning<{ id: string }[]>('id');
    // One revision is open for a class at a time.
    await transaction('publication')
      .where({ class_id: classId })
      .whereNull('closed_at')
      .whereNot({ id: publication!.id })
      .whereIn('revision_id', transaction('revision').where({ exercise_id: exerciseId }).select('id'))
      .update({ closed_at: transaction.fn.now() });
    await audit(transaction, viewer.id, 'publish-exercise', publication!.id);
    return { publicationId: publication!.id };
  });
}

/** Closes a publication: nothing more can be handed in. */
export async function closePublication(db: Knex, viewer: Viewer, id: string): Promise<boolean> {
  const publication = await findPublication(db, viewer, id);
  if (!publication) return false;
  await db('publication').where({ id }).update({ closed_at: db.fn.now() });
  await audit(db, viewer.id, 'close-exercise', id);
  return true;
}
