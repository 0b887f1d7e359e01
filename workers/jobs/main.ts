// A worker process: takes one job after the other, for as long as it lives. Any number may run, on any machine.
import { randomBytes } from 'node:crypto';
import { hostname } from 'node:os';
import { run } from 'graphile-worker';
import { database } from '@/server/database/connection';
import { GuardedProcesses } from '@/server/guard/processes';
import { connectionOf, jobsSchema } from '@/server/jobs';
import { log } from '@/server/log';
import { judge } from '@/server/submissions/judging';
import { recheck } from '@/server/submissions/recheck';
import { tidyUp } from '@/server/tidy';
import { recoverDead, recoverOwn, signOff, showLife } from '@/server/workers';
import { graphileLog } from './log';

/** Milliseconds between two signs of life. */
const BEAT = 2000;

const id = `${hostname()}-${process.pid}-${randomBytes(4).toString('hex')}`;
const db = database();
let isBusy = false;
/** Notes that a job is under way as long as it is. */
async function busily(work: () => Promise<void>): Promise<void> {
  isBusy = true;
  try {
    await work();
  } finally {
    isBusy = false;
  }
}
const guarded = new GuardedProcesses(1);

await showLife(db, id);
const beat = setInterval(() => {
  // A database that is away for a while is no reason to end; the runner waits for it too.
  void showLife(db, id)
    .then(() => recoverDead(db))
    .then(() => (isBusy ? undefined : recoverOwn(db, id)))
    .catch((error: unknown) => log.warn({ err: error }, 'no sign of life could be given'));
}, BEAT);

const runner = await run({
  connectionString: connectionOf(db),
  schema: jobsSchema(db),
  concurrency: 1,
  // The queue knows the process by the name under which it shows that it lives.
  workerId: id,
  noHandleSignals: true,
  pollInterval: 1000,
  logger: graphileLog,
  taskList: {
    judge: (payload) => busily(() => judge(db, guarded, (payload as { readonly key: string }).key)),
    recheck: (payload) => busily(() => recheck(db, guarded, (payload as { readonly id: string }).id)),
    tidy: () => busily(() => tidyUp(db)),
  },
  crontab: '* * * * * tidy ?max=1',
} as Parameters<typeof run>[0]);

async function leave(): Promise<void> {
  clearInterval(beat);
  await runner.stop().catch(() => undefined);
  guarded.close();
  await signOff(db, id).catch(() => undefined);
  await db.destroy();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void leave());
await runner.promise;
process.exit(1);
