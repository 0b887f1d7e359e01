import { checkToldSchema } from '@/core/messages/check';
import { checkSchema } from '@/core/messages/hand-in';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { log } from '@/server/log';
import { checkBuild, tellOfCheck } from '@/server/submissions/checks';
import { refuse } from '../bodies';
import { givenByLearner, LARGEST_BUILD } from '../given-by-learner';

/** Of a note on a check, in bytes. */
const LARGEST_NOTE = 1000;

export const dynamic = 'force-dynamic';

/** Checks a build for a learner whose tablet cannot. */
export async function POST(request: Request): Promise<Response> {
  const sent = await givenByLearner(request, {
    action: 'check',
    onlyFor: 'Only learners check their builds here.',
    largest: LARGEST_BUILD,
    schema: checkSchema,
  });
  if ('refusal' in sent) return sent.refusal;
  try {
    const result = await checkBuild(database(), guarded(), sent.viewer, sent.data);
    return 'message' in result ? refuse(result.status, result.message) : Response.json(result);
  } catch (error) {
    log.error({ err: error }, 'a check failed');
    return refuse(503, 'The server can’t check just now. Your work is saved; try again in a moment.');
  }
}

/** Takes note of a check that a tablet has made itself. */
export async function PUT(request: Request): Promise<Response> {
  const sent = await givenByLearner(request, {
    action: 'check',
    onlyFor: 'Only learners check their builds here.',
    largest: LARGEST_NOTE,
    schema: checkToldSchema,
  });
  if ('refusal' in sent) return sent.refusal;
  const isNoted = await tellOfCheck(database(), sent.viewer, sent.data);
  return isNoted
    ? new Response(null, { status: 204 })
    : refuse(404, 'This exercise is not open for your class.');
}
