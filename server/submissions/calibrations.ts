import type { Knex } from 'knex';
import type { CalibrationMessage } from '@/core/messages/calibration';
import { findPublication } from '../exercises/publications';
import type { Viewer } from '../permissions';

/** The values of a learner's bench, by their names. */
export async function calibrationsOf(
  db: Knex,
  learnerId: string,
  publicationId: string,
): Promise<Readonly<Record<string, number>>> {
  const rows = await db('bench_calibration')
    .where({ learner_id: learnerId, publication_id: publicationId })
    .select<{ name: string; value: number }[]>('name', 'value');
  return Object.fromEntries(rows.map(({ name, value }) => [name, value]));
}

/** Keeps a value of a learner's bench; false when the exercise asks for none of that name, or is not theirs. */
export async function keepCalibration(
  db: Knex,
  viewer: Viewer,
  publicationId: string,
  { name, value }: CalibrationMessage,
): Promise<boolean> {
  const publication = await findPublication(db, viewer, publicationId);
  const isAsked = publication?.exercise.data.calibrations?.some((one) => one.name === name) === true;
  if (!isAsked) return false;
  const key = { publication_id: publicationId, learner_id: viewer.id, name };
  if (value === null) await db('bench_calibration').where(key).delete();
  else
    await db('bench_calibration')
      .insert({ ...key, value, set_at: new Date() })
      .onConflict(['publication_id', 'learner_id', 'name'])
      .merge();
  return true;
}

/** Values of benches of a class in some exercises, by learner. */
export async function calibrationsOfClass(
  db: Knex,
  classId: string,
  exerciseIds: readonly string[],
): Promise<ReadonlyMap<string, readonly { readonly name: string; readonly value: number }[]>> {
  const rows = await db('bench_calibration')
    .join('publication', 'publication.id', 'bench_calibration.publication_id')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where('publication.class_id', classId)
    .whereIn('revision.exercise_id', [...exerciseIds])
    .orderBy('bench_calibration.name')
    .select<{ learner_id: string; name: string; value: number }[]>('learner_id', 'name', 'value');
  const found = new Map<string, { name: string; value: number }[]>();
  for (const { learner_id, ...value } of rows)
    found.set(learner_id, [...(found.get(learner_id) ?? []), value]);
  return found;
}
