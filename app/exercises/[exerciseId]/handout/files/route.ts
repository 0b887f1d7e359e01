import { slugOf } from '@/core/course/names';
import { database } from '@/server/database/connection';
import { handoutArchive } from '@/server/exercises/handout';
import { guarded } from '@/server/guard/processes';
import { draftAskedFor } from '../../../../asked-for';
import { refuse } from '../../../../api/bodies';
import { zipFile } from '../../../../files';
import { handoutAsked } from '../../../../handout-asked';
import { ownAddress } from '../../../../own-address';

export const dynamic = 'force-dynamic';

/** The handout of an exercise as Markdown with every picture beside it. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ exerciseId: string }> },
): Promise<Response> {
  const { viewer, draft } = await draftAskedFor((await params).exerciseId);
  const made = await handoutArchive(database(), guarded(), viewer, draft, {
    ...handoutAsked(request),
    ownAddress: await ownAddress(),
  });
  return 'message' in made
    ? refuse(422, made.message)
    : zipFile(`${slugOf(draft.sheet.title)}.zip`, made.zip);
}
