'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { database } from '@/server/database/connection';
import { closeSession } from '@/server/people/sessions';
import { joinClass, rosterOf, signInStaff } from '@/server/people/sign-in';
import type { JoinState, StaffState } from '@/ui/sign-in/state';
import { addressOf, keepSession, mayDo, SESSION_COOKIE } from '../access';

const text = (form: FormData, name: string): string => z.string().max(200).catch('').parse(form.get(name));

/** Signs a member of staff in and goes to Today. */
export async function signInAsStaff(_: StaffState, form: FormData): Promise<StaffState> {
  if (!(await mayDo('sign-in'))) redirect('/');
  const login = text(form, 'login');
  const result = await signInStaff(database(), {
    login,
    password: text(form, 'password'),
    address: await addressOf(),
  });
  if (!result.ok) return { login, problem: result.message };
  await keepSession(result.token, result.expires);
  redirect('/');
}

/** Finds the class of a code, then lets the chosen learner in with their private word. */
export async function joinAsStudent(before: JoinState, form: FormData): Promise<JoinState> {
  if (!(await mayDo('sign-in'))) redirect('/');
  const code = text(form, 'code').trim().toUpperCase();
  const learnerId = text(form, 'learner');
  const word = text(form, 'word');
  const roster = await rosterOf(database(), code, await addressOf());
  if ('message' in roster) return { code, problem: { code: roster.message } };
  const known = { code, className: roster.className, learners: roster.learners };
  if (before.code !== code || learnerId === '') return known;
  if (!z.uuid().safeParse(learnerId).success) return { ...known, problem: { learner: 'Choose your name.' } };
  const result = await joinClass(database(), { code, learnerId, word, address: await addressOf() });
  if (!result.ok) return { ...known, learnerId, problem: { word: result.message } };
  await keepSession(result.token, result.expires);
  redirect('/');
}

/** Ends the session, here and in the database. */
export async function signOut(): Promise<void> {
  if (!(await mayDo('sign-out'))) redirect('/sign-in');
  const jar = await cookies();
  const token = jar.get(SESSION_COOKIE)?.value;
  if (token) await closeSession(database(), token);
  jar.delete(SESSION_COOKIE);
  redirect('/sign-in');
}
