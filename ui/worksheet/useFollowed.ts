'use client';

import { useEffect, useEffectEvent, useState } from 'react';
import { newsSchema } from '@/core/messages/sheet';
import { applyChange } from '@/core/worksheet/change';
import type { Sheet } from '@/core/worksheet/sheet';
import { ask } from '../connection/ask';

/** Milliseconds between two questions for what was changed. */
const ASK_EVERY = 1500;

/** A sheet as it is now on the server, whoever writes in it; and whether the server answers. */
export function useFollowed(
  exerciseId: string,
  first: Sheet,
  version: number,
): { readonly sheet: Sheet; readonly version: number; readonly isLive: boolean } {
  const [known, setKnown] = useState({ sheet: first, version, isLive: true });
  const follow = useEffectEvent(async (): Promise<void> => {
    if (document.hidden) return;
    try {
      const answer = await ask(`/api/exercises/${exerciseId}/changes?since=${known.version}`);
      if (!answer.ok) throw new Error(String(answer.status));
      const news = newsSchema.parse(await answer.json());
      setKnown((before) => {
        const edits = news.edits.filter((edit) => edit.version > before.version);
        if (edits.length === 0) return before.isLive ? before : { ...before, isLive: true };
        const sheet = edits.flatMap(({ changes }) => changes).reduce(applyChange, before.sheet);
        return { sheet, version: Math.max(news.version, before.version), isLive: true };
      });
    } catch {
      setKnown((before) => (before.isLive ? { ...before, isLive: false } : before));
    }
  });
  useEffect(() => {
    const timer = setInterval(() => void follow(), ASK_EVERY);
    return () => clearInterval(timer);
  }, []);
  return known;
}
