import type { Knex } from 'knex';
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
    await transaction('learner').where({ id: learnerId }).delete();
    await transaction('audit').insert({ actor: viewer.id, action: 'erase-learner', subject: learnerId });
    return true;
  });
}
