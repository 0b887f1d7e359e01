'use client';

import { useOptimistic, useState, useTransition } from 'react';
import { LOCAL_RULES } from '@/core/plan/cautions';
import { Problem } from '../design/Problem';
import type { RunSheetProps } from './meeting';

const TITLES = { before: 'Before class', start: 'At the start', end: 'Packing up' } as const;

/** What is ticked off around a meeting, by whoever is there. */
export function Lists({
  meeting,
  lists,
  ticked,
  actions,
}: Pick<RunSheetProps, 'meeting' | 'lists' | 'ticked' | 'actions'>) {
  const [problem, setProblem] = useState<string>();
  const [, begin] = useTransition();
  const [shown, setShown] = useOptimistic(ticked, (now, { item, done }: { item: string; done: boolean }) =>
    done ? [...now, item] : now.filter((other) => other !== item),
  );
  const set = (item: string, done: boolean): void =>
    begin(async () => {
      setShown({ item, done });
      setProblem(
        await actions
          .tick(meeting.id, { item, done: done ? 'yes' : 'no' })
          .catch(() => 'The server can’t be reached: this is not ticked off yet.'),
      );
    });
  return (
    <>
      {(Object.keys(TITLES) as (keyof typeof TITLES)[]).map((list) => {
        const left = lists[list].filter((item) => !shown.includes(item)).length;
        return (
          <details key={list} open={list === 'before' && left > 0} className="mt-5 border-t border-ink">
            <summary className="flex min-h-11 cursor-pointer items-center gap-3">
              <h2 className="flex-1 text-lead">{TITLES[list]}</h2>
              <span className="mono text-note text-soft">{left === 0 ? 'done' : `${left} to do`}</span>
            </summary>
            <ul>
              {lists[list].map((item) => (
                <li key={item}>
                  <label className="flex min-h-10 cursor-pointer items-start gap-3 border-t border-rule py-1.5">
                    <input
                      type="checkbox"
                      checked={shown.includes(item)}
                      onChange={({ target }) => set(item, target.checked)}
                      className="mt-0.5 size-5 shrink-0 accent-ink"
                    />
                    <span className={shown.includes(item) ? 'text-soft line-through' : ''}>{item}</span>
                  </label>
                </li>
              ))}
            </ul>
          </details>
        );
      })}
      <p className="mt-3 text-note text-soft">{LOCAL_RULES}</p>
      <Problem className="mt-2">{problem}</Problem>
    </>
  );
}
