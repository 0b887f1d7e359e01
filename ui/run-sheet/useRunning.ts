'use client';

import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import { runAnswerSchema, runMessageSchema, type RunMessage } from '@/core/messages/meeting';
import { after, begin, takenAtEnd, type RunAction, type Running } from '@/core/meeting/running';
import type { RunSheet } from '@/core/meeting/run-sheet';
import { ask, tell } from '../connection/ask';

/** Milliseconds between two questions for what others have pressed, and between two looks at the clock. */
const [ASK_EVERY, LOOK_EVERY] = [1500, 1000];

const storageKey = (meetingId: string): string => `didaktor-run-${meetingId}`;

/** What this browser was told last, or has pressed without a connection; `undefined` for nothing that can be read. */
function remembered(meetingId: string): RunMessage | undefined {
  try {
    return runMessageSchema.safeParse(JSON.parse(localStorage.getItem(storageKey(meetingId)) ?? '')).data;
  } catch {
    return undefined;
  }
}

export interface RunningMeeting {
  readonly running: Running | undefined;
  readonly now: number;
  /** Whether what was pressed here is known to the server. */
  readonly isShared: boolean;
  readonly start: () => void;
  readonly press: (action: RunAction) => void;
  readonly end: () => void;
}

/**
 * A meeting as it runs, the same on every tablet and on the wall. It goes on without a connection: what is pressed is
 * done at once, kept in this browser, and told when the server answers again; the last press counts.
 */
export function useRunning(meetingId: string, sheet: RunSheet, first: RunMessage): RunningMeeting {
  const [told, setTold] = useState(first);
  const [isShared, setShared] = useState(true);
  const [now, setNow] = useState(() => Date.now());
  /** Milliseconds by which the server's clock is ahead of this one. */
  const ahead = useRef(0);
  const exchange = useEffectEvent(async (): Promise<void> => {
    try {
      const address = `/api/meetings/${meetingId}`;
      const answer = isShared ? await ask(address) : await tell(address, 'PUT', told satisfies RunMessage);
      if (!answer.ok) return;
      const { now: there, ...news } = runAnswerSchema.parse(await answer.json());
      ahead.current = there - Date.now();
      setTold((before) => (news.pressedAt >= before.pressedAt ? news : before));
      setShared(news.pressedAt >= told.pressedAt);
    } catch {
      // Without a connection everything goes on here, and is tried again.
    }
  });
  useEffect(() => {
    const kept = remembered(meetingId);
    const asking = setInterval(() => void exchange(), ASK_EVERY);
    const looking = setInterval(() => setNow(Date.now() + ahead.current), LOOK_EVERY);
    // The server's clock is asked for before anything is pressed.
    const soon = setTimeout(() => void exchange());
    // What was pressed here before the page was left, and the server does not know yet.
    if (kept && kept.pressedAt > first.pressedAt) {
      queueMicrotask(() => {
        setTold(kept);
        setShared(false);
      });
    }
    return () => {
      clearTimeout(soon);
      clearInterval(asking);
      clearInterval(looking);
    };
  }, [meetingId, first.pressedAt]);
  const note = useCallback(
    (change: (before: Running | undefined, at: number) => Omit<RunMessage, 'pressedAt'>) => {
      const at = Math.round(Date.now() + ahead.current);
      setNow(at);
      setTold((before) => {
        const next: RunMessage = { ...change(before.state ?? undefined, at), pressedAt: at };
        localStorage.setItem(storageKey(meetingId), JSON.stringify(next));
        return next;
      });
      setShared(false);
    },
    [meetingId],
  );
  return {
    running: told.state ?? undefined,
    now,
    isShared,
    start: () => note((_, at) => ({ state: begin(sheet, at) })),
    press: (action) => note((before, at) => ({ state: before ? after(before, action, sheet, at) : null })),
    end: () =>
      note((before, at) => ({
        state: null,
        ...(before ? { taken: takenAtEnd(before, sheet, at) } : {}),
      })),
  };
}
