import { database } from '@/server/database/connection';
import { exportOwnLearner } from '@/server/people/export';
import { can, roleOf } from '@/server/permissions';
import { currentViewer } from '../../../../access';

/** All that is kept of a learner, as a file for them. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ learnerId: string }> },
): Promise<Response> {
  const viewer = await currentViewer();
  if (!viewer || !can(roleOf(viewer), 'export-learner')) return new Response(null, { status: 404 });
  const all = await exportOwnLearner(database(), viewer, (await params).learnerId);
  if (all === undefined) return new Response(null, { status: 404 });
  return new Response(`${JSON.stringify(all, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': 'attachment; filename="all-that-is-kept.json"',
      'cache-control': 'no-store',
    },
  });
}
