import { mayDo } from '../../access';
import { database } from '@/server/database/connection';

export const dynamic = 'force-dynamic';

/** Says whether the server can do its work: it answers and its database does. */
export async function GET(): Promise<Response> {
  try {
    if (!(await mayDo('ask-health'))) return Response.json({ ok: false }, { status: 403 });
    await database().raw('select 1');
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false }, { status: 503 });
  }
}
