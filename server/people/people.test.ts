import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { handIn } from '../submissions/hand-in';
import { linesOf } from '../submissions/reports';
import { buildHarbour, PASSWORD, type Harbour } from '../testing/harbour';
import { eraseLearner } from './erase';
import { secondsToWait } from './rate-limits';
import { hashSecret, newToken, tokenHash, verifySecret } from './secrets';
import { tidyUp } from '../tidy';
import { letIn, newWordFor, openJoining } from './classes';
import { closeSession, endMeeting, openSession, viewerOf } from './sessions';
import { joinClass, rosterOf, signInStaff } from './sign-in';
import { beginTry, troubleAtTheDoor, waitAfter } from './tries';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

/** The tablet that a test uses when it says no other. */
const place = { address: 'room', device: 'tablet one' };
const signIn = (login: string, password: string) => signInStaff(harbour.db, { login, password, ...place });
const join = (word: string, more: Partial<Parameters<typeof joinClass>[1]> = {}) =>
  joinClass(harbour.db, { code: 'quay1', learnerId: harbour.learner.id, word, ...place, ...more });
/** Lets the clock of the tries run on. */
const later = (seconds: number) =>
  harbour
    .db('sign_in_try')
    .update({ last_at: harbour.db.raw("last_at - ? * interval '1 second'", [seconds]) });

describe('a secret', () => {
  test('is kept as a salted argon2id hash and known again, however its letters are composed', async () => {
    const [one, other] = await Promise.all([hashSecret('ä word'), hashSecret('ä word')]);
    expect(one).toMatch(/^\$argon2id\$/);
    expect(one).not.toBe(other);
    expect(await verifySecret(one, 'a\u0308 word')).toBe(true);
    expect(await verifySecret(one, 'a word')).toBe(false);
  });

  test('that nobody has belongs to nobody', async () => {
    expect(await verifySecret(undefined, 'anything')).toBe(false);
    expect(await verifySecret(null, '')).toBe(false);
  });

  test('of a session is long, and never the same', () => {
    const tokens = Array.from({ length: 50 }, newToken);
    expect(new Set(tokens).size).toBe(50);
    for (const token of tokens) expect(token.length).toBeGreaterThanOrEqual(43);
    expect(tokenHash(tokens[0]!)).toMatch(/^[0-9a-f]{64}$/);
  });
});

describe('staff', () => {
  test('sign in with login and password, in any case and with spaces around the login', async () => {
    const result = await signIn(' INA ', PASSWORD);
    if (!result.ok) throw new Error(result.message);
    expect(await viewerOf(harbour.db, result.token)).toEqual(harbour.teacher);
  });

  test.each([
    ['ina', 'new rope'],
    ['ina', ''],
    ['nobody', PASSWORD],
    ['', ''],
  ])('are refused as “%s” with “%s”, in the same words', async (login, password) => {
    expect(await signIn(login, password)).toEqual({
      ok: false,
      message: 'That name and password don’t match.',
    });
  });

  test('are slowed down per login after a few tries, while the room goes on', async () => {
    for (let index = 0; index < 3; index += 1) await signIn('olaf', `wrong ${index}`);
    expect(await signIn('olaf', PASSWORD)).toMatchObject({
      ok: false,
      message: expect.stringContaining('Too many tries'),
    });
    expect(await signIn('ina', PASSWORD)).toMatchObject({ ok: true });
  });

  test('are kept in the audit trail, and so is who was refused', async () => {
    await signIn('ina', 'wrong');
    await signIn('ina', PASSWORD);
    const kept = await harbour.db('audit').whereIn('action', ['sign-in', 'sign-in-refused']).orderBy('id');
    expect(kept.map(({ action, subject }) => [action, subject])).toEqual([
      ['sign-in-refused', harbour.teacher.id],
      ['sign-in', harbour.teacher.id],
    ]);
  });
});

describe('a learner', () => {
  test('finds their name by the code of the class, and chooses a word once', async () => {
    expect(await rosterOf(harbour.db, ' quay1 ', place.address)).toMatchObject({
      className: 'One',
      learners: [{ name: 'Anna', hasWord: false }],
    });
    expect(await join('abc')).toMatchObject({ ok: false, message: expect.stringContaining('at least 4') });
    expect(await join('anchor')).toMatchObject({ ok: true });
    expect(await rosterOf(harbour.db, 'QUAY1', place.address)).toMatchObject({
      learners: [{ hasWord: true }],
    });
    expect(await join('rudder')).toMatchObject({
      ok: false,
      message: expect.stringContaining('not the word you chose'),
    });
    expect(await join(' anchor ')).toMatchObject({ ok: true });
  });

  test('who chooses on two tablets at once has the word of one of them', async () => {
    const results = await Promise.all([join('anchor'), join('rudder')]);
    expect(results.filter((result) => result.ok)).toHaveLength(1);
  });

  test('does not come in by the code of another class', async () => {
    expect(await join('anchor', { code: 'QUAY2' })).toMatchObject({ ok: false });
    expect(await rosterOf(harbour.db, 'NOWHERE', place.address)).toMatchObject({
      message: expect.stringContaining('NOWHERE'),
    });
  });

  test('is slowed down when the word is guessed, longer with each try, however the id is typed', async () => {
    await join('anchor');
    await harbour.db('known_device').delete();
    for (const guess of ['one', 'two', 'three'])
      expect(await join(guess, { learnerId: harbour.learner.id.toUpperCase() })).toMatchObject({ ok: false });
    expect(await join('anchor')).toMatchObject({ message: expect.stringContaining('Wait 5 seconds') });
    await later(5);
    expect(await join('four')).toMatchObject({ message: expect.stringContaining('not the word') });
    expect(await join('anchor')).toMatchObject({ message: expect.stringContaining('Wait 10 seconds') });
    await later(10);
    expect(await join('anchor')).toMatchObject({ ok: true });
    // Whoever is in has a clean sheet.
    expect(await harbour.db('sign_in_try')).toEqual([]);
  });

  test('is not locked out by a stranger from the tablet where they were signed in', async () => {
    await join('anchor');
    const stranger = { device: 'somewhere else', address: 'outside' };
    for (let index = 0; index < 8; index += 1) {
      await join(`guess ${index}`, stranger);
      if (index < 7) await later(4000);
    }
    expect(await join('anchor', stranger)).toMatchObject({
      ok: false,
      message: expect.stringContaining('Wait'),
    });
    expect(await join('anchor')).toMatchObject({ ok: true });
  });

  test('for whom somebody fails is seen by the staff of the class, who let them in or give them a slip', async () => {
    const { db, teacher, otherTeacher, learner } = harbour;
    await join('anchor');
    await db('known_device').delete();
    for (const guess of ['one', 'two', 'three']) await join(guess);
    expect(await troubleAtTheDoor(db, teacher.classIds)).toMatchObject([{ name: 'Anna', tries: 3 }]);
    expect(await troubleAtTheDoor(db, otherTeacher.classIds)).toEqual([]);
    expect(await letIn(db, otherTeacher, learner.id)).toBe(false);
    expect(await letIn(db, teacher, learner.id)).toBe(true);
    expect(await join('anchor')).toMatchObject({ ok: true });

    expect(await newWordFor(db, otherTeacher, learner.id)).toBeUndefined();
    const slip = await newWordFor(db, teacher, learner.id);
    await db('class').update({ joining_until: null });
    expect(await join('rudder')).toMatchObject({ ok: false, message: expect.stringContaining('slip') });
    expect(await join('rudder', { slip: 'AAAA-BBBB' })).toMatchObject({ ok: false });
    expect(await join('rudder', { slip: slip!.toLowerCase().replace('-', ' ') })).toMatchObject({ ok: true });
    expect(await join('rudder')).toMatchObject({ ok: true });
  });

  test('claims a name only with a slip or while the class is open for it', async () => {
    const { db, teacher } = harbour;
    await db('class').update({ joining_until: db.raw("now() - interval '1 second'") });
    expect(await rosterOf(db, 'QUAY1', place.address)).toMatchObject({ isJoining: false });
    expect(await join('anchor')).toMatchObject({ ok: false, message: expect.stringContaining('slip') });
    expect(await openJoining(db, harbour.otherTeacher, teacher.classIds[0]!)).toBe(false);
    expect(await openJoining(db, teacher, teacher.classIds[0]!)).toBe(true);
    expect(await join('anchor')).toMatchObject({ ok: true });
  });

  test('is a viewer of their own class only', async () => {
    const joined = await join('anchor');
    if (!joined.ok) throw new Error(joined.message);
    expect(await viewerOf(harbour.db, joined.token)).toEqual(harbour.learner);
  });
});

describe('a session', () => {
  test('is stored without its token, and ends with sign-out', async () => {
    const { token } = await openSession(harbour.db, { staffId: harbour.teacher.id });
    expect(JSON.stringify(await harbour.db('session'))).not.toContain(token);
    expect(await viewerOf(harbour.db, token)).toBeDefined();
    await closeSession(harbour.db, token);
    expect(await viewerOf(harbour.db, token)).toBeUndefined();
  });

  test('is over when its time is, and is swept away', async () => {
    const { token } = await openSession(harbour.db, { learnerId: harbour.learner.id });
    await harbour.db('session').update({ expires_at: new Date(Date.now() - 1000) });
    expect(await viewerOf(harbour.db, token)).toBeUndefined();
    await tidyUp(harbour.db);
    expect(await harbour.db('session')).toEqual([]);
  });

  test('of a learner ends when it rests, and with the meeting', async () => {
    const { db, teacher, otherTeacher, learner } = harbour;
    const rests = await openSession(db, { learnerId: learner.id });
    await db('session').update({ seen_at: db.raw("now() - interval '44 minutes'") });
    expect(await viewerOf(db, rests.token)).toBeDefined();
    // Looking in has kept it awake.
    await db('session').update({ seen_at: db.raw("seen_at - interval '44 minutes'") });
    expect(await viewerOf(db, rests.token)).toBeDefined();
    await db('session').update({ seen_at: db.raw("now() - interval '46 minutes'") });
    expect(await viewerOf(db, rests.token)).toBeUndefined();

    const [own, staff] = await Promise.all([
      openSession(db, { learnerId: learner.id }),
      openSession(db, { staffId: teacher.id }),
    ]);
    expect(await endMeeting(db, otherTeacher, teacher.classIds[0]!)).toBe(false);
    expect(await viewerOf(db, own.token)).toBeDefined();
    expect(await endMeeting(db, teacher, teacher.classIds[0]!)).toBe(true);
    expect(await viewerOf(db, own.token)).toBeUndefined();
    expect(await viewerOf(db, staff.token)).toBeDefined();
  });

  test('of a learner is shorter than that of staff', async () => {
    const [learner, staff] = await Promise.all([
      openSession(harbour.db, { learnerId: harbour.learner.id }),
      openSession(harbour.db, { staffId: harbour.teacher.id }),
    ]);
    expect(learner.expires.getTime()).toBeLessThan(staff.expires.getTime());
  });

  test.each(['', 'x', "' or '1'='1"])('is not opened by the token “%s”', async (token) => {
    expect(await viewerOf(harbour.db, token)).toBeUndefined();
  });
});

describe('a rate limit', () => {
  test('is loose for an address, and counts each key by itself', async () => {
    for (let index = 0; index < 60; index += 1)
      expect(await secondsToWait(harbour.db, 'address', 'room')).toBe(0);
    for (let index = 0; index < 40; index += 1)
      expect(await secondsToWait(harbour.db, 'hand-in', 'a')).toBe(0);
    expect(await secondsToWait(harbour.db, 'hand-in', 'a')).toBeGreaterThan(0);
    expect(await secondsToWait(harbour.db, 'hand-in', 'b')).toBe(0);
  });

  test('of a clock that was put back locks nobody out', async () => {
    for (let index = 0; index < 41; index += 1) await secondsToWait(harbour.db, 'hand-in', 'a');
    await harbour.db('rate_limit').update({ expire: harbour.db.raw('expire + 86400000') });
    expect(await secondsToWait(harbour.db, 'hand-in', 'a')).toBe(0);
  });

  test('of tries doubles from five seconds to an hour', () => {
    expect([0, 1, 2, 3, 4, 5, 10, 13, 50].map(waitAfter)).toEqual([0, 0, 0, 5, 10, 20, 640, 3600, 3600]);
  });

  test('counts many tries at once as many', async () => {
    const waits = await Promise.all(Array.from({ length: 12 }, () => beginTry(harbour.db, 'somebody')));
    expect(waits.filter((wait) => wait === 0)).toHaveLength(3);
  });
});

describe('a try', () => {
  test('that began before others were counted, and is counted after them, is one more', async () => {
    const { db } = harbour;
    await db.transaction(async (early) => {
      await early.raw('select now()');
      for (let index = 0; index < 3; index += 1) expect(await beginTry(db, 'somebody')).toBe(0);
      expect(await beginTry(early, 'somebody')).toBeGreaterThan(0);
    });
  });

  test('is not locked out by a clock that was put back', async () => {
    const { db } = harbour;
    for (let index = 0; index < 4; index += 1) await beginTry(db, 'somebody');
    await db('sign_in_try').update({ last_at: db.raw("now() + interval '1 day'") });
    expect(await beginTry(db, 'somebody')).toBe(0);
  });
});

describe('erasing a learner', () => {
  test('takes all their work along, is kept in the audit trail, and is open to their teacher only', async () => {
    const { db, teacher, otherTeacher, learner, publicationId } = harbour;
    await handIn(db, harbour.guarded, learner, harbour.handedIn());
    expect(await eraseLearner(db, otherTeacher, learner.id)).toBe(false);
    expect(await eraseLearner(db, learner, learner.id)).toBe(false);
    expect(await linesOf(db, [publicationId])).toHaveLength(1);
    expect(await eraseLearner(db, teacher, learner.id)).toBe(true);
    expect(await linesOf(db, [publicationId])).toEqual([]);
    expect(await db('report')).toEqual([]);
    expect(await db('audit').where({ action: 'erase-learner', subject: learner.id })).toHaveLength(1);
    expect(await eraseLearner(db, teacher, learner.id)).toBe(false);
  });

  test('opens the append-only tables for its own transaction only', async () => {
    const { db, teacher, learner, stranger } = harbour;
    await handIn(db, harbour.guarded, learner, harbour.handedIn());
    await eraseLearner(db, teacher, stranger.id);
    await expect(db('submission').delete()).rejects.toThrow('append-only');
  });
});
