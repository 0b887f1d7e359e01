import { database } from '@/server/database/connection';
import { healthOf } from '@/server/health';
import { mayDo } from '../../access';

export const dynamic = 'force-dynamic';

/**
 * Says whether the product can do its work: it answers, its database takes what is written, and what waits is
 * judged. 503 when hand-ins could not be kept; a missing worker is told and is no reason to send nobody here.
 */
export async function GET(): Promise<Response> {
  if (!(await mayDo('ask-health').catch(() => true))) return Response.json({ ok: false }, { status: 403 });
  const health = await healthOf(database());
  return Response.json(health, { status: health.keeps ? 200 : 503 });
}
