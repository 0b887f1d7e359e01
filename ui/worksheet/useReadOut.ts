'use client';

import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { HouseRules } from '@/core/course/house-rules';
import type { ReadOut } from '@/core/worksheet/read-out';
import type { Layout, Sheet } from '@/core/worksheet/sheet';
import type { SheetAnswer, SheetRequest } from '@/workers/web/messages';
import { kept } from './kept';

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
