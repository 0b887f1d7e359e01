import { can, roleOf, sameClass } from '@/server/permissions';
import { roomEar } from '@/server/room/listen';
import { watchingViewer } from '../../../access';
import { refuse } from '../../bodies';

export const dynamic = 'force-dynamic';

/** Milliseconds between two signs of life, and after which the page asks anew, and is looked at anew at the door. */
const [PING, LASTS] = [15_000, 10 * 60_000];
/** Milliseconds for which what follows each other fast is one change. */
const TOGETHER = 500;

/** Tells a page, for as long as it listens, whenever something has changed in a class. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ classId: string }> },
): Promise<Response> {
  const { classId } = await params;
  const viewer = await watchingViewer();
  if (!viewer) return refuse(401, 'You are signed out. Sign in again.');
  if (!can(roleOf(viewer), 'see-room') || !sameClass(viewer, classId))
    return refuse(404, 'There is no such class of yours.');
  const text = new TextEncoder();
  let end = (): void => undefined;
  const stream = new ReadableStream({
    start(controller) {
      const send = (what: string): void => controller.enqueue(text.encode(what));
      let pending: NodeJS.Timeout | undefined;
      const stop = roomEar().hear(classId, () => {
        pending ??= setTimeout(() => {
          pending = undefined;
          send('event: changed\ndata: \n\n');
        }, TOGETHER);
      });
      const ping = setInterval(() => send(': still here\n\n'), PING);
      const over = setTimeout(() => end(), LASTS);
      end = () => {
        end = () => undefined;
        stop();
        clearTimeout(pending);
        clearInterval(ping);
        clearTimeout(over);
        try {
          controller.close();
        } catch {
          // Whoever listened has gone, which is why it ends.
        }
      };
      request.signal.addEventListener('abort', () => end());
      send('retry: 1500\n\nevent: changed\ndata: \n\n');
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
