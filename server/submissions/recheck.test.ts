import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { Knex } from 'knex';
import { publishAsItIs } from '../exercises/publishing';
import { jobsSchema } from '../jobs';
import { erase } from '../people/erase';
import { buildHarbour, PROGRAM, type Harbour } from '../testing/harbour';
import { handIn } from './hand-in';
import { cancelRecheck, recheck, recheckOf, startRecheck } from './recheck';
import { linesOf } from './reports';

let harbour: Harbour;
let db: Knex;
beforeEach(async () => {
  harbour = await buildHarbour();
  ({ db } = harbour);
});
afterEach(() => harbour.drop());

const start = () => startRecheck(db, harbour.teacher, harbour.publicationId);
const state = () => recheckOf(db, harbour.publicationId);
const id = async () => (await state())!.id;

/** Anna hands in a light that flashes for a second; the exercise wants half of one. */
async function handInSlow(): Promise<void> {
  await handIn(
    db,
    harbour.guarded,
    harbour.learner,
    harbour.handedIn({ program: PROGRAM.replace('delay(500)', 'delay(1000)') }),
  );
  await harbour.judgeAll();
}

/** The exercise comes to want a second, and is published anew. */
async function wantASecond(): Promise<void> {
  const row = await db('exercise')
    .where({ id: harbour.exerciseId })
    .first<{ draft: { scenarios: unknown } }>('draft');
  const draft = JSON.stringify(row.draft).replaceAll('"on":0.5', '"on":1').replaceAll('0.5', '1');
  await db('exercise').where({ id: harbour.exerciseId }).update({ draft });
  const published = await publishAsItIs(
    db,
    harbour.teacher,
    harbour.exerciseId,
    harbour.teacher.classIds[0]!,
  );
  if ('message' in published) throw new Error(published.message);
}

describe('checking again', () => {
  test('by a new revision says what changed, and the hand-in has the new report', async () => {
    await handInSlow();
    expect(await linesOf(db, [harbour.publicationId])).toMatchObject([{ verdict: 'does-not-work' }]);
    await wantASecond();
    expect(await start()).toBe(true);
    expect(await state()).toMatchObject({ state: 'running', done: 0, total: 1, changes: [] });
    await recheck(db, harbour.guarded, await id());
    expect(await state()).toMatchObject({
      state: 'ended',
      done: 1,
      changes: [{ learnerName: 'Anna', attempt: 1, before: 'does-not-work', after: 'as-drawn' }],
    });
    expect(await linesOf(db, [harbour.publicationId])).toMatchObject([{ verdict: 'as-drawn' }]);
    expect(await db('report')).toHaveLength(2);
  });

  test('by the same revision changes nothing', async () => {
    await handInSlow();
    await start();
    await recheck(db, harbour.guarded, await id());
    expect(await state()).toMatchObject({ state: 'ended', done: 1, changes: [] });
    expect(await db('report')).toHaveLength(1);
  });

  test('is one at a time, waits behind new hand-ins, and can be stopped and begun again', async () => {
    await handInSlow();
    await start();
    await start();
    expect(await db('recheck')).toHaveLength(1);
    const jobs = await db.raw<{ rows: { key: string; priority: number }[] }>(
      'select key, priority from ??.jobs order by priority',
      [jobsSchema(db)],
    );
    expect(jobs.rows.at(-1)).toMatchObject({ key: expect.stringMatching(/^recheck:/), priority: 10 });
    await cancelRecheck(db, harbour.teacher, harbour.publicationId);
    await recheck(db, harbour.guarded, await id());
    expect(await state()).toMatchObject({ state: 'cancelled', done: 0 });
    await start();
    expect(await db('recheck')).toHaveLength(2);
  });

  test('is for those who teach the class', async () => {
    expect(await startRecheck(db, harbour.otherTeacher, harbour.publicationId)).toBe(false);
    expect(await startRecheck(db, harbour.learner, harbour.publicationId)).toBe(false);
    await start();
    expect(await cancelRecheck(db, harbour.otherTeacher, harbour.publicationId)).toBe(false);
  });

  test('leaves nothing of somebody who is erased, and nothing else of a hand-in can be changed', async () => {
    await handInSlow();
    await wantASecond();
    await start();
    await recheck(db, harbour.guarded, await id());
    await expect(db('submission').update({ judging_key: 'x' })).rejects.toThrow('append-only');
    await expect(
      db.transaction(async (transaction) => {
        await transaction.raw("set local didaktor.rechecking = 'on'");
        await transaction('submission').update({ program: 'x' });
      }),
    ).rejects.toThrow('append-only');
    await erase(db, harbour.learner.id, 'test');
    expect(await db('report')).toEqual([]);
    expect(await db('rechecked')).toEqual([]);
  });
});

test('a learner who is erased while handing in is told, and nothing is kept', async () => {
  await erase(db, harbour.learner.id, 'test');
  expect(await handIn(db, harbour.guarded, harbour.learner, harbour.handedIn())).toEqual({
    status: 404,
    message: 'You are no longer in this class.',
  });
  expect(await db('submission')).toEqual([]);
});
