'use client';

import { Fragment, useState } from 'react';
import type { RecordCell, TeachAgain, TimeTaken, TroubleByWeek } from '@/core/plan/class-record';
import { minutesText } from '@/core/meeting/run-sheet-text';
import type { TakenStretch } from '@/core/meeting/running';
import { FEWEST } from '@/core/plan/class-record';
import { plainNumber } from '@/core/units';
import { howMany, listText } from '@/core/words/words';
import { Button } from '../design/Button';
import { VerdictMark, verdictWords } from '../design/Verdict';
import { Link } from '../shell/Link';
import { GradeBookForm } from './GradeBookForm';
import { TroubleChart } from './TroubleChart';

/** An exercise of the record, with what it introduces. */
export interface RecordExercise {
  readonly id: string;
  readonly title: string;
  readonly introduces: readonly string[];
}

export interface ClassRecordProps {
  readonly classId: string;
  readonly learners: readonly { readonly id: string; readonly name: string }[];
  readonly exercises: readonly RecordExercise[];
  /** By learner and exercise. */
  readonly cells: Readonly<Record<string, Readonly<Record<string, RecordCell>>>>;
  readonly trouble: TroubleByWeek;
  readonly again: readonly TeachAgain[];
  readonly times: readonly TimeTaken[];
  /** Stretches of its meetings that took longer than planned. */
  readonly longer: readonly TakenStretch[];
}

/** What can stand under the verdicts. */
const SHOWN = {
  tries: {
    title: 'Tries',
    says: 'how many tries it took and, after the stroke, hints',
    of: ({ tries, hintsTaken }: RecordCell) => `${tries}${hintsTaken > 0 ? `/${hintsTaken}` : ''}`,
  },
  minutes: {
    title: 'Minutes',
    says: 'the minutes at the bench, breaks left out',
    of: ({ minutes }: RecordCell) => String(minutes ?? '–'),
  },
  marks: {
    title: 'Marks',
    says: 'the marks',
    of: ({ marks }: RecordCell) => (marks ? plainNumber(marks.earned) : '–'),
  },
} as const;
type Shown = keyof typeof SHOWN;

/** How a class stands: learner by exercise, what went wrong over the weeks, and what to teach again. */
export function ClassRecord({
  classId,
  learners,
  exercises,
  cells,
  trouble,
  again,
  times,
  longer,
}: ClassRecordProps) {
  const [shown, setShown] = useState<Shown>('tries');
  if (learners.length === 0 || exercises.length === 0)
    return (
      <p className="max-w-[60ch] p-8 text-lead">
        {learners.length === 0
          ? 'Nobody is in this class yet. '
          : 'Nothing has been published to this class yet. '}
        The record fills as learners hand in.
      </p>
    );
  return (
    <div className="grid min-h-[calc(100dvh-3.9rem)] grid-cols-1 content-start lg:grid-cols-[minmax(0,46rem)_minmax(0,1fr)]">
      <section aria-labelledby="grid-title" className="border-ink px-6 pt-5 pb-6 lg:border-r">
        <h2 id="grid-title" className="text-title">
          Learner by exercise
        </h2>
        <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
          <p className="min-w-0 flex-1 text-note text-soft">
            The last verdict of each, and under it {SHOWN[shown].says}. Choose a name for a page of their own.
          </p>
          <div className="flex print:hidden" role="group" aria-label="Under the verdict">
            {(Object.keys(SHOWN) as Shown[]).map((what) => (
              <Button key={what} look="choice" aria-pressed={shown === what} onClick={() => setShown(what)}>
                {SHOWN[what].title}
              </Button>
            ))}
          </div>
        </div>
        <div className="mt-3 overflow-x-auto">
          <table className="border-collapse">
            <thead>
              <tr className="align-bottom">
                <th className="sticky left-0 z-[1] bg-paper pr-3 text-left text-note font-normal text-soft">
                  learner
                </th>
                {exercises.map(({ id, title }) => (
                  <th key={id} className="px-1 pb-1.5">
                    <span className="block max-h-32 max-w-6 min-w-6 [writing-mode:vertical-rl] rotate-180 truncate text-note font-semibold">
                      {title}
                    </span>
                  </th>
                ))}
                <th className="px-2 pb-1.5 text-right text-note font-normal text-soft">done</th>
                <th className="px-2 pb-1.5 text-right text-note font-normal text-soft">marks</th>
              </tr>
            </thead>
            <tbody>
              {learners.map((learner) => (
                <LearnerRow
                  key={learner.id}
                  classId={classId}
                  learner={learner}
                  exercises={exercises}
                  cells={cells[learner.id] ?? {}}
                  shown={shown}
                />
              ))}
            </tbody>
          </table>
        </div>
        <p className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-note text-soft">
          {(Object.keys(verdictWords) as (keyof typeof verdictWords)[]).map((verdict) => (
            <span key={verdict} className="inline-flex items-center gap-1.5">
              <VerdictMark verdict={verdict} size={12} />
              {verdictWords[verdict]}
            </span>
          ))}
        </p>
        <GradeBookForm classId={classId} />
      </section>
      <section aria-labelledby="again-title" className="border-t border-ink px-6 py-5 lg:border-t-0">
        <h2 id="again-title" className="text-title">
          What to teach again
        </h2>
        {again.length === 0 ? (
          <p className="text-soft">
            Nothing that {FEWEST} learners or more ran into. With fewer, talk to them instead.
          </p>
        ) : (
          <Again again={again} exercises={exercises} learners={learners} />
        )}
        <Times times={times} exercises={exercises} />
        <TookLonger longer={longer} />
      </section>
      <section aria-labelledby="trouble-title" className="border-t border-ink px-6 py-5 lg:col-span-2">
        <h2 id="trouble-title" className="text-title">
          Trouble over the weeks
        </h2>
        <TroubleChart trouble={trouble} />
      </section>
    </div>
  );
}

interface LearnerRowProps extends Pick<ClassRecordProps, 'classId' | 'exercises'> {
  readonly shown: Shown;
  readonly learner: { readonly id: string; readonly name: string };
  readonly cells: Readonly<Record<string, RecordCell>>;
}

function LearnerRow({ classId, learner, exercises, cells, shown }: LearnerRowProps) {
  const own = Object.values(cells);
  const done = own.filter(({ isDone }) => isDone).length;
  const [earned, of] = [
    own.reduce((sum, { marks }) => sum + (marks?.earned ?? 0), 0),
    own.reduce((sum, { marks }) => sum + (marks?.of ?? 0), 0),
  ];
  return (
    <tr className="border-t border-rule hover:bg-card">
      <th scope="row" className="sticky left-0 z-[1] max-w-48 bg-paper pr-3 text-left">
        <Link
          href={`/classes/${classId}/record/${learner.id}`}
          className="inline-flex min-h-8 min-w-8 items-center break-words hover:underline"
        >
          {learner.name}
        </Link>
      </th>
      {exercises.map(({ id, title }) => {
        const cell = cells[id];
        return (
          <td key={id} className="px-1 text-center">
            {cell && (
              <Link
                href={`/reports/${cell.submissionId}`}
                aria-label={`${learner.name}, ${title}: ${cell.verdict ? verdictWords[cell.verdict] : 'being checked'}, ${howMany(cell.tries, 'try')}, ${howMany(cell.hintsTaken, 'hint')}${cell.minutes === null ? '' : `, ${howMany(cell.minutes, 'minute')}`}${cell.late > 0 ? `, ${howMany(cell.late, 'day')} late` : ''}`}
                className="inline-flex min-h-8 min-w-8 flex-col items-center justify-center hover:bg-wash"
              >
                {cell.verdict ? <VerdictMark verdict={cell.verdict} size={13} /> : '…'}
                <span className="mono text-[0.6875rem] leading-none text-soft">{SHOWN[shown].of(cell)}</span>
              </Link>
            )}
          </td>
        );
      })}
      <td className="mono px-2 text-right">{done}</td>
      <td className="mono px-2 text-right whitespace-nowrap">
        {of > 0 && (
          <>
            {plainNumber(earned)} <span className="text-note text-soft">of {plainNumber(of)}</span>
          </>
        )}
      </td>
    </tr>
  );
}

/** Stretches of meetings that took longer than their run sheets said. */
function TookLonger({ longer }: Pick<ClassRecordProps, 'longer'>) {
  if (longer.length === 0) return null;
  return (
    <>
      <h2 className="mt-8 text-title">Took longer than planned</h2>
      <p className="text-note text-soft">Stretches of meetings, as they ran.</p>
      <table className="mt-2 w-full text-left">
        <thead className="text-note text-soft">
          <tr>
            <th className="pb-1 font-normal">stretch</th>
            <th className="pb-1 text-right font-normal">planned</th>
            <th className="pb-1 text-right font-normal">took</th>
          </tr>
        </thead>
        <tbody>
          {longer.slice(0, MOST_LONGER).map(({ title, planned, minutes }, index) => (
            <tr key={index} className="border-t border-rule">
              <th scope="row" className="py-1.5 pr-2 font-semibold">
                {title}
              </th>
              <td className="mono py-1.5 text-right">{minutesText(planned)}</td>
              <td className="mono py-1.5 text-right font-semibold text-risk">{minutesText(minutes)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** Stretches that are listed. */
const MOST_LONGER = 8;

/** How long exercises took, where enough have done them. */
function Times({ times, exercises }: Pick<ClassRecordProps, 'times' | 'exercises'>) {
  if (times.length === 0) return null;
  return (
    <>
      <h2 className="mt-8 text-title">Time at the bench</h2>
      <p className="text-note text-soft">
        Minutes until it was right, breaks left out; none with fewer than {FEWEST} learners.
      </p>
      <table className="mt-2 w-full text-left">
        <thead className="text-note text-soft">
          <tr>
            <th className="pb-1 font-normal">exercise</th>
            <th className="pb-1 text-right font-normal">planned</th>
            <th className="pb-1 text-right font-normal">half needed at most</th>
            <th className="pb-1 text-right font-normal">from – to</th>
            <th className="pb-1 text-right font-normal">of</th>
          </tr>
        </thead>
        <tbody>
          {times.map(({ exerciseId, planned, median, range, of }) => (
            <tr key={exerciseId} className="border-t border-rule">
              <th scope="row" className="py-1.5 pr-2 font-semibold">
                {exercises.find(({ id }) => id === exerciseId)?.title}
              </th>
              <td className="mono py-1.5 text-right">{planned ?? '–'}</td>
              <td
                className={`mono py-1.5 text-right font-semibold ${planned !== null && median > planned ? 'text-risk' : ''}`}
              >
                {median}
                {planned !== null && median > planned && (
                  <span className="ml-1 font-text text-note font-normal">{median - planned} over</span>
                )}
              </td>
              <td className="mono py-1.5 text-right whitespace-nowrap text-soft">
                {range[0]}–{range[1]}
              </td>
              <td className="mono py-1.5 text-right text-soft">{of}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Again({ again, exercises, learners }: Pick<ClassRecordProps, 'again' | 'exercises' | 'learners'>) {
  const nameOf = (id: string): string => learners.find((learner) => learner.id === id)?.name ?? '';
  return (
    <ol className="mt-2 border-t border-rule">
      {again.slice(0, 8).map(({ code, title, still, over, where }) => {
        const found = where.flatMap(({ exerciseId, lines }) => {
          const exercise = exercises.find(({ id }) => id === exerciseId);
          return exercise ? [{ exercise, lines }] : [];
        });
        const concepts = [...new Set(found.flatMap(({ exercise }) => exercise.introduces))];
        return (
          <li key={code} className="grid gap-1 border-b border-rule py-3">
            <div>
              <p className="text-lead">{title}</p>
              <p className="text-note text-soft">
                {still.length > 0 ? `${still.length} still have it` : 'all have got over it'}, of{' '}
                {still.length + over.length} who had
              </p>
            </div>
            <div className="grid gap-0.5">
              {still.length > 0 && (
                <p>
                  <span className="text-soft">still: </span>
                  <strong>{still.map(nameOf).join(', ')}</strong>
                </p>
              )}
              {over.length > 0 && (
                <p>
                  <span className="text-soft">over it: </span>
                  {over.map(nameOf).join(', ')}
                </p>
              )}
              <p>
                <span className="text-soft">in: </span>
                {found.map(({ exercise, lines }, index) => (
                  <Fragment key={exercise.id}>
                    {index > 0 && '; '}
                    {exercise.title}
                    {lines.length > 0 && (
                      <span className="text-soft">
                        , line{lines.length > 1 ? 's' : ''} {listText(lines.slice(0, 6).map(String))}
                      </span>
                    )}
                  </Fragment>
                ))}
              </p>
              {concepts.length > 0 && (
                <p>
                  <span className="text-soft">teaches: </span>
                  {concepts.map((concept) => concept.replaceAll('-', ' ')).join(', ')}
                </p>
              )}
            </div>
          </li>
        );
      })}
    </ol>
  );
}
