'use server';

import { redirect } from 'next/navigation';
import * as z from 'zod';
import { nameSchema } from '@/core/messages/class-change';
import { database } from '@/server/database/connection';
import { linkOf, useLink as openWith } from '@/server/people/links';
import { openSession } from '@/server/people/sessions';
import { knowDevice } from '@/server/people/tries';
import { tokenHash } from '@/server/people/secrets';
import type { WelcomeState } from '@/ui/people/Welcome';
import { keepSession, mayDo, placeOf } from '../../access';
import { saidBy } from '../../arguments';
import { refusalOf } from '../../refusals';

/** What a login may be made of: it is typed on many keyboards, and read out. */
const loginSchema = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^[a-z0-9][a-z0-9._-]{1,39}$/, 'A login is 2 to 40 plain letters, figures, dots or hyphens.');

/** Uses a one-time link: makes the account or sets the password, and goes in. */
export async function acceptLink(token: string, _: WelcomeState, form: FormData): Promise<WelcomeState> {
  if (!(await mayDo('use-link'))) redirect('/');
  const typed = (name: string): string => z.string().max(2000).catch('').parse(form.get(name));
  const asTyped = { login: typed('login'), name: typed('name') };
  const link = await linkOf(database(), z.string().max(200).catch('').parse(token));
  if (!link) return { ...asTyped, problem: 'This link has been used, or is too old.' };
  const account =
    link.purpose === 'password'
      ? { success: true as const, data: { login: '', name: '' } }
      : z.object({ name: nameSchema, login: loginSchema }).safeParse(asTyped);
  if (!account.success) return { ...asTyped, problem: saidBy(account.error) };
  let staffId = '';
  const problem = await refusalOf(async () => {
    staffId = await openWith(database(), token, { ...account.data, password: typed('password') });
  });
  if (problem !== undefined) return { ...asTyped, problem };
  const { device } = await placeOf();
  await knowDevice(database(), staffId, tokenHash(device));
  const session = await openSession(database(), { staffId });
  await keepSession(session.token, session.expires);
  redirect(link.purpose === 'first-owner' ? '/classes' : '/');
}
