import { EventEmitter, once } from 'node:events';
import { run, type TaskList } from 'graphile-worker';
import type { Database } from '@/server/database/connection';
import { connectionOf, jobsSchema, type JobName } from '@/server/jobs';
import { log } from '@/server/log';
import { recoverDead, recoverOwn, showLife, signOff } from '@/server/workers';
import { graphileLog } from './log';

/** Milliseconds between two signs of life. */
const BEAT = 2000;

/** What is done with each kind of job. */
export type Tasks = Readonly<Record<JobName, (payload: Readonly<Record<string, string>>) => Promise<void>>>;

/** A worker that runs. */
export interface Worker {
  /** The name under which it takes jobs and shows that it lives. */
  readonly id: string;
  /** Kept when it has ended, by itself or stopped. */
  readonly ended: Promise<void>;
  /** Ends the job under way and takes no more. */
  readonly stop: () => Promise<void>;
}

/** Takes one job after the other from the queue of a database, for as long as it lives. Any number may run. */
export async function startWorker(db: Database, tasks: Tasks): Promise<Worker> {
  let isBusy = false;
  const taskList = Object.fromEntries(
    Object.entries(tasks).map(([name, work]) => [
      name,
      async (payload: unknown) => {
        isBusy = true;
        try {
          await work(payload as Readonly<Record<string, string>>);
        } finally {
          isBusy = false;
        }
      },
    ]),
  ) satisfies TaskList;
  const events = new EventEmitter();
  // The queue locks jobs under a name that it makes itself; by that name their lock is given back.
  const named = once(events, 'pool:create') as Promise<[{ readonly workerPool: { readonly id: string } }]>;
  const runner = await run({
    connectionString: connectionOf(db),
    schema: jobsSchema(db),
    concurrency: 1,
    noHandleSignals: true,
    pollInterval: 1000,
    logger: graphileLog,
    events,
    taskList,
    crontab: '* * * * * tidy ?max=1',
  });
  const [{ workerPool }] = await named;
  const { id } = workerPool;
  const beat = (): Promise<void> =>
    // A database that is away for a while is no reason to end; the runner waits for it too.
    showLife(db, id)
      .then(() => recoverDead(db))
      .then(() => (isBusy ? undefined : recoverOwn(db, id)))
      .catch((error: unknown) => log.warn({ err: error }, 'no sign of life could be given'));
  await beat();
  const beating = setInterval(() => void beat(), BEAT);
  const ended = runner.promise.finally(() => clearInterval(beating));
  return {
    id,
    ended,
    stop: async () => {
      clearInterval(beating);
      await runner.stop().catch(() => undefined);
      await signOff(db, id).catch(() => undefined);
    },
  };
}
