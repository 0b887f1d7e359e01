import { database } from '@/server/database/connection';
import { stateOf } from '@/server/live';
import { can, roleOf } from '@/server/permissions';
import { watchingViewer } from '../../access';
import { refuse } from '../bodies';

export const dynamic = 'force-dynamic';

/** Whether what a viewer's lists show has changed: a text to compare with the last one. */
export async function GET(): Promise<Response> {
  const viewer = await watchingViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again.');
  if (!can(roleOf(viewer), 'see-today')) return refuse(403, 'There is nothing here for you.');
  return Response.json({ state: await stateOf(database(), viewer) });
}
