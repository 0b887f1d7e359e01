import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { log } from '@/server/log';
import { can, roleOf } from '@/server/permissions';
import { checkBuild } from '@/server/submissions/checks';
import { handInSchema } from '@/server/submissions/hand-in';
import { currentViewer } from '../../access';
import { given, isForeign, refuse } from '../bodies';

export const dynamic = 'force-dynamic';

/** Largest body of a check, in bytes. */
const LARGEST_BODY = 600_000;
const schema = handInSchema.omit({ clientId: true, hintsTaken: true });

/** Checks a build for a learner whose tablet cannot. */
export async function POST(request: Request): Promise<Response> {
  if (isForeign(request)) return refuse(403, 'This comes from another site.');
  const viewer = await currentViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again; your work is kept on this tablet.');
  if (!can(roleOf(viewer), 'check') || viewer.role !== 'student')
    return refuse(403, 'Only learners check their builds here.');
  const read = await given(request, LARGEST_BODY, schema);
  if ('refusal' in read) return read.refusal;
  try {
    const result = await checkBuild(database(), guarded(), viewer, read.data);
    return 'message' in result ? refuse(result.status, result.message) : Response.json(result);
  } catch (error) {
    log.error({ err: error }, 'a check failed');
    return refuse(503, 'The server cannot check just now. Your work is kept; try again in a moment.');
  }
}
