import type { Knex } from 'knex';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { sameClass, type Viewer } from '../permissions';
import { easyWords } from './easy-words';
import { hashSecret } from './secrets';
import { isLiveSession } from './sessions';
import { plainSlip } from './sign-in';
import { forgetTries } from './tries';

/** Minutes for which a class is open to names that nobody has claimed. */
export const JOINING_MINUTES = 30;

/** Opens a class for a while to names that nobody has claimed; false when it is not the viewer's. */
export async function openJoining(db: Knex, viewer: Viewer, classId: string): Promise<boolean> {
  if (!sameClass(viewer, classId)) return false;
  await db('class')
    .where({ id: classId })
    .update({ joining_until: db.raw("now() + ? * interval '1 minute'", [JOINING_MINUTES]) });
  await audit(db, viewer.id, 'open-joining', classId);
  return true;
}

/** Words on a slip. */
const SLIP_WORDS = 2;

/** Gives a learner a slip to claim their name with; the word they had is forgotten. Returns what is on the slip. */
export async function resetWord(db: Knex, learnerId: string, actor: string): Promise<string | undefined> {
  if (!isUuid(learnerId)) return undefined;
  const slip = easyWords(SLIP_WORDS);
  const changed = await db('learner')
    .where({ id: learnerId })
    .update({ word_hash: null, slip_hash: await hashSecret(plainSlip(slip)) });
  if (changed === 0) return undefined;
  await db('session').where({ learner_id: learnerId }).delete();
  await forgetAllTries(db, learnerId);
  await audit(db, actor, 'reset-word', learnerId);
  return slip;
}

/** Lets a learner try at once again for whom somebody has failed too often; false when not of the viewer's class. */
export async function letIn(db: Knex, viewer: Viewer, learnerId: string): Promise<boolean> {
  if (!(await isOwnLearner(db, viewer, learnerId))) return false;
  await forgetAllTries(db, learnerId);
  await audit(db, viewer.id, 'let-in', learnerId);
  return true;
}

/** A new slip for a learner of one of the viewer's classes. */
export const newWordFor = async (db: Knex, viewer: Viewer, learnerId: string): Promise<string | undefined> =>
  (await isOwnLearner(db, viewer, learnerId)) ? resetWord(db, learnerId, viewer.id) : undefined;

async function isOwnLearner(db: Knex, viewer: Viewer, learnerId: string): Promise<boolean> {
  if (!isUuid(learnerId)) return false;
  const learner = await db('learner')
    .where({ id: learnerId })
    .first<{ class_id: string } | undefined>('class_id');
  return learner !== undefined && sameClass(viewer, learner.class_id);
}

async function forgetAllTries(db: Knex, learnerId: string): Promise<void> {
  const subjects = await db('sign_in_try').whereLike('subject', `${learnerId}%`).pluck<string[]>('subject');
  await forgetTries(db, subjects);
}

/** How many learners of each class are signed in, and until when it is open to new names. */
export async function doorsOf(
  db: Knex,
  classIds: readonly string[],
): Promise<ReadonlyMap<string, { readonly signedIn: number; readonly joiningUntil: string | null }>> {
  const rows = await db('class')
    .leftJoin('learner', 'learner.class_id', 'class.id')
    .leftJoin('session', function () {
      this.on('session.learner_id', 'learner.id').andOn(isLiveSession(db));
    })
    .whereIn('class.id', [...classIds])
    .groupBy('class.id')
    .select<{ id: string; signed_in: string; joining_until: Date | null }[]>(
      'class.id',
      db.raw('count(distinct session.learner_id) as signed_in'),
      db.raw('case when class.joining_until > now() then class.joining_until end as joining_until'),
    );
  return new Map(
    rows.map((row) => [
      row.id,
      { signedIn: Number(row.signed_in), joiningUntil: row.joining_until?.toISOString() ?? null },
    ]),
  );
}
