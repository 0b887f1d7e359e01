import type { Knex } from 'knex';
import { audit } from '../audit';
import { resetWord } from './classes';
import { hashSecret } from './secrets';

/** Why something that was asked for by command cannot be done. */
export class Refused extends Error {}

/** Who acts when a command does. */
export const BY_COMMAND = 'command line';

/** Shortest password of staff. */
const SHORTEST_PASSWORD = 10;

function checkPassword(password: string): void {
  if (password.length < SHORTEST_PASSWORD)
    throw new Refused(`a password has at least ${SHORTEST_PASSWORD} characters`);
}

/** Makes an account for somebody who teaches; its id. */
export async function makeStaff(
  db: Knex,
  given: {
    readonly login: string;
    readonly name: string;
    readonly role: 'instructor' | 'assistant';
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
  if (!row) throw new Refused(`there is an account with the login ${login}`);
  await audit(db, BY_COMMAND, 'make-staff', row.id);
  return row.id;
}

/** Sets a password; whoever was signed in with the old one is so no longer. */
export async function setPassword(db: Knex, login: string, password: string): Promise<void> {
  checkPassword(password);
  const [row] = await db('staff')
    .where({ login: login.trim().toLowerCase() })
    .update({ password_hash: await hashSecret(password) })
    .returning<{ id: string }[]>('id');
  if (!row) throw new Refused(`there is no account with the login ${login}`);
  await db('session').where({ staff_id: row.id }).delete();
  await db('sign_in_try').whereLike('subject', `${row.id}%`).delete();
  await audit(db, BY_COMMAND, 'set-password', row.id);
}

/** Makes a class and gives it to members of staff. */
export async function makeClass(
  db: Knex,
  given: { readonly name: string; readonly code: string; readonly staff: readonly string[] },
): Promise<string> {
  const code = given.code.trim().toUpperCase();
  if (!/^[A-Z0-9]{4,12}$/.test(code)) throw new Refused('a class code is 4 to 12 letters and figures');
  return db.transaction(async (transaction) => {
    const staff = await transaction('staff')
      .whereIn('login', [...given.staff])
      .select<{ id: string; login: string }[]>('id', 'login');
    const missing = given.staff.find((login) => !staff.some((known) => known.login === login));
    if (missing !== undefined) throw new Refused(`there is no account with the login ${missing}`);
    const [row] = await transaction('class')
      .insert({ name: given.name, code })
      .onConflict('code')
      .ignore()
      .returning<{ id: string }[]>('id');
    if (!row) throw new Refused(`there is a class with the code ${code}`);
    if (staff.length > 0)
      await transaction('class_staff').insert(staff.map(({ id }) => ({ class_id: row.id, staff_id: id })));
    await audit(transaction, BY_COMMAND, 'make-class', row.id);
    return row.id;
  });
}

const classOf = async (db: Knex, code: string): Promise<string> => {
  const row = await db('class')
    .where({ code: code.trim().toUpperCase() })
    .first<{ id: string } | undefined>('id');
  if (!row) throw new Refused(`no class has the code ${code}`);
  return row.id;
};

/** The id of a learner by class code and name. */
export async function learnerOf(db: Knex, code: string, name: string): Promise<string> {
  const row = await db('learner')
    .where({ class_id: await classOf(db, code), name })
    .first<{ id: string } | undefined>('id');
  if (!row) throw new Refused(`nobody in the class ${code} is called ${name}`);
  return row.id;
}

/** A name with the code to write on its slip. */
export interface NamedSlip {
  readonly name: string;
  readonly slip: string;
}

/** Adds learners to a class; each gets a slip to claim the name with. */
export async function addLearners(
  db: Knex,
  code: string,
  names: readonly string[],
): Promise<readonly NamedSlip[]> {
  const classId = await classOf(db, code);
  const slips: NamedSlip[] = [];
  for (const name of names) {
    const [row] = await db('learner')
      .insert({ class_id: classId, name })
      .onConflict(['class_id', 'name'])
      .ignore()
      .returning<{ id: string }[]>('id');
    if (!row) throw new Refused(`${name} is in the class already; those before in the list have been added`);
    await audit(db, BY_COMMAND, 'add-learner', row.id);
    slips.push({ name, slip: (await resetWord(db, row.id, BY_COMMAND))! });
  }
  return slips;
}

/** New slips for everybody in a class who has not claimed their name. */
export async function slipsOf(db: Knex, code: string): Promise<readonly NamedSlip[]> {
  const learners = await db('learner')
    .where({ class_id: await classOf(db, code) })
    .whereNull('word_hash')
    .orderBy('name')
    .select<{ id: string; name: string }[]>('id', 'name');
  const slips: NamedSlip[] = [];
  for (const { id, name } of learners) slips.push({ name, slip: (await resetWord(db, id, BY_COMMAND))! });
  return slips;
}
