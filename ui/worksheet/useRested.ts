'use client';

import { useDeferredValue, useMemo } from 'react';
import { rulesWith, type HouseRules } from '@/core/course/house-rules';
import type { Wiring } from '@/core/wiring/wiring';
import type { ReadOut } from '@/core/worksheet/read-out';
import { useWorksheet } from './useWorksheet';

/** The read-out for what may follow a moment after lines, values and drawing. */
export const useRested = (): ReadOut => useDeferredValue(useWorksheet((state) => state.readOut));

/** The layout for what may follow a moment later. */
export const useRestedWiring = (): Wiring | undefined =>
  useDeferredValue(useWorksheet((state) => state.derived.wiring));

/** The house rules of this exercise: the course's with its own exceptions. */
export function useHouseRules(): HouseRules {
  const courseRules = useWorksheet((state) => state.given.courseRules);
  const rules = useWorksheet((state) => state.sync.sheet.rules);
  return useMemo(() => {
    const own = rulesWith(courseRules, rules);
    return own.ok ? own.value : courseRules;
  }, [courseRules, rules]);
}
