'use server';

import { redirect } from 'next/navigation';
import * as z from 'zod';
import { database } from '@/server/database/connection';
import { closeSession } from '@/server/people/sessions';
import { codeOf, joinClass, rosterOf, signInStaff } from '@/server/people/sign-in';
import type { JoinState, StaffState } from '@/ui/sign-in/state';
import { wayBack } from '@/ui/sign-in/way-back';
import { currentViewer, dropSession, keepSession, mayDo, placeOf, sessionToken } from '../access';

/** A field as it was typed; what the database could not hold counts as nothing. */
const text = (form: FormData, name: string): string =>
  z
    .string()
    .max(200)
    .refine((given) => !/\0|\p{Surrogate}/u.test(given))
    .catch('')
    .parse(form.get(name));

/** Signs a member of staff in and goes to Today. */
export async function signInAsStaff(_: StaffState, form: FormData): Promise<StaffState> {
  if (!(await mayDo('sign-in'))) redirect('/');
  const login = text(form, 'login');
  const result = await signInStaff(database(), {
    login,
    password: text(form, 'password'),
    ...(await placeOf()),
  });
  if (!result.ok) return { login, problem: result.message };
  await keepSession(result.token, result.expires);
  redirect(wayBack(form.get('to')));
}

/** Finds the class of a code, then lets the chosen learner in with their private word. */
export async function joinAsStudent(before: JoinState, form: FormData): Promise<JoinState> {
  if (!(await mayDo('sign-in'))) redirect('/');
  const code = text(form, 'code').trim().toUpperCase();
  const learnerId = text(form, 'learner');
  const word = text(form, 'word');
  const slip = text(form, 'slip');
  const place = await placeOf();
  const roster = await rosterOf(database(), code, place.address);
  if ('message' in roster) return { code, problem: { code: roster.message } };
  const known = { code, ...roster };
  if (before.code !== code || learnerId === '') return known;
  if (!z.uuid().safeParse(learnerId).success) return { ...known, problem: { learner: 'Choose your name.' } };
  const result = await joinClass(database(), { code, learnerId, word, slip, ...place });
  if (!result.ok) return { ...known, learnerId, problem: { word: result.message } };
  await keepSession(result.token, result.expires);
  redirect(wayBack(form.get('to')));
}

/** Ends the session, here and in the database. */
export async function signOut(): Promise<void> {
  if (!(await mayDo('sign-out'))) redirect('/sign-in');
  const [token, viewer] = [await sessionToken(), await currentViewer()];
  if (token) await closeSession(database(), token);
  await dropSession();
  // Whoever takes the tablet next is in the same class.
  const code = viewer?.role === 'student' ? await codeOf(database(), viewer.classIds[0]) : undefined;
  redirect(code === undefined ? '/sign-in' : `/sign-in?class=${code}`);
}
