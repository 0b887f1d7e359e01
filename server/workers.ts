import type { Knex } from 'knex';
import { addJob, jobsSchema } from './jobs';

/** Seconds without a sign of life after which a worker process counts as dead. */
const DEAD_AFTER = 8;
/** Seconds after which something that waits and is in nobody's queue is put there again. */
const LOST_AFTER = 15;
const IS_DEAD = "seen_at < now() - ? * interval '1 second'";

/** Notes that a worker process lives. */
export async function showLife(db: Knex, id: string): Promise<void> {
  await db('worker').insert({ id }).onConflict('id').merge({ seen_at: db.fn.now() });
}

/** Takes a worker process off the list, as it ends. */
export const signOff = (db: Knex, id: string): Promise<unknown> => db('worker').where({ id }).delete();

/**
 * Gives the jobs of worker processes that died back to the others: whatever has been held for longer than a sign of
 * life takes, by a name that shows none.
 */
export async function recoverDead(db: Knex): Promise<void> {
  await db('worker').whereRaw(IS_DEAD, [DEAD_AFTER]).delete();
  const { rows } = await db.raw<{ rows: { locked_by: string }[] }>(
    `select distinct locked_by from ??.jobs
      where locked_at < now() - ? * interval '1 second' and locked_by not in (select id from worker)`,
    [jobsSchema(db), DEAD_AFTER],
  );
  if (rows.length > 0)
    await db.raw('select ??.force_unlock_workers(?::text[])', [
      jobsSchema(db),
      rows.map((row) => row.locked_by),
    ]);
}

/**
 * Gives back what a worker process that does nothing has taken all the same: the database was gone when it wanted to
 * say that the job was done, or had failed. Whoever calls it knows that nothing is being done.
 */
export async function recoverOwn(db: Knex, id: string): Promise<void> {
  const { rows } = await db.raw<{ rows: unknown[] }>(
    "select 1 from ??.jobs where locked_by = ? and locked_at < now() - interval '5 seconds' limit 1",
    [jobsSchema(db), id],
  );
  if (rows.length > 0) await db.raw('select ??.force_unlock_workers(array[?]::text[])', [jobsSchema(db), id]);
}

/** Puts what waits to be judged, and is in no queue any more, back into it. */
export async function recoverLost(db: Knex): Promise<void> {
  const lost = await db('judging')
    .whereRaw("queued_at < now() - ? * interval '1 second'", [LOST_AFTER])
    .whereNotExists(
      db(db.raw('??.jobs as job', [jobsSchema(db)]) as never)
        .whereRaw("job.key = 'judge:' || judging.key and job.attempts < job.max_attempts")
        .select(db.raw('1')),
    )
    .pluck<string[]>('key');
  for (const key of lost) await addJob(db, 'judge', { key }, key);
}

/** How many worker processes live. */
export async function liveWorkers(db: Knex): Promise<number> {
  const [row] = await db('worker')
    .whereRaw("seen_at >= now() - ? * interval '1 second'", [DEAD_AFTER])
    .count<{ count: string }[]>('* as count');
  return Number(row?.count ?? 0);
}
