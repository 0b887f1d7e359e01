import type { Knex } from 'knex';
import { audit } from '../audit';
import type { StaffRole } from '../permissions';
import { checkPassword, Refused } from './accounts';
import { hashSecret, newToken, tokenHash } from './secrets';

/** Days for which a link can be used. */
export const LINK_DAYS = 7;

/** What a link is for: the first account of a new server, a colleague's, or another password. */
export type LinkFor =
  | { readonly purpose: 'first-owner' }
  | { readonly purpose: 'colleague'; readonly role: StaffRole }
  | { readonly purpose: 'password'; readonly staffId: string };

/** A link as whoever opens it is told of it. */
export interface OpenLink {
  readonly purpose: LinkFor['purpose'];
  /** What they will be. */
  readonly role: StaffRole;
  /** Whose password it is for. */
  readonly login?: string;
  readonly name?: string;
}

/** Makes a link that works once, within a week; its token, which is nowhere else. `madeBy` is nobody's at the first start. */
export async function makeLink(db: Knex, what: LinkFor, madeBy: string | undefined): Promise<string> {
  const token = newToken();
  const isPassword = what.purpose === 'password';
  await db('one_time_link').insert({
    token_hash: tokenHash(token),
    purpose: what.purpose,
    role: what.purpose === 'first-owner' ? 'owner' : isPassword ? null : what.role,
    staff_id: isPassword ? what.staffId : null,
    made_by: madeBy ?? null,
    expires_at: db.raw("now() + ? * interval '1 day'", [LINK_DAYS]),
  });
  await audit(db, madeBy ?? 'start', 'make-link', isPassword ? what.staffId : what.purpose);
  return token;
}

interface LinkRow {
  readonly purpose: LinkFor['purpose'];
  readonly role: StaffRole | null;
  readonly staff_id: string | null;
  readonly staff_role: StaffRole | null;
  readonly login: string | null;
  readonly name: string | null;
}

const findLink = (db: Knex, token: string) =>
  db('one_time_link')
    .leftJoin('staff', 'staff.id', 'one_time_link.staff_id')
    .where({ token_hash: tokenHash(token) })
    .whereRaw('one_time_link.expires_at > now()')
    .whereRaw('staff.left_at is null')
    .first<LinkRow | undefined>(
      'one_time_link.purpose',
      'one_time_link.role',
      'one_time_link.staff_id',
      'staff.role as staff_role',
      'staff.login',
      'staff.name',
    );

/** What a link is for; `undefined` when it is none, was used, or is too old. */
export async function linkOf(db: Knex, token: string): Promise<OpenLink | undefined> {
  const row = await findLink(db, token);
  if (!row) return undefined;
  return {
    purpose: row.purpose,
    role: (row.role ?? row.staff_role)!,
    ...(row.login === null || row.name === null ? {} : { login: row.login, name: row.name }),
  };
}

/**
 * Uses a link up: makes the account, or sets the password. Returns whose it is. Throws `Refused` with the reason when it
 * cannot be done; the link then works still.
 */
export async function useLink(
  db: Knex,
  token: string,
  given: { readonly login: string; readonly name: string; readonly password: string },
): Promise<string> {
  checkPassword(given.password);
  const password = await hashSecret(given.password);
  return db.transaction(async (transaction) => {
    const row = await findLink(transaction, token).forUpdate('one_time_link');
    const used =
      row &&
      (await transaction('one_time_link')
        .where({ token_hash: tokenHash(token) })
        .delete());
    if (!row || used !== 1) throw new Refused('This link has been used, or is too old. Ask for another one.');
    if (row.staff_id !== null) {
      await transaction('staff').where({ id: row.staff_id }).update({ password_hash: password });
      await transaction('session').where({ staff_id: row.staff_id }).delete();
      await transaction('sign_in_try').whereLike('subject', `${row.staff_id}%`).delete();
      await audit(transaction, row.staff_id, 'set-password', row.staff_id);
      return row.staff_id;
    }
    const login = given.login.trim().toLowerCase();
    const [made] = await transaction('staff')
      .insert({ login, name: given.name, role: row.role, password_hash: password })
      .onConflict('login')
      .ignore()
      .returning<{ id: string }[]>('id');
    if (!made) throw new Refused(`Somebody has the login “${login}”. Choose another one.`);
    // The first account makes the others; a second link of that kind is of no use to anybody.
    if (row.purpose === 'first-owner')
      await transaction('one_time_link').where({ purpose: 'first-owner' }).delete();
    await audit(transaction, made.id, 'make-staff', made.id);
    return made.id;
  });
}

/** A link for the first account when nobody keeps this server yet, in place of those before; its token. */
export async function firstOwnerLink(db: Knex): Promise<string | undefined> {
  const owner = await db('staff').where({ role: 'owner' }).whereNull('left_at').first('id');
  if (owner) return undefined;
  await db('one_time_link').where({ purpose: 'first-owner' }).delete();
  return makeLink(db, { purpose: 'first-owner' }, undefined);
}
