import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';

/** Milliseconds after which times that are shown are out of date. */
const TICK = 30_000;
/** Milliseconds after which a stream that was refused is asked for again; one that broke is by the browser itself. */
const ASK_AGAIN = 4000;

/** Keeps a page up to date with what happens in a class, and says whether it is. */
export function useRoom(classId: string): 'opening' | 'live' | 'lost' {
  const router = useRouter();
  const [state, setState] = useState<'opening' | 'live' | 'lost'>('opening');
  const refresh = useEffectEvent(() => router.refresh());
  useEffect(() => {
    let source: EventSource | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    const open = (): void => {
      source = new EventSource(`/api/room/${classId}`);
      source.addEventListener('open', () => setState('live'));
      source.addEventListener('changed', () => refresh());
      source.addEventListener('error', () => {
        setState('lost');
        if (source?.readyState === EventSource.CLOSED) again = setTimeout(open, ASK_AGAIN);
      });
    };
    open();
    const tick = setInterval(() => refresh(), TICK);
    return () => {
      clearTimeout(again);
      clearInterval(tick);
      source?.close();
    };
  }, [classId]);
  return state;
}
