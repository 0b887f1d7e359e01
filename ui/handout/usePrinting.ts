import { useCallback, useEffect, useRef, useState } from 'react';
import { refusalText } from '@/core/messages/refusal';

export type PrintState =
  | { readonly is: 'idle' }
  /** Whole seconds for which it has been under way. */
  | { readonly is: 'printing'; readonly seconds: number }
  | { readonly is: 'done'; readonly address: string; readonly name: string }
  | { readonly is: 'failed'; readonly message: string };

const AWAY = 'The server can’t be reached. Try again when the connection is back.';

/** Has something printed by the server, which takes some seconds, and keeps the file for whoever opens it. */
export function usePrinting(): {
  readonly state: PrintState;
  readonly print: (address: string) => void;
  readonly cancel: () => void;
} {
  const [state, setState] = useState<PrintState>({ is: 'idle' });
  const running = useRef<AbortController>(undefined);
  const made = useRef<string>(undefined);
  const cancel = useCallback(() => {
    running.current?.abort();
    running.current = undefined;
    setState((before) => (before.is === 'printing' ? { is: 'idle' } : before));
  }, []);
  useEffect(
    () => () => {
      running.current?.abort();
      if (made.current !== undefined) URL.revokeObjectURL(made.current);
    },
    [],
  );
  const print = useCallback((address: string) => {
    running.current?.abort();
    const controller = new AbortController();
    running.current = controller;
    const began = Date.now();
    setState({ is: 'printing', seconds: 0 });
    const clock = setInterval(
      () => setState({ is: 'printing', seconds: Math.floor((Date.now() - began) / 1000) }),
      1000,
    );
    const settle = (next: PrintState): void => {
      clearInterval(clock);
      if (!controller.signal.aborted) setState(next);
    };
    fetch(address, { signal: controller.signal })
      .then(async (answer) => {
        if (!answer.ok) {
          const body: unknown = await answer.json().catch(() => undefined);
          return settle({ is: 'failed', message: refusalText(body) ?? AWAY });
        }
        const file = URL.createObjectURL(await answer.blob());
        if (made.current !== undefined) URL.revokeObjectURL(made.current);
        made.current = file;
        const name = /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1];
        return settle({ is: 'done', address: file, name: name ?? 'the handout' });
      })
      .catch(() => settle({ is: 'failed', message: AWAY }));
  }, []);
  return { state, print, cancel };
}
