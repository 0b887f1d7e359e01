import { Printer } from 'lucide-react';
import type { Decision } from '@/core/messages/decision';
import type { FindingCode } from '@/core/findings/finding';
import { rowOf } from '@/core/findings/table';
import type { Verdict } from '@/core/formats/report';
import type { Marks } from '@/core/plan/review-marks';
import { plainNumber } from '@/core/units';
import { capital, howMany } from '@/core/words/words';
import { Clock } from '../design/Clock';
import { VerdictLabel } from '../design/Verdict';
import { Link } from '../shell/Link';
import { PrintButton } from './PrintButton';

/** A learner’s tries at one exercise, first to last. */
export interface LearnerExercise {
  readonly id: string;
  readonly title: string;
  readonly introduces: readonly string[];
  readonly isDone: boolean;
  readonly marks: Marks | undefined;
  /** At the bench; `null` where that is not known. */
  readonly minutes: number | null;
  readonly tries: readonly {
    readonly submissionId: string;
    readonly at: string;
    readonly verdict: Verdict | null;
    readonly causes: readonly FindingCode[];
    readonly hintsTaken: number;
    readonly remarks: readonly Decision[];
  }[];
}

/** One learner’s way through the course, to print or hand over. */
export function LearnerRecord({ exercises }: { readonly exercises: readonly LearnerExercise[] }) {
  const done = exercises.filter(({ isDone }) => isDone);
  const learnt = [...new Set(done.flatMap(({ introduces }) => introduces))];
  if (exercises.length === 0) return <p className="p-8 text-lead">Nothing has been handed in yet.</p>;
  return (
    <div className="max-w-4xl px-6 py-5">
      <div className="flex flex-wrap items-start gap-4">
        <p className="min-w-0 flex-1 text-lead">
          {capital(howMany(done.length, 'exercise'))} done of {exercises.length} begun.
          {learnt.length > 0 && ` On the way: ${learnt.map((one) => one.replaceAll('-', ' ')).join(', ')}.`}
        </p>
        <PrintButton>
          <Printer size={16} aria-hidden="true" /> Print
        </PrintButton>
      </div>
      {exercises.map(({ id, title, marks, minutes, tries }) => (
        <section key={id} aria-label={title} className="mt-5 break-inside-avoid border-t border-ink pt-3">
          <div className="flex flex-wrap items-baseline gap-x-4">
            <h2 className="text-title">{title}</h2>
            {minutes !== null && <p className="text-soft">{howMany(minutes, 'minute')} at the bench</p>}
            {marks && (
              <p className="text-soft">
                {plainNumber(marks.earned)} of {plainNumber(marks.of)} marks
                {marks.reason !== '' && `, ${marks.reason}`}
              </p>
            )}
          </div>
          <ol>
            {tries.map((one, index) => (
              <li key={one.submissionId} className="border-t border-rule py-2">
                <div className="flex flex-wrap items-center gap-x-4">
                  <span className="mono w-14 text-soft">try {index + 1}</span>
                  {one.verdict ? <VerdictLabel verdict={one.verdict} size={14} /> : 'being checked'}
                  <span className="min-w-0 flex-1 text-soft">
                    {one.causes.map((code) => rowOf(code).title).join(', ')}
                    {one.hintsTaken > 0 && ` · ${howMany(one.hintsTaken, 'hint')}`}
                  </span>
                  <Clock at={one.at} />
                  <Link
                    href={`/reports/${one.submissionId}`}
                    className="inline-flex min-h-6 items-center text-note underline print:hidden"
                  >
                    report
                  </Link>
                </div>
                {one.remarks
                  .filter(({ remark }) => remark !== '')
                  .map(({ id: remarkId, by, remark }) => (
                    <p key={remarkId} className="max-w-[60ch] pl-[4.5rem]">
                      <span className="text-soft">{by}: </span>
                      {remark}
                    </p>
                  ))}
              </li>
            ))}
          </ol>
        </section>
      ))}
    </div>
  );
}
