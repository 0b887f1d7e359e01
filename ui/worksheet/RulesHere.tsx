'use client';

import { useState } from 'react';
import { houseQuestionIds, questionOf, type HouseQuestionId } from '@/core/course/house-rules';
import { ruleEffect } from '@/core/worksheet/rule-effect';
import type { Sheet } from '@/core/worksheet/sheet';
import { Button } from '../design/Button';
import { useWorksheet, useWorksheetAround } from './useWorksheet';

/** The house rules that this exercise breaks on purpose, and what another school would change. */
export function RulesHere() {
  const rules = useWorksheet((state) => state.sync.sheet.rules);
  const courseRules = useWorksheet((state) => state.given.courseRules);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const { dispatch, getState } = useWorksheetAround();
  const onChange = (next: Sheet['rules']): void => dispatch({ type: 'set', fields: { rules: next } });
  const [looked, setLooked] = useState<{ id: HouseQuestionId; school: string; effect: readonly string[] }>();
  const [question, setQuestion] = useState<HouseQuestionId>('buttonInput');
  const own = houseQuestionIds.filter((id) => id in rules);
  const { schools } = questionOf(question);
  const present = String(rules[question] ?? courseRules[question]);
  return (
    <>
      {own.length === 0 ? (
        <p>It follows the course’s house rules.</p>
      ) : (
        <ul>
          {own.map((id) => (
            <li key={id} className="flex items-center gap-2">
              <span>
                {questionOf(id).question}{' '}
                <strong>{questionOf(id).schools.find((school) => school.id === rules[id])?.title}</strong>
              </span>
              {mayEdit && (
                <Button
                  look="quiet"
                  className="min-h-7 px-1"
                  onClick={() =>
                    onChange(Object.fromEntries(Object.entries(rules).filter(([key]) => key !== id)))
                  }
                >
                  As in the course
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {mayEdit && (
        <details className="mt-2">
          <summary className="text-note underline decoration-rule-strong underline-offset-3">
            Make an exception here
          </summary>
          <select
            aria-label="House rule"
            value={question}
            onChange={(event) => {
              setQuestion(event.target.value as HouseQuestionId);
              setLooked(undefined);
            }}
            className="mt-2 min-h-9 w-full border border-rule-strong bg-card px-2"
          >
            {houseQuestionIds.map((id) => (
              <option key={id} value={id}>
                {questionOf(id).question}
              </option>
            ))}
          </select>
          <ul className="mt-1">
            {schools.map((school) => (
              <li key={school.id} className="border-b border-rule py-1.5 last:border-b-0">
                <button
                  type="button"
                  disabled={school.id === present}
                  aria-expanded={looked?.id === question && looked.school === school.id}
                  onClick={() =>
                    setLooked({
                      id: question,
                      school: school.id,
                      effect: ruleEffect(getState().sync.sheet, courseRules, question, school.id),
                    })
                  }
                  className="text-left font-semibold underline decoration-rule-strong underline-offset-3 disabled:no-underline"
                >
                  {school.title}
                </button>{' '}
                <span className="text-note text-soft">
                  {school.id === present ? 'as it is' : school.means}
                </span>
                {looked?.id === question && looked.school === school.id && (
                  <div className="mt-1 border-l-2 border-focus pl-3 text-note">
                    {looked.effect.map((line) => (
                      <p key={line}>{line}</p>
                    ))}
                    <Button
                      className="mt-1 min-h-8"
                      onClick={() => {
                        onChange({ ...rules, [question]: school.id });
                        setLooked(undefined);
                      }}
                    >
                      Do it this way here
                    </Button>
                  </div>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
