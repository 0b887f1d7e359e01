'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { nameSchema } from '@/core/messages/class-change';
import { database } from '@/server/database/connection';
import { staffRoles } from '@/server/permissions';
import { makeOwnClass } from '@/server/people/class-register';
import * as colleagues from '@/server/people/colleagues';
import { requireViewer } from '../access';
import { idSchema, saidBy } from '../arguments';
import { ownAddress } from '../own-address';
import { refusalOf } from '../refusals';

const newClassSchema = z.object({
  name: nameSchema,
  term: z.string().trim().max(60, 'At most 60 characters.'),
});
const roleSchema = z.enum(staffRoles);
const colleagueChangeSchema = z.union([
  z.strictObject({ role: roleSchema }),
  z.strictObject({ has: z.enum(['left', 'come back']) }),
]);

type LinkMade = { readonly address: string } | { readonly message: string };

/** Makes a class of the viewer's; its id, or why not. */
export async function makeClass(
  name: string,
  term: string,
): Promise<{ readonly id: string } | { readonly message: string }> {
  const viewer = await requireViewer('keep-class');
  const given = newClassSchema.safeParse({ name, term });
  if (!given.success) return { message: saidBy(given.error) };
  const id = await makeOwnClass(database(), viewer, given.data);
  revalidatePath('/classes');
  return { id };
}

/** A link with which a colleague makes an account. */
export async function invite(role: string): Promise<LinkMade> {
  const viewer = await requireViewer('keep-colleagues');
  const given = roleSchema.safeParse(role);
  if (!given.success) return { message: saidBy(given.error) };
  return linkMade(() => colleagues.inviteColleague(database(), viewer, given.data));
}

/** A link with which a colleague sets another password. */
export async function newPassword(staffId: string): Promise<LinkMade> {
  const viewer = await requireViewer('keep-colleagues');
  const id = idSchema.safeParse(staffId);
  if (!id.success) return { message: saidBy(id.error) };
  return linkMade(() => colleagues.passwordLink(database(), viewer, id.data));
}

async function linkMade(make: () => Promise<string>): Promise<LinkMade> {
  let token = '';
  const message = await refusalOf(async () => {
    token = await make();
  });
  return message === undefined ? { address: `${await ownAddress()}/welcome/${token}` } : { message };
}

/** Changes what a colleague is; why not, when it cannot be. */
export async function changeColleague(
  staffId: string,
  change: { readonly role: string } | { readonly has: 'left' | 'come back' },
): Promise<string | undefined> {
  const viewer = await requireViewer('keep-colleagues');
  const given = z.object({ id: idSchema, change: colleagueChangeSchema }).safeParse({ id: staffId, change });
  if (!given.success) return saidBy(given.error);
  const refusal = await refusalOf(() =>
    colleagues.changeColleague(database(), viewer, given.data.id, given.data.change),
  );
  revalidatePath('/classes');
  return refusal;
}
