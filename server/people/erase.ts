import type { Knex } from 'knex';
import { audit } from '../audit';
import { can, ownWork, type Viewer } from '../permissions';

/**
 * Erases a learner with all their work: the one path on which append-only records go, kept in the
 * audit trail without the name. Returns whether there was such a learner in a class of the viewer's.
 */
export async function eraseLearner(db: Knex, viewer: Viewer, learnerId: string): Promise<boolean> {
  return db.transaction(async (transaction) => {
    const learner = await transaction('learner')
      .where({ id: learnerId })
      .first<{ class_id: string } | undefined>('class_id');
    if (
      !learner ||
      !can(viewer.role, 'erase-learner') ||
      !ownWork(viewer, { learnerId, classId: learner.class_id })
    )
      return false;
    await transaction.raw("set local didaktor.erasing = 'on'");
    const keys = await transaction('submission')
      .where({ learner_id: learnerId })
      .distinct()
      .pluck<string[]>('judging_key');
    await transaction('learner').where({ id: learnerId }).delete();
    // Reports quote what was handed in; those that nobody shares go as well.
    const shared = await transaction('submission')
      .whereIn('judging_key', keys)
      .pluck<string[]>('judging_key');
    const own = keys.filter((key) => !shared.includes(key));
    for (const table of ['report', 'judging', 'judging_failure'])
      await transaction(table).whereIn('key', own).delete();
    await transaction('known_device').where({ owner_id: learnerId }).delete();
    await transaction('sign_in_try').whereLike('subject', `${learnerId}%`).delete();
    await audit(transaction, viewer.id, 'erase-learner', learnerId);
    return true;
  });
}
