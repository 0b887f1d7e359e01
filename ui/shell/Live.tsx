'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useRef } from 'react';
import * as z from 'zod';
import { ask } from '../connection/ask';

/** Milliseconds between two looks: with the page's own time what is new is seen within two seconds. */
const LOOK_AGAIN = 1200;

const stateSchema = z.object({ state: z.string() });

interface LiveProps {
  readonly first: string;
  /** Milliseconds between two looks. */
  readonly every?: number;
}

/** Brings a page up to date when something that it lists has changed; `first` is how it stood when it was made. */
export function Live({ first, every = LOOK_AGAIN }: LiveProps) {
  const router = useRouter();
  const known = useRef(first);
  const isBusy = useRef(false);
  useEffect(() => {
    known.current = first;
  }, [first]);
  const look = useEffectEvent(async (): Promise<void> => {
    if (document.hidden || isBusy.current) return;
    isBusy.current = true;
    const answer = await ask('/api/live').catch(() => undefined);
    const read = answer?.ok ? stateSchema.safeParse(await answer.json().catch(() => undefined)) : undefined;
    isBusy.current = false;
    if (!read?.success || read.data.state === known.current) return;
    known.current = read.data.state;
    router.refresh();
  });
  useEffect(() => {
    const again = (): void => void look();
    const timer = setInterval(again, every);
    document.addEventListener('visibilitychange', again);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', again);
    };
  }, [every]);
  return null;
}
