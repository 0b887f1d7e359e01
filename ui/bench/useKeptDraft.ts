'use client';

import { useEffect, useState, type Dispatch } from 'react';
import { readDraftText, type KeptDraft } from '@/core/messages/bench-draft';
import type { BenchAction, BenchState } from './bench-state';
import { keepBench, loadBench } from './storage';

interface Kept {
  readonly savedAt: Date | undefined;
  readonly problem: string | undefined;
}

export interface Where {
  readonly learnerId: string;
  readonly publicationId: string;
  readonly earlier: readonly string[];
  /** Whether nothing goes to the server. */
  readonly isPreview: boolean;
  /** What the server has of it. */
  readonly keptThere: Required<KeptDraft> | undefined;
}

/**
 * Keeps a bench on the tablet with every change. It begins with what the tablet has joined with what the server has,
 * else with what there was on an earlier publication of the exercise.
 */
export function useKeptDraft(
  { draft, agreed, isLoaded }: BenchState,
  dispatch: Dispatch<BenchAction>,
  { learnerId, publicationId, earlier, keptThere }: Where,
): Kept {
  const [savedAt, setSavedAt] = useState<Date>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    let isCurrent = true;
    const draftThere = keptThere && readDraftText(keptThere.content);
    const there = draftThere && { version: keptThere.version, draft: draftThere };
    loadBench(learnerId, publicationId, there ? [] : earlier)
      .then((here) => {
        if (isCurrent) dispatch({ type: 'load', here, there });
      })
      .catch(() => {
        if (!isCurrent) return;
        setProblem('This tablet doesn’t let the page save anything. Hand in before you leave the page.');
        dispatch({ type: 'load', there });
      });
    return () => {
      isCurrent = false;
    };
    // What the server said when the page came is what counts, whatever it says later.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [learnerId, publicationId]);

  useEffect(() => {
    if (!isLoaded) return undefined;
    let isCurrent = true;
    keepBench(learnerId, publicationId, { draft, agreed }).then(
      () => isCurrent && setSavedAt(new Date()),
      () =>
        isCurrent &&
        setProblem('The tablet couldn’t save the last change. Hand in before you leave the page.'),
    );
    return () => {
      isCurrent = false;
    };
  }, [isLoaded, learnerId, publicationId, draft, agreed]);
  return { savedAt, problem };
}
