'use client';

import { useCallback, useEffect, useReducer, useState } from 'react';
import type { ExerciseData } from '@/core/formats/exercise';
import { emptyDraft, type Draft } from './draft';
import { keepDraft, loadDraft, readDraftText, sendDraft } from './storage';

interface History {
  readonly past: readonly Draft[];
  readonly present: Draft;
  readonly future: readonly Draft[];
}

type Step =
  | { readonly type: 'load'; readonly draft: Draft }
  | { readonly type: 'change' | 'quiet'; readonly next: (draft: Draft) => Draft }
  | { readonly type: 'undo' | 'redo' };

const MOST_STEPS = 200;

function advance(history: History, step: Step): History {
  const { past, present, future } = history;
  switch (step.type) {
    case 'load':
      return { past: [], present: step.draft, future: [] };
    case 'quiet':
      return { ...history, present: step.next(present) };
    case 'change':
      return { past: [...past.slice(-MOST_STEPS), present], present: step.next(present), future: [] };
    case 'undo': {
      const before = past.at(-1);
      // What has been handed in stays handed in.
      return before
        ? {
            past: past.slice(0, -1),
            present: { ...before, pending: present.pending },
            future: [present, ...future],
          }
        : history;
    }
    case 'redo': {
      const [next, ...rest] = future;
      return next
        ? { past: [...past, present], present: { ...next, pending: present.pending }, future: rest }
        : history;
    }
  }
}

export interface KeptDraft {
  readonly draft: Draft;
  /** Whether the tablet's copy has been looked at; before that nothing is kept. */
  readonly isLoaded: boolean;
  readonly savedAt: Date | undefined;
  readonly problem: string | undefined;
  /** Changes the draft, as a step that can be undone. */
  readonly change: (next: (draft: Draft) => Draft) => void;
  /** Changes what undo does not touch. */
  readonly changeQuietly: (next: (draft: Draft) => Draft) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** Milliseconds after a change until the server gets the draft as well. */
const SEND_AFTER = 8000;

interface DraftOf {
  readonly learnerId: string;
  readonly publicationId: string;
  readonly earlier: readonly string[];
  /** What the server has of it. */
  readonly keptThere: string | undefined;
  readonly exercise: ExerciseData;
}

/**
 * A learner's draft: undone and redone at will, kept on the tablet with every change, and on the server soon
 * after. It begins with what the tablet has, else with what the server has, else with what there was on an
 * earlier publication of the exercise.
 */
export function useDraft({ learnerId, publicationId, earlier, keptThere, exercise }: DraftOf): KeptDraft {
  const [history, dispatch] = useReducer(advance, undefined, () => ({
    past: [],
    present: emptyDraft(exercise),
    future: [],
  }));
  const [isLoaded, setLoaded] = useState(false);
  const [savedAt, setSavedAt] = useState<Date>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    let isCurrent = true;
    const there = keptThere === undefined ? undefined : readDraftText(keptThere);
    loadDraft(learnerId, [publicationId, ...(there ? [] : earlier)])
      .then((here) => {
        if (!isCurrent) return;
        const draft = here ?? there;
        if (draft) dispatch({ type: 'load', draft });
        setLoaded(true);
      })
      .catch(() => {
        if (!isCurrent) return;
        setProblem('This tablet doesn’t let the page save anything. Hand in before you leave the page.');
        setLoaded(true);
      });
    return () => {
      isCurrent = false;
    };
    // What the server said when the page came is what counts, whatever it says later.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [learnerId, publicationId]);

  const { present } = history;
  useEffect(() => {
    if (!isLoaded || (history.past.length === 0 && history.future.length === 0)) return undefined;
    const timer = setTimeout(() => void sendDraft(publicationId, present), SEND_AFTER);
    return () => clearTimeout(timer);
  }, [isLoaded, publicationId, present, history]);
  useEffect(() => {
    if (!isLoaded) return;
    let isCurrent = true;
    keepDraft(learnerId, publicationId, present).then(
      () => isCurrent && setSavedAt(new Date()),
      () =>
        isCurrent &&
        setProblem('The tablet couldn’t save the last change. Hand in before you leave the page.'),
    );
    return () => {
      isCurrent = false;
    };
  }, [isLoaded, learnerId, publicationId, present]);

  const change = useCallback((next: (draft: Draft) => Draft) => dispatch({ type: 'change', next }), []);
  const changeQuietly = useCallback((next: (draft: Draft) => Draft) => dispatch({ type: 'quiet', next }), []);
  return {
    draft: present,
    isLoaded,
    savedAt,
    problem,
    change,
    changeQuietly,
    undo: useCallback(() => dispatch({ type: 'undo' }), []),
    redo: useCallback(() => dispatch({ type: 'redo' }), []),
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
  };
}
