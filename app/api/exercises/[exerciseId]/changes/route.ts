import { database } from '@/server/database/connection';
import { editsSince, findDraft, saveChanges } from '@/server/exercises/drafts';
import { guarded } from '@/server/guard/processes';
import { log } from '@/server/log';
import { can, roleOf } from '@/server/permissions';
import { mayWithExercise } from '@/server/sharing';
import { currentViewer } from '../../../../access';
import { given, isForeign, refuse } from '../../../bodies';
import { savingSchema } from '@/core/messages/sheet';

export const dynamic = 'force-dynamic';

/** Largest body of a set of changes, in bytes. */
const LARGEST_BODY = 1_000_000;

interface Context {
  readonly params: Promise<{ exerciseId: string }>;
}

/** What was changed in a draft after `?since=`, for those who have it open. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const viewer = await currentViewer();
  if (!viewer || !can(roleOf(viewer), 'see-worksheet')) return refuse(403, 'Sign in as staff to see this.');
  const { exerciseId } = await params;
  const since = Number(new URL(request.url).searchParams.get('since') ?? 'none');
  if (!Number.isInteger(since) || since < 0) return refuse(400, 'Say since which version.');
  const draft =
    (await mayWithExercise(database(), viewer, exerciseId, 'look')) &&
    (await findDraft(database(), exerciseId));
  if (!draft) return refuse(404, 'This exercise no longer exists.');
  return Response.json({
    version: draft.version,
    edits: draft.version > since ? await editsSince(database(), exerciseId, since) : [],
  });
}

/** Takes changes of a draft. A route handler, since an open page must outlive a new build. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  if (isForeign(request)) return refuse(403, 'These changes come from another site.');
  const viewer = await currentViewer();
  if (!viewer)
    return refuse(401, 'You are signed out. Sign in again; your changes are saved in this browser.');
  if (!can(roleOf(viewer), 'edit-exercise')) return refuse(403, 'Only instructors can change exercises.');
  const read = await given(request, LARGEST_BODY, savingSchema);
  if ('refusal' in read) return read.refusal;
  try {
    const saved = await saveChanges(database(), guarded(), viewer, (await params).exerciseId, read.data);
    return 'message' in saved ? refuse(saved.status, saved.message) : Response.json(saved);
  } catch (error) {
    log.error({ err: error }, 'changes could not be kept');
    return refuse(
      500,
      'The changes could not be saved. They are still in this browser, and will be sent again.',
    );
  }
}
