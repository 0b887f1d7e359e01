'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import * as courses from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { textSchema } from '@/core/messages/texts';
import { guarded } from '@/server/guard/processes';
import { mayEdit } from '@/server/sharing';
import { requireViewer } from '../../../access';
import { saidBy } from '../../../arguments';

const ruleSchema = z.object({ question: textSchema(60), answer: textSchema(60).nullable() });

/** Sets a house rule, or goes back to the default with `null`; says why when it cannot be. */
export async function setRule(
  courseId: string,
  question: string,
  answer: string | null,
): Promise<string | undefined> {
  const viewer = await requireViewer('edit-course');
  const given = ruleSchema.safeParse({ question, answer });
  if (!given.success) return saidBy(given.error);
  if (!(await mayEdit(database(), 'course', viewer, courseId)))
    return 'You can’t change this course; ask its owner.';
  const refusal = await courses.setRule(
    database(),
    guarded(),
    viewer,
    courseId,
    given.data.question,
    given.data.answer,
  );
  revalidatePath(`/courses/${courseId}/rules`);
  return refusal;
}
