// A worker process: any number may run, on any machine.
import { database } from '@/server/database/connection';
import { GuardedProcesses } from '@/server/guard/processes';
import { judge } from '@/server/submissions/judging';
import { recheck } from '@/server/submissions/recheck';
import { tidyUp } from '@/server/tidy';
import { giveWay } from './give-way';
import { startWorker } from './worker';

giveWay();
const db = database();
const guarded = new GuardedProcesses(1);
const worker = await startWorker(db, {
  judge: ({ key }) => judge(db, guarded, key!),
  recheck: ({ id }) => recheck(db, guarded, id!),
  tidy: () => tidyUp(db),
});

async function leave(): Promise<void> {
  await worker.stop();
  guarded.close();
  await db.destroy();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void leave());
await worker.ended;
process.exit(1);
