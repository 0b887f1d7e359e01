import type { Knex } from 'knex';
import { runMigrations } from 'graphile-worker';

/** What can be left to the worker processes: judging what was handed in, checking it again, and tidying up. */
export type JobName = 'judge' | 'recheck' | 'tidy';

/** The schema of the job queue that belongs to a database, beside its own. */
export function jobsSchema(db: Knex): string {
  const { searchPath } = db.client.config as { readonly searchPath?: readonly string[] };
  const [schema = 'public'] = searchPath ?? [];
  return schema === 'public' ? 'jobs' : `${schema}_jobs`;
}

/** The address of a database that was opened by `openDatabase`. */
export const connectionOf = (db: Knex): string =>
  (db.client.config as { readonly connection: { readonly connectionString: string } }).connection
    .connectionString;

/** Makes the job queue, or brings it up to date. */
export const migrateJobs = (db: Knex): Promise<void> =>
  runMigrations({ connectionString: connectionOf(db), schema: jobsSchema(db) });

/** Leaves work to a worker; with a key that waits already it is the same work. The lowest
 * `priority` goes first. Inside a transaction it waits for its end. */
export async function addJob(
  db: Knex,
  name: JobName,
  payload: Readonly<Record<string, string>>,
  key: string,
  { priority = 0 }: { readonly priority?: number } = {},
): Promise<void> {
  await db.raw('select ??.add_job(?, payload := ?::json, job_key := ?, priority := ?)', [
    jobsSchema(db),
    name,
    JSON.stringify(payload),
    `${name}:${key}`,
    priority,
  ]);
}
