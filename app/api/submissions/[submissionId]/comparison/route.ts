import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { can, roleOf } from '@/server/permissions';
import { comparisonOf } from '@/server/submissions/comparison';
import { currentViewer } from '../../../../access';
import { refuse } from '../../../bodies';

export const dynamic = 'force-dynamic';

/** A hand-in beside the reference, for the staff of its class: the runs of both, and what differs in them. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ submissionId: string }> },
): Promise<Response> {
  const viewer = await currentViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again.');
  if (!can(roleOf(viewer), 'review-class')) return refuse(403, 'Only those who teach see the reference.');
  const compared = await comparisonOf(database(), guarded(), viewer, (await params).submissionId);
  return compared ? Response.json(compared) : refuse(404, 'There is no such hand-in.');
}
