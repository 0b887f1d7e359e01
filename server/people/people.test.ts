import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { handIn } from '../submissions/hand-in';
import { submissionsOf } from '../submissions/reports';
import { buildHarbour, PASSWORD, type Harbour } from '../testing/harbour';
import { eraseLearner } from './erase';
import { secondsToWait } from './rate-limits';
import { hashSecret, newToken, tokenHash, verifySecret } from './secrets';
import { closeSession, openSession, viewerOf } from './sessions';
import { joinClass, rosterOf, signInStaff } from './sign-in';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const address = 'room';
const signIn = (login: string, password: string) => signInStaff(harbour.db, { login, password, address });
const join = (word: string, code = 'quay1') =>
  joinClass(harbour.db, { code, learnerId: harbour.learner.id, word, address });

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
      message: 'Name and password do not belong together.',
    });
  });

  test('are slowed down per login after a few tries, while the room goes on', async () => {
    for (let index = 0; index < 8; index += 1) await signIn('olaf', `wrong ${index}`);
    expect(await signIn('olaf', PASSWORD)).toMatchObject({
      ok: false,
      message: expect.stringContaining('Too many tries'),
    });
    expect(await signIn('ina', PASSWORD)).toMatchObject({ ok: true });
  });
});

describe('a learner', () => {
  test('finds their name by the code of the class, and chooses a word once', async () => {
    expect(await rosterOf(harbour.db, ' quay1 ', address)).toMatchObject({
      className: 'One',
      learners: [{ name: 'Anna', hasWord: false }],
    });
    expect(await join('abc')).toMatchObject({ ok: false, message: expect.stringContaining('at least 4') });
    expect(await join('anchor')).toMatchObject({ ok: true });
    expect(await rosterOf(harbour.db, 'QUAY1', address)).toMatchObject({ learners: [{ hasWord: true }] });
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
    expect(await join('anchor', 'QUAY2')).toMatchObject({ ok: false });
    expect(await rosterOf(harbour.db, 'NOWHERE', address)).toMatchObject({
      message: expect.stringContaining('NOWHERE'),
    });
  });

  test('is slowed down when the word is guessed', async () => {
    await join('anchor');
    for (let index = 0; index < 7; index += 1) await join(`guess ${index}`);
    expect(await join('anchor')).toMatchObject({
      ok: false,
      message: expect.stringContaining('Too many tries'),
    });
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

  test('is over when its time is, and is swept away by the next one', async () => {
    const { token } = await openSession(harbour.db, { learnerId: harbour.learner.id });
    await harbour.db('session').update({ expires_at: new Date(Date.now() - 1000) });
    expect(await viewerOf(harbour.db, token)).toBeUndefined();
    await openSession(harbour.db, { learnerId: harbour.learner.id });
    expect(await harbour.db('session')).toHaveLength(1);
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
  test('is loose for an address, tight for a word, and counts each key by itself', async () => {
    for (let index = 0; index < 60; index += 1)
      expect(await secondsToWait(harbour.db, 'address', 'room')).toBe(0);
    for (let index = 0; index < 8; index += 1)
      expect(await secondsToWait(harbour.db, 'learner-word', 'a')).toBe(0);
    expect(await secondsToWait(harbour.db, 'learner-word', 'a')).toBeGreaterThan(0);
    expect(await secondsToWait(harbour.db, 'learner-word', 'b')).toBe(0);
  });
});

describe('erasing a learner', () => {
  test('takes all their work along, is kept in the audit trail, and is open to their teacher only', async () => {
    const { db, teacher, otherTeacher, learner, publicationId } = harbour;
    await handIn(db, learner, harbour.handedIn());
    expect(await eraseLearner(db, otherTeacher, learner.id)).toBe(false);
    expect(await eraseLearner(db, learner, learner.id)).toBe(false);
    expect(await submissionsOf(db, publicationId)).toHaveLength(1);
    expect(await eraseLearner(db, teacher, learner.id)).toBe(true);
    expect(await submissionsOf(db, publicationId)).toEqual([]);
    expect(await db('report')).toEqual([]);
    expect(await db('audit').where({ action: 'erase-learner', subject: learner.id })).toHaveLength(1);
    expect(await eraseLearner(db, teacher, learner.id)).toBe(false);
  });

  test('opens the append-only tables for its own transaction only', async () => {
    const { db, teacher, learner, stranger } = harbour;
    await handIn(db, learner, harbour.handedIn());
    await eraseLearner(db, teacher, stranger.id);
    await expect(db('submission').delete()).rejects.toThrow('append-only');
  });
});
