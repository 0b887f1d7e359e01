import { runMessageSchema, type RunAnswer, type RunMessage } from '@/core/messages/meeting';
import { database } from '@/server/database/connection';
import { findMeeting, runOf, setRun } from '@/server/lessons/meetings';
import { can, roleOf } from '@/server/permissions';
import { currentViewer } from '../../../access';
import { given, isForeign, refuse } from '../../bodies';

export const dynamic = 'force-dynamic';

/** Largest body of how a meeting runs, in bytes. */
const LARGEST_BODY = 4000;

interface Context {
  readonly params: Promise<{ meetingId: string }>;
}

async function meetingFor({ params }: Context) {
  const viewer = await currentViewer();
  if (!viewer || !can(roleOf(viewer), 'run-meeting')) return undefined;
  return findMeeting(database(), viewer, (await params).meetingId);
}

const answer = (run: RunMessage): Response => Response.json({ ...run, now: Date.now() } satisfies RunAnswer);

/** How a meeting runs, as it was told last. */
export async function GET(_: Request, context: Context): Promise<Response> {
  const meeting = await meetingFor(context);
  return meeting
    ? answer(await runOf(database(), meeting.id))
    : refuse(404, 'This meeting no longer exists, or you are signed out.');
}

/** Tells how a meeting runs; what was pressed last counts, and is answered. */
export async function PUT(request: Request, context: Context): Promise<Response> {
  if (isForeign(request)) return refuse(403, 'This comes from another site.');
  const meeting = await meetingFor(context);
  if (!meeting) return refuse(404, 'This meeting no longer exists, or you are signed out.');
  const read = await given(request, LARGEST_BODY, runMessageSchema);
  return 'refusal' in read ? read.refusal : answer(await setRun(database(), meeting.id, read.data));
}
