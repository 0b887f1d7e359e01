'use client';

import { useMemo } from 'react';
import { exerciseOf } from '@/core/formats/exercise';
import { challengesOf, ownChallenges } from '@/core/generated/challenges';
import { useDispatch, useWorksheet } from './useWorksheet';
import { useRestedWiring } from './useRested';

/** What to try when everything works: the author's own, or what the exercise offers by itself. */
export function Challenges() {
  const sheet = useWorksheet((state) => state.sync.sheet);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const wiring = useRestedWiring();
  const dispatch = useDispatch();
  const text = Object.fromEntries(Object.entries(sheet.text).filter(([field]) => field !== 'challenges'));
  const usual = useMemo(() => {
    const exercise = wiring && exerciseOf({ ...sheet, text }, wiring);
    return exercise?.ok ? challengesOf(exercise.value) : [];
    // Only what the challenges are made of counts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wiring, sheet.program, sheet.scenarios]);
  const own = ownChallenges(sheet);
  return (
    <details className="mt-2">
      <summary className="cursor-default underline decoration-rule-strong underline-offset-4">
        Challenges: {own.length > 0 ? `${own.length} of your own` : usual.length}
      </summary>
      <label className="mt-1 block text-note text-soft">
        One to a line, each a little harder; printed for who is ready first.
        <textarea
          rows={Math.max(3, own.length + 1)}
          readOnly={!mayEdit}
          value={typeof sheet.text['challenges'] === 'string' ? sheet.text['challenges'] : ''}
          placeholder={usual.join('\n')}
          onChange={({ target }) =>
            dispatch({
              type: 'set',
              fields: { text: target.value.trim() === '' ? text : { ...text, challenges: target.value } },
              joins: 'joins',
            })
          }
          className="mt-0.5 block w-full border border-rule-strong bg-card p-2 text-body text-ink"
        />
      </label>
    </details>
  );
}
