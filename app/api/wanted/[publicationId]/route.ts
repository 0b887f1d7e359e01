import { database } from '@/server/database/connection';
import { wantedFor } from '@/server/exercises/wanted';
import { guarded } from '@/server/guard/processes';
import { can, roleOf } from '@/server/permissions';
import { currentViewer } from '../../../access';
import { refuse } from '../../bodies';

export const dynamic = 'force-dynamic';

/** What an exercise wants, as runs that are seen from outside. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ publicationId: string }> },
): Promise<Response> {
  const viewer = await currentViewer();
  if (!viewer || !can(roleOf(viewer), 'see-bench')) return refuse(403, 'Only learners have a bench.');
  const wanted = await wantedFor(database(), guarded(), viewer, (await params).publicationId);
  return wanted ? Response.json(wanted) : refuse(404, 'There is nothing to be seen of this exercise.');
}
