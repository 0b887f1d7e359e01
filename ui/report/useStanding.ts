'use client';

import { useEffect, useState } from 'react';
import { standingSchema, type Queue, type Standing } from '@/core/messages/hand-in';
import { ask } from '../connection/ask';

const MILLISECONDS_BETWEEN_LOOKS = 1200;

/** Follows a hand-in until it has been judged; `undefined` while nothing is known of it. */
export function useStanding(submissionId: string | undefined, first?: Queue): Standing | undefined {
  const [known, setKnown] = useState<{ readonly of: string; readonly standing: Standing }>();
  const standing =
    known && known.of === submissionId ? known.standing : first && { verdict: null, waiting: first };
  const isJudged = standing?.verdict != null;
  useEffect(() => {
    if (submissionId === undefined || isJudged) return undefined;
    let isCurrent = true;
    const look = async (): Promise<void> => {
      const answer = await ask(`/api/submissions/${submissionId}`).catch(() => undefined);
      if (!answer?.ok || !isCurrent) return;
      const read = standingSchema.safeParse(await answer.json().catch(() => undefined));
      if (read.success && isCurrent) setKnown({ of: submissionId, standing: read.data });
    };
    void look();
    const timer = setInterval(() => void look(), MILLISECONDS_BETWEEN_LOOKS);
    return () => {
      isCurrent = false;
      clearInterval(timer);
    };
  }, [submissionId, isJudged]);
  return standing;
}

/** The queue in a learner's words. */
export function queueText(queue: Queue | undefined): string {
  if (!queue || queue.isStarted) return 'Being checked now.';
  if (queue.before === 0) return 'Next in line to be checked.';
  return `Waiting to be checked, ${queue.before} before you.`;
}
