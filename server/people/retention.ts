import type { Knex } from 'knex';
import { erase } from './erase';

/** Who acts when the time is over that a class set. */
export const BY_RULE = 'retention rule';

/** Days after a rule was set in which it erases nobody, whatever day it names: what was mistyped is still there. */
const GRACE = 7;

/** The last day on which the learners of a class are kept, as SQL on the table `class`; null for a class without a rule. */
export const KEPT_UNTIL = `greatest(class.ends_on + class.keep_days,
  case when class.ends_on + class.keep_days is not null then (class.rule_set_at + interval '${GRACE} days')::date end)`;

/** Learners that are erased at once, so that a minute's tidying stays short. */
const MOST_AT_ONCE = 20;

/**
 * Erases learners of classes that ended longer ago than their work is to be kept, a week after that was said at the
 * earliest; of a class without an end or a rule, nobody. Returns how many.
 */
export async function eraseWhatIsOver(db: Knex): Promise<number> {
  const over = await db('learner')
    .join('class', 'class.id', 'learner.class_id')
    .whereRaw(`${KEPT_UNTIL} < current_date`)
    .limit(MOST_AT_ONCE)
    .pluck<string[]>('learner.id');
  for (const id of over) await erase(db, id, BY_RULE);
  return over.length;
}
