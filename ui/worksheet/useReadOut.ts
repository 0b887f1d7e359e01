'use client';

import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { HouseRules } from '@/core/course/house-rules';
import type { ReadOut } from '@/core/worksheet/read-out';
import type { Layout, Sheet } from '@/core/worksheet/sheet';
import type { SheetAnswer, SheetRequest } from '@/workers/web/messages';

interface ReadOutState {
  readonly readOut: ReadOut;
  readonly trouble: string | undefined;
  readonly work: (sheet: Sheet, layout: Layout) => void;
}

/** Works a sheet out in a web worker as it is written; `onAnswer` is told of each answer to the last request. */
export function useReadOut(
  first: ReadOut,
  courseRules: HouseRules,
  onAnswer: (readOut: ReadOut) => void,
): ReadOutState {
  const [readOut, setReadOut] = useState(first);
  const [trouble, setTrouble] = useState<string>();
  const worker = useRef<Worker>(undefined);
  const seq = useRef(0);
  const tell = useEffectEvent((answer: SheetAnswer) => {
    if (answer.seq !== seq.current) return;
    if (!answer.ok) {
      setTrouble(answer.message);
      return;
    }
    setTrouble(undefined);
    setReadOut((before) =>
      kept(
        before,
        // What takes longer stays as it was until the full answer is there.
        answer.depth === 'in full' ? answer.readOut : { ...answer.readOut, remarks: before.remarks },
      ),
    );
    onAnswer(answer.readOut);
  });

  useEffect(() => {
    const made = new Worker(new URL('../../workers/web/sheet.worker.ts', import.meta.url), {
      type: 'module',
    });
    made.addEventListener('message', ({ data }: MessageEvent<SheetAnswer>) => tell(data));
    made.addEventListener('error', () =>
      setTrouble(
        'The figures cannot be worked out in this browser just now. Load the page again; nothing is lost.',
      ),
    );
    worker.current = made;
    return () => {
      made.terminate();
      worker.current = undefined;
    };
  }, []);

  const work = useCallback(
    (sheet: Sheet, layout: Layout) => {
      seq.current += 1;
      const request: SheetRequest = { seq: seq.current, sheet, courseRules, layout };
      worker.current?.postMessage(request);
    },
    [courseRules],
  );
  return { readOut, trouble, work };
}

/**
 * The newer of two values, with every part of it that is the same as before taken from the older one: who
 * shows only that part is not drawn again.
 */
function kept<T>(before: T, after: T): T {
  if (before === after || typeof before !== 'object' || typeof after !== 'object' || !before || !after)
    return after;
  if (Array.isArray(before) !== Array.isArray(after)) return after;
  const [old, now] = [before as Record<string, unknown>, after as Record<string, unknown>];
  const keys = Object.keys(now);
  let isSame = keys.length === Object.keys(old).length;
  const result: Record<string, unknown> | unknown[] = Array.isArray(after) ? [] : {};
  for (const key of keys) {
    const part = kept(old[key], now[key]);
    if (part !== old[key]) isSame = false;
    (result as Record<string, unknown>)[key] = part;
  }
  return isSame ? before : (result as T);
}
