'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Report } from '@/core/formats/report';
import type { CheckAnswer, CheckRequest } from '@/workers/web/messages';

export type CheckState =
  | { readonly state: 'idle' }
  | { readonly state: 'checking' }
  | { readonly state: 'unusable'; readonly message: string }
  | { readonly state: 'done'; readonly report: Report };

/** Seconds after which a check is given up; the engine's own budgets end it much earlier. */
const PATIENCE = 30;

/** Checks builds in a web worker, so that the page never stands still. */
export function useChecker(): {
  readonly result: CheckState;
  readonly check: (request: Omit<CheckRequest, 'id'>) => void;
  readonly clear: () => void;
} {
  const [result, setResult] = useState<CheckState>({ state: 'idle' });
  const worker = useRef<Worker>(undefined);
  const lastId = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  const start = useCallback((): Worker => {
    if (worker.current) return worker.current;
    const made = new Worker(new URL('../../workers/web/check.worker.ts', import.meta.url), {
      type: 'module',
    });
    made.addEventListener('message', ({ data }: MessageEvent<CheckAnswer>) => {
      if (data.id !== lastId.current) return;
      clearTimeout(timer.current);
      setResult(
        data.ok ? { state: 'done', report: data.report } : { state: 'unusable', message: data.message },
      );
    });
    made.addEventListener('error', () => {
      clearTimeout(timer.current);
      worker.current = undefined;
      setResult({ state: 'unusable', message: 'The checker stopped. Your work is kept; check again.' });
    });
    worker.current = made;
    return made;
  }, []);

  // Loading the grammars early makes the first check instant.
  useEffect(() => {
    start().postMessage('warm');
    return () => {
      clearTimeout(timer.current);
      worker.current?.terminate();
      worker.current = undefined;
    };
  }, [start]);

  const check = useCallback(
    (request: Omit<CheckRequest, 'id'>) => {
      lastId.current += 1;
      setResult({ state: 'checking' });
      clearTimeout(timer.current);
      timer.current = setTimeout(() => {
        worker.current?.terminate();
        worker.current = undefined;
        setResult({
          state: 'unusable',
          message: 'This check takes too long on this tablet. Hand in; it is checked again there.',
        });
      }, PATIENCE * 1000);
      start().postMessage({ ...request, id: lastId.current });
    },
    [start],
  );
  const clear = useCallback(() => {
    lastId.current += 1;
    setResult({ state: 'idle' });
  }, []);
  return { result, check, clear };
}
