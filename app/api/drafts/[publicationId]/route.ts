import { z } from 'zod';
import { database } from '@/server/database/connection';
import { can, roleOf } from '@/server/permissions';
import { DRAFT_LIMIT, keepBenchDraft } from '@/server/submissions/bench-drafts';
import { currentViewer } from '../../../access';
import { given, isForeign, refuse } from '../../bodies';

export const dynamic = 'force-dynamic';

const schema = z.object({
  content: z
    .string()
    .max(DRAFT_LIMIT)
    .refine((text) => !/\0|\p{Surrogate}/u.test(text), 'it holds a character that cannot be kept'),
});

/** Keeps what a learner has on the bench, so that it is there on the next tablet. */
export async function PUT(
  request: Request,
  { params }: { readonly params: Promise<{ publicationId: string }> },
): Promise<Response> {
  if (isForeign(request)) return refuse(403, 'This comes from another site.');
  const viewer = await currentViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again; your work is kept on this tablet.');
  if (!can(roleOf(viewer), 'keep-draft')) return refuse(403, 'Only learners have a bench.');
  const read = await given(request, 4 * DRAFT_LIMIT, schema);
  if ('refusal' in read) return read.refusal;
  const { publicationId } = await params;
  return (await keepBenchDraft(database(), viewer, publicationId, read.data.content))
    ? new Response(null, { status: 204 })
    : refuse(404, 'This exercise is not open for your class.');
}
