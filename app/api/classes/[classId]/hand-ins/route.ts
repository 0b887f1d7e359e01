import type * as z from 'zod';
import { BATCH, outsideBatchSchema, type broughtBatchSchema } from '@/core/messages/outside';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { can, roleOf, sameClass } from '@/server/permissions';
import { bringIn } from '@/server/submissions/outside';
import { currentViewer } from '../../../../access';
import { given, isForeign, refuse } from '../../../bodies';
import { LARGEST_BUILD } from '../../../given-by-learner';

/** Largest body: a batch of the largest builds. */
const LARGEST_BATCH = BATCH * LARGEST_BUILD;

export const dynamic = 'force-dynamic';

/** Takes hand-ins that came to the staff of a class in other ways, a batch at a time. */
export async function POST(
  request: Request,
  { params }: { readonly params: Promise<{ classId: string }> },
): Promise<Response> {
  if (isForeign(request)) return refuse(403, 'This comes from another site.');
  const viewer = await currentViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again; nothing was brought in.');
  if (!can(roleOf(viewer), 'review-class')) return refuse(403, 'Only those who teach bring hand-ins in.');
  if (!sameClass(viewer, (await params).classId)) return refuse(404, 'This class is none of yours.');
  const read = await given(request, LARGEST_BATCH, outsideBatchSchema);
  if ('refusal' in read) return read.refusal;
  const brought = await bringIn(database(), guarded(), viewer, read.data.handIns);
  return Response.json({ brought: [...brought] } satisfies z.infer<typeof broughtBatchSchema>);
}
