'use server';

import { revalidatePath } from 'next/cache';
import type { SharingChange } from '@/core/course/sharing';
import { problemText } from '@/core/result';
import * as boards from '@/server/courses/boards';
import { database } from '@/server/database/connection';
import { textSchema } from '@/core/messages/texts';
import { share } from '@/server/sharing';
import { requireViewer } from '../access';
import { saidBy, sharingChangeSchema } from '../arguments';

/** Largest profile that is taken, in characters. */
const profileSchema = textSchema(200_000);

/** Keeps a board that a user made or changed; every contradiction in it is returned with its place. */
export async function keepBoard(
  text: string,
): Promise<{ readonly id: string } | { readonly problems: readonly string[] }> {
  const viewer = await requireViewer('edit-boards');
  const given = profileSchema.safeParse(text);
  if (!given.success) return { problems: [saidBy(given.error)] };
  const kept = await boards.keepBoard(database(), viewer, given.data);
  revalidatePath('/boards');
  return 'id' in kept ? kept : { problems: kept.problems.map(problemText) };
}

/** Takes away a board of one's own. */
export async function removeBoard(id: string): Promise<void> {
  const viewer = await requireViewer('edit-boards');
  const given = textSchema(120).safeParse(id);
  if (given.success) await boards.removeBoard(database(), viewer, given.data);
  revalidatePath('/boards');
}

/** Changes who may use a board of one's own, or what one person may do with it. */
export async function shareBoard(id: string, wanted: SharingChange): Promise<string | undefined> {
  const viewer = await requireViewer('edit-boards');
  const given = sharingChangeSchema.safeParse(wanted);
  if (!given.success) return saidBy(given.error);
  const done = await share(database(), 'board', viewer, id, given.data);
  revalidatePath('/boards');
  return done ? undefined : 'Only the owner of this board can share it.';
}
