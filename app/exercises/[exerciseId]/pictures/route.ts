import { database } from '@/server/database/connection';
import { addPicture, LARGEST_UPLOAD } from '@/server/exercises/pictures';
import { can } from '@/server/permissions';
import { draftAskedFor } from '../../../asked-for';
import { isForeign, readBytes, refuse } from '../../../api/bodies';

export const dynamic = 'force-dynamic';

/** Takes in a picture of the author's own; its id. */
export async function POST(
  request: Request,
  { params }: { readonly params: Promise<{ exerciseId: string }> },
): Promise<Response> {
  if (isForeign(request)) return refuse(403, 'This picture comes from another site.');
  const { viewer, draft, may } = await draftAskedFor((await params).exerciseId);
  if (!can(viewer.role, 'edit-exercise') || may === 'look')
    return refuse(403, 'This exercise is not yours to change.');
  const bytes = await readBytes(request, LARGEST_UPLOAD);
  if (!bytes) return refuse(413, `A picture has at most ${LARGEST_UPLOAD / 1_000_000} MB.`);
  const added = await addPicture(database(), viewer, draft.id, bytes);
  return 'message' in added ? refuse(422, added.message) : Response.json(added);
}
