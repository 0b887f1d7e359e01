import { slugOf } from '@/core/course/names';
import { database } from '@/server/database/connection';
import { printHandout } from '@/server/exercises/handout';
import { guarded } from '@/server/guard/processes';
import { draftAskedFor } from '../../../asked-for';
import { pdfFile } from '../../../files';
import { handoutAsked } from '../../../handout-asked';
import { ownAddress } from '../../../own-address';
import { refuse } from '../../../api/bodies';

export const dynamic = 'force-dynamic';

/** The handout of an exercise as a PDF. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ exerciseId: string }> },
): Promise<Response> {
  const { viewer, draft } = await draftAskedFor((await params).exerciseId);
  const asked = handoutAsked(request);
  const printed = await printHandout(database(), guarded(), viewer, draft, {
    ...asked,
    ownAddress: await ownAddress(),
  });
  if ('message' in printed) return refuse(422, printed.message);
  return pdfFile(`${slugOf(draft.sheet.title)}-${asked.form}.pdf`, printed.pdf);
}
