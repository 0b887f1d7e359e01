import type { Knex } from 'knex';
import { exerciseFrom, isComplete, type Exercise } from '@/core/formats/exercise';
import { isUuid } from '../database/ids';
import { sameClass, type Viewer } from '../permissions';

/** An exercise as it was opened for a class. */
export interface Publication {
  readonly id: string;
  readonly classId: string;
  readonly className: string;
  readonly exerciseId: string;
  readonly revision: number;
  readonly isOpen: boolean;
  readonly exercise: Exercise;
}

interface Row {
  readonly id: string;
  readonly class_id: string;
  readonly class_name: string;
  readonly exercise_id: string;
  readonly number: number;
  readonly closed_at: Date | null;
  readonly content: unknown;
}

const selectPublications = (db: Knex) =>
  db('publication')
    .join('revision', 'revision.id', 'publication.revision_id')
    .join('exercise', 'exercise.id', 'revision.exercise_id')
    .join('class', 'class.id', 'publication.class_id')
    .select<Row[]>(
      'publication.id',
      'publication.class_id',
      'class.name as class_name',
      'revision.exercise_id',
      'revision.number',
      'publication.closed_at',
      'revision.content',
    );

function fromRow(row: Row): Publication {
  const exercise = exerciseFrom(row.content);
  // Only checked content is ever published, so this is a bug or a damaged database.
  if (!exercise.ok)
    throw new Error(
      `revision of publication ${row.id} cannot be read: ${exercise.problems[0]?.message ?? ''}`,
    );
  return {
    id: row.id,
    classId: row.class_id,
    className: row.class_name,
    exerciseId: row.exercise_id,
    revision: row.number,
    isOpen: row.closed_at === null,
    exercise: exercise.value,
  };
}

/** A publication of one of the viewer's classes; `undefined` when there is none, or it is another's. */
export async function findPublication(
  db: Knex,
  viewer: Viewer,
  id: string,
): Promise<Publication | undefined> {
  if (!isUuid(id)) return undefined;
  const [row] = await selectPublications(db).where('publication.id', id);
  return row && sameClass(viewer, row.class_id) ? fromRow(row) : undefined;
}

/** What is published to the viewer's classes, in the order of the course. */
export async function publicationsFor(db: Knex, viewer: Viewer): Promise<readonly Publication[]> {
  const rows = await selectPublications(db)
    .whereIn('publication.class_id', [...viewer.classIds])
    .orderBy(['class.name', 'exercise.position']);
  return rows.map(fromRow);
}

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

/** Publishes the draft of an exercise to a class: a new revision when it has changed, and open. */
export async function publish(
  db: Knex,
  viewer: Viewer,
  exerciseId: string,
  classId: string,
): Promise<{ readonly publicationId: string } | { readonly message: string }> {
  if (!sameClass(viewer, classId)) return { message: 'This is not one of your classes.' };
  return db.transaction(async (transaction) => {
    const exercise = await transaction('exercise')
      .where({ id: exerciseId })
      .forUpdate()
      .first<{ draft: unknown } | undefined>('draft');
    if (!exercise) return { message: 'This exercise does not exist any more.' };
    const checked = exerciseFrom(exercise.draft);
    if (!checked.ok)
      return { message: `The exercise cannot be published yet: ${checked.problems[0]?.message ?? ''}` };
    if (!isComplete(checked.value))
      return {
        message:
          'The exercise cannot be published yet: without a program and a scenario no hand-in can be judged.',
      };
    const latest = await transaction('revision')
      .where({ exercise_id: exerciseId })
      .orderBy('number', 'desc')
      .first<{ id: string; number: number; same: boolean } | undefined>(
        'id',
        'number',
        transaction.raw('content = (select draft from exercise where id = ?) as same', [exerciseId]),
      );
    let revisionId = latest?.same ? latest.id : undefined;
    if (revisionId === undefined) {
      const [made] = await transaction('revision')
        .insert({
          exercise_id: exerciseId,
          number: (latest?.number ?? 0) + 1,
          content: JSON.stringify(exercise.draft),
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
    await transaction('audit').insert({
      actor: viewer.id,
      action: 'publish-exercise',
      subject: publication!.id,
    });
    return { publicationId: publication!.id };
  });
}

/** Closes a publication: nothing more can be handed in. */
export async function closePublication(db: Knex, viewer: Viewer, id: string): Promise<boolean> {
  const publication = await findPublication(db, viewer, id);
  if (!publication) return false;
  await db('publication').where({ id }).update({ closed_at: new Date() });
  await db('audit').insert({ actor: viewer.id, action: 'close-exercise', subject: id });
  return true;
}
