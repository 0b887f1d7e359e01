import { database } from '@/server/database/connection';
import { draftsOf } from '@/server/exercises/drafts';
import { printBooklet } from '@/server/exercises/handout';
import { guarded } from '@/server/guard/processes';
import { courseAskedFor } from '../../../asked-for';
import { handoutAsked } from '../../../handout-asked';
import { ownAddress } from '../../../own-address';

export const dynamic = 'force-dynamic';

/** All handouts of a course in one PDF, told line by line while they are made; ends when nobody listens any more. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ courseId: string }> },
): Promise<Response> {
  const { viewer, course } = await courseAskedFor((await params).courseId);
  const [drafts, address] = await Promise.all([draftsOf(database(), course.id), ownAddress()]);
  const gone = new AbortController();
  request.signal.addEventListener('abort', () => gone.abort());
  const news = printBooklet(
    database(),
    guarded(),
    viewer,
    drafts,
    { ...handoutAsked(request), ownAddress: address },
    gone.signal,
  );
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { done, value } = await news.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
    },
    cancel: () => gone.abort(),
  });
  return new Response(stream, {
    // Packed it would come all at once.
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store, no-transform' },
  });
}
