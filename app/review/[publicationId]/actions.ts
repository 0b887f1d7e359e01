'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { decisionSchema, type DecisionWish } from '@/core/messages/decision';
import { database } from '@/server/database/connection';
import * as decisions from '@/server/submissions/decisions';
import { cancelRecheck, startRecheck } from '@/server/submissions/recheck';
import type { DecisionAnswer } from '@/ui/review/actions';
import { requireViewer } from '../../access';
import { idSchema, saidBy } from '../../arguments';

const NOT_YOURS = 'These hand-ins are of no class of yours.';

/** Decides of hand-ins of the viewer's classes; of those that somebody decided on meanwhile, what they decided. */
export async function decide(publicationId: string, wish: DecisionWish): Promise<DecisionAnswer> {
  const viewer = await requireViewer('review-class');
  const given = z.object({ id: idSchema, wish: decisionSchema }).safeParse({ id: publicationId, wish });
  if (!given.success) return { message: saidBy(given.error) };
  const answer = await decisions.decide(database(), viewer, given.data.wish);
  if (answer.decided === 0 && answer.overtaken.length === 0) return { message: NOT_YOURS };
  revalidatePath(`/review/${given.data.id}`);
  return answer;
}

const circuitSchema = z.object({
  id: idSchema,
  shape: z.string().regex(/^[0-9a-f]{64}$/, 'This circuit is not known.'),
  accepted: z.enum(['yes', 'no']),
});

/** Accepts a circuit for the exercise, from whoever builds it, or takes that back; why not, when it cannot be. */
export async function acceptCircuit(
  publicationId: string,
  shape: string,
  accepted: 'yes' | 'no',
): Promise<string | undefined> {
  const viewer = await requireViewer('review-class');
  const given = circuitSchema.safeParse({ id: publicationId, shape, accepted });
  if (!given.success) return saidBy(given.error);
  const { id } = given.data;
  const done = await decisions.acceptCircuit(database(), viewer, id, given.data.shape, given.data.accepted);
  revalidatePath(`/review/${id}`);
  return done ? undefined : NOT_YOURS;
}

/** Has all hand-ins checked again, or stops that; why not, when it cannot be. */
export async function checkAgain(
  publicationId: string,
  how: 'start' | 'cancel',
): Promise<string | undefined> {
  const viewer = await requireViewer('review-class');
  const given = z
    .object({ id: idSchema, how: z.enum(['start', 'cancel']) })
    .safeParse({ id: publicationId, how });
  if (!given.success) return saidBy(given.error);
  const { id } = given.data;
  const act = given.data.how === 'start' ? startRecheck : cancelRecheck;
  const done = await act(database(), viewer, id);
  revalidatePath(`/review/${id}`);
  return done ? undefined : NOT_YOURS;
}
