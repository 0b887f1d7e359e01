'use client';

import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { Change } from '@/core/worksheet/change';
import type { Sheet } from '@/core/worksheet/sheet';
import {
  changed,
  heard,
  notSent,
  recovered,
  sent,
  settledClash,
  startOf,
  steppedBack,
  withDerived,
  type SyncState,
} from './sync';
import { newsSchema, refusalSchema, waitingSchema, type Overtaken } from '@/core/worksheet/messages';

/** Milliseconds of rest before changes are sent, and between two questions for those of others. */
const SEND_AFTER = 500;
const ASK_EVERY = 2000;
/** Milliseconds until sending is tried again. */
const RETRY_AFTER = 4000;

/** Whether a refusal stands until something is changed: not that of a server in trouble, or of a door. */
const isForGood = (status: number): boolean => status < 500 && ![401, 429].includes(status);

/** Whether everything is on the server: `saved`, on its way, only here, or refused with a reason. */
export type Keeping =
  | { readonly state: 'saved' | 'saving' | 'only-here' }
  | { readonly state: 'refused'; readonly message: string };

interface UseSheet {
  readonly sync: SyncState;
  readonly keeping: Keeping;
  /** Makes changes; the sheet with them. */
  readonly change: (changes: readonly Change[], joins?: 'joins' | 'stands alone') => Sheet;
  readonly step: (way: 'undo' | 'redo') => void;
  readonly derive: (settled: Sheet) => void;
  readonly settleClash: (clash: Overtaken, choice: 'mine' | 'theirs') => void;
}

const WAITING: Keeping = { state: 'saving' };

const storageKey = (exerciseId: string): string => `didaktor-unsent-${exerciseId}`;

/**
 * A sheet that is written in this browser, kept on the server as it is written, and brought up to date with
 * what others write. Changes that have not reached the server outlive a reload.
 */
export function useSheet(exerciseId: string, first: Sheet, version: number, mayEdit: boolean): UseSheet {
  const [sync, setSync] = useState(() => startOf(first, version));
  const [keeping, setKeeping] = useState<Keeping>({ state: 'saved' });
  const now = useRef(sync);
  const lastSavedLayout = useRef(first.layout);
  const isSending = useRef(false);
  /** Changes that the server refused for what they are. */
  const refused = useRef<readonly Change[]>(undefined);
  const hasRecovered = useRef(false);
  const put = useCallback((next: SyncState): void => {
    now.current = next;
    setSync(next);
  }, []);

  const send = useEffectEvent(async (): Promise<void> => {
    if (isSending.current || !mayEdit) return;
    const { unsent, version: base, sheet } = now.current;
    if (unsent.length === 0) {
      setKeeping({ state: 'saved' });
      return;
    }
    isSending.current = true;
    put(sent(now.current));
    setKeeping({ state: 'saving' });
    const layout = sheet.layout;
    const changes: readonly Change[] =
      layout === lastSavedLayout.current
        ? unsent
        : [...unsent, { type: 'field', field: 'layout', was: lastSavedLayout.current, is: layout }];
    try {
      const answer = await fetch(`/api/exercises/${exerciseId}/changes`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ base, changes }),
      });
      const body: unknown = await answer.json();
      if (answer.ok) {
        lastSavedLayout.current = layout;
        put(heard(now.current, { overtaken: [], ...newsSchema.parse(body) }));
        setKeeping({ state: now.current.unsent.length > 0 ? 'saving' : 'saved' });
      } else {
        put(notSent(now.current));
        // What was refused for what it is would be refused again: it waits until something is changed.
        refused.current = isForGood(answer.status) ? now.current.unsent : undefined;
        setKeeping({ state: 'refused', message: refusalOf(body) ?? 'The server refused the changes.' });
      }
    } catch {
      put(notSent(now.current));
      setKeeping({ state: 'only-here' });
    } finally {
      isSending.current = false;
    }
  });

  // Waiting changes are kept here until the server has them, and sent when the writing rests.
  useEffect(() => {
    // What an earlier page left behind is looked at first.
    if (!hasRecovered.current) return undefined;
    const key = storageKey(exerciseId);
    if (sync.unsent.length === 0) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(sync.unsent));
    if (sync.unsent.length === sync.sending || sync.unsent === refused.current) return undefined;
    const wait = keeping.state === 'only-here' || keeping.state === 'refused' ? RETRY_AFTER : SEND_AFTER;
    const timer = setTimeout(() => void send(), wait);
    return () => clearTimeout(timer);
  }, [exerciseId, sync.unsent, sync.sending, keeping.state]);

  const ask = useEffectEvent(async (): Promise<void> => {
    if (document.hidden || isSending.current) return;
    try {
      const answer = await fetch(`/api/exercises/${exerciseId}/changes?since=${now.current.version}`);
      if (!answer.ok) return;
      const news = newsSchema.parse(await answer.json());
      if (news.version > now.current.version && !isSending.current) put(heard(now.current, news));
    } catch {
      // Offline: what is written here waits, and the next question may be heard.
    }
  });
  const recover = useEffectEvent(() => {
    hasRecovered.current = true;
    const waiting = localStorage.getItem(storageKey(exerciseId));
    if (!waiting || !mayEdit) return;
    const changes = waitingSchema.safeParse(jsonOf(waiting));
    if (changes.success) put(recovered(now.current, changes.data));
  });
  useEffect(() => {
    recover();
    const timer = setInterval(() => void ask(), ASK_EVERY);
    return () => clearInterval(timer);
  }, [exerciseId]);

  return {
    sync,
    keeping: keeping.state === 'saved' && sync.unsent.length > 0 ? WAITING : keeping,
    change: useCallback(
      (changes, joins = 'stands alone') => {
        if (mayEdit) put(changed(now.current, changes, joins));
        return now.current.sheet;
      },
      [put, mayEdit],
    ),
    step: useCallback((way) => put(steppedBack(now.current, way)), [put]),
    derive: useCallback((settled) => put(withDerived(now.current, settled)), [put]),
    settleClash: useCallback((clash, choice) => put(settledClash(now.current, clash, choice)), [put]),
  };
}

const refusalOf = (body: unknown): string | undefined => refusalSchema.safeParse(body).data?.message;

/** What a text is as JSON; `undefined` for one that is none. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
