'use client';

import { fitText, minutesText } from '@/core/meeting/run-sheet-text';
import type { Cut } from '@/core/meeting/fit';
import type { Preparation } from '@/core/meeting/run-sheet';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useAct } from '../people/useAct';
import type { RunSheetProps } from './meeting';

const PREPARED: Readonly<Record<Preparation, string>> = {
  'bags-checked': 'Bags are checked before class',
  'program-given': 'The whole program is handed out',
  'no-predictions': 'Nothing is said first and then tried',
};

/** Whether everything fits into the meeting, and what to cut where it does not. */
export function Fitting({
  meeting,
  fit,
  restsOn,
  mayPlan,
  actions,
}: Pick<RunSheetProps, 'meeting' | 'fit' | 'restsOn' | 'mayPlan' | 'actions'>) {
  const { act, problem, isBusy } = useAct();
  if (meeting.exercises.length === 0) return null;
  const prepared = meeting.prepared as readonly Preparation[];
  const cut = (id: Cut['id']): void =>
    act(() =>
      id === 'last-exercise'
        ? actions.decide(meeting.id, { exercises: meeting.exercises.slice(0, -1).map((one) => one.id) })
        : actions.decide(meeting.id, { prepared: [...prepared, id] }),
    );
  return (
    <section aria-labelledby="fit-title" className="mt-6">
      <h2 id="fit-title" className="text-lead">
        {fit.over === 0 ? 'It fits' : 'Too long'}
      </h2>
      <p className={fit.over > 0 ? 'font-semibold text-fault' : ''}>{fitText(fit)}</p>
      {fit.cuts.length > 0 && (
        <ul className="mt-1.5">
          {fit.cuts.map(({ id, title, savesMinutes, costs }) => (
            <li key={id} className="border-t border-rule py-2">
              <div className="flex items-center gap-2">
                <span className="min-w-0 flex-1 font-semibold">
                  {title}
                  {fit.enough.includes(id) && <span className="font-normal text-good"> (enough)</span>}
                </span>
                {mayPlan && (
                  <Button
                    size="small"
                    disabled={isBusy}
                    onClick={() => cut(id)}
                    aria-label={`${title}: save ${minutesText(savesMinutes)}`}
                  >
                    −{minutesText(savesMinutes)}
                  </Button>
                )}
              </div>
              <p className="text-note text-soft">{costs}</p>
            </li>
          ))}
        </ul>
      )}
      {prepared.length > 0 && (
        <ul className="mt-2">
          {prepared.map((id) => (
            <li key={id} className="flex items-center gap-2 border-t border-rule py-1">
              <span className="flex-1">{PREPARED[id]}.</span>
              {mayPlan && (
                <Button
                  look="tool"
                  size="small"
                  disabled={isBusy}
                  onClick={() =>
                    act(() =>
                      actions.decide(meeting.id, { prepared: prepared.filter((other) => other !== id) }),
                    )
                  }
                >
                  take back
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      <p className="mt-2 text-note text-soft">{restsOn}</p>
      <Problem>{problem}</Problem>
    </section>
  );
}
