'use client';

import { useId, useRef, useState, useTransition } from 'react';
import { LONGEST_REMARK, type Decision, type Outcome } from '@/core/messages/decision';
import { remarksLike } from '@/core/plan/remarks';
import type { ReviewGroup } from '@/core/plan/review';
import { Button, Keys } from '../design/Button';
import { Clock } from '../design/Clock';
import { Problem } from '../design/Problem';
import { useKey } from '../shell/useKey';
import { acceptedBy, decisionsFor, type DeskProps, type ReviewedSubmission } from './desk';

interface DecisionBarProps {
  readonly desk: DeskProps;
  readonly group: ReviewGroup<ReviewedSubmission>;
  /** Those of the group that the decision is for. */
  readonly items: readonly ReviewedSubmission[];
  /** What is written in the remark before anything is typed. */
  readonly proposal: string;
  readonly onDecided: (ids: ReadonlySet<string>) => void;
  readonly onNextPerson: () => void;
}

/** One remark and one decision for a whole group, by keys alone. */
export function DecisionBar({ desk, group, items, proposal, onDecided, onNextPerson }: DecisionBarProps) {
  const { publicationId, knownRemarks, actions } = desk;
  const id = useId();
  const field = useRef<HTMLTextAreaElement>(null);
  const [remark, setRemark] = useState(proposal);
  const [isWriting, setWriting] = useState(false);
  const [problem, setProblem] = useState<string>();
  /** What others decided while this was being written; seen now, so that the next press counts. */
  const [overtaken, setOvertaken] = useState<readonly Decision[]>([]);
  const [isBusy, begin] = useTransition();
  const after = (itemId: string): string | null =>
    overtaken.find(({ submissionId }) => submissionId === itemId)?.id ??
    decisionsFor(desk, itemId).at(-1)?.id ??
    null;
  const decide = (outcome: Outcome | null): void => {
    if (isBusy || items.length === 0) return;
    if (outcome !== 'accepted' && remark.trim() === '') {
      setProblem('Say what is to be done.');
      field.current?.focus();
      return;
    }
    // A proposal that nobody has touched says what is wrong, which is nothing to write under an acceptance.
    const text = outcome === 'accepted' && remark === proposal ? '' : remark;
    begin(async () => {
      const answer = await actions.decide(publicationId, {
        handIns: items.map((item) => ({ id: item.id, after: after(item.id) })),
        outcome,
        remark: text,
        marks: null,
        reason: '',
      });
      if ('message' in answer) return setProblem(answer.message);
      setProblem(undefined);
      setOvertaken(answer.overtaken);
      if (answer.overtaken.length === 0) onDecided(new Set(items.map((item) => item.id)));
    });
  };
  useKey('b', () => decide('returned'));
  useKey('a', () => decide('accepted'));
  useKey('m', () => field.current?.focus());
  useKey('n', onNextPerson);
  const offered = isWriting ? remarksLike(remark === proposal ? '' : remark, knownRemarks) : [];
  const [first] = group.items;
  const shape = group.verdict === 'works-differently' ? first!.shape : null;
  const isAccepted = acceptedBy(desk, first!) !== undefined;
  const toWhom =
    items.length === group.items.length
      ? items.length === 1
        ? items[0]!.learnerName
        : `all ${items.length}`
      : items.length === 1
        ? items[0]!.learnerName
        : `${items.length} of ${group.items.length}`;
  return (
    <section
      aria-label="Decide"
      aria-busy={isBusy}
      className="sticky bottom-0 mt-auto border-t border-ink bg-paper px-6 pt-3 pb-4 print:hidden"
    >
      {overtaken.length > 0 && (
        <div role="alert" className="mb-2 border-l-4 border-risk bg-wash px-3 py-2">
          <p className="font-semibold">Somebody has decided meanwhile. Press again to put yours on top.</p>
          {overtaken.map((decision) => (
            <p key={decision.id} className="text-note">
              {decision.by}, <Clock at={decision.at} />:{' '}
              {decision.outcome === 'returned'
                ? 'sent back'
                : decision.outcome === 'accepted'
                  ? 'accepted'
                  : 'remark'}
              {decision.remark !== '' && `: ${decision.remark}`}
            </p>
          ))}
        </div>
      )}
      <label htmlFor={id} className="font-semibold">
        Remark for {toWhom}
        <Keys>M</Keys>
      </label>
      <div
        className="relative mt-1"
        onFocus={() => setWriting(true)}
        onBlur={({ currentTarget, relatedTarget }) =>
          !currentTarget.contains(relatedTarget) && setWriting(false)
        }
      >
        <textarea
          id={id}
          ref={field}
          rows={2}
          value={remark}
          maxLength={LONGEST_REMARK}
          onChange={({ target }) => setRemark(target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') event.currentTarget.blur();
            if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) decide('returned');
          }}
          placeholder="What is to be done?"
          className="w-full resize-y border border-rule-strong bg-card px-2.5 py-1.5 placeholder:text-soft"
        />
        {offered.length > 0 && (
          <ul
            aria-label="Remarks made before"
            className="absolute bottom-full left-0 z-10 mb-1 max-h-60 w-full overflow-y-auto border border-ink bg-card"
          >
            {offered.map(({ text, times }) => (
              <li key={text} className="border-b border-rule last:border-b-0">
                <button
                  type="button"
                  className="flex min-h-9 w-full items-center justify-between gap-4 px-2.5 py-1 text-left hover:bg-wash"
                  onClick={() => {
                    setRemark(text);
                    field.current?.focus();
                  }}
                >
                  <span className="min-w-0 break-words">{text}</span>
                  <span className="mono text-note text-soft">{times}×</span>
                </button>
              </li>
            ))}
          </ul>
        )}
      </div>
      <Problem className="mt-1">{problem}</Problem>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button
          look={group.verdict === 'works-differently' || group.verdict === 'as-drawn' ? 'plain' : 'main'}
          disabled={isBusy || items.length === 0}
          onClick={() => decide('returned')}
        >
          Send back
          <Keys>B</Keys>
        </Button>
        <Button disabled={isBusy || items.length === 0} onClick={() => decide('accepted')}>
          Accept
          <Keys>A</Keys>
        </Button>
        <Button look="tool" disabled={isBusy || items.length === 0} onClick={() => decide(null)}>
          Remark only
        </Button>
        {shape !== null && (
          <Button
            look={isAccepted ? 'tool' : 'main'}
            disabled={isBusy}
            onClick={() =>
              begin(async () =>
                setProblem(await actions.acceptCircuit(publicationId, shape, isAccepted ? 'no' : 'yes')),
              )
            }
          >
            {isAccepted ? 'Accept this circuit no longer' : 'Accept this circuit, from whoever builds it'}
          </Button>
        )}
        {group.items.length > 1 && (
          <Button look="tool" className="ml-auto" onClick={onNextPerson}>
            Next person
            <Keys>N</Keys>
          </Button>
        )}
      </div>
    </section>
  );
}
