import type { Knex } from 'knex';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { can, ownWork, type Viewer } from '../permissions';

/**
 * Erases a learner with all their work, when they are in a class of the viewer's. Returns whether there was such a
 * learner.
 */
export async function eraseLearner(db: Knex, viewer: Viewer, learnerId: string): Promise<boolean> {
  const learner = isUuid(learnerId)
    ? await db('learner').where({ id: learnerId }).first<{ class_id: string } | undefined>('class_id')
    : undefined;
  if (
    !learner ||
    !can(viewer.role, 'erase-learner') ||
    !ownWork(viewer, { learnerId, classId: learner.class_id })
  )
    return false;
  return erase(db, learnerId, viewer.id);
}

/**
 * The one path on which append-only records go, kept in the audit trail without the name. Returns whether there was
 * such a learner; whoever calls it has seen to it that they may.
 */
export async function erase(db: Knex, learnerId: string, actor: string): Promise<boolean> {
  return db.transaction(async (transaction) => {
    await transaction.raw("set local didaktor.erasing = 'on'");
    // What their class can still learn from, without a name, a program, or the day.
    await transaction.raw(
      `insert into past_try (publication_id, attempt, verdict, causes, hints_taken, week)
       select publication_id, attempt, verdict, causes, hints_taken, date_trunc('week', handed_in_at)
         from submission join report on report.key = submission.judging_key where learner_id = ?`,
      [learnerId],
    );
    // Reports quote what was handed in, those of before it was checked again as well.
    const { rows: all } = await transaction.raw<{ rows: { key: string }[] }>(
      `select judging_key as key from submission where learner_id = :learnerId
       union select unnest(array[before_key, after_key]) from rechecked
         join submission on submission.id = submission_id where learner_id = :learnerId`,
      { learnerId },
    );
    const keys = all.flatMap(({ key }) => key ?? []);
    const removed = await transaction('learner').where({ id: learnerId }).delete();
    if (removed === 0) return false;
    // Those that nobody shares go as well.
    const { rows: shared } = await transaction.raw<{ rows: { key: string }[] }>(
      `select judging_key as key from submission where judging_key = any(:keys)
       union select unnest(array[before_key, after_key]) from rechecked
         where before_key = any(:keys) or after_key = any(:keys)`,
      { keys },
    );
    const own = keys.filter((key) => !shared.some((other) => other.key === key));
    for (const table of ['report', 'judging', 'judging_failure'])
      await transaction(table).whereIn('key', own).delete();
    await transaction('known_device').where({ owner_id: learnerId }).delete();
    await transaction('sign_in_try').whereLike('subject', `${learnerId}%`).delete();
    await audit(transaction, actor, 'erase-learner', learnerId);
    return true;
  });
}
