'use client';

import { useEffect } from 'react';

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), summary, [tabindex="0"]';

/**
 * Keeps the focus of whoever goes by keys when what has it goes away: it stands on the first thing that is left in
 * the same place, and not at the top of the page.
 */
export function FocusKeeper() {
  useEffect(() => {
    let last: HTMLElement | undefined;
    let around: readonly HTMLElement[] = [];
    /** Whether a key did something where the focus is; what goes away as the focus passes is passed by. */
    let hasActed = false;
    const act = ({ key }: KeyboardEvent): void => {
      if (key !== 'Tab' && key !== 'Shift') hasActed = true;
    };
    const note = ({ target }: FocusEvent): void => {
      hasActed = false;
      // A pointer goes where it likes; only keys go on from where they were.
      if (!(target instanceof HTMLElement) || !target.matches(':focus-visible')) {
        last = undefined;
        return;
      }
      last = target;
      around = parentsOf(target);
    };
    const keep = (): void => {
      if (!hasActed || !last || last.isConnected || document.activeElement !== document.body) return;
      last = undefined;
      for (const place of around) {
        const next = place.isConnected ? firstIn(place) : undefined;
        if (!next) continue;
        next.focus();
        return;
      }
    };
    const observer = new MutationObserver(keep);
    observer.observe(document.body, { childList: true, subtree: true });
    document.addEventListener('focusin', note);
    document.addEventListener('keydown', act, true);
    return () => {
      observer.disconnect();
      document.removeEventListener('focusin', note);
      document.removeEventListener('keydown', act, true);
    };
  }, []);
  return null;
}

function parentsOf(element: HTMLElement): readonly HTMLElement[] {
  const parents: HTMLElement[] = [];
  for (let parent = element.parentElement; parent && parent !== document.body; parent = parent.parentElement)
    parents.push(parent);
  return parents;
}

const firstIn = (place: HTMLElement): HTMLElement | undefined =>
  [...place.querySelectorAll<HTMLElement>(FOCUSABLE)].find((element) =>
    element.checkVisibility({ visibilityProperty: true }),
  );
