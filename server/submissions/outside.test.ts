import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { Outside } from '@/core/messages/outside';
import { closePublication } from '../exercises/publishing';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { handIn } from './hand-in';
import { bringIn } from './outside';
import { findSubmission, linesOf } from './reports';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const DAY = 86_400_000;
const outside = (more: Partial<Outside> = {}): Outside => ({
  learnerId: harbour.learner.id,
  publicationId: harbour.publicationId,
  wiring: harbour.handedIn().wiring,
  program: harbour.handedIn().program,
  ...more,
});
const bring = (...handIns: readonly Outside[]) =>
  bringIn(harbour.db, harbour.guarded, harbour.teacher, handIns);
const tries = () => linesOf(harbour.db, [harbour.publicationId]);

describe('a hand-in from outside', () => {
  test('is a try of its learner, and is judged like any other', async () => {
    expect(await bring(outside())).toEqual([{ is: 'taken', attempt: 1, late: 0 }]);
    await harbour.judgeAll();
    const [line] = await tries();
    expect(line).toMatchObject({ learnerName: 'Anna', attempt: 1, verdict: 'as-drawn' });
    expect(await findSubmission(harbour.db, harbour.learner, line!.id)).toMatchObject({
      verdict: 'as-drawn',
    });
    expect(await harbour.db('submission').first('brought_by')).toEqual({ brought_by: harbour.teacher.id });
    expect(await harbour.db('audit').where({ action: 'bring-in' })).toMatchObject([{ detail: '1' }]);
  });

  test('that was handed in before, or is brought in twice, is no try more', async () => {
    await handIn(harbour.db, harbour.guarded, harbour.learner, harbour.handedIn());
    // The same table, written otherwise.
    const again = outside({ wiring: `${harbour.handedIn().wiring}\n\n` });
    expect(await bring(again, again)).toEqual([
      { is: 'known', attempt: 1 },
      { is: 'known', attempt: 1 },
    ]);
    const other = outside({ program: `${harbour.handedIn().program}// later\n` });
    expect(await bring(other, other)).toEqual([
      { is: 'taken', attempt: 2, late: 0 },
      { is: 'known', attempt: 2 },
    ]);
    expect(await tries()).toHaveLength(2);
  });

  test('is of the time at which its files were changed, as far as that can be', async () => {
    await harbour.db('publication').update({
      opened_at: harbour.db.raw("now() - interval '5 days'"),
      due_at: harbour.db.raw("now() - interval '36 hours'"),
    });
    const now = Date.now();
    const changed = [now - DAY, now - 300 * DAY, now + 300 * DAY];
    const brought = await bring(
      ...changed.map((changedAt, index) => outside({ changedAt, program: `// ${index}\n` })),
    );
    expect(brought.map((one) => one.is === 'taken' && one.late)).toEqual([1, 0, 2]);
    const [first, second, third] = (
      await harbour.db('submission').orderBy('attempt').pluck<Date[]>('handed_in_at')
    ).map((at) => at.getTime());
    expect(Math.abs(first! - changed[0]!)).toBeLessThan(60_000);
    expect(Math.abs(second! - (now - 5 * DAY))).toBeLessThan(60_000);
    expect(Math.abs(third! - now)).toBeLessThan(60_000);
  });

  test('is taken after its exercise was closed', async () => {
    await closePublication(harbour.db, harbour.teacher, harbour.publicationId);
    expect(await bring(outside())).toMatchObject([{ is: 'taken' }]);
  });

  test('without a wiring is judged by what there is', async () => {
    expect(await bring(outside({ wiring: '' }))).toMatchObject([{ is: 'taken' }]);
    await harbour.judgeAll();
    expect((await tries())[0]).toMatchObject({ verdict: 'cannot-tell' });
  });

  test.each([
    ['whose wiring cannot be read', { wiring: 'ref,kind,value,leg,at\nD1,lamb,red,anode,B1.e5\n' }, /line 2/],
    ['of nobody', { learnerId: '00000000-0000-4000-8000-000000000000' }, /not in the class/],
    ['to nothing', { publicationId: '00000000-0000-4000-8000-000000000000' }, /no class of yours/],
    ['that says what it does and is not asked to', { stated: 'what a nice day' }, /can’t be read/],
  ])('%s is refused, and the others are taken', async (_, more, message) => {
    const [refused, taken] = await bring(outside(more), outside());
    expect(refused).toMatchObject({ is: 'refused', message: expect.stringMatching(message) });
    expect(taken).toMatchObject({ is: 'taken', attempt: 1 });
  });

  test('is brought in by those who teach the class alone', async () => {
    for (const viewer of [harbour.otherTeacher, harbour.learner])
      expect(await bringIn(harbour.db, harbour.guarded, viewer, [outside()])).toMatchObject([
        { is: 'refused' },
      ]);
    expect(await bring(outside({ learnerId: harbour.stranger.id }))).toMatchObject([{ is: 'refused' }]);
    expect(await tries()).toEqual([]);
  });
});
