'use server';

import { revalidatePath } from 'next/cache';
import { database } from '@/server/database/connection';
import * as classes from '@/server/people/classes';
import { endMeeting as end } from '@/server/people/sessions';
import { requireViewer } from '../access';
import { idSchema } from '../arguments';

/** An id, or one that nothing has when it is none. */
const idOf = (given: unknown): string => idSchema.safeParse(given).data ?? NOTHING;
const NOTHING = '00000000-0000-0000-0000-000000000000';

/** Opens a class for a while to names that nobody has claimed. */
export async function openJoining(classId: string): Promise<boolean> {
  const viewer = await requireViewer('keep-doors');
  const done = await classes.openJoining(database(), viewer, idOf(classId));
  revalidatePath('/');
  return done;
}

/** Signs all learners of a class out, and closes it for new names. */
export async function endMeeting(classId: string): Promise<boolean> {
  const viewer = await requireViewer('keep-doors');
  const done = await end(database(), viewer, idOf(classId));
  revalidatePath('/');
  return done;
}

/** Lets a learner try again at once. */
export async function letIn(learnerId: string): Promise<boolean> {
  const viewer = await requireViewer('keep-doors');
  const done = await classes.letIn(database(), viewer, idOf(learnerId));
  revalidatePath('/');
  return done;
}

/** Gives a learner a slip, with which they choose a new word; its code, when the learner is the viewer's. */
export async function newSlip(learnerId: string): Promise<string | undefined> {
  const viewer = await requireViewer('keep-doors');
  return classes.newWordFor(database(), viewer, idOf(learnerId));
}
