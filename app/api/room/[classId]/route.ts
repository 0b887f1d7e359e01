import { can, roleOf, sameClass } from '@/server/permissions';
import { forTheWall } from '@/core/messages/room';
import { roomFeed } from '@/server/room/feed';
import { watchingViewer } from '../../../access';
import { refuse } from '../../bodies';

export const dynamic = 'force-dynamic';

/** Milliseconds between two signs of life, and after which the page asks anew, and is looked at anew at the door. */
const [PING, LASTS] = [15_000, 10 * 60_000];
/** Tells a page, for as long as it listens, how it stands at the benches of a class; without names for a wall. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ classId: string }> },
): Promise<Response> {
  const { classId } = await params;
  const viewer = await watchingViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again.');
  if (!can(roleOf(viewer), 'see-room') || !sameClass(viewer, classId))
    return refuse(404, 'There is no such class of yours.');
  const isForWall = new URL(request.url).searchParams.get('names') === 'no';
  const text = new TextEncoder();
  let end = (): void => undefined;
  const stream = new ReadableStream({
    start(controller) {
      const send = (what: string): void => controller.enqueue(text.encode(what));
      const stop = roomFeed().follow(classId, (benches) =>
        send(`data: ${JSON.stringify(isForWall ? forTheWall(benches) : benches)}\n\n`),
      );
      const ping = setInterval(() => send(': still here\n\n'), PING);
      const over = setTimeout(() => end(), LASTS);
      end = () => {
        end = () => undefined;
        stop();
        clearInterval(ping);
        clearTimeout(over);
        try {
          controller.close();
        } catch {
          // Whoever listened has gone, which is why it ends.
        }
      };
      request.signal.addEventListener('abort', () => end());
      send('retry: 1500\n\n');
    },
    cancel: () => end(),
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    },
  });
}
