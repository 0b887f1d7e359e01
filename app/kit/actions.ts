'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import {
  kitDeedSchema,
  newLineSchema,
  type KitDeed,
  type KitOutcome,
  type NewLine,
  type TriedSubstitutes,
} from '@/core/messages/kit';
import { textSchema } from '@/core/messages/texts';
import { problemText } from '@/core/result';
import { database } from '@/server/database/connection';
import { guarded, NoAnswer } from '@/server/guard/processes';
import * as store from '@/server/lessons/kit-store';
import { findMeeting } from '@/server/lessons/meetings';
import { substitutesForMeeting } from '@/server/lessons/planning';
import type { BroughtIn } from '@/ui/kit/store';
import { requireViewer } from '../access';
import { idSchema, saidBy } from '../arguments';

/** Longest list of stock, in characters. */
const LONGEST_LIST = 400_000;

/** Counts a line of the store, or books something of it. */
export async function doToLine(lineId: string, deed: KitDeed): Promise<KitOutcome> {
  const read = kitDeedSchema.safeParse(deed);
  const keeps =
    read.success && (read.data.type === 'move' || read.data.type === 'remove' || read.data.type === 'bought');
  const viewer = await requireViewer(keeps ? 'keep-kit' : 'count-kit');
  if (!read.success) return { is: 'refused', message: saidBy(read.error) };
  const outcome = await store.doToLine(database(), viewer, String(lineId), read.data);
  revalidatePath('/kit');
  return outcome;
}

/** Puts a sort into the store. */
export async function addLine(line: NewLine): Promise<KitOutcome> {
  const viewer = await requireViewer('keep-kit');
  const read = newLineSchema.safeParse(line);
  if (!read.success) return { is: 'refused', message: saidBy(read.error) };
  const outcome = await store.addLine(database(), viewer, read.data);
  revalidatePath('/kit');
  return outcome;
}

/** Brings in a list of stock. */
export async function bringIn(text: string): Promise<BroughtIn> {
  const viewer = await requireViewer('keep-kit');
  const read = textSchema(LONGEST_LIST).safeParse(text);
  if (!read.success) return { message: saidBy(read.error) };
  const outcome = await store.bringInKit(database(), viewer, read.data);
  revalidatePath('/kit');
  return outcome.ok ? outcome.value : { message: `Nothing was taken: ${problemText(outcome.problems[0]!)}.` };
}

/** What of the store would do for something that a meeting is short of, tried in each exercise that needs it. */
export async function substitutes(
  meetingId: string,
  key: string,
): Promise<readonly TriedSubstitutes[] | { readonly message: string }> {
  const viewer = await requireViewer('see-kit');
  const gone = { message: 'This meeting, or what it needs, has changed. Load the page anew.' };
  const read = z.tuple([idSchema, z.string().max(400)]).safeParse([meetingId, key]);
  const meeting = read.success ? await findMeeting(database(), viewer, read.data[0]) : undefined;
  if (!meeting) return gone;
  try {
    return (await substitutesForMeeting(database(), guarded(), meeting, read.data![1], new Date())) ?? gone;
  } catch (error) {
    if (error instanceof NoAnswer)
      return { message: 'It takes too long to try them all. Try again in a moment.' };
    throw error;
  }
}
