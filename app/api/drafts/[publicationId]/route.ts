import { DRAFT_LIMIT, draftMessageSchema } from '@/core/messages/bench-draft';
import { database } from '@/server/database/connection';
import { can, roleOf } from '@/server/permissions';
import { benchDraftAfter, keepBenchDraft } from '@/server/submissions/bench-drafts';
import { watchingViewer } from '../../../access';
import { refuse } from '../../bodies';
import { givenByLearner } from '../../given-by-learner';

export const dynamic = 'force-dynamic';

interface Address {
  readonly params: Promise<{ publicationId: string }>;
}

const ONLY_LEARNERS = 'Only learners have a bench.';
const NOT_THEIRS = 'This exercise is not open for your class.';

/** What the server has of a learner's bench; `?known=` is the version that the tablet has. */
export async function GET(request: Request, { params }: Address): Promise<Response> {
  const viewer = await watchingViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again.');
  if (!can(roleOf(viewer), 'keep-draft')) return refuse(403, ONLY_LEARNERS);
  const known = Number(new URL(request.url).searchParams.get('known') ?? 0);
  const kept = await benchDraftAfter(database(), viewer, (await params).publicationId, known);
  return kept ? Response.json(kept) : refuse(404, NOT_THEIRS);
}

/**
 * Keeps what a learner has on the bench, so that it is there on the next tablet. Where another tablet was faster
 * nothing is kept, and the answer is what that one has.
 */
export async function PUT(request: Request, { params }: Address): Promise<Response> {
  const sent = await givenByLearner(request, {
    action: 'keep-draft',
    onlyFor: ONLY_LEARNERS,
    largest: 4 * DRAFT_LIMIT,
    schema: draftMessageSchema,
  });
  if ('refusal' in sent) return sent.refusal;
  const { publicationId } = await params;
  const kept = await keepBenchDraft(database(), sent.viewer, publicationId, sent.data);
  return kept ? Response.json(kept) : refuse(404, NOT_THEIRS);
}
