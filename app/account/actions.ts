'use server';

import * as z from 'zod';
import { database } from '@/server/database/connection';
import * as accounts from '@/server/people/accounts';
import { openSession } from '@/server/people/sessions';
import type { PasswordState } from '@/ui/people/Account';
import { keepSession, requireViewer } from '../access';
import { refusalOf } from '../refusals';

/** Sets the viewer's own password; here they stay signed in. */
export async function changePassword(_: PasswordState, form: FormData): Promise<PasswordState> {
  const viewer = await requireViewer('keep-own-account');
  const typed = (name: string): string =>
    form instanceof FormData ? z.string().max(2000).catch('').parse(form.get(name)) : '';
  const given = { before: typed('before'), password: typed('password') };
  const problem = await refusalOf(() => accounts.changePassword(database(), viewer.id, given));
  if (problem !== undefined) return { problem };
  const { token, expires } = await openSession(database(), { staffId: viewer.id });
  await keepSession(token, expires);
  return { isDone: true };
}
