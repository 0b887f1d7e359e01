'use client';

import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { groupByTrouble, latestOf, type ReviewGroup, type ReviewItem } from '@/core/plan/review';
import { Keys } from '../design/Button';
import { Clock } from '../design/Clock';
import { VerdictMark, verdictWords } from '../design/Verdict';
import { useKey } from '../shell/useKey';
import { ComparedBenches, ComparedPrograms, isAboutProgram } from './Comparison';
import { useOpened, type OpenedSubmission } from './useOpened';
import { useTold } from '../words/Words';

/** A hand-in in the lists of the desk; its texts are fetched when it is opened. */
export interface ReviewedSubmission extends ReviewItem {
  readonly handedInAt: string;
}

interface ReviewDeskProps {
  readonly submissions: readonly ReviewedSubmission[];
  readonly referenceLayout: string;
  readonly referenceProgram: string;
  /** Names of learners who have not handed in. */
  readonly without: readonly string[];
}

/** A class's hand-ins by what is wrong: the list on the left, what it looks like on the right. */
export function ReviewDesk({ submissions, referenceLayout, referenceProgram, without }: ReviewDeskProps) {
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
      <p className="p-8 text-lead">
        {waiting.length > 0
          ? `${waiting.length} ${waiting.length === 1 ? 'hand-in is' : 'hand-ins are'} being checked and will appear here.`
          : 'Nobody has handed in yet. Hand-ins appear here as they arrive.'}
      </p>
    );
  return (
    <div className="grid grid-cols-1 min-h-[calc(100dvh-3.9rem)] lg:grid-cols-[25rem_minmax(0,1fr)]">
      <nav
        ref={list}
        aria-label="Groups"
        className="border-ink lg:sticky lg:top-[3.9rem] lg:max-h-[calc(100dvh-3.9rem)] lg:overflow-y-auto lg:border-r"
      >
        <p className="flex justify-between border-b border-rule px-5 py-2 text-note text-soft">
          by what is wrong, last tries
          <span>
            next<Keys>J</Keys> back<Keys>K</Keys>
          </span>
        </p>
        {groups.map((candidate, index) => (
          <GroupLine
            key={candidate.key}
            group={candidate}
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
        {without.length > 0 && (
          <div className="px-5 py-3">
            <p className="text-note text-soft">Not handed in: {without.length}</p>
            <p>{without.join('  ·  ')}</p>
          </div>
        )}
      </nav>
      <p className="sr-only" role="status">
        {`Group ${chosen + 1} of ${groups.length}: ${group.title}, ${group.items.map((item) => item.learnerName).join(', ')}`}
      </p>
      <GroupDetail
        key={group.key}
        group={group}
        all={submissions}
        referenceLayout={referenceLayout}
        referenceProgram={referenceProgram}
      />
    </div>
  );
}

const countOf = (groups: readonly ReviewGroup[], { verdict }: ReviewGroup): number =>
  groups.filter((group) => group.verdict === verdict).reduce((sum, group) => sum + group.items.length, 0);

interface GroupLineProps {
  readonly group: ReviewGroup;
  readonly isFirstOfVerdict: boolean;
  readonly count: number;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function GroupLine({ group, isFirstOfVerdict, count, isChosen, onChoose }: GroupLineProps) {
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
          <span className="block font-semibold">{group.title}</span>
          <span className="block text-note text-soft">
            {group.items.map((item) => item.learnerName).join('  ·  ')}
          </span>
        </span>
        <span className="mono text-bench font-bold">{group.items.length}</span>
      </button>
    </>
  );
}

interface GroupDetailProps {
  readonly group: ReviewGroup<ReviewedSubmission>;
  readonly all: readonly ReviewedSubmission[];
  readonly referenceLayout: string;
  readonly referenceProgram: string;
}

function GroupDetail({ group, all, referenceLayout, referenceProgram }: GroupDetailProps) {
  const [shownId, setShownId] = useState(group.items[0]!.id);
  const opening = useOpened(shownId);
  if (opening.state !== 'open')
    return (
      <article className="px-6 py-5" role="status">
        <h2 className="text-title">{group.title}</h2>
        <p className="mt-2 text-soft">
          {opening.state === 'opening'
            ? 'Opening the hand-in …'
            : 'The hand-in couldn’t be opened. Choose it again when the connection is back.'}
        </p>
      </article>
    );
  return (
    <OpenDetail
      group={group}
      all={all}
      shown={opening.submission}
      onShow={setShownId}
      referenceLayout={referenceLayout}
      referenceProgram={referenceProgram}
    />
  );
}

interface OpenDetailProps extends GroupDetailProps {
  readonly shown: OpenedSubmission;
  readonly onShow: (id: string) => void;
}

function OpenDetail({
  group,
  all,
  shown: given,
  onShow,
  referenceLayout,
  referenceProgram,
}: OpenDetailProps) {
  const shown = useTold(given);
  const cause = shown.report.findings.find((finding) => finding.cause);
  const seen = shown.report.scenarios.flatMap((scenario) => scenario.expectations);
  const programFirst = isAboutProgram(shown);
  const hasProgram = referenceProgram.trim() !== '' || shown.program.trim() !== '';
  const programs = hasProgram && <ComparedPrograms submission={shown} referenceProgram={referenceProgram} />;
  const benches = <ComparedBenches submission={shown} referenceLayout={referenceLayout} />;
  return (
    <article className="px-6 py-5">
      <h2 className="max-w-[52rem] text-title">
        {cause?.message ??
          (group.verdict === 'as-drawn'
            ? 'The circuit from the exercise, doing what it should.'
            : 'A different circuit from the drawing, doing what it should.')}
      </h2>
      {programFirst ? programs : benches}
      <div className="mt-5 grid grid-cols-1 gap-x-10 gap-y-5 xl:grid-cols-2">
        <section aria-labelledby="seen-title">
          <h3 id="seen-title" className="font-text text-body font-semibold">
            What was checked
          </h3>
          <table className="mt-1 w-full text-left">
            <tbody>
              {seen.map((expectation) => (
                <tr key={expectation.expected} className="border-t border-rule align-baseline">
                  <td className="py-1.5 pr-4 text-soft">{expectation.expected}</td>
                  <td className="py-1.5 font-semibold">{expectation.observed}</td>
                </tr>
              ))}
              {cause?.repair && (
                <tr className="border-t border-rule align-baseline">
                  <td className="py-1.5 pr-4 text-soft">smallest repair</td>
                  <td className="py-1.5 font-semibold">{cause.repair.text}</td>
                </tr>
              )}
            </tbody>
          </table>
        </section>
        <section aria-labelledby="who-title">
          <h3 id="who-title" className="font-text text-body font-semibold">
            Who, and how they got here
          </h3>
          <ul className="mt-1">
            {group.items.map((item) => (
              <Learner
                key={item.learnerId}
                tries={all.filter((submission) => submission.learnerId === item.learnerId)}
                shownId={shown.id}
                onShow={onShow}
              />
            ))}
          </ul>
        </section>
      </div>
      {hasProgram && <div className="mt-6 border-t border-rule">{programFirst ? benches : programs}</div>}
    </article>
  );
}

interface LearnerProps {
  readonly tries: readonly ReviewedSubmission[];
  readonly shownId: string;
  readonly onShow: (id: string) => void;
}

/** A learner with all their tries, so that the way from one to the next is seen. */
function Learner({ tries, shownId, onShow }: LearnerProps) {
  return (
    <li className="grid grid-cols-[6rem_minmax(0,1fr)] items-start border-t border-rule py-1">
      <span className="py-1.5 font-semibold">{tries[0]!.learnerName}</span>
      <ol>
        {tries.map((attempt) => {
          const [group] = groupByTrouble([attempt]);
          return (
            <li
              key={attempt.id}
              className={`flex flex-wrap items-center gap-x-3 px-2 ${attempt.id === shownId ? 'bg-card shadow-[inset_3px_0_0_var(--focus)]' : ''}`}
            >
              <button
                type="button"
                onClick={() => onShow(attempt.id)}
                aria-pressed={attempt.id === shownId}
                className="flex min-h-9 flex-1 items-center gap-2 text-left hover:underline"
              >
                {attempt.verdict && <VerdictMark verdict={attempt.verdict} size={13} />}
                <span className="mono text-note text-soft">{attempt.attempt}</span>
                {group?.title ?? 'being checked'}
              </button>
              <Clock at={attempt.handedInAt} />
              <Link
                href={`/reports/${attempt.id}`}
                className="inline-flex min-h-6 items-center text-note underline decoration-rule-strong underline-offset-3"
              >
                report
              </Link>
            </li>
          );
        })}
      </ol>
    </li>
  );
}
