import { DRAFT_LIMIT, draftMessageSchema } from '@/core/messages/bench-draft';
import { database } from '@/server/database/connection';

import { keepBenchDraft } from '@/server/submissions/bench-drafts';
import { refuse } from '../../bodies';
import { givenByLearner } from '../../given-by-learner';

export const dynamic = 'force-dynamic';

/** Keeps what a learner has on the bench, so that it is there on the next tablet. */
export async function PUT(
  request: Request,
  { params }: { readonly params: Promise<{ publicationId: string }> },
): Promise<Response> {
  const sent = await givenByLearner(request, {
    action: 'keep-draft',
    onlyFor: 'Only learners have a bench.',
    largest: 4 * DRAFT_LIMIT,
    schema: draftMessageSchema,
  });
  if ('refusal' in sent) return sent.refusal;
  const { publicationId } = await params;
  return (await keepBenchDraft(database(), sent.viewer, publicationId, sent.data.content))
    ? new Response(null, { status: 204 })
    : refuse(404, 'This exercise is not open for your class.');
}
