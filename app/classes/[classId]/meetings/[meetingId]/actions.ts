'use server';

import { revalidatePath } from 'next/cache';
import { meetingPlanSchema, tickSchema, type MeetingDecision, type Tick } from '@/core/messages/meeting';
import { database } from '@/server/database/connection';
import * as meetings from '@/server/lessons/meetings';
import { requireViewer } from '../../../../access';
import { idSchema, saidBy } from '../../../../arguments';

/** Decides what a meeting is for, and what is done before it. */
export async function decide(meetingId: string, decision: MeetingDecision): Promise<string | undefined> {
  const viewer = await requireViewer('plan-meeting');
  const read = meetingPlanSchema.safeParse(decision);
  if (!read.success) return saidBy(read.error);
  const refusal = await meetings.decide(database(), viewer, String(meetingId), read.data);
  revalidatePath('/classes/[classId]/meetings/[meetingId]', 'page');
  return refusal;
}

/** Ticks something off, or takes that back. */
export async function tick(meetingId: string, given: Tick): Promise<string | undefined> {
  const viewer = await requireViewer('run-meeting');
  const [id, read] = [idSchema.safeParse(meetingId), tickSchema.safeParse(given)];
  if (!id.success) return saidBy(id.error);
  if (!read.success) return saidBy(read.error);
  const meeting = await meetings.findMeeting(database(), viewer, id.data);
  if (!meeting) return 'This meeting no longer exists.';
  await meetings.tick(database(), viewer, meeting.id, read.data);
  revalidatePath('/classes/[classId]/meetings/[meetingId]', 'page');
  return undefined;
}
