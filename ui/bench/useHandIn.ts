'use client';

import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { handInAnswerSchema, type HandIn, type PendingHandIn, type Queue } from '@/core/messages/hand-in';
import { refusalText } from '@/core/messages/refusal';
import { tell } from '../connection/ask';

export type HandInState =
  | { readonly state: 'none' }
  | { readonly state: 'sending' }
  /** Kept on the tablet and tried again; `message` says why, when it is not for want of a connection. */
  | { readonly state: 'waiting'; readonly message?: string }
  | { readonly state: 'refused'; readonly message: string }
  | { readonly state: 'kept'; readonly submissionId: string; readonly waiting: Queue | undefined };

const SECONDS_BETWEEN_TRIES = 4;
/** Milliseconds without a try when there were too many. */
const REST_AFTER_TOO_MANY = 30_000;

/**
 * Sends a pending hand-in until the server has it. The same hand-in can be sent any number of times;
 * the server keeps it once, by the id made here.
 */
export function useHandIn(
  publicationId: string,
  pending: PendingHandIn | undefined,
  onSettled: () => void,
): HandInState {
  const [state, setState] = useState<HandInState>({ state: 'none' });
  const busy = useRef(false);
  const notBefore = useRef(0);

  const send = useEffectEvent(async (handIn: PendingHandIn): Promise<void> => {
    if (busy.current || Date.now() < notBefore.current) return;
    busy.current = true;
    setState((before) => (before.state === 'waiting' ? before : { state: 'sending' }));
    try {
      const answer = await tell('/api/submissions', 'POST', { ...handIn, publicationId } satisfies HandIn);
      const body: unknown = await answer.json().catch(() => undefined);
      if (answer.ok) {
        const { submissionId, waiting } = handInAnswerSchema.parse(body);
        setState({ state: 'kept', submissionId, waiting });
        onSettled();
        return;
      }
      const message = refusalText(body);
      if (answer.status === 429) {
        notBefore.current = Date.now() + REST_AFTER_TOO_MANY;
        setState({ state: 'waiting', ...(message === undefined ? {} : { message }) });
      } else if (answer.status >= 500) setState({ state: 'waiting' });
      else {
        setState({ state: 'refused', message: message ?? 'The hand-in was refused.' });
        onSettled();
      }
    } catch {
      setState({ state: 'waiting' });
    } finally {
      busy.current = false;
    }
  });

  useEffect(() => {
    if (!pending) return undefined;
    const again = (): void => void send(pending);
    const first = setTimeout(again, 0);
    const timer = setInterval(again, SECONDS_BETWEEN_TRIES * 1000);
    window.addEventListener('online', again);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [pending]);
  return state;
}
