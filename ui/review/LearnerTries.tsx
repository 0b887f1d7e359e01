'use client';

import { useState } from 'react';
import type { Decision } from '@/core/messages/decision';
import { groupByTrouble } from '@/core/plan/review';
import { plainNumber } from '@/core/units';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Clock } from '../design/Clock';
import { Problem } from '../design/Problem';
import { VerdictMark } from '../design/Verdict';
import { Link } from '../shell/Link';
import { decisionsFor, marksOf, type DeskProps, type ReviewedSubmission } from './desk';

interface LearnerTriesProps {
  readonly desk: DeskProps;
  /** The last try. */
  readonly item: ReviewedSubmission;
  readonly tries: readonly ReviewedSubmission[];
  readonly shownId: string;
  /** Whether the decision that is being written is not for this one. */
  readonly isSpared: boolean;
  readonly mayBeSpared: boolean;
  readonly onShow: (id: string) => void;
  readonly onSpare: () => void;
}

/** A learner with all their tries and what was decided of each, so that the way from one to the next is seen. */
export function LearnerTries(props: LearnerTriesProps) {
  const { desk, item, tries, shownId, isSpared, mayBeSpared, onShow, onSpare } = props;
  return (
    <li className="grid grid-cols-[7rem_minmax(0,1fr)] items-start border-t border-rule py-1">
      <span className="py-1.5">
        <span className="block font-semibold break-words">{item.learnerName}</span>
        {mayBeSpared && (
          <label className="flex min-h-6 items-center gap-1.5 text-note text-soft">
            <input
              type="checkbox"
              checked={!isSpared}
              onChange={onSpare}
              aria-label={`Decide for ${item.learnerName} as well`}
              className="size-5 accent-(--ink)"
            />
            in it
          </label>
        )}
      </span>
      <div className="min-w-0">
        <ol>
          {tries.map((attempt) => (
            <Attempt
              key={attempt.id}
              attempt={attempt}
              decisions={decisionsFor(desk, attempt.id)}
              isShown={attempt.id === shownId}
              onShow={onShow}
            />
          ))}
        </ol>
        <MarksLine desk={desk} item={item} />
      </div>
    </li>
  );
}

interface AttemptProps {
  readonly attempt: ReviewedSubmission;
  readonly decisions: readonly Decision[];
  readonly isShown: boolean;
  readonly onShow: (id: string) => void;
}

function Attempt({ attempt, decisions, isShown, onShow }: AttemptProps) {
  const [group] = groupByTrouble([attempt]);
  return (
    <li className={`px-2 ${isShown ? 'bg-card shadow-[inset_3px_0_0_var(--focus)]' : ''}`}>
      <div className="flex flex-wrap items-center gap-x-3">
        <button
          type="button"
          onClick={() => onShow(attempt.id)}
          aria-pressed={isShown}
          className="flex min-h-9 flex-1 basis-48 items-center gap-2 text-left hover:underline"
        >
          {attempt.verdict && <VerdictMark verdict={attempt.verdict} size={13} />}
          <span className="mono text-note text-soft">{attempt.attempt}</span>
          {group?.title ?? 'being checked'}
        </button>
        {attempt.isBroughtIn && <span className="text-note text-soft">from files</span>}
        {attempt.late > 0 && <span className="text-note text-risk">{howMany(attempt.late, 'day')} late</span>}
        <Clock at={attempt.handedInAt} />
        <Link
          href={`/reports/${attempt.id}`}
          className="inline-flex min-h-6 items-center text-note underline decoration-rule-strong underline-offset-3"
        >
          report
        </Link>
        <Link
          href={`/reports/${attempt.id}/run`}
          className="inline-flex min-h-6 min-w-6 items-center justify-center text-note underline decoration-rule-strong underline-offset-3"
        >
          run
        </Link>
      </div>
      {decisions.map((decision) => (
        <p key={decision.id} className="pb-1 pl-5 text-note">
          <strong>{decisionWords(decision)}</strong>
          <span className="text-soft">
            {' '}
            {decision.by}, <Clock at={decision.at} />
          </span>
          {decision.remark !== '' && `: ${decision.remark}`}
        </p>
      ))}
    </li>
  );
}

/** A decision in a few words. */
function decisionWords({ outcome, marks, reason }: Decision): string {
  if (marks !== null) return `Marks set to ${plainNumber(marks)} (${reason})`;
  return outcome === 'returned' ? 'Sent back' : outcome === 'accepted' ? 'Accepted' : 'Remark';
}

function MarksLine({ desk, item }: Pick<LearnerTriesProps, 'desk' | 'item'>) {
  const [isOpen, setOpen] = useState(false);
  const [problem, setProblem] = useState<string>();
  const marks = marksOf(desk, item);
  const save = async (form: FormData): Promise<void> => {
    const typed = String(form.get('marks') ?? '').replace(',', '.');
    const answer = await desk.actions.decide(desk.publicationId, {
      handIns: [{ id: item.id, after: decisionsFor(desk, item.id).at(-1)?.id ?? null }],
      outcome: null,
      remark: '',
      marks: typed.trim() === '' ? Number.NaN : Number(typed),
      reason: String(form.get('reason') ?? ''),
    });
    const refusal =
      'message' in answer
        ? answer.message
        : answer.overtaken.length > 0
          ? `${answer.overtaken[0]!.by} has decided meanwhile. Look again.`
          : undefined;
    setProblem(refusal);
    if (refusal === undefined) setOpen(false);
  };
  return (
    <div className="px-2 text-note">
      <p className="flex flex-wrap items-center gap-x-2">
        <span className="text-soft">
          {marks ? (
            <>
              marks <strong className="mono text-ink">{plainNumber(marks.earned)}</strong> of{' '}
              {plainNumber(marks.of)}
              {marks.reason !== '' && `, ${marks.reason}`}
            </>
          ) : (
            'no marks yet'
          )}
        </span>
        <Button
          look="quiet"
          size="small"
          onClick={() => setOpen((was) => !was)}
          aria-expanded={isOpen}
          aria-label={`Other marks for ${item.learnerName}`}
        >
          other marks
        </Button>
      </p>
      {isOpen && (
        <form
          // Not as the form's action: React would clear what was typed with a refusal.
          onSubmit={(event) => {
            event.preventDefault();
            void save(new FormData(event.currentTarget));
          }}
          className="flex flex-wrap items-end gap-2 pb-2"
        >
          <label className="text-soft">
            Marks
            <input
              name="marks"
              inputMode="decimal"
              defaultValue={marks ? plainNumber(marks.earned) : ''}
              className="mono block min-h-8 w-16 border border-rule-strong bg-card px-1.5 text-body text-ink"
            />
          </label>
          <label className="min-w-40 flex-1 text-soft">
            Why
            <input
              name="reason"
              maxLength={300}
              className="block min-h-8 w-full border border-rule-strong bg-card px-1.5 text-body text-ink"
            />
          </label>
          <Button type="submit" size="small">
            Set
          </Button>
          <Problem className="basis-full">{problem}</Problem>
        </form>
      )}
    </div>
  );
}
