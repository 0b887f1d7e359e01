import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { CHECK_LIMITS, GuardedProcesses } from '../guard/processes';
import { jobsSchema } from '../jobs';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { tidyUp } from '../tidy';
import { liveWorkers, recoverDead, recoverOwn, showLife } from '../workers';
import type { HandIn } from '@/core/messages/hand-in';
import { handIn } from './hand-in';
import { judge } from './judging';
import { findSubmission } from './reports';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const give = async (more: Partial<HandIn> = {}): Promise<string> => {
  const result = await handIn(harbour.db, harbour.guarded, harbour.learner, harbour.handedIn(more));
  if (!('submissionId' in result)) throw new Error(result.message);
  return result.submissionId;
};
const keyOf = async (): Promise<string> => (await harbour.db('judging').pluck<string[]>('key'))[0]!;
const jobs = () =>
  harbour.db
    .raw<{ rows: { key: string; attempts: number; locked_by: string | null }[] }>('select * from ??.jobs', [
      jobsSchema(harbour.db),
    ])
    .then(({ rows }) => rows);

describe('what is handed in', () => {
  test('waits in the queue as one job, however often it comes', async () => {
    await give();
    await give({ clientId: 'client-0002' });
    expect((await jobs()).map(({ key }) => key)).toEqual([`judge:${await keyOf()}`]);
  });

  test('that is too much for its limits is told so in a report, and kept for the developer', async () => {
    const id = await give();
    const small = new GuardedProcesses(1, { ...CHECK_LIMITS, megabytes: 12 });
    await judge(harbour.db, small, await keyOf());
    small.close();
    const submission = await findSubmission(harbour.db, harbour.learner, id);
    expect(submission).toMatchObject({ verdict: 'cannot-tell', causes: ['not-judged'], waiting: undefined });
    expect(submission!.report!.findings[0]!.message).toContain('too much memory');
    expect(await harbour.db('judging_failure')).toMatchObject([{ obstacle: 'memory' }]);
    expect(await harbour.db('judging')).toEqual([]);
  });

  test('that was cut off three times is not tried for ever', async () => {
    const id = await give();
    await harbour.db('judging').update({ tries: 3 });
    await harbour.judgeAll();
    expect(await findSubmission(harbour.db, harbour.learner, id)).toMatchObject({ verdict: 'cannot-tell' });
    expect(await harbour.db('judging_failure')).toMatchObject([{ obstacle: 'crash' }]);
  });

  test('is judged once by two workers at the same time', async () => {
    await give();
    const key = await keyOf();
    const other = new GuardedProcesses(1);
    await Promise.all([judge(harbour.db, harbour.guarded, key), judge(harbour.db, other, key)]);
    other.close();
    expect(await harbour.db('report')).toHaveLength(1);
  });

  test('and erased before it was judged is left alone', async () => {
    await give();
    const key = await keyOf();
    await harbour.db.transaction(async (transaction) => {
      await transaction.raw("set local didaktor.erasing = 'on'");
      await transaction('learner').where({ id: harbour.learner.id }).delete();
    });
    await judge(harbour.db, harbour.guarded, key);
    expect(await harbour.db('judging')).toEqual([]);
    expect(await harbour.db('report')).toEqual([]);
  });
});

describe('worker processes', () => {
  test('count as living while they show it', async () => {
    await showLife(harbour.db, 'one');
    await showLife(harbour.db, 'two');
    await harbour
      .db('worker')
      .where({ id: 'two' })
      .update({ seen_at: harbour.db.raw("now() - interval '9 seconds'") });
    expect(await liveWorkers(harbour.db)).toBe(1);
  });

  test('that died give their jobs back', async () => {
    await give();
    const schema = jobsSchema(harbour.db);
    await showLife(harbour.db, 'dead');
    await harbour.db.raw(
      "update ??._private_jobs set locked_by = 'dead', locked_at = now() - interval '9 seconds'",
      [schema],
    );
    await recoverDead(harbour.db);
    expect((await jobs())[0]!.locked_by).toBe('dead');
    await harbour.db('worker').update({ seen_at: harbour.db.raw("now() - interval '1 minute'") });
    await recoverDead(harbour.db);
    expect((await jobs())[0]!.locked_by).toBeNull();
    expect(await harbour.db('worker')).toEqual([]);
  });

  test('that died before they showed life give theirs back as well', async () => {
    await give();
    const schema = jobsSchema(harbour.db);
    const lock = (ago: string) =>
      harbour.db.raw(
        `update ??._private_jobs set locked_by = 'nobody', locked_at = now() - interval '${ago}'`,
        [schema],
      );
    await lock('7 seconds');
    await recoverDead(harbour.db);
    expect((await jobs())[0]!.locked_by).toBe('nobody');
    await lock('9 seconds');
    await recoverDead(harbour.db);
    expect((await jobs())[0]!.locked_by).toBeNull();
  });

  test('that do nothing give back what they had when the database was gone', async () => {
    await give();
    const schema = jobsSchema(harbour.db);
    const lock = (ago: string) =>
      harbour.db.raw(
        `update ??._private_jobs set locked_by = 'idle', locked_at = now() - interval '${ago}'`,
        [schema],
      );
    await lock('1 second');
    await recoverOwn(harbour.db, 'idle');
    expect((await jobs())[0]!.locked_by).toBe('idle');
    await lock('6 seconds');
    await recoverOwn(harbour.db, 'idle');
    expect((await jobs())[0]!.locked_by).toBeNull();
  });

  test('find again what waits and is in no queue any more', async () => {
    await give();
    await harbour.db.raw('delete from ??._private_jobs', [jobsSchema(harbour.db)]);
    await tidyUp(harbour.db);
    expect(await jobs()).toEqual([]);
    await harbour.db('judging').update({ queued_at: harbour.db.raw("now() - interval '1 minute'") });
    await tidyUp(harbour.db);
    expect(await jobs()).toHaveLength(1);
  });
});
