import { bringUpMessageSchema } from '@/core/messages/bring-up';
import { database } from '@/server/database/connection';
import { keepBringUp } from '@/server/room/bring-up';
import { refuse } from '../../bodies';
import { givenByLearner } from '../../given-by-learner';

export const dynamic = 'force-dynamic';

/** Of a body, in bytes. */
const LARGEST_BODY = 1000;

/** Keeps how far a learner has come in making the board of an exercise ready. */
export async function PUT(
  request: Request,
  { params }: { readonly params: Promise<{ publicationId: string }> },
): Promise<Response> {
  const sent = await givenByLearner(request, {
    action: 'keep-draft',
    onlyFor: 'Only learners have a bench.',
    largest: LARGEST_BODY,
    schema: bringUpMessageSchema,
  });
  if ('refusal' in sent) return sent.refusal;
  const isKept = await keepBringUp(database(), sent.viewer, (await params).publicationId, sent.data);
  return isKept
    ? new Response(null, { status: 204 })
    : refuse(404, 'This exercise is not open for your class.');
}
