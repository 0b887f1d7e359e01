import { z } from 'zod';
import { slugOf } from '@/core/course/names';
import { handoutForms } from '@/core/handout/document';
import { papers } from '@/core/handout/papers';
import { database } from '@/server/database/connection';
import { printHandout } from '@/server/exercises/handout';
import { guarded } from '@/server/guard/processes';
import { draftAskedFor } from '../../../asked-for';
import { ownAddress } from '../../../own-address';
import { refuse } from '../../../api/bodies';

export const dynamic = 'force-dynamic';

const askedSchema = z.object({
  form: z.enum(handoutForms).catch('student'),
  paper: z.enum(papers).catch('A4'),
  columns: z
    .enum(['1', '2'])
    .catch('1')
    .transform((text): 1 | 2 => (text === '2' ? 2 : 1)),
});

/** The handout of an exercise as a PDF. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ exerciseId: string }> },
): Promise<Response> {
  const { viewer, draft } = await draftAskedFor((await params).exerciseId);
  const asked = askedSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
  const printed = await printHandout(database(), guarded(), viewer, draft, {
    ...asked,
    ownAddress: await ownAddress(),
  });
  if ('message' in printed) return refuse(422, printed.message);
  return new Response(new Uint8Array(printed.pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${slugOf(draft.sheet.title)}-${asked.form}.pdf"`,
      'cache-control': 'no-store',
    },
  });
}
