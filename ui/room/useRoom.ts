import { useEffect, useState } from 'react';
import { roomSchema, type BoardBench } from '@/core/messages/room';

/** Milliseconds after which a stream that was refused is asked for again; one that broke is by the browser itself. */
const ASK_AGAIN = 4000;

/** A room as it is told of, and whether it is told of now. */
interface HeardRoom {
  readonly benches: readonly BoardBench[];
  readonly connection: 'opening' | 'live' | 'lost';
}

/** The benches of a class as they stand now; `first` is how they stood when the page was made. */
export function useRoom(classId: string, first: readonly BoardBench[], isForWall: boolean): HeardRoom {
  const [benches, setBenches] = useState(first);
  const [connection, setConnection] = useState<HeardRoom['connection']>('opening');
  useEffect(() => {
    let source: EventSource | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    const open = (): void => {
      source = new EventSource(`/api/room/${classId}${isForWall ? '?names=no' : ''}`);
      source.addEventListener('open', () => setConnection('live'));
      source.addEventListener('message', ({ data }: MessageEvent<string>) => {
        const read = roomSchema.safeParse(JSON.parse(data));
        if (read.success) setBenches(read.data);
      });
      source.addEventListener('error', () => {
        setConnection('lost');
        if (source?.readyState === EventSource.CLOSED) again = setTimeout(open, ASK_AGAIN);
      });
    };
    open();
    return () => {
      clearTimeout(again);
      source?.close();
    };
  }, [classId, isForWall]);
  return { benches, connection };
}
