import type { Knex } from 'knex';

/** What is kept in the audit trail. */
export type Audited =
  | 'sign-in'
  | 'sign-in-refused'
  | 'name-claimed'
  | 'let-in'
  | 'open-joining'
  | 'end-meeting'
  | 'publish-exercise'
  | 'close-exercise'
  | 'set-dates'
  | 'remove-exercise'
  | 'remove-lesson'
  | 'remove-board'
  | 'set-rule'
  | 'share-course'
  | 'share-board'
  | 'erase-learner'
  | 'export-person'
  | 'make-staff'
  | 'set-password'
  | 'change-colleague'
  | 'make-link'
  | 'make-class'
  | 'change-class'
  | 'renew-code'
  | 'set-meetings'
  | 'set-class-staff'
  | 'add-learner'
  | 'rename-learner'
  | 'move-learner'
  | 'reset-word';

/**
 * Keeps who did what to whom: `actor` and `subject` by their ids, never by name, so that the trail outlives an
 * erased person. `detail` holds nothing that was written by a learner.
 */
export async function audit(
  db: Knex,
  actor: string,
  action: Audited,
  subject: string,
  detail = '',
): Promise<void> {
  await db('audit').insert({ actor, action, subject, detail });
}
