import type { Knex } from 'knex';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import { can, type StaffRole, type Viewer } from '../permissions';
import { Refused } from './accounts';
import { makeLink } from './links';

/** Somebody who teaches here. */
export interface Colleague {
  readonly id: string;
  readonly login: string;
  readonly name: string;
  readonly role: StaffRole;
  readonly hasLeft: boolean;
  readonly classes: readonly string[];
}

/** Everybody with an account, those who have left last. */
export async function colleaguesOf(db: Knex): Promise<readonly Colleague[]> {
  return db('staff')
    .orderByRaw('left_at is not null, lower(name)')
    .select<Colleague[]>(
      'id',
      'login',
      'name',
      'role',
      db.raw('left_at is not null as "hasLeft"'),
      db.raw(`coalesce((select json_agg(class.name order by class.name) from class_staff
        join class on class.id = class_staff.class_id
        where class_staff.staff_id = staff.id and class.archived_at is null), '[]') as classes`),
    );
}

/** Those who can be given a class, by name. */
export const teachingNow = (
  db: Knex,
): Promise<readonly { readonly id: string; readonly name: string; readonly role: StaffRole }[]> =>
  db('staff')
    .whereNull('left_at')
    .orderBy('name')
    .select<{ id: string; name: string; role: StaffRole }[]>('id', 'name', 'role');

function mustKeepColleagues(viewer: Viewer): void {
  if (!can(viewer.role, 'keep-colleagues')) throw new Refused('Only an owner keeps the accounts.');
}

/** A link with which a colleague makes their account; its token. */
export async function inviteColleague(db: Knex, viewer: Viewer, role: StaffRole): Promise<string> {
  mustKeepColleagues(viewer);
  return makeLink(db, { purpose: 'colleague', role }, viewer.id);
}

/** A link with which a colleague who has forgotten theirs sets another password; its token. */
export async function passwordLink(db: Knex, viewer: Viewer, staffId: string): Promise<string> {
  mustKeepColleagues(viewer);
  const person = isUuid(staffId)
    ? await db('staff').where({ id: staffId }).whereNull('left_at').first('id')
    : undefined;
  if (!person) throw new Refused('This colleague no longer has an account.');
  await db('one_time_link').where({ staff_id: staffId }).delete();
  return makeLink(db, { purpose: 'password', staffId }, viewer.id);
}

/** What becomes of a colleague: another role, gone, or back. */
export type ColleagueChange = { readonly role: StaffRole } | { readonly has: 'left' | 'come back' };

/** Changes what a colleague is. Throws `Refused` when nobody would be left who keeps the accounts. */
export async function changeColleague(
  db: Knex,
  viewer: Viewer,
  staffId: string,
  change: ColleagueChange,
): Promise<void> {
  mustKeepColleagues(viewer);
  if (!isUuid(staffId)) throw new Refused('This colleague no longer has an account.');
  await db.transaction(async (transaction) => {
    // One change after the other, so that two owners do not take each other's place away.
    await transaction.raw('lock table staff in share row exclusive mode');
    const columns =
      'role' in change
        ? { role: change.role }
        : { left_at: change.has === 'left' ? transaction.fn.now() : null };
    const changed = await transaction('staff').where({ id: staffId }).update(columns);
    if (changed === 0) throw new Refused('This colleague no longer has an account.');
    const owner = await transaction('staff').where({ role: 'owner' }).whereNull('left_at').first('id');
    if (!owner) throw new Refused('Somebody has to keep the accounts: make another one an owner first.');
    if ('has' in change && change.has === 'left')
      await transaction('session').where({ staff_id: staffId }).delete();
    await audit(transaction, viewer.id, 'change-colleague', staffId, JSON.stringify(change));
  });
}
