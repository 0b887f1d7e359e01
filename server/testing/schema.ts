import { randomBytes } from 'node:crypto';
import type { Knex } from 'knex';
import { openDatabase } from '../database/connection';
import { migrate } from '../database/migrate';
import { jobsSchema } from '../jobs';

export interface TestDatabase {
  readonly db: Knex;
  readonly drop: () => Promise<void>;
}

/** A fresh schema in the real database, migrated; for tests only. */
export async function freshDatabase(): Promise<TestDatabase> {
  const url = process.env['TEST_DATABASE_URL'];
  if (!url) throw new Error('TEST_DATABASE_URL is not set; run npm test');
  const schema = `test_${randomBytes(6).toString('hex')}`;
  const admin = openDatabase(url);
  await admin.raw('create schema ??', [schema]);
  const db = openDatabase(url, schema);
  await migrate(db);
  const jobs = jobsSchema(db);
  return {
    db,
    drop: async () => {
      await db.destroy();
      await admin.raw('drop schema ?? cascade', [schema]);
      await admin.raw('drop schema ?? cascade', [jobs]);
      await admin.destroy();
    },
  };
}
