import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { publish } from '../exercises/publishing';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { keepBenchDraft } from './bench-drafts';
import { classTries } from './class-record';
import { handIn } from './hand-in';
import { linesOf } from './reports';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const give = (clientId: string) =>
  handIn(harbour.db, harbour.guarded, harbour.learner, harbour.handedIn({ clientId }));
const recorded = async () =>
  (await classTries(harbour.db, harbour.teacher, harbour.teacher.classIds[0]!))!.tries;

describe('the marks of a hand-in', () => {
  test('are less for lateness and late tries, on the desk as in the record', async () => {
    const { db, publicationId } = harbour;
    const rubric = { rules: [], late: { eachDay: 0.25, most: 1 }, tries: { free: 1, each: 0.5, most: 1 } };
    await db.raw('alter table revision disable trigger revision_is_immutable');
    await db('revision').update({
      content: db.raw(`content || jsonb_build_object('rubric', ?::jsonb)`, [JSON.stringify(rubric)]),
    });
    await db('publication').update({ due_at: db.raw("now() - interval '30 hours'") });
    await give('client-0001');
    await give('client-0002');
    await harbour.judgeAll();
    const why = [{ points: 0.5, why: '2 days late' }];
    const lines = await linesOf(db, [publicationId]);
    expect(lines.map(({ late, deductions }) => ({ late, deductions }))).toEqual([
      { late: 2, deductions: why },
      { late: 2, deductions: [...why, { points: 0.5, why: 'try 2' }] },
    ]);
    expect((await recorded()).map(({ marks, late }) => ({ marks, late }))).toEqual([
      { marks: { earned: 0.5, of: 1, reason: '2 days late: −0.5' }, late: 2 },
      { marks: { earned: 0, of: 1, reason: '2 days late: −0.5; try 2: −0.5' }, late: 2 },
    ]);
  });
});

describe('the work on an exercise', () => {
  test('is counted between changes that follow each other closely, and known to the hand-in', async () => {
    const { db, learner, publicationId } = harbour;
    const ago = (time: string) =>
      db('bench_draft').update({ updated_at: db.raw(`now() - interval '${time}'`) });
    const change = (basedOn: number) =>
      keepBenchDraft(db, learner, publicationId, { content: '{}', basedOn });
    await change(0);
    await ago('2 minutes');
    await change(1);
    // A tablet that lay there over lunch.
    await ago('1 hour');
    await change(2);
    await ago('90 seconds');
    await change(3);
    await give('client-0001');
    expect((await recorded()).map(({ workedSeconds }) => workedSeconds)).toEqual([210]);
  });

  test('goes on with the next version of the exercise', async () => {
    const { db, learner, teacher, exerciseId, guarded } = harbour;
    await keepBenchDraft(db, learner, harbour.publicationId, { content: '{}', basedOn: 0 });
    await db('bench_draft').update({ worked_seconds: 600 });
    await db('exercise')
      .where({ id: exerciseId })
      .update({ draft: db.raw(`draft || '{"title": "Beacon II"}'`) });
    const published = await publish(db, guarded, teacher, exerciseId, teacher.classIds[0]!);
    if (!('publicationId' in published)) throw new Error(published.message);
    await keepBenchDraft(db, learner, published.publicationId, { content: '{}', basedOn: 0 });
    expect(await db('bench_draft').orderBy('updated_at').pluck('worked_seconds')).toEqual([600, 600]);
  });

  test('is not known where nothing was kept on the server', async () => {
    await give('client-0001');
    expect((await recorded()).map(({ workedSeconds }) => workedSeconds)).toEqual([null]);
  });
});
