'use client';

import { clockText, minutesText } from '@/core/meeting/run-sheet-text';
import type { RunSheet, RunStep } from '@/core/meeting/run-sheet';
import { wallClock } from './wall-clock';

interface TimelineProps {
  readonly sheet: RunSheet;
  /** The stretch that is on. */
  readonly current: string | undefined;
  /** Goes to a stretch, while the meeting runs. */
  readonly onGo?: (stepId: string) => void;
  /** When it begins, as the wall clock says, in ms; minutes from the start without it. */
  readonly startsAt: number | undefined;
}

/** Every stretch of a meeting under each other, with its minutes as a bar. */
export function Timeline({ sheet, current, onGo, startsAt }: TimelineProps) {
  const longest = Math.max(...sheet.steps.map(({ minutes }) => minutes));
  const begins = sheet.steps.map((_, index) =>
    sheet.steps.slice(0, index).reduce((sum, { minutes }) => sum + minutes, 0),
  );
  return (
    <>
      <h2 className="sr-only">By the minute</h2>
      <ol aria-label="The meeting, stretch by stretch">
        {sheet.steps.map((step, index) => {
          const isNew = step.exercise !== sheet.steps[index - 1]?.exercise;
          return (
            <li
              key={step.id}
              aria-current={step.id === current ? 'step' : undefined}
              className={`grid grid-cols-[3.6rem_minmax(0,1fr)_5.2rem] gap-x-4 border-t py-2 aria-[current=step]:bg-card ${isNew ? 'border-ink' : 'border-rule'}`}
            >
              <span
                className={`mono pt-0.5 text-right ${step.id === current ? 'border-l-4 border-ink font-semibold' : 'text-soft'}`}
              >
                {startsAt === undefined
                  ? clockText(begins[index]!)
                  : wallClock(startsAt + begins[index]! * 60_000)}
              </span>
              <StepText step={step} onGo={onGo} />
              <span className="text-right">
                <span className="mono">{minutesText(step.minutes)}</span>
                <span
                  aria-hidden="true"
                  className="mt-1 ml-auto block h-1.5 bg-ink"
                  style={{ width: `${Math.max(4, (step.minutes / longest) * 100)}%` }}
                />
              </span>
            </li>
          );
        })}
      </ol>
    </>
  );
}

function StepText({ step, onGo }: { readonly step: RunStep; readonly onGo: TimelineProps['onGo'] }) {
  const { id, title, does, madeOf, cautions } = step;
  return (
    <div className="min-w-0">
      {onGo ? (
        <button
          type="button"
          onClick={() => onGo(id)}
          className="min-h-8 text-left text-bench font-semibold underline-offset-4 [font-family:var(--font-title)] hover:underline"
        >
          {title}
        </button>
      ) : (
        <h3 className="text-bench font-semibold">{title}</h3>
      )}
      <p>{does}</p>
      {cautions.map((caution) => (
        <p key={caution} className="mt-1 border-l-4 border-risk pl-2 text-note font-semibold">
          {caution}
        </p>
      ))}
      {madeOf !== '' && <p className="text-note text-soft">{madeOf}</p>}
    </div>
  );
}
