import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { closePublication, setDates } from './exercises/publishing';
import { stateOf } from './live';
import { openSession, viewerOf } from './people/sessions';
import { handIn } from './submissions/hand-in';
import { buildHarbour, type Harbour } from './testing/harbour';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

describe('the state of what a viewer sees', () => {
  const changesFor = async (who: 'teacher' | 'learner' | 'stranger', work: () => Promise<unknown>) => {
    const before = await stateOf(harbour.db, harbour[who]);
    expect(await stateOf(harbour.db, harbour[who])).toBe(before);
    await work();
    return (await stateOf(harbour.db, harbour[who])) !== before;
  };
  const handInOne = (clientId: string) =>
    handIn(harbour.db, harbour.guarded, harbour.learner, harbour.handedIn({ clientId }));

  test('changes with a hand-in and again with its report, for its class and for nobody else', async () => {
    expect(await changesFor('teacher', () => handInOne('hand-in-1'))).toBe(true);
    expect(await changesFor('teacher', harbour.judgeAll)).toBe(true);
    expect(await changesFor('learner', () => handInOne('hand-in-2'))).toBe(true);
    expect(await changesFor('stranger', () => handInOne('hand-in-3'))).toBe(false);
  });

  test('changes with what is open, and with its dates', async () => {
    const { db, teacher, publicationId } = harbour;
    const closesAt = new Date(Date.now() + 3_600_000);
    const dated = () =>
      setDates(db, teacher, publicationId, { opensAt: null, dueAt: null, closesAt, learnerIds: [] });
    expect(await changesFor('learner', dated)).toBe(true);
    expect(await changesFor('learner', () => closePublication(db, teacher, publicationId))).toBe(true);
  });

  test('changes for the instructor when somebody signs in', async () => {
    const signIn = () => openSession(harbour.db, { learnerId: harbour.learner.id });
    expect(await changesFor('teacher', signIn)).toBe(true);
  });
});

test('a page that looks again by itself does not keep a session awake', async () => {
  const { db, learner } = harbour;
  const { token } = await openSession(db, { learnerId: learner.id });
  const longAgo = db.raw("now() - interval '30 minutes'");
  await db('session').update({ seen_at: longAgo });
  const seen = async () => (await db('session').first<{ seen_at: Date }>('seen_at')).seen_at.getTime();
  const before = await seen();
  await viewerOf(db, token, 'watching');
  expect(await seen()).toBe(before);
  await viewerOf(db, token);
  expect(await seen()).toBeGreaterThan(before);
});
