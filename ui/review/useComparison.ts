import { useEffect, useState } from 'react';
import type { ComparedBuild } from '@/core/judge/compared-build';
import { comparisonSchema } from '@/core/messages/comparison';

/** How a hand-in compares with the reference; `undefined` while that is worked out, or when it cannot be. */
export function useComparison(submissionId: string): ComparedBuild | undefined {
  const [known, setKnown] = useState<ReadonlyMap<string, ComparedBuild>>(new Map());
  const isKnown = known.has(submissionId);
  useEffect(() => {
    if (isKnown) return undefined;
    const controller = new AbortController();
    fetch(`/api/submissions/${submissionId}/comparison`, { signal: controller.signal })
      .then(async (answer) => {
        const read = answer.ok ? comparisonSchema.safeParse(await answer.json()) : undefined;
        if (read?.success) setKnown((before) => new Map(before).set(submissionId, read.data));
      })
      // The desk does without it: report and texts are there.
      .catch(() => undefined);
    return () => controller.abort();
  }, [submissionId, isKnown]);
  return known.get(submissionId);
}
