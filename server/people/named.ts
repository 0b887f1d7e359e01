import type { Knex } from 'knex';
import { Refused } from './accounts';

/** The id of a class by its code; throws `Refused` when there is none. */
export async function classByCode(db: Knex, code: string): Promise<string> {
  const row = await db('class')
    .where({ code: code.trim().toUpperCase() })
    .first<{ id: string } | undefined>('id');
  if (!row) throw new Refused(`No class has the code ${code}.`);
  return row.id;
}

/** The id of a learner by class code and name; throws `Refused` when there is none. */
export async function learnerByName(db: Knex, code: string, name: string): Promise<string> {
  const row = await db('learner')
    .where({ class_id: await classByCode(db, code), name })
    .first<{ id: string } | undefined>('id');
  if (!row) throw new Refused(`Nobody in the class ${code} is called ${name}.`);
  return row.id;
}
