'use client';

import { useEffect, useEffectEvent, useRef } from 'react';
import { useStore } from 'zustand';
import { refusalText } from '@/core/messages/refusal';
import { newsSchema, waitingSchema, type Saving } from '@/core/messages/sheet';
import type { Change } from '@/core/worksheet/change';
import { ask, mayPass, tell } from '../connection/ask';
import type { WorksheetStore } from './useWorksheet';

/** Milliseconds of rest before changes are sent, and between two questions for those of others. */
const SEND_AFTER = 500;
const ASK_EVERY = 2000;
/** Milliseconds until sending is tried again. */
const RETRY_AFTER = 4000;

const storageKey = (exerciseId: string): string => `didaktor-unsent-${exerciseId}`;

/**
 * Keeps a Worksheet on the server as it is written, and brings it up to date with what others write. Changes
 * that have not reached the server outlive a reload.
 */
export function useSending(store: WorksheetStore): void {
  const { dispatch } = store;
  const { unsent, sending } = useStore(store, ({ sync }) => sync);
  const keeping = useStore(store, (state) => state.keeping.state);
  const { exerciseId, mayEdit } = store.getState().given;
  const savedLayout = useRef(store.getInitialState().sync.sheet.layout);
  const isSending = useRef(false);
  /** Changes that the server refused for what they are. */
  const refused = useRef<readonly Change[]>(undefined);
  const hasRecovered = useRef(false);

  const send = useEffectEvent(async (): Promise<void> => {
    if (isSending.current || !mayEdit) return;
    const { sync } = store.getState();
    const { unsent: waiting, version: base, sheet } = sync;
    if (waiting.length === 0) {
      dispatch({ type: 'all kept' });
      return;
    }
    isSending.current = true;
    dispatch({ type: 'sent' });
    const { layout } = sheet;
    const changes: Change[] =
      layout === savedLayout.current
        ? [...waiting]
        : [...waiting, { type: 'field', field: 'layout', was: savedLayout.current, is: layout }];
    try {
      const answer = await tell(`/api/exercises/${exerciseId}/changes`, 'POST', {
        base,
        changes,
      } satisfies Saving);
      const body: unknown = await answer.json();
      if (answer.ok) {
        savedLayout.current = layout;
        dispatch({ type: 'heard', news: { overtaken: [], ...newsSchema.parse(body) } });
      } else {
        const message = refusalText(body) ?? 'The server refused the changes.';
        dispatch({ type: 'not sent', keeping: { state: 'refused', message } });
        // What was refused for what it is would be refused again: it waits until something is changed.
        refused.current = !mayPass(answer.status) ? store.getState().sync.unsent : undefined;
      }
    } catch {
      dispatch({ type: 'not sent', keeping: { state: 'only-here' } });
    } finally {
      isSending.current = false;
    }
  });

  // Waiting changes are kept here until the server has them, and sent when the writing rests.
  useEffect(() => {
    // What an earlier page left behind is looked at first.
    if (!hasRecovered.current) return undefined;
    const key = storageKey(exerciseId);
    if (unsent.length === 0) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(unsent));
    if (unsent.length === sending || unsent === refused.current) return undefined;
    const wait = keeping === 'only-here' || keeping === 'refused' ? RETRY_AFTER : SEND_AFTER;
    const timer = setTimeout(() => void send(), wait);
    return () => clearTimeout(timer);
  }, [exerciseId, unsent, sending, keeping]);

  const askForNews = useEffectEvent(async (): Promise<void> => {
    if (document.hidden || isSending.current) return;
    const known = store.getState().sync.version;
    try {
      const answer = await ask(`/api/exercises/${exerciseId}/changes?since=${known}`);
      if (!answer.ok) return;
      const news = newsSchema.parse(await answer.json());
      if (news.version > store.getState().sync.version && !isSending.current)
        dispatch({ type: 'heard', news });
    } catch {
      // Offline: what is written here waits, and the next question may be heard.
    }
  });
  const recover = useEffectEvent(() => {
    hasRecovered.current = true;
    const waiting = localStorage.getItem(storageKey(exerciseId));
    if (!waiting || !mayEdit) return;
    const changes = waitingSchema.safeParse(jsonOf(waiting));
    if (changes.success) dispatch({ type: 'recovered', changes: changes.data });
  });
  useEffect(() => {
    recover();
    const timer = setInterval(() => void askForNews(), ASK_EVERY);
    return () => clearInterval(timer);
  }, [exerciseId]);
}

/** What a text is as JSON; `undefined` for one that is none. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
