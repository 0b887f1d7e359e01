'use client';

import { useRouter } from 'next/navigation';
import { useSyncExternalStore } from 'react';

const CHANGED = 'didaktor-opening-changed';
let opened: string | undefined;

/** Says which page is being opened, by its path with what is asked of it; `undefined` when it is there. */
export function setOpening(path: string | undefined): void {
  if (opened === path) return;
  opened = path;
  window.dispatchEvent(new Event(CHANGED));
}

function onChange(tell: () => void): () => void {
  window.addEventListener(CHANGED, tell);
  return () => window.removeEventListener(CHANGED, tell);
}

/** The page that is on its way. */
export const useOpening = (): string | undefined =>
  useSyncExternalStore(
    onChange,
    () => opened,
    () => undefined,
  );

/** Opens a page of this application, and says so until it is there. */
export function useOpen(): (path: string) => void {
  const router = useRouter();
  return (path) => {
    setOpening(path);
    router.push(path);
  };
}

/** The page that a click leads to in this window; `undefined` for any other click, and for a place on the same page. */
export function openedBy(event: MouseEvent): string | undefined {
  if (event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey)
    return undefined;
  const link = event.target instanceof Element ? event.target.closest('a') : null;
  if (!link?.href || link.target !== '' || link.hasAttribute('download')) return undefined;
  const { origin, pathname, search } = new URL(link.href);
  const here = window.location;
  if (origin !== here.origin || (pathname === here.pathname && search === here.search)) return undefined;
  return pathname + search;
}
