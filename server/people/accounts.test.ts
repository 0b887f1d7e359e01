import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { handIn } from '../submissions/hand-in';
import { buildHarbour, PASSWORD, type Harbour } from '../testing/harbour';
import { BY_COMMAND, changePassword, makeStaff, Refused, setPassword } from './accounts';
import { makeClass } from './class-register';
import { erase } from './erase';
import { exportLearner } from './export';
import { classByCode, learnerByName } from './named';
import { enrol, slipsOf } from './roster';
import { openSession, viewerOf } from './sessions';
import { joinClass, signInStaff } from './sign-in';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const place = { address: 'here', device: 'tablet' };

describe('accounts', () => {
  test('are made, and sign in', async () => {
    const password = 'quay and crane';
    const id = await makeStaff(harbour.db, { login: ' Wim ', name: 'Wim Aal', role: 'instructor', password });
    const signedIn = await signInStaff(harbour.db, { login: 'wim', password, ...place });
    expect(signedIn.ok && (await viewerOf(harbour.db, signedIn.token))).toMatchObject({
      id,
      role: 'instructor',
    });
  });

  test('are refused with a login that is there, or a short password', async () => {
    const make = (login: string, password: string) =>
      makeStaff(harbour.db, { login, name: 'X', role: 'assistant', password });
    await expect(make('ina', 'long enough it is')).rejects.toThrow('login ina');
    await expect(make('new', 'short')).rejects.toThrow('at least');
  });

  test('with a new password are out, and come in with that alone', async () => {
    const { token } = await openSession(harbour.db, { staffId: harbour.teacher.id });
    await setPassword(harbour.db, 'ina', 'another rope');
    expect(await viewerOf(harbour.db, token)).toBeUndefined();
    expect(await signInStaff(harbour.db, { login: 'ina', password: PASSWORD, ...place })).toMatchObject({
      ok: false,
    });
    expect(await signInStaff(harbour.db, { login: 'ina', password: 'another rope', ...place })).toMatchObject(
      {
        ok: true,
      },
    );
    await expect(setPassword(harbour.db, 'nobody', 'another rope')).rejects.toThrow('nobody');
  });

  test('are given another password by whoever knows the one before', async () => {
    const { db, teacher } = harbour;
    const change = (before: string, password: string) => changePassword(db, teacher.id, { before, password });
    await expect(change('not it', 'another rope')).rejects.toThrow(Refused);
    await expect(change(PASSWORD, 'short')).rejects.toThrow('at least');
    await change(PASSWORD, 'another rope');
    expect(await signInStaff(db, { login: 'ina', password: 'another rope', ...place })).toMatchObject({
      ok: true,
    });
  });
});

describe('a class', () => {
  test('is made with its staff and learners, who join with their slips', async () => {
    const id = await makeClass(harbour.db, { name: 'Three', code: 'quay3', staff: ['ina'] });
    expect(await classByCode(harbour.db, 'quay3')).toBe(id);
    const { slips } = await enrol(harbour.db, id, 'Cara\nDirk', BY_COMMAND);
    const [slip] = slips;
    const learnerId = await learnerByName(harbour.db, 'QUAY3', 'Cara');
    const join = (code: string) =>
      joinClass(harbour.db, { code: 'QUAY3', learnerId, word: 'rudder', slip: code, ...place });
    expect(await join('wrong words')).toMatchObject({ ok: false });
    expect(await join(slip!.slip)).toMatchObject({ ok: true });
    expect((await slipsOf(harbour.db, id, BY_COMMAND)).map(({ name }) => name)).toEqual(['Dirk']);
    const { token } = await openSession(harbour.db, { staffId: harbour.teacher.id });
    expect((await viewerOf(harbour.db, token))!.classIds).toContain(id);
  });

  test.each([
    ['with a code that is taken', { code: 'QUAY1', staff: [] }, 'QUAY1'],
    ['with a code that is none', { code: 'x', staff: [] }, '4 to 12'],
    ['for somebody who is not there', { code: 'QUAY9', staff: ['nobody'] }, 'nobody'],
  ])('%s is refused, and nothing of it is made', async (_, given, message) => {
    await expect(makeClass(harbour.db, { name: 'Four', ...given })).rejects.toThrow(message);
    expect(await harbour.db('class')).toHaveLength(2);
  });
});

describe('a person', () => {
  test('is exported with all that is kept of them, and erased', async () => {
    const { db, learner, guarded } = harbour;
    await handIn(db, guarded, learner, harbour.handedIn());
    await harbour.judgeAll();
    expect(await exportLearner(db, learner.id, 'test')).toMatchObject({
      name: 'Anna',
      class: 'One',
      submissions: [{ exercise: 'Beacon', attempt: 1, report: expect.stringContaining('as-drawn') }],
    });
    expect(await erase(db, learner.id, 'test')).toBe(true);
    expect(await exportLearner(db, learner.id, 'test')).toBeUndefined();
    expect(await erase(db, learner.id, 'test')).toBe(false);
  });

  test('who shares a report with another leaves it there when erased', async () => {
    const { db, learner, guarded, publicationId } = harbour;
    const [other] = await db('learner')
      .insert({ class_id: learner.classIds[0], name: 'Zoe' })
      .returning<{ id: string }[]>('id');
    await handIn(db, guarded, learner, harbour.handedIn());
    await handIn(db, guarded, { ...learner, id: other!.id }, harbour.handedIn());
    await harbour.judgeAll();
    await erase(db, learner.id, 'test');
    expect(await db('report')).toHaveLength(1);
    expect(await db('submission').where({ publication_id: publicationId })).toHaveLength(1);
  });
});
