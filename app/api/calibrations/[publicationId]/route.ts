import { calibrationMessageSchema } from '@/core/messages/calibration';
import { database } from '@/server/database/connection';
import { keepCalibration } from '@/server/submissions/calibrations';
import { refuse } from '../../bodies';
import { givenByLearner } from '../../given-by-learner';

export const dynamic = 'force-dynamic';

/** Largest body of one value, in bytes. */
const LARGEST_BODY = 4000;

/** Keeps a value that was found on a learner's bench. */
export async function PUT(
  request: Request,
  { params }: { readonly params: Promise<{ publicationId: string }> },
): Promise<Response> {
  const sent = await givenByLearner(request, {
    action: 'keep-draft',
    onlyFor: 'Only learners have a bench.',
    largest: LARGEST_BODY,
    schema: calibrationMessageSchema,
  });
  if ('refusal' in sent) return sent.refusal;
  const isKept = await keepCalibration(database(), sent.viewer, (await params).publicationId, sent.data);
  return isKept ? new Response(null, { status: 204 }) : refuse(404, 'This exercise does not ask for that.');
}
