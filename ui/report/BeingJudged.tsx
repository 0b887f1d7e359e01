'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import type { Queue } from '@/core/messages/hand-in';
import { queueText, useStanding } from './useStanding';

interface BeingJudgedProps {
  readonly submissionId: string;
  readonly first: Queue | undefined;
}

/** In the place of a report that is not there yet; the page comes anew with it. */
export function BeingJudged({ submissionId, first }: BeingJudgedProps) {
  const router = useRouter();
  const standing = useStanding(submissionId, first);
  const isJudged = standing?.verdict != null;
  useEffect(() => {
    if (isJudged) router.refresh();
  }, [isJudged, router]);
  return (
    <div className="px-6 py-10" role="status">
      <p className="text-lead">{queueText(standing?.waiting ?? first)}</p>
      <p className="mt-2 max-w-prose text-soft">
        The hand-in is saved. The report will appear here, usually within a few seconds.
      </p>
    </div>
  );
}
