import type { Knex } from 'knex';
import { erase } from './erase';

/** Who acts when the time is over that a class set. */
export const BY_RULE = 'retention rule';

/** Learners that are erased at once, so that a minute's tidying stays short. */
const MOST_AT_ONCE = 20;

/**
 * Erases learners of classes that ended longer ago than their work is to be kept; of a class without an end or a
 * rule, nobody. Returns how many.
 */
export async function eraseWhatIsOver(db: Knex): Promise<number> {
  const over = await db('learner')
    .join('class', 'class.id', 'learner.class_id')
    .whereRaw('class.ends_on + class.keep_days < current_date')
    .limit(MOST_AT_ONCE)
    .pluck<string[]>('learner.id');
  for (const id of over) await erase(db, id, BY_RULE);
  return over.length;
}
