import type { Knex } from 'knex';
import { audit } from '../audit';
import type { StaffRole } from '../permissions';
import { hashSecret, verifySecret } from './secrets';

/** Why something that was asked for cannot be done, in a sentence for whoever asked. */
export class Refused extends Error {}

/** Who acts when a command does. */
export const BY_COMMAND = 'command line';

/** Shortest and longest password of staff. */
export const [SHORTEST_PASSWORD, LONGEST_PASSWORD] = [10, 200];

/** Throws when a password is too short to guard a class's work. */
export function checkPassword(password: string): void {
  if (password.length < SHORTEST_PASSWORD)
    throw new Refused(`A password has at least ${SHORTEST_PASSWORD} characters.`);
  if (password.length > LONGEST_PASSWORD)
    throw new Refused(`A password has at most ${LONGEST_PASSWORD} characters.`);
}

/** Makes an account for somebody who teaches; its id. */
export async function makeStaff(
  db: Knex,
  given: {
    readonly login: string;
    readonly name: string;
    readonly role: StaffRole;
    readonly password: string;
  },
): Promise<string> {
  checkPassword(given.password);
  const login = given.login.trim().toLowerCase();
  const [row] = await db('staff')
    .insert({ login, name: given.name, role: given.role, password_hash: await hashSecret(given.password) })
    .onConflict('login')
    .ignore()
    .returning<{ id: string }[]>('id');
  if (!row) throw new Refused(`There is an account with the login ${login}.`);
  await audit(db, BY_COMMAND, 'make-staff', row.id);
  return row.id;
}

/** Sets a password; whoever was signed in with the old one is so no longer. */
export async function setPassword(db: Knex, login: string, password: string): Promise<void> {
  checkPassword(password);
  const row = await db('staff')
    .where({ login: login.trim().toLowerCase() })
    .first<{ id: string } | undefined>('id');
  if (!row) throw new Refused(`There is no account with the login ${login}.`);
  await keepPassword(db, row.id, password, BY_COMMAND);
}

/** Sets one's own password, for whoever knows the one before; all other sessions of theirs end. */
export async function changePassword(
  db: Knex,
  staffId: string,
  given: { readonly before: string; readonly password: string },
): Promise<void> {
  checkPassword(given.password);
  const row = await db('staff')
    .where({ id: staffId })
    .first<{ password_hash: string } | undefined>('password_hash');
  if (!(await verifySecret(row?.password_hash, given.before)))
    throw new Refused('That is not the password you have now.');
  await keepPassword(db, staffId, given.password, staffId);
}

async function keepPassword(db: Knex, staffId: string, password: string, actor: string): Promise<void> {
  const hash = await hashSecret(password);
  await db.transaction(async (transaction) => {
    await transaction('staff').where({ id: staffId }).update({ password_hash: hash });
    await transaction('session').where({ staff_id: staffId }).delete();
    await transaction('sign_in_try').whereLike('subject', `${staffId}%`).delete();
    await audit(transaction, actor, 'set-password', staffId);
  });
}
