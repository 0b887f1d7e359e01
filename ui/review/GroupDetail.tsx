'use client';

import { useState } from 'react';
import type { ReviewGroup } from '@/core/plan/review';
import { useTold } from '../words/Words';
import { ComparedBenches, ComparedPrograms, isAboutProgram } from './Comparison';
import { DecisionBar } from './DecisionBar';
import { acceptedBy, type DeskProps, type ReviewedSubmission } from './desk';
import { ComparedRuns } from './ComparedRuns';
import { LearnerTries } from './LearnerTries';
import { useComparison } from './useComparison';
import { useOpened, type OpenedSubmission } from './useOpened';

interface GroupDetailProps {
  readonly group: ReviewGroup<ReviewedSubmission>;
  readonly desk: DeskProps;
  /** Called with the hand-ins that were just decided on. */
  readonly onDecided: (ids: ReadonlySet<string>) => void;
}

/** A group of hand-ins: one of them beside the reference, who else is in it, and what is decided of them. */
export function GroupDetail({ group, desk, onDecided }: GroupDetailProps) {
  const [shownId, setShownId] = useState(group.items[0]!.id);
  /** Those whom the decision is not for. */
  const [spared, setSpared] = useState<ReadonlySet<string>>(new Set());
  const opening = useOpened(shownId);
  /** From the hand-in that is seen first; what is written stays when another one is looked at. */
  const [proposal, setProposal] = useState<string>();
  if (proposal === undefined && opening.state === 'open') setProposal(proposalFrom(opening.submission));
  const toggle = (id: string): void => {
    const next = new Set(spared);
    if (!next.delete(id)) next.add(id);
    setSpared(next);
  };
  return (
    <div className="flex min-w-0 flex-col">
      {opening.state === 'open' ? (
        <OpenDetail
          group={group}
          desk={desk}
          shown={opening.submission}
          spared={spared}
          onShow={setShownId}
          onSpare={toggle}
        />
      ) : (
        <article className="px-6 py-5" role="status">
          <h2 className="text-title">{group.title}</h2>
          <p className="mt-2 text-soft">
            {opening.state === 'opening'
              ? 'Opening the hand-in …'
              : 'The hand-in couldn’t be opened. Choose it again when the connection is back.'}
          </p>
        </article>
      )}
      <DecisionBar
        key={proposal === undefined ? 'unread' : 'read'}
        desk={desk}
        group={group}
        items={group.items.filter(({ id }) => !spared.has(id))}
        proposal={proposal ?? ''}
        onDecided={onDecided}
        onNextPerson={() => {
          const at = group.items.findIndex(({ id }) => id === shownId);
          setShownId(group.items[(at + 1) % group.items.length]!.id);
        }}
      />
    </div>
  );
}

/** What to write to whoever has this cause: where to look, as the second hint says it. */
const proposalFrom = ({ report }: OpenedSubmission): string => {
  const cause = report.findings.find((finding) => finding.cause);
  return cause?.hints[1] ?? cause?.message ?? '';
};

interface OpenDetailProps extends Pick<GroupDetailProps, 'group' | 'desk'> {
  readonly shown: OpenedSubmission;
  readonly spared: ReadonlySet<string>;
  readonly onShow: (id: string) => void;
  readonly onSpare: (id: string) => void;
}

function OpenDetail({ group, desk, shown: given, spared, onShow, onSpare }: OpenDetailProps) {
  const { referenceLayout, referenceProgram, submissions } = desk;
  const shown = useTold(given);
  const cause = shown.report.findings.find((finding) => finding.cause);
  const seen = shown.report.scenarios.flatMap((scenario) => scenario.expectations);
  const programFirst = isAboutProgram(shown);
  const hasProgram = referenceProgram.trim() !== '' || shown.program.trim() !== '';
  const compared = useComparison(shown.id);
  const programs = hasProgram && (
    <ComparedPrograms submission={shown} referenceProgram={referenceProgram} lines={compared?.lines} />
  );
  const benches = (
    <ComparedBenches submission={shown} referenceLayout={referenceLayout} parts={compared?.parts} />
  );
  const accepted = acceptedBy(desk, group.items[0]!);
  return (
    <article className="px-6 py-5">
      <h2 className="max-w-[52rem] text-title">
        {cause?.message ??
          (group.verdict === 'as-drawn'
            ? 'The circuit from the exercise, doing what it should.'
            : accepted === undefined
              ? 'A different circuit from the drawing, doing what it should.'
              : `A different circuit from the drawing, doing what it should; accepted by ${accepted}.`)}
      </h2>
      {programFirst ? programs : benches}
      {compared && <ComparedRuns runs={compared.runs} learnerName={shown.learnerName} />}
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
              <LearnerTries
                key={item.learnerId}
                desk={desk}
                item={item}
                tries={submissions.filter((submission) => submission.learnerId === item.learnerId)}
                shownId={shown.id}
                isSpared={spared.has(item.id)}
                mayBeSpared={group.items.length > 1}
                onShow={onShow}
                onSpare={() => onSpare(item.id)}
              />
            ))}
          </ul>
        </section>
      </div>
      {hasProgram && <div className="mt-6 border-t border-rule">{programFirst ? benches : programs}</div>}
    </article>
  );
}
