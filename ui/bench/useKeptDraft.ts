'use client';

import { useEffect, useState, type Dispatch } from 'react';
import { readDraftText } from '@/core/messages/bench-draft';
import type { BenchAction, BenchState } from './bench-state';
import { keepDraft, loadDraft, sendDraft } from './storage';

/** Milliseconds after a change until the server gets the draft as well. */
const SEND_AFTER = 8000;

interface Kept {
  readonly savedAt: Date | undefined;
  readonly problem: string | undefined;
}

interface Where {
  readonly learnerId: string;
  readonly publicationId: string;
  readonly earlier: readonly string[];
  /** Whether nothing goes to the server. */
  readonly isPreview: boolean;
  /** What the server has of it. */
  readonly keptThere: string | undefined;
}

/**
 * Keeps a bench on the tablet with every change, and on the server soon after. It begins with what the tablet
 * has, else with what the server has, else with what there was on an earlier publication of the exercise.
 */
export function useKeptDraft(
  { draft, undo, isLoaded }: BenchState,
  dispatch: Dispatch<BenchAction>,
  { learnerId, publicationId, earlier, keptThere, isPreview }: Where,
): Kept {
  const [savedAt, setSavedAt] = useState<Date>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    let isCurrent = true;
    const there = keptThere === undefined ? undefined : readDraftText(keptThere);
    loadDraft(learnerId, [publicationId, ...(there ? [] : earlier)])
      .then((here) => {
        if (isCurrent) dispatch({ type: 'load', draft: here ?? there });
      })
      .catch(() => {
        if (!isCurrent) return;
        setProblem('This tablet doesn’t let the page save anything. Hand in before you leave the page.');
        dispatch({ type: 'load', draft: there });
      });
    return () => {
      isCurrent = false;
    };
    // What the server said when the page came is what counts, whatever it says later.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [learnerId, publicationId]);

  const isTouched = undo.done.length > 0 || undo.undone.length > 0;
  useEffect(() => {
    if (!isLoaded || !isTouched || isPreview) return undefined;
    const timer = setTimeout(() => void sendDraft(publicationId, draft), SEND_AFTER);
    return () => clearTimeout(timer);
  }, [isLoaded, isTouched, isPreview, publicationId, draft]);
  useEffect(() => {
    if (!isLoaded) return undefined;
    let isCurrent = true;
    keepDraft(learnerId, publicationId, draft).then(
      () => isCurrent && setSavedAt(new Date()),
      () =>
        isCurrent &&
        setProblem('The tablet couldn’t save the last change. Hand in before you leave the page.'),
    );
    return () => {
      isCurrent = false;
    };
  }, [isLoaded, learnerId, publicationId, draft]);
  return { savedAt, problem };
}
