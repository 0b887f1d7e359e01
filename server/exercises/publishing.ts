import type { Knex } from 'knex';
import { judgedRules } from '@/core/course/house-rules';
import { exerciseFrom, isComplete } from '@/core/formats/exercise';
import { audit } from '../audit';
import type { Guard } from '../guard/processes';
import { sameClass, type Viewer } from '../permissions';
import { mayWithExercise } from '../sharing';
import { ownFault } from './own-check';
import { COMING, findPublication, OPEN_NOW, rulesOf } from './publications';

/** What was opened, or why it could not be. */
export type Published = { readonly publicationId: string } | { readonly message: string };

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
    return { publicationId: await opened(transaction, viewer, exerciseId, classId, revisionId) };
  });
}

/** Opens a revision for a class in place of what is open: it keeps its dates, and whom it is for. */
async function opened(
  transaction: Knex.Transaction,
  viewer: Viewer,
  exerciseId: string,
  classId: string,
  revisionId: string,
): Promise<string> {
  const before = await transaction('publication')
    .where({ class_id: classId })
    .whereNull('closed_at')
    .whereNot({ revision_id: revisionId })
    .whereIn('revision_id', transaction('revision').where({ exercise_id: exerciseId }).select('id'))
    .update({ closed_at: transaction.fn.now() })
    .returning<{ id: string; opens_at: Date | null; due_at: Date | null; closes_at: Date | null }[]>([
      'id',
      'opens_at',
      'due_at',
      'closes_at',
    ]);
  const [replaced] = before;
  const dates = replaced && {
    opens_at: replaced.opens_at,
    due_at: replaced.due_at,
    closes_at: replaced.closes_at,
  };
  const [publication] = await transaction('publication')
    .insert({ revision_id: revisionId, class_id: classId, ...dates })
    .onConflict(['revision_id', 'class_id'])
    .merge({ closed_at: null, ...dates })
    .returning<{ id: string }[]>('id');
  const { id } = publication!;
  if (replaced) {
    await transaction('publication_learner').where({ publication_id: id }).delete();
    await transaction.raw(
      `insert into publication_learner (publication_id, learner_id)
        select ?, learner_id from publication_learner where publication_id = ?`,
      [id, replaced.id],
    );
  }
  // Who opens an exercise by hand whose last day is past means that it is open.
  await transaction('publication')
    .where({ id })
    .where('closes_at', '<=', transaction.fn.now())
    .update({ closes_at: null });
  await audit(transaction, viewer.id, 'publish-exercise', id);
  return id;
}

/** Opens a revision again that a class had before; says why not. */
export async function bringBack(db: Knex, viewer: Viewer, publicationId: string): Promise<Published> {
  const publication = await findPublication(db, viewer, publicationId);
  if (!publication) return { message: 'This was never open in any of your classes.' };
  const row = await db('publication')
    .where({ id: publicationId })
    .first<{ revision_id: string }>('revision_id');
  return db.transaction(async (transaction) => ({
    publicationId: await opened(
      transaction,
      viewer,
      publication.exerciseId,
      publication.classId,
      row.revision_id,
    ),
  }));
}

/** When a publication is open, and for whom; an empty list means the whole class. */
export interface Dates {
  readonly opensAt: Date | null;
  /** When it is due: what comes later is late. */
  readonly dueAt: Date | null;
  readonly closesAt: Date | null;
  readonly learnerIds: readonly string[];
}

/** Sets when a publication is open and for whom; says why not. */
export async function setDates(
  db: Knex,
  viewer: Viewer,
  id: string,
  { opensAt, dueAt, closesAt, learnerIds }: Dates,
): Promise<string | undefined> {
  const publication = await findPublication(db, viewer, id);
  if (!publication) return 'This is not open in any of your classes.';
  if (opensAt && closesAt && opensAt >= closesAt)
    return 'It would close before it opens. Change one of the two.';
  if (dueAt && ((opensAt && opensAt >= dueAt) || (closesAt && dueAt > closesAt)))
    return 'It would be due when it is not open. Change one of the dates.';
  const known = await db('learner').where({ class_id: publication.classId }).pluck<string[]>('id');
  if (learnerIds.some((learnerId) => !known.includes(learnerId)))
    return 'One of these learners is no longer in the class. Open the dates again.';
  await db.transaction(async (transaction) => {
    await transaction('publication')
      .where({ id })
      .update({ opens_at: opensAt, due_at: dueAt, closes_at: closesAt, closed_at: null });
    await transaction('publication_learner').where({ publication_id: id }).delete();
    if (learnerIds.length > 0)
      await transaction('publication_learner').insert(
        learnerIds.map((learnerId) => ({ publication_id: id, learner_id: learnerId })),
      );
    await audit(transaction, viewer.id, 'set-dates', id);
  });
  return undefined;
}

/** What a class has or had of an exercise, for who publishes it. */
export interface ClassPublication {
  readonly publicationId: string;
  readonly classId: string;
  readonly revision: number;
  readonly standing: 'coming' | 'open' | 'closed';
  readonly opensAt: Date | null;
  /** When it is due: what comes later is late. */
  readonly dueAt: Date | null;
  readonly closesAt: Date | null;
  readonly learnerIds: readonly string[];
  readonly handIns: number;
}

/** Every publication of an exercise to the viewer's classes, the latest revision first. */
export async function publicationsOf(
  db: Knex,
  viewer: Viewer,
  exerciseId: string,
): Promise<readonly ClassPublication[]> {
  const rows = await db('publication')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where('revision.exercise_id', exerciseId)
    .whereIn('publication.class_id', [...viewer.classIds])
    .orderBy('revision.number', 'desc')
    .select<
      {
        id: string;
        class_id: string;
        number: number;
        standing: ClassPublication['standing'];
        opens_at: Date | null;
        due_at: Date | null;
        closes_at: Date | null;
        learners: string[];
        hand_ins: number;
      }[]
    >(
      'publication.id',
      'publication.class_id',
      'revision.number',
      'publication.opens_at',
      'publication.due_at',
      'publication.closes_at',
      db.raw(`case when ${OPEN_NOW} then 'open' when ${COMING} then 'coming' else 'closed' end as standing`),
      db.raw(
        'array(select learner_id::text from publication_learner where publication_id = publication.id) as learners',
      ),
      db.raw('(select count(*)::integer from submission where publication_id = publication.id) as hand_ins'),
    );
  return rows.map((row) => ({
    publicationId: row.id,
    classId: row.class_id,
    revision: row.number,
    standing: row.standing,
    opensAt: row.opens_at,
    dueAt: row.due_at,
    closesAt: row.closes_at,
    learnerIds: row.learners,
    handIns: row.hand_ins,
  }));
}

/** Closes a publication: nothing more can be handed in. */
export async function closePublication(db: Knex, viewer: Viewer, id: string): Promise<boolean> {
  const publication = await findPublication(db, viewer, id);
  if (!publication) return false;
  await db('publication').where({ id }).update({ closed_at: db.fn.now() });
  await audit(db, viewer.id, 'close-exercise', id);
  return true;
}
