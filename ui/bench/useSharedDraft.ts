'use client';

import { useEffect, useEffectEvent, useRef, type Dispatch } from 'react';
import { readDraft, type Draft } from '@/core/messages/bench-draft';
import type { BenchAction, BenchState } from './bench-state';
import { askForDraft, exchangeDraft, type Exchanged } from './draft-exchange';
import { sameDraft } from './merge';
import type { Where } from './useKeptDraft';

/** Milliseconds between two looks at what the server and this bench have of each other. */
const LOOK_AGAIN = 3000;

/**
 * Shares a bench: with the server, and through it with other tablets of the learner, every few seconds; with other
 * pages of this browser at once.
 */
export function useSharedDraft(
  state: BenchState,
  dispatch: Dispatch<BenchAction>,
  { learnerId, publicationId, isPreview }: Where,
): void {
  useServer(state, dispatch, publicationId, isPreview);
  useOtherPages(state, dispatch, `bench/${learnerId}/${publicationId}`);
}

function useServer(
  { draft, agreed, start, isLoaded }: BenchState,
  dispatch: Dispatch<BenchAction>,
  publicationId: string,
  isPreview: boolean,
): void {
  const isBusy = useRef(false);
  const refused = useRef<Draft>(undefined);
  const isGone = useRef(false);

  const look = useEffectEvent(async (): Promise<void> => {
    if (isBusy.current || isGone.current || refused.current === draft) return;
    const isNews = !sameDraft(draft, agreed?.draft ?? start);
    // Nobody looks at a page that is away; what was done on it goes out all the same.
    if (!isNews && document.hidden) return;
    isBusy.current = true;
    const known = agreed?.version ?? 0;
    const answer: Exchanged = isNews
      ? await exchangeDraft(publicationId, draft, known)
      : await askForDraft(publicationId, known);
    isBusy.current = false;
    if (answer.state === 'kept' && isNews)
      dispatch({ type: 'agree', agreed: { version: answer.version, draft } });
    else if (answer.state === 'overtaken') dispatch({ type: 'join', there: answer.there });
    else if (answer.state === 'refused') refused.current = draft;
    else if (answer.state === 'gone') isGone.current = true;
  });

  useEffect(() => {
    if (!isLoaded || isPreview) return undefined;
    const again = (): void => void look();
    const timer = setInterval(again, LOOK_AGAIN);
    document.addEventListener('visibilitychange', again);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', again);
      window.removeEventListener('online', again);
    };
  }, [isLoaded, isPreview, publicationId]);
}

/** Two pages of one browser save in the same place, so each tells the other what it has. */
function useOtherPages({ draft, isLoaded }: BenchState, dispatch: Dispatch<BenchAction>, name: string): void {
  /** What all pages are known to have. */
  const common = useRef<Draft>(undefined);
  const channel = useRef<BroadcastChannel>(undefined);
  const take = useEffectEvent((theirs: Draft): void => {
    const before = common.current ?? theirs;
    common.current = theirs;
    if (!sameDraft(theirs, draft)) dispatch({ type: 'join page', theirs, before });
  });
  useEffect(() => {
    if (!isLoaded || typeof BroadcastChannel === 'undefined') return undefined;
    const opened = new BroadcastChannel(name);
    opened.onmessage = ({ data }: MessageEvent<unknown>) => {
      const theirs = readDraft(data);
      if (theirs) take(theirs);
    };
    channel.current = opened;
    return () => {
      opened.close();
      channel.current = undefined;
    };
  }, [isLoaded, name]);
  useEffect(() => {
    if (!isLoaded) return;
    if (common.current === undefined) common.current = draft;
    else if (!sameDraft(common.current, draft)) {
      common.current = draft;
      channel.current?.postMessage(draft);
    }
  }, [isLoaded, draft]);
}
