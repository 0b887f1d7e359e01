import type { Knex } from 'knex';

/** What is kept in the audit trail, each as the trail says it. */
export const AUDITED = {
  'sign-in': 'signed in',
  'sign-in-refused': 'did not get in as',
  'name-claimed': 'joined',
  'let-in': 'let try again',
  'open-joining': 'let new names join',
  'end-meeting': 'ended the meeting of',
  'publish-exercise': 'published',
  'close-exercise': 'closed',
  'set-dates': 'set dates of',
  'remove-exercise': 'took out the exercise',
  'remove-lesson': 'took out the lesson',
  'remove-board': 'took out the board',
  'set-rule': 'set a house rule of',
  'share-course': 'shared the course',
  'share-board': 'shared the board',
  'erase-learner': 'erased',
  'export-person': 'took a file of all that is kept of',
  decide: 'reviewed',
  recheck: 'had checked again',
  'plan-meeting': 'planned a meeting of',
  'bring-in-kit': 'brought a list into the kit store',
  'import-course': 'brought in the course',
  'bring-in': 'brought in hand-ins from outside',
  'accept-circuit': 'said which circuits are accepted for',
  'make-staff': 'made the account of',
  'set-password': 'set the password of',
  'change-colleague': 'changed the account of',
  'make-link': 'made a link for',
  'make-class': 'made the class',
  'change-class': 'changed the class',
  'renew-code': 'gave another code to',
  'set-meetings': 'set the meetings of',
  'set-class-staff': 'set who teaches',
  'add-learner': 'added',
  'rename-learner': 'renamed',
  'move-learner': 'moved',
  'reset-word': 'made a slip for',
} as const;
export type Audited = keyof typeof AUDITED;

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
