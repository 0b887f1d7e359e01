'use server';

import { revalidatePath } from 'next/cache';
import * as courses from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { requireViewer } from '../../../access';

/** Sets a house rule, or goes back to the default with `null`; says why when it cannot be. */
export async function setRule(
  courseId: string,
  question: string,
  answer: string | null,
): Promise<string | undefined> {
  await requireViewer('edit-course');
  const refusal = await courses.setRule(database(), guarded(), courseId, question, answer);
  revalidatePath(`/courses/${courseId}/rules`);
  return refusal;
}
