'use client';

import { Check } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { groupByTrouble, latestOf, type ReviewGroup } from '@/core/plan/review';
import { Keys } from '../design/Button';
import { VerdictMark, verdictWords } from '../design/Verdict';
import { Link } from '../shell/Link';
import { useKey } from '../shell/useKey';
import { CheckAgain } from './CheckAgain';
import { acceptedBy, isOpen, nextOpen, type DeskProps, type ReviewedSubmission } from './desk';
import { GroupDetail } from './GroupDetail';

/** A class's hand-ins by what is wrong: the list on the left, what it looks like on the right. */
export function ReviewDesk(desk: DeskProps) {
  const { submissions, without } = desk;
  const latest = useMemo(() => latestOf(submissions), [submissions]);
  const groups = useMemo(() => groupByTrouble(latest), [latest]);
  const waiting = latest.filter(({ verdict }) => verdict === null);
  const [choice, setChoice] = useState({ key: '', index: 0 });
  const found = groups.findIndex(({ key }) => key === choice.key);
  // Hand-ins that arrive move the groups, not what is looked at; of a group that is gone the next one is shown.
  const chosen = found >= 0 ? found : Math.max(0, Math.min(groups.length - 1, choice.index));
  const setChosen = (index: number): void => setChoice({ key: groups[index]?.key ?? '', index });
  const list = useRef<HTMLElement>(null);
  const move = (by: number): void => setChosen(Math.max(0, Math.min(groups.length - 1, chosen + by)));
  useKey('j', () => move(1));
  useKey('k', () => move(-1));
  useEffect(() => {
    list.current?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const group = groups[chosen];
  if (!group)
    return (
      <div className="p-8">
        <p className="text-lead">
          {waiting.length > 0
            ? `${waiting.length} ${waiting.length === 1 ? 'hand-in is' : 'hand-ins are'} being checked and will appear here.`
            : 'Nobody has handed in yet. Hand-ins appear here as they arrive.'}
        </p>
        <BringInLink desk={desk} />
      </div>
    );
  const open = latest.filter((item) => isOpen(desk, item)).length;
  return (
    <div className="grid min-h-[calc(100dvh-3.9rem)] grid-cols-1 lg:grid-cols-[25rem_minmax(0,1fr)]">
      <nav
        ref={list}
        aria-label="Groups"
        className="border-ink lg:sticky lg:top-[3.9rem] lg:max-h-[calc(100dvh-3.9rem)] lg:overflow-y-auto lg:border-r"
      >
        <p className="flex justify-between border-b border-rule px-5 py-2 text-note text-soft">
          <span role="status">{open === 0 ? 'everything is reviewed' : `${open} to review`}, last tries</span>
          <span>
            next<Keys>J</Keys> back<Keys>K</Keys>
          </span>
        </p>
        <CheckAgain desk={desk} />
        {groups.map((candidate, index) => (
          <GroupLine
            key={candidate.key}
            group={candidate}
            open={candidate.items.filter((item) => isOpen(desk, item)).length}
            acceptedBy={acceptedBy(desk, candidate.items[0]!)}
            isFirstOfVerdict={groups[index - 1]?.verdict !== candidate.verdict}
            count={countOf(groups, candidate)}
            isChosen={index === chosen}
            onChoose={() => setChosen(index)}
          />
        ))}
        {waiting.length > 0 && (
          <div className="border-b border-rule px-5 py-3" role="status">
            <p className="text-note text-soft">Being checked: {waiting.length}</p>
            <p>{waiting.map(({ learnerName }) => learnerName).join('  ·  ')}</p>
          </div>
        )}
        <div className="px-5 py-3">
          {without.length > 0 && (
            <>
              <p className="text-note text-soft">Not handed in: {without.length}</p>
              <p>{without.join('  ·  ')}</p>
            </>
          )}
          <BringInLink desk={desk} />
        </div>
      </nav>
      <p className="sr-only" role="status">
        {`Group ${chosen + 1} of ${groups.length}: ${group.title}, ${group.items.map((item) => item.learnerName).join(', ')}`}
      </p>
      <GroupDetail
        key={group.key}
        group={group}
        desk={desk}
        onDecided={(decided) => {
          const next = nextOpen(groups, chosen, (item) => !decided.has(item.id) && isOpen(desk, item));
          if (next !== undefined && next !== chosen) setChosen(next);
        }}
      />
    </div>
  );
}

/** The way to hand-ins that came by mail or on a stick. */
const BringInLink = ({ desk: { classId, publicationId } }: { readonly desk: DeskProps }) => (
  <p className="mt-2">
    <Link
      href={`/classes/${classId}/hand-ins?to=${publicationId}`}
      className="inline-flex min-h-6 items-center text-note underline decoration-rule-strong underline-offset-3"
    >
      Bring in hand-ins from files
    </Link>
  </p>
);

const countOf = (groups: readonly ReviewGroup[], { verdict }: ReviewGroup): number =>
  groups.filter((group) => group.verdict === verdict).reduce((sum, group) => sum + group.items.length, 0);

interface GroupLineProps {
  readonly group: ReviewGroup<ReviewedSubmission>;
  /** Hand-ins of the group that wait for a reviewer. */
  readonly open: number;
  readonly acceptedBy: string | undefined;
  readonly isFirstOfVerdict: boolean;
  readonly count: number;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function GroupLine({
  group,
  open,
  acceptedBy: by,
  isFirstOfVerdict,
  count,
  isChosen,
  onChoose,
}: GroupLineProps) {
  return (
    <>
      {isFirstOfVerdict && (
        <h2 className="border-b border-rule px-5 pt-3 pb-1.5 font-text text-note font-semibold text-soft">
          {verdictWords[group.verdict]}: {count}
        </h2>
      )}
      <button
        type="button"
        onClick={onChoose}
        aria-current={isChosen}
        className={`grid w-full grid-cols-[1.75rem_minmax(0,1fr)_auto] items-baseline gap-x-1 border-b border-rule px-5 py-2.5 text-left ${isChosen ? 'bg-card shadow-[inset_4px_0_0_var(--focus)]' : 'hover:bg-card'}`}
      >
        <span className="translate-y-0.5">
          <VerdictMark verdict={group.verdict} size={14} />
        </span>
        <span>
          <span className="block font-semibold">
            {group.title}
            {by !== undefined && <span className="font-normal text-soft">, accepted by {by}</span>}
          </span>
          <span className="block text-note text-soft">
            {group.items.map((item) => item.learnerName).join('  ·  ')}
          </span>
        </span>
        <span className="flex items-baseline gap-1.5">
          {open === 0 && (
            <span className="text-good">
              <Check size={15} aria-label="reviewed" className="translate-y-0.5" />
            </span>
          )}
          {open > 0 && open < group.items.length && <span className="text-note text-soft">{open} of</span>}
          <span className="mono text-bench font-bold">{group.items.length}</span>
        </span>
      </button>
    </>
  );
}
