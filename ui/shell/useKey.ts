'use client';

import { useEffect, useEffectEvent } from 'react';
import { singleKeysAreOn } from './single-keys';

/** Runs `act` on a single key, unless such keys are off, something is being written or a modifier is held. */
export function useKey(key: string, act: () => void): void {
  const run = useEffectEvent(act);
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement | null;
      if (event.ctrlKey || event.metaKey || event.altKey || event.key.toLowerCase() !== key.toLowerCase())
        return;
      if (!singleKeysAreOn()) return;
      // The space bar is the way to press whatever has the focus.
      if (key === ' ' && target?.closest('button, a, summary, [role="tab"]')) return;
      if (
        target?.closest(
          'input:not([type="range"]), textarea, select, [contenteditable="true"], [role="dialog"]',
        )
      )
        return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [key]);
}
