'use client';

import { useState, useTransition } from 'react';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { verdictWords } from '../design/Verdict';
import { Link } from '../shell/Link';
import type { DeskProps } from './desk';

/** Has everything checked again, says how far it is, and of what something else is said since. */
export function CheckAgain({ desk: { publicationId, recheck, actions } }: { readonly desk: DeskProps }) {
  const [problem, setProblem] = useState<string>();
  const [isBusy, begin] = useTransition();
  const act = (how: 'start' | 'cancel'): void =>
    begin(async () => setProblem(await actions.checkAgain(publicationId, how)));
  return (
    <section aria-label="Check again" className="border-b border-rule px-5 py-2.5 text-note">
      {recheck?.state === 'running' ? (
        <div className="flex items-center gap-3">
          <progress
            max={recheck.total}
            value={recheck.done}
            aria-label="Checked again"
            className="h-2 min-w-0 flex-1 accent-(--ink)"
          />
          <span className="mono">
            {recheck.done} of {recheck.total}
          </span>
          <Button size="small" disabled={isBusy} onClick={() => act('cancel')}>
            Stop
          </Button>
        </div>
      ) : (
        <div className="flex flex-wrap items-center gap-x-3">
          <span className="min-w-0 flex-1 text-soft" role="status">
            {recheck
              ? `${recheck.state === 'cancelled' ? `Stopped after ${recheck.done} of ${recheck.total}` : `${howMany(recheck.done, 'hand-in')} checked again`}: ${recheck.changes.length === 0 ? 'nothing changed' : `${recheck.changes.length} changed`}.`
              : 'After a new revision, or a new version of this product:'}
          </span>
          <Button look="tool" size="small" disabled={isBusy} onClick={() => act('start')}>
            Check all again
          </Button>
        </div>
      )}
      <Problem>{problem}</Problem>
      {recheck && recheck.changes.length > 0 && (
        <details>
          <summary className="min-h-6 py-0.5">What changed</summary>
          <ul>
            {recheck.changes.map(({ submissionId, learnerName, attempt, before, after }) => (
              <li key={submissionId}>
                <Link
                  href={`/reports/${submissionId}`}
                  className="inline-flex min-h-6 items-center underline decoration-rule-strong underline-offset-3"
                >
                  {learnerName}, try {attempt}
                </Link>
                : {before ? verdictWords[before] : 'not checked'} → {verdictWords[after]}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
