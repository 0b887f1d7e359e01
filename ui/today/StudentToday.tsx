import { ArrowRight } from 'lucide-react';
import type { Verdict } from '@/core/formats/report';
import type { Outcome } from '@/core/messages/decision';
import { hasPassed } from '@/core/formats/report';
import { Button } from '../design/Button';
import { Clock } from '../design/Clock';
import { VerdictLabel } from '../design/Verdict';
import { Link } from '../shell/Link';

export interface ExerciseToday {
  readonly id: string;
  readonly title: string;
  readonly aim: string;
  readonly isOpen: boolean;
  /** When it is to open; `null` when it has been open. */
  readonly opensAt: string | null;
  /** When it closes by itself. */
  readonly dueAt: string | null;
  readonly closesAt: string | null;
  readonly introduces: readonly string[];
  readonly attempts: readonly {
    readonly id: string;
    readonly attempt: number;
    /** `null` while it waits to be judged. */
    readonly verdict: Verdict | null;
    /** What an instructor decided last. */
    readonly outcome: Outcome | null;
    readonly handedInAt: string;
  }[];
}

/** A learner's home: what to build now, and how the tries so far went. */
export function StudentToday({ exercises }: { readonly exercises: readonly ExerciseToday[] }) {
  if (exercises.length === 0)
    return (
      <p className="p-8 text-lead">
        Nothing is open for your class yet. It appears here when your instructor opens the first exercise.
      </p>
    );
  return (
    <ol className="mx-auto max-w-4xl">
      {exercises.map((exercise, index) => (
        <Exercise key={exercise.id} exercise={exercise} number={index + 1} />
      ))}
    </ol>
  );
}

function Exercise({ exercise, number }: { readonly exercise: ExerciseToday; readonly number: number }) {
  const { id, title, aim, isOpen, opensAt, closesAt, attempts } = exercise;
  const passed = attempts.some(({ verdict }) => verdict !== null && hasPassed(verdict));
  return (
    <li className="grid grid-cols-[2.75rem_minmax(0,1fr)] border-b border-rule px-5 py-8">
      <span className="mono pt-2 text-bench text-soft">{number}</span>
      <div className="grid gap-4">
        <h2 className="text-display">{title}</h2>
        <p className="max-w-[44rem] text-lead">{aim}</p>
        {isOpen ? (
          <div className="flex flex-wrap items-center gap-4">
            <Button asChild look="main" size="roomy">
              <Link href={`/bench/${id}`}>
                {attempts.length === 0
                  ? 'Go to the bench'
                  : passed
                    ? 'Back to the bench'
                    : 'Go on at the bench'}
                <ArrowRight size={20} aria-hidden="true" />
              </Link>
            </Button>
            {closesAt && (
              <p className="text-soft">
                Open until <Clock at={closesAt} />
              </p>
            )}
          </div>
        ) : opensAt ? (
          <p className="font-semibold text-soft">
            Opens <Clock at={opensAt} />
          </p>
        ) : (
          <p className="font-semibold text-soft">This exercise is closed.</p>
        )}
        {attempts.length > 0 && (
          <ul className="mt-2 border-t border-rule" aria-label="Your tries">
            {attempts.map((attempt) => (
              <li key={attempt.id} className="border-b border-rule">
                <Link
                  href={`/reports/${attempt.id}`}
                  className="flex min-h-12 flex-wrap items-center gap-x-4 py-2 hover:bg-card"
                >
                  <span className="mono w-16 text-soft">try {attempt.attempt}</span>
                  <span className="flex-1">
                    {attempt.verdict ? <VerdictLabel verdict={attempt.verdict} /> : 'Being checked'}
                  </span>
                  {attempt.outcome && (
                    <span className="font-semibold">
                      {attempt.outcome === 'returned' ? 'sent back, with a remark' : 'accepted'}
                    </span>
                  )}
                  <Clock at={attempt.handedInAt} />
                </Link>
              </li>
            ))}
          </ul>
        )}
      </div>
    </li>
  );
}
