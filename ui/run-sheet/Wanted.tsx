'use client';

import { ArrowUp, X } from 'lucide-react';
import { useState } from 'react';
import { minutesText } from '@/core/meeting/run-sheet-text';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useAct } from '../people/useAct';
import { Link } from '../shell/Link';
import type { RunSheetProps } from './meeting';

const field = 'min-h-10 border border-rule-strong bg-card px-2 text-body text-ink';

/** What a meeting is for: its exercises in their order, offered from the course. */
export function Wanted(
  props: Pick<RunSheetProps, 'meeting' | 'suggestion' | 'choice' | 'mayPlan' | 'actions' | 'unready'>,
) {
  const { meeting, suggestion, choice, mayPlan, actions, unready } = props;
  const { act, problem, isBusy } = useAct();
  const [chosen, setChosen] = useState('');
  const ids = meeting.exercises.map(({ id }) => id);
  const plan = (exercises: readonly string[]): void =>
    act(() => actions.decide(meeting.id, { exercises: [...exercises] }));
  const open = suggestion?.exercises.filter(({ id }) => !ids.includes(id)) ?? [];
  return (
    <section aria-labelledby="wanted-title">
      <h2 id="wanted-title" className="text-lead">
        What we do
      </h2>
      <ol className="mt-1">
        {meeting.exercises.map(({ id, title, minutes }, index) => (
          <li key={id} className="flex min-h-10 items-center gap-2 border-b border-rule">
            <span className="mono w-5 text-soft">{index + 1}</span>
            <Link
              href={`/exercises/${id}`}
              className="flex min-h-9 flex-1 items-center font-semibold underline-offset-4 hover:underline"
            >
              {title}
            </Link>
            <span className="mono text-note text-soft">{minutes === null ? '' : minutesText(minutes)}</span>
            {mayPlan && index > 0 && (
              <Button
                look="tool"
                size="small"
                disabled={isBusy}
                aria-label={`${title} earlier`}
                onClick={() => plan(ids.with(index, ids[index - 1]!).with(index - 1, id))}
              >
                <ArrowUp size={15} aria-hidden="true" />
              </Button>
            )}
            {mayPlan && (
              <Button
                look="tool"
                size="small"
                disabled={isBusy}
                aria-label={`Not ${title}`}
                onClick={() => plan(ids.filter((other) => other !== id))}
              >
                <X size={15} aria-hidden="true" />
              </Button>
            )}
          </li>
        ))}
      </ol>
      {unready.length > 0 && (
        <p className="mt-1 border-l-4 border-risk bg-risk-wash px-2 py-1">
          Can’t be planned as it stands: {unready.join(', ')}.
        </p>
      )}
      {mayPlan && (
        <div className="mt-3 flex flex-wrap items-center gap-2">
          {open.length > 0 && meeting.exercises.length === 0 && (
            <Button look="main" disabled={isBusy} onClick={() => plan(open.map(({ id }) => id))}>
              Plan “{suggestion!.lesson}”
            </Button>
          )}
          <select
            aria-label="Add an exercise"
            value={chosen}
            disabled={isBusy}
            onChange={({ target }) => {
              setChosen('');
              if (target.value !== '') plan([...ids, target.value]);
            }}
            className={`${field} min-w-0 flex-1`}
          >
            <option value="">Add an exercise …</option>
            {choice.map(({ course, exercises }) => (
              <optgroup key={course} label={course}>
                {exercises
                  .filter(({ id }) => !ids.includes(id))
                  .map(({ id, title }) => (
                    <option key={id} value={id}>
                      {title}
                    </option>
                  ))}
              </optgroup>
            ))}
          </select>
        </div>
      )}
      {open.length > 0 && meeting.exercises.length === 0 && (
        <p className="mt-1 text-note text-soft">
          Comes next in the course: {open.map(({ title }) => title).join(', ')}.
        </p>
      )}
      <Problem className="mt-2">{problem}</Problem>
    </section>
  );
}
