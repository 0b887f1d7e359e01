import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { openDatabase } from './database/connection';
import { healthOf } from './health';
import { handIn } from './submissions/hand-in';
import { buildHarbour, type Harbour } from './testing/harbour';
import { showLife } from './workers';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

describe('the health of the product', () => {
  test('is good when the database takes what is written and a worker lives', async () => {
    await showLife(harbour.db, 'one');
    expect(await healthOf(harbour.db)).toEqual({
      ok: true,
      keeps: true,
      troubles: [],
      waiting: 0,
      oldestSeconds: 0,
      workers: 1,
    });
  });

  test('tells of hand-ins that wait, and of workers that are missing, and keeps them all the same', async () => {
    const { db, guarded, learner } = harbour;
    await handIn(db, guarded, learner, harbour.handedIn());
    await db('judging').update({ queued_at: db.raw("now() - interval '2 minutes'") });
    const health = await healthOf(db);
    expect(health).toMatchObject({ ok: false, keeps: true, waiting: 1, oldestSeconds: 120, workers: 0 });
    expect(health.troubles.join()).toMatch(/no worker lives.*waited 120 s/);
  });

  test('tells of a database that takes nothing, or does not answer', async () => {
    await harbour.db.raw('drop table setting');
    expect(await healthOf(harbour.db)).toMatchObject({ ok: false, keeps: false });
    const nowhere = openDatabase('postgres://nobody@127.0.0.1:1/none');
    expect(await healthOf(nowhere)).toMatchObject({
      keeps: false,
      troubles: ['the database does not answer'],
    });
    await nowhere.destroy();
  });
});
