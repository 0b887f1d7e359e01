import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { addJob, jobsSchema } from '@/server/jobs';
import { freshDatabase, type TestDatabase } from '@/server/testing/schema';
import { liveWorkers, recoverDead } from '@/server/workers';
import { startWorker, type Tasks, type Worker } from './worker';

let world: TestDatabase;
let worker: Worker | undefined;
beforeEach(async () => {
  world = await freshDatabase();
});
afterEach(async () => {
  await worker?.stop();
  await world.drop();
});

const idle: Tasks = {
  judge: () => Promise.resolve(),
  recheck: () => Promise.resolve(),
  tidy: () => Promise.resolve(),
};
const holders = async (): Promise<readonly (string | null)[]> => {
  const { rows } = await world.db.raw<{ rows: { locked_by: string | null }[] }>(
    "select locked_by from ??.jobs where task_identifier = 'judge'",
    [jobsSchema(world.db)],
  );
  return rows.map((row) => row.locked_by);
};

describe('a worker', () => {
  test('holds its job under the name by which it shows that it lives, so that its death gives the job back', async () => {
    let finish!: () => void;
    const begun = new Promise<void>((begin) => {
      const work = new Promise<void>((resolve) => {
        finish = resolve;
      });
      void startWorker(world.db, {
        ...idle,
        judge: () => {
          begin();
          return work;
        },
      }).then((started) => {
        worker = started;
      });
    });
    await addJob(world.db, 'judge', { key: 'a' }, 'a');
    await begun;
    await expect.poll(() => worker?.id).toBeDefined();
    expect(await holders()).toEqual([worker!.id]);
    expect(await liveWorkers(world.db)).toBe(1);
    // Nobody takes its work as long as it lives; when it shows no life for a while, somebody does.
    const age = (seconds: number) =>
      world.db.raw("update ??._private_jobs set locked_at = now() - ? * interval '1 second'", [
        jobsSchema(world.db),
        seconds,
      ]);
    await age(60);
    await recoverDead(world.db);
    expect(await holders()).toEqual([worker!.id]);
    await world.db('worker').update({ seen_at: world.db.raw("now() - interval '9 seconds'") });
    await recoverDead(world.db);
    expect(await holders()).toEqual([null]);
    finish();
  });

  test('does what is left to it and signs off', async () => {
    const done: string[] = [];
    worker = await startWorker(world.db, {
      ...idle,
      judge: ({ key }) => Promise.resolve(void done.push(key!)),
    });
    await addJob(world.db, 'judge', { key: 'a' }, 'a');
    await expect.poll(() => done).toEqual(['a']);
    await expect.poll(holders).toEqual([]);
    await worker.stop();
    expect(await liveWorkers(world.db)).toBe(0);
  });
});
