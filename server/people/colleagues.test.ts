import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { Knex } from 'knex';
import { buildHarbour, PASSWORD, type Harbour } from '../testing/harbour';
import type { Viewer } from '../permissions';
import { Refused } from './accounts';
import { changeColleague, colleaguesOf, inviteColleague, passwordLink } from './colleagues';
import { firstOwnerLink, linkOf, makeLink, useLink } from './links';
import { openSession, viewerOf } from './sessions';
import { signInStaff } from './sign-in';
import { trailOf } from './trail';

let harbour: Harbour;
let db: Knex;
let owner: Viewer;
beforeEach(async () => {
  harbour = await buildHarbour();
  ({ db } = harbour);
  await db('staff').where({ id: harbour.teacher.id }).update({ role: 'owner' });
  owner = { ...harbour.teacher, role: 'owner' } as Viewer;
});
afterEach(() => harbour.drop());

const account = { login: ' Wim ', name: 'Wim Aal', password: 'quay and crane' };
const place = { address: 'here', device: 'laptop' };

describe('a link', () => {
  test('makes a colleague’s account, once, and not with a login that is there', async () => {
    const token = await inviteColleague(db, owner, 'assistant');
    expect(await linkOf(db, token)).toEqual({ purpose: 'colleague', role: 'assistant' });
    await expect(useLink(db, token, { ...account, login: 'INA' })).rejects.toThrow('Somebody has the login');
    await expect(useLink(db, token, { ...account, password: 'short' })).rejects.toThrow('at least');
    const id = await useLink(db, token, account);
    expect(await db('staff').where({ id }).first()).toMatchObject({ login: 'wim', role: 'assistant' });
    expect(await linkOf(db, token)).toBeUndefined();
    await expect(useLink(db, token, { ...account, login: 'other' })).rejects.toThrow('has been used');
  });

  test('used by two at once makes one account', async () => {
    const token = await inviteColleague(db, owner, 'instructor');
    const made = await Promise.allSettled(
      ['one', 'two'].map((login) => useLink(db, token, { ...account, login })),
    );
    expect(made.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  });

  test('sets another password for whom it was made, and ends what was open', async () => {
    const { otherTeacher } = harbour;
    const { token: session } = await openSession(db, { staffId: otherTeacher.id });
    const first = await passwordLink(db, owner, otherTeacher.id);
    const token = await passwordLink(db, owner, otherTeacher.id);
    // A second link takes the place of the first.
    expect(await linkOf(db, first)).toBeUndefined();
    expect(await linkOf(db, token)).toMatchObject({ purpose: 'password', login: 'olaf' });
    await useLink(db, token, { ...account, login: 'ignored' });
    expect(await viewerOf(db, session)).toBeUndefined();
    expect(await signInStaff(db, { login: 'olaf', password: account.password, ...place })).toMatchObject({
      ok: true,
    });
  });

  test('that is too old, or was never made, is none', async () => {
    const token = await inviteColleague(db, owner, 'assistant');
    await db('one_time_link').update({ expires_at: db.raw("now() - interval '1 second'") });
    expect(await linkOf(db, token)).toBeUndefined();
    expect(await linkOf(db, 'anything')).toBeUndefined();
  });

  test('for the first account is there until somebody keeps the server', async () => {
    expect(await firstOwnerLink(db)).toBeUndefined();
    await db('staff').update({ role: 'instructor' });
    const [first, second] = [await firstOwnerLink(db), await firstOwnerLink(db)];
    expect(await linkOf(db, first!)).toBeUndefined();
    const other = await makeLink(db, { purpose: 'first-owner' }, undefined);
    await useLink(db, second!, account);
    expect(await linkOf(db, other)).toBeUndefined();
    expect(await firstOwnerLink(db)).toBeUndefined();
  });

  test('is made by owners alone', async () => {
    await expect(inviteColleague(db, harbour.otherTeacher, 'owner')).rejects.toThrow(Refused);
    await expect(passwordLink(db, harbour.otherTeacher, owner.id)).rejects.toThrow(Refused);
  });
});

describe('a colleague', () => {
  test('who has left signs in no more, and comes back with what was theirs', async () => {
    const { otherTeacher } = harbour;
    const { token } = await openSession(db, { staffId: otherTeacher.id });
    const signIn = () => signInStaff(db, { login: 'olaf', password: PASSWORD, ...place });
    await changeColleague(db, owner, otherTeacher.id, { has: 'left' });
    expect(await viewerOf(db, token)).toBeUndefined();
    expect(await signIn()).toMatchObject({ ok: false });
    expect((await colleaguesOf(db)).map(({ login, hasLeft }) => [login, hasLeft])).toEqual([
      ['ina', false],
      ['olaf', true],
    ]);
    await changeColleague(db, owner, otherTeacher.id, { has: 'come back' });
    expect(await signIn()).toMatchObject({ ok: true });
  });

  test('is never the last owner who goes', async () => {
    await expect(changeColleague(db, owner, owner.id, { has: 'left' })).rejects.toThrow('keep the accounts');
    await expect(changeColleague(db, owner, owner.id, { role: 'assistant' })).rejects.toThrow(
      'keep the accounts',
    );
    await changeColleague(db, owner, harbour.otherTeacher.id, { role: 'owner' });
    await changeColleague(db, owner, owner.id, { role: 'assistant' });
    expect(await db('staff').where({ role: 'owner' }).pluck('id')).toEqual([harbour.otherTeacher.id]);
  });

  test('is changed by owners alone', async () => {
    await expect(changeColleague(db, harbour.otherTeacher, owner.id, { role: 'assistant' })).rejects.toThrow(
      Refused,
    );
  });
});

test('the trail says who did what to whom, newest first, page by page', async () => {
  await inviteColleague(db, owner, 'assistant');
  await changeColleague(db, owner, harbour.otherTeacher.id, { role: 'assistant' });
  const [last, before] = await trailOf(db, undefined);
  expect(last).toMatchObject({ did: 'changed the account of', actor: 'ina', subject: 'olaf' });
  expect((await trailOf(db, last!.id))[0]).toEqual(before);
});
