'use server';

import { revalidatePath } from 'next/cache';
import { database } from '@/server/database/connection';
import * as help from '@/server/room/help';
import { requireViewer } from '../../access';
import { idSchema } from '../../arguments';

/** Calls somebody to the learner’s bench; false when the exercise is none of theirs. */
export async function callForHelp(publicationId: string): Promise<boolean> {
  const viewer = await requireViewer('see-bench');
  const id = idSchema.safeParse(publicationId);
  const done = id.success && (await help.callForHelp(database(), viewer, id.data));
  if (id.success) revalidatePath(`/bench/${id.data}`);
  return done;
}

/** Says that no help is needed any more. */
export async function endCall(publicationId: string): Promise<void> {
  const viewer = await requireViewer('see-bench');
  await help.endOwnCall(database(), viewer);
  const id = idSchema.safeParse(publicationId);
  if (id.success) revalidatePath(`/bench/${id.data}`);
}
