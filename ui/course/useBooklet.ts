'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import * as z from 'zod';

const newsSchema = z.union([
  z.object({ done: z.number(), of: z.number(), title: z.string() }),
  z.object({ pdf: z.string() }),
  z.object({ message: z.string() }),
]);

export type BookletState =
  | { readonly is: 'idle' }
  | { readonly is: 'making'; readonly done: number; readonly of: number; readonly title: string }
  | { readonly is: 'done'; readonly address: string }
  | { readonly is: 'failed'; readonly message: string };

const AWAY = 'The server can’t be reached. Try again when the connection is back.';

/** Has all handouts of a course made in one, and hears how far that is; ends it when asked to. */
export function useBooklet(): {
  readonly state: BookletState;
  readonly make: (address: string) => void;
  readonly cancel: () => void;
} {
  const [state, setState] = useState<BookletState>({ is: 'idle' });
  const running = useRef<AbortController>(undefined);
  const made = useRef<string>(undefined);
  useEffect(
    () => () => {
      running.current?.abort();
      if (made.current !== undefined) URL.revokeObjectURL(made.current);
    },
    [],
  );
  const cancel = useCallback(() => {
    running.current?.abort();
    setState({ is: 'idle' });
  }, []);
  const make = useCallback((address: string) => {
    running.current?.abort();
    const controller = new AbortController();
    running.current = controller;
    setState({ is: 'making', done: 0, of: 0, title: '' });
    const hear = (line: string): void => {
      const news = newsSchema.parse(JSON.parse(line));
      if (controller.signal.aborted) return;
      if ('done' in news) setState({ is: 'making', ...news });
      else if ('message' in news) setState({ is: 'failed', message: news.message });
      else {
        if (made.current !== undefined) URL.revokeObjectURL(made.current);
        const bytes = Uint8Array.from(atob(news.pdf), (sign) => sign.charCodeAt(0));
        made.current = URL.createObjectURL(new Blob([bytes], { type: 'application/pdf' }));
        setState({ is: 'done', address: made.current });
      }
    };
    listen(address, controller.signal, hear).catch(() => {
      if (!controller.signal.aborted) setState({ is: 'failed', message: AWAY });
    });
  }, []);
  return { state, make, cancel };
}

/** Reads an answer line by line as it comes. */
async function listen(address: string, signal: AbortSignal, hear: (line: string) => void): Promise<void> {
  const answer = await fetch(address, { signal });
  if (!answer.ok || !answer.body) throw new Error(String(answer.status));
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? '')).split('\n');
    rest = lines.pop()!;
    lines.filter(Boolean).forEach(hear);
    if (done) return;
  }
}
