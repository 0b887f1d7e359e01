'use client';

import { useCallback, useInsertionEffect, useRef } from 'react';

/**
 * A function that stays the same and does what the newest `act` does: for those below that are costly to
 * draw and need not be drawn again because a handler looks at other data. Not to be called while rendering.
 */
export function useStable<Given extends readonly unknown[], Answer>(
  act: (...given: Given) => Answer,
): (...given: Given) => Answer {
  const newest = useRef(act);
  useInsertionEffect(() => {
    newest.current = act;
  });
  return useCallback((...given: Given) => newest.current(...given), []);
}
