'use client';

import { useEffect, useState } from 'react';
import { isFile, isKeptPage, PAGES, type OfflineMessage } from '@/workers/offline/kept';

/** Whether a page opens again without a connection. */
export type OfflineState = 'not yet' | 'kept' | 'cannot';

/** Where a tab notes of which scripts it has loaded what is needed later: a slow tablet does that once. */
const WARMED = 'didaktor-warmed';

/** Milliseconds after which a page has loaded what it needs at first. */
const SETTLED = 2500;

/**
 * Keeps the page that is open, and what it is made of, for when there is no connection. `warm` loads what is needed only
 * later, so that it is there then; with another `content` the page is kept anew. Browsers keep pages of safe origins only: `cannot` on a plain address.
 */
export function useOffline(warm: () => void, content?: unknown): OfflineState {
  const [state, setState] = useState<OfflineState>('not yet');
  useEffect(() => {
    // A preview is no bench of anybody's.
    if (!isKeptPage(location.pathname)) return undefined;
    if (!('serviceWorker' in navigator)) {
      const tell = setTimeout(() => setState('cannot'));
      return () => clearTimeout(tell);
    }
    let isGone = false;
    let wait: ReturnType<typeof setTimeout> | undefined;
    const keep = async (): Promise<void> => {
      await navigator.serviceWorker.register('/offline.js', { scope: '/' });
      const { active } = await navigator.serviceWorker.ready;
      const scripts = [...document.scripts].map(({ src }) => src).join();
      if (sessionStorage.getItem(WARMED) !== scripts) warm();
      wait = setTimeout(() => {
        if (!active || isGone) return;
        const channel = new MessageChannel();
        channel.port1.onmessage = ({ data }: MessageEvent<string>) => {
          if (data !== 'kept') return;
          sessionStorage.setItem(WARMED, scripts);
          if (!isGone) setState('kept');
        };
        const urls = performance
          .getEntriesByType('resource')
          .map(({ name }) => new URL(name))
          .filter(({ origin, pathname }) => origin === location.origin && isFile(pathname))
          .map(({ pathname }) => pathname);
        const message: OfflineMessage = { page: location.pathname, urls: [...new Set(urls)] };
        active.postMessage(message, [channel.port2]);
      }, SETTLED);
    };
    keep().catch(() => {
      if (!isGone) setState('cannot');
    });
    return () => {
      isGone = true;
      clearTimeout(wait);
    };
    // What is warmed is the same as long as the page is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [content]);
  return state;
}

/** Forgets the pages that are kept: the tablet is somebody else's next. */
export async function forgetPages(): Promise<void> {
  if ('caches' in window) await caches.delete(PAGES);
}
