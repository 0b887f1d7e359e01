'use server';

import { revalidatePath } from 'next/cache';
import { problemText } from '@/core/result';
import * as boards from '@/server/courses/boards';
import { database } from '@/server/database/connection';
import { requireViewer } from '../access';

/** Largest profile that is taken, in characters. */
const LARGEST = 200_000;

/** Keeps a board that a user made or changed; every contradiction in it is returned with its place. */
export async function keepBoard(
  text: string,
): Promise<{ readonly id: string } | { readonly problems: readonly string[] }> {
  const viewer = await requireViewer('edit-boards');
  if (text.length > LARGEST) return { problems: ['This is too long for a board profile.'] };
  const kept = await boards.keepBoard(database(), viewer, text);
  revalidatePath('/boards');
  return 'id' in kept ? kept : { problems: kept.problems.map(problemText) };
}

/** Takes away a board that a user made. */
export async function removeBoard(id: string): Promise<void> {
  await requireViewer('edit-boards');
  await boards.removeBoard(database(), id);
  revalidatePath('/boards');
}
