'use server';

import * as z from 'zod';
import { textSchema } from '@/core/messages/texts';
import { makeCourse as make } from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { requireViewer } from '../access';
import { saidBy } from '../arguments';

const givenSchema = z.strictObject({ title: textSchema(120).trim().min(1, 'Give it a title.') });

/** Makes an empty course of the viewer's own. */
export async function makeCourse(
  given: z.input<typeof givenSchema>,
): Promise<{ readonly id: string } | { readonly message: string }> {
  const viewer = await requireViewer('edit-course');
  const read = givenSchema.safeParse(given);
  if (!read.success) return { message: saidBy(read.error) };
  return { id: await make(database(), viewer, read.data.title) };
}
