import { database } from '@/server/database/connection';
import { can, roleOf } from '@/server/permissions';
import { findSubmission } from '@/server/submissions/reports';
import { currentViewer } from '../../../access';
import { refuse } from '../../bodies';

export const dynamic = 'force-dynamic';

/** A hand-in with its report, or how long the queue before it is; to its learner, and to the staff of the class. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ submissionId: string }> },
): Promise<Response> {
  const viewer = await currentViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again.');
  const role = roleOf(viewer);
  if (!can(role, 'see-own-report') && !can(role, 'see-class-reports'))
    return refuse(403, 'You can’t see this hand-in.');
  const submission = await findSubmission(database(), viewer, (await params).submissionId);
  return submission ? Response.json(submission) : refuse(404, 'There is no such hand-in.');
}
