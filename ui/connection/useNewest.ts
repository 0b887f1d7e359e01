'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { Newest, type Told } from './newest';

/** What became of the newest message to an address, and how to tell it another; see `Newest`. */
export function useNewest<Message>(
  address: string,
): readonly [Told<Message> | undefined, (message: Message) => void] {
  const [told, setTold] = useState<Told<Message>>();
  const newest = useRef<Newest<Message>>(undefined);
  useEffect(() => {
    const made = (newest.current = new Newest<Message>(address, setTold));
    window.addEventListener('online', made.tryAgain);
    return () => {
      window.removeEventListener('online', made.tryAgain);
      made.close();
    };
  }, [address]);
  const tell = useCallback((message: Message) => newest.current?.tell(message), []);
  return [told, tell];
}
