import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { log } from '@/server/log';
import { can, roleOf } from '@/server/permissions';
import { handIn, handInSchema } from '@/server/submissions/hand-in';
import { currentViewer } from '../../access';
import { given, isForeign, refuse } from '../bodies';

export const dynamic = 'force-dynamic';

/** Largest body of a hand-in, in bytes. */
const LARGEST_BODY = 600_000;

/** Takes a hand-in and answers at once; it is judged elsewhere. A route handler, since the address of a server action changes with each build. */
export async function POST(request: Request): Promise<Response> {
  if (isForeign(request)) return refuse(403, 'This hand-in comes from another site.');
  const viewer = await currentViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again; your work is kept on this tablet.');
  if (!can(roleOf(viewer), 'hand-in') || viewer.role !== 'student')
    return refuse(403, 'Only learners hand in.');
  const read = await given(request, LARGEST_BODY, handInSchema);
  if ('refusal' in read) return read.refusal;
  try {
    const result = await handIn(database(), guarded(), viewer, read.data);
    if ('message' in result) return refuse(result.status, result.message);
    return Response.json(
      { submissionId: result.submissionId, waiting: result.waiting },
      { status: result.status },
    );
  } catch (error) {
    log.error({ err: error }, 'a hand-in could not be kept');
    return refuse(
      500,
      'The hand-in could not be kept. Your work is still on this tablet; it is tried again.',
    );
  }
}
