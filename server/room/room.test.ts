import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { Knex } from 'knex';
import { connectionOf } from '../jobs';
import { endMeeting, openSession } from '../people/sessions';
import { checkBuild, tellOfCheck } from '../submissions/checks';
import { keepBenchDraft } from '../submissions/bench-drafts';
import { handIn } from '../submissions/hand-in';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { roomOf } from './board';
import { bringUpOf, keepBringUp } from './bring-up';
import { answerCall, callForHelp, endOwnCall, ownCall } from './help';
import { RoomFeed } from './feed';
import { RoomEar } from './listen';

let harbour: Harbour;
let db: Knex;
let classId: string;
beforeEach(async () => {
  harbour = await buildHarbour();
  ({ db } = harbour);
  classId = harbour.teacher.classIds[0]!;
});
afterEach(() => harbour.drop());

const bench = async () => (await roomOf(db, harbour.teacher, classId))![0]!;
const check = (wiring = harbour.handedIn().wiring) => {
  const { publicationId, program } = harbour.handedIn();
  return checkBuild(db, harbour.guarded, harbour.learner, { publicationId, wiring, program });
};

describe('the room board', () => {
  test('follows a bench from the door to the hand-in', async () => {
    expect(await bench()).toMatchObject({ name: 'Anna', state: 'away', exercise: '' });
    await openSession(db, { learnerId: harbour.learner.id });
    expect(await bench()).toMatchObject({ state: 'begins' });
    await keepBenchDraft(db, harbour.learner, harbour.publicationId, { content: '{}', basedOn: 0 });
    expect(await bench()).toMatchObject({ state: 'building', exercise: 'Beacon', lookAt: '' });
    const wrong = harbour.handedIn().wiring.replace('B1.a5', 'B1.a4');
    for (let turn = 0; turn < 2; turn += 1) await check(wrong);
    expect(await bench()).toMatchObject({
      state: 'checking',
      lookAt: expect.stringContaining('one row off'),
    });
    await check(wrong);
    expect(await bench()).toMatchObject({ state: 'stuck', lookAt: expect.stringContaining('W1') });
    await check();
    expect(await bench()).toMatchObject({ state: 'checking', lookAt: '' });
    await db('bench_draft').update({ updated_at: db.raw("now() - interval '1 minute'") });
    await handIn(db, harbour.guarded, harbour.learner, harbour.handedIn());
    await harbour.judgeAll();
    expect(await bench()).toMatchObject({ state: 'done', submissionId: expect.any(String) });
  });

  test('says who has not got on for eight minutes', async () => {
    await openSession(db, { learnerId: harbour.learner.id });
    await keepBenchDraft(db, harbour.learner, harbour.publicationId, { content: '{}', basedOn: 0 });
    await db('bench_draft').update({ updated_at: db.raw("now() - interval '9 minutes'") });
    expect(await bench()).toMatchObject({ state: 'stuck', forSeconds: 540 });
  });

  test('hears of checks that a tablet makes itself, without what is said of them', async () => {
    await openSession(db, { learnerId: harbour.learner.id });
    const { publicationId } = harbour;
    const told = { publicationId, passed: false, cause: 'off-by-one' } as const;
    expect(await tellOfCheck(db, harbour.learner, told)).toBe(true);
    expect(await bench()).toMatchObject({ state: 'checking', lookAt: 'In the wrong row.' });
    expect(await tellOfCheck(db, harbour.learner, { ...told, passed: true, cause: null })).toBe(true);
    expect(await bench()).toMatchObject({ state: 'checking', lookAt: '' });
    // Nobody tells of an exercise that is not theirs.
    expect(await tellOfCheck(db, harbour.stranger, told)).toBe(false);
  });

  test('says how far the board of a bench has been made ready', async () => {
    const { learner, stranger, publicationId } = harbour;
    expect(await bench()).toMatchObject({ board: '' });
    expect(await bringUpOf(db, learner.id, 'learner-5v')).toBeUndefined();
    const at = { system: 'tablet', step: 'port', isReady: false } as const;
    expect(await keepBringUp(db, learner, publicationId, at)).toBe(true);
    expect(await bench()).toMatchObject({ board: 'board: find its port' });
    expect(await keepBringUp(db, learner, publicationId, { ...at, step: 'blink', isReady: true })).toBe(true);
    expect(await bench()).toMatchObject({ board: 'board ready' });
    expect(await bringUpOf(db, learner.id, 'learner-5v')).toEqual({ ...at, step: 'blink', isReady: true });
    expect(await keepBringUp(db, stranger, publicationId, at)).toBe(false);
  });

  test('is for those who teach the class', async () => {
    expect(await roomOf(db, harbour.otherTeacher, classId)).toBeUndefined();
    expect(await roomOf(db, harbour.learner, classId)).toBeUndefined();
  });
});

describe('a call for help', () => {
  test('is one until it is over, is taken by who comes first, and is seen to be', async () => {
    const { learner, teacher, publicationId } = harbour;
    await callForHelp(db, learner, publicationId);
    await callForHelp(db, learner, publicationId);
    expect(await db('help_call')).toHaveLength(1);
    const { call, state } = await bench();
    expect([state, call?.takenBy]).toEqual(['help', null]);
    const both = await Promise.all([1, 2].map(() => answerCall(db, teacher, call!.id, 'take')));
    expect(both.sort()).toEqual([false, true]);
    expect(await ownCall(db, learner.id)).toEqual({ takenBy: 'ina' });
    expect(await answerCall(db, teacher, call!.id, 'end')).toBe(true);
    expect(await ownCall(db, learner.id)).toBeUndefined();
    expect(await answerCall(db, teacher, call!.id, 'end')).toBe(false);
    await callForHelp(db, learner, publicationId);
    await endOwnCall(db, learner);
    expect((await bench()).call).toBeNull();
  });

  test('is heard by no other class, comes from no stranger, and is over with the meeting', async () => {
    const { learner, stranger, otherTeacher, teacher, publicationId } = harbour;
    expect(await callForHelp(db, stranger, publicationId)).toBe(false);
    await callForHelp(db, learner, publicationId);
    const { call } = await bench();
    expect(await answerCall(db, otherTeacher, call!.id, 'take')).toBe(false);
    expect(await answerCall(db, learner, call!.id, 'take')).toBe(false);
    await endMeeting(db, teacher, classId);
    expect((await bench()).call).toBeNull();
  });
});

describe('the feed', () => {
  test('looks once for all boards of a class, and tells each of every change', async () => {
    const ear = new RoomEar(connectionOf(db));
    const feed = new RoomFeed(db, ear);
    const [one, two]: [string[], string[]] = [[], []];
    const stops = [one, two].map((told) => feed.follow(classId, ([bench]) => told.push(bench!.state)));
    let looks = 0;
    const count = ({ sql }: { readonly sql: string }): void =>
      void (sql.includes('left join lateral') && (looks += 1));
    db.on('query', count);
    await expect.poll(() => two.at(-1)).toBe('away');
    await openSession(db, { learnerId: harbour.learner.id });
    await expect.poll(() => [one.at(-1), two.at(-1)]).toEqual(['begins', 'begins']);
    expect(looks).toBe(one.length);
    expect(one).toEqual(two);
    for (const stop of stops) stop();
    ear.close();
  });
});

describe('the ear', () => {
  test('hears what happens in its class, and again after the connection was lost', async () => {
    const ear = new RoomEar(connectionOf(db));
    let heard = 0;
    const stop = ear.hear(classId, () => (heard += 1));
    const listening = `select pid from pg_stat_activity where query = 'listen room' and pid <> pg_backend_pid()`;
    const before = new Set<number>();
    const ears = async () =>
      ((await db.raw(listening)) as { rows: { pid: number }[] }).rows.map(({ pid }) => pid);
    await expect.poll(async () => (await ears()).length).toBeGreaterThan(0);
    await callForHelp(db, harbour.learner, harbour.publicationId);
    await expect.poll(() => heard).toBeGreaterThan(0);
    // Somebody pulls the plug.
    for (const pid of await ears()) {
      before.add(pid);
      await db.raw('select pg_terminate_backend(?)', [pid]);
    }
    heard = 0;
    await expect.poll(async () => (await ears()).some((pid) => !before.has(pid))).toBe(true);
    // Told at once, as nobody knows what was missed; and of what comes then.
    await expect.poll(() => heard).toBeGreaterThan(0);
    heard = 0;
    await endOwnCall(db, harbour.learner);
    await expect.poll(() => heard).toBeGreaterThan(0);
    heard = 0;
    await openSession(db, { learnerId: harbour.stranger.id });
    expect(heard).toBe(0);
    stop();
    ear.close();
  });
});
