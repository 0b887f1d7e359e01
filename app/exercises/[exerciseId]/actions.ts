'use server';

import { revalidatePath } from 'next/cache';
import { database } from '@/server/database/connection';
import { closePublication, publish } from '@/server/exercises/publications';
import { requireViewer } from '../../access';

/** Opens the exercise as it stands for a class; says why when it cannot be. */
export async function publishToClass(exerciseId: string, classId: string): Promise<string | undefined> {
  const viewer = await requireViewer('publish-exercise');
  const result = await publish(database(), viewer, exerciseId, classId);
  revalidatePath(`/exercises/${exerciseId}`);
  return 'message' in result ? result.message : undefined;
}

/** Closes it again; says why when it cannot be. */
export async function closeForClass(exerciseId: string, publicationId: string): Promise<string | undefined> {
  const viewer = await requireViewer('close-exercise');
  const closed = await closePublication(database(), viewer, publicationId);
  revalidatePath(`/exercises/${exerciseId}`);
  return closed ? undefined : 'This is not open in one of your classes.';
}
