import type * as z from 'zod';
import { handInSchema, type handInAnswerSchema } from '@/core/messages/hand-in';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { log } from '@/server/log';
import { handIn } from '@/server/submissions/hand-in';
import { refuse } from '../bodies';
import { givenByLearner, LARGEST_BUILD } from '../given-by-learner';

export const dynamic = 'force-dynamic';

/** Takes a hand-in and answers at once; it is judged elsewhere. A route handler, since the address of a server action changes with each build. */
export async function POST(request: Request): Promise<Response> {
  const sent = await givenByLearner(request, {
    action: 'hand-in',
    onlyFor: 'Only learners can hand in.',
    largest: LARGEST_BUILD,
    schema: handInSchema,
  });
  if ('refusal' in sent) return sent.refusal;
  try {
    const result = await handIn(database(), guarded(), sent.viewer, sent.data);
    if ('message' in result) return refuse(result.status, result.message);
    const { status, submissionId, waiting } = result;
    return Response.json({ submissionId, waiting } satisfies z.infer<typeof handInAnswerSchema>, { status });
  } catch (error) {
    log.error({ err: error }, 'a hand-in could not be kept');
    return refuse(
      500,
      'The hand-in could not be saved. Your work is still on this tablet, and will be sent again.',
    );
  }
}
