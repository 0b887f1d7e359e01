import { database } from '@/server/database/connection';
import { findPicture } from '@/server/exercises/pictures';
import { draftAskedFor } from '../../../../asked-for';
import { refuse } from '../../../../api/bodies';

export const dynamic = 'force-dynamic';

/** A picture of the author's own. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ exerciseId: string; pictureId: string }> },
): Promise<Response> {
  const { exerciseId, pictureId } = await params;
  const { draft } = await draftAskedFor(exerciseId);
  const photo = await findPicture(database(), draft.id, pictureId);
  if (!photo) return refuse(404, 'There is no such picture.');
  return new Response(new Uint8Array(photo.bytes), {
    headers: { 'content-type': photo.type, 'cache-control': 'private, max-age=3600' },
  });
}
