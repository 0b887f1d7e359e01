'use client';

import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useAct } from '../people/useAct';
import type { RunSheetProps } from './meeting';

/** Who sits at which bench. */
export function Benches({
  meeting,
  mayPlan,
  actions,
}: Pick<RunSheetProps, 'meeting' | 'mayPlan' | 'actions'>) {
  const { act, problem, isBusy } = useAct();
  return (
    <section aria-labelledby="benches-title" className="mt-5 border-t border-ink pt-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="benches-title" className="flex-1 text-lead">
          {howMany(meeting.benches.length, 'bench')}
        </h2>
        {mayPlan && (
          <div className="flex" role="group" aria-label="Learners at one bench">
            {[1, 2, 3].map((perBench) => (
              <Button
                key={perBench}
                look="choice"
                disabled={isBusy}
                aria-pressed={meeting.perBench === perBench}
                onClick={() => act(() => actions.decide(meeting.id, { perBench }))}
              >
                {perBench === 1 ? 'alone' : perBench === 2 ? 'pairs' : 'threes'}
              </Button>
            ))}
          </div>
        )}
      </div>
      <ol className="mt-1.5 grid grid-cols-2 gap-x-5">
        {meeting.benches.map(({ number, names }) => (
          <li key={number} className="flex gap-2 border-b border-rule py-0.5">
            <span className="mono w-6 text-right text-soft">{number}</span>
            <span>
              {names.join(', ')}
              {names
                .filter((name) => meeting.values[name] !== undefined)
                .map((name) => (
                  <span key={name} className="mono block text-note text-soft">
                    {meeting.values[name]}
                  </span>
                ))}
            </span>
          </li>
        ))}
      </ol>
      <Problem>{problem}</Problem>
    </section>
  );
}
