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
    const keys = await transaction('submission')
      .where({ learner_id: learnerId })
      .distinct()
      .pluck<string[]>('judging_key');
    const removed = await transaction('learner').where({ id: learnerId }).delete();
    if (removed === 0) return false;
    // Reports quote what was handed in; those that nobody shares go as well.
    const shared = await transaction('submission')
      .whereIn('judging_key', keys)
      .pluck<string[]>('judging_key');
    const own = keys.filter((key) => !shared.includes(key));
    for (const table of ['report', 'judging', 'judging_failure'])
      await transaction(table).whereIn('key', own).delete();
    await transaction('known_device').where({ owner_id: learnerId }).delete();
    await transaction('sign_in_try').whereLike('subject', `${learnerId}%`).delete();
    await audit(transaction, actor, 'erase-learner', learnerId);
    return true;
  });
}
