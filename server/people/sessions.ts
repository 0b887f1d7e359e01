import type { Knex } from 'knex';
import type { Viewer } from '../permissions';
import { newToken, tokenHash } from './secrets';

/** Days until a session ends: a term's evening for staff, a lesson's tablet for learners. */
const DAYS = { staff: 14, learner: 1 } as const;

export type SessionOwner = { readonly staffId: string } | { readonly learnerId: string };

/** Opens a session; the token goes into the cookie and is stored as a hash only. */
export async function openSession(
  db: Knex,
  owner: SessionOwner,
): Promise<{ readonly token: string; readonly expires: Date }> {
  const token = newToken();
  const isStaff = 'staffId' in owner;
  const expires = new Date(Date.now() + DAYS[isStaff ? 'staff' : 'learner'] * 86_400_000);
  await db('session').insert({
    token_hash: tokenHash(token),
    staff_id: isStaff ? owner.staffId : null,
    learner_id: isStaff ? null : owner.learnerId,
    expires_at: expires,
  });
  await db('session').where('expires_at', '<', new Date()).delete();
  return { token, expires };
}

export async function closeSession(db: Knex, token: string): Promise<void> {
  await db('session')
    .where({ token_hash: tokenHash(token) })
    .delete();
}

/** Who a token belongs to; `undefined` when it is unknown or over. */
export async function viewerOf(db: Knex, token: string): Promise<Viewer | undefined> {
  const session = await db('session')
    .where({ token_hash: tokenHash(token) })
    .where('expires_at', '>', new Date())
    .first<{ staff_id: string | null; learner_id: string | null } | undefined>();
  if (!session) return undefined;
  if (session.learner_id !== null) {
    const learner = await db('learner')
      .join('class', 'class.id', 'learner.class_id')
      .where({ 'learner.id': session.learner_id })
      .first<{ id: string; name: string; class_id: string; class_name: string }>(
        'learner.id',
        'learner.name',
        'learner.class_id',
        'class.name as class_name',
      );
    return {
      role: 'student',
      id: learner.id,
      name: learner.name,
      classIds: [learner.class_id],
      className: learner.class_name,
    };
  }
  const staff = await db('staff')
    .where({ id: session.staff_id })
    .first<{ id: string; name: string; role: 'instructor' | 'assistant' }>();
  const classes = await db('class_staff').where({ staff_id: staff.id }).pluck<string[]>('class_id');
  return { role: staff.role, id: staff.id, name: staff.name, classIds: classes };
}
