'use client';

import { useState } from 'react';
import { findingCodes, rowOf, type FindingCode } from '@/core/findings/table';
import { hintWordsOf, withHintWords } from '@/core/formats/hint-words';
import { Button } from '../design/Button';
import { useWords } from '../words/Words';
import { useDispatch, useWorksheet } from './useWorksheet';

const steps = ['First, a question', 'Then, where to look', 'Last, what to do'] as const;

/** Findings by their titles, as an author looks for them. */
const byTitle = [...findingCodes].sort((a, b) => rowOf(a).title.localeCompare(rowOf(b).title));

/** Hints of single findings in the author's own words, for this exercise alone. */
export function HintWords() {
  const text = useWorksheet((state) => state.sync.sheet.text);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const [opened, setOpened] = useState<readonly FindingCode[]>([]);
  const dispatch = useDispatch();
  const say = useWords();
  const words = hintWordsOf({ text });
  const shown = byTitle.filter((code) => words[code] !== undefined || opened.includes(code));
  if (!mayEdit && shown.length === 0) return null;
  const write = (code: FindingCode, own: readonly string[]): void =>
    dispatch({ type: 'set', fields: { text: withHintWords(text, code, own) }, joins: 'joins' });
  return (
    <details className="mt-3">
      <summary className="cursor-default underline decoration-rule-strong underline-offset-4">
        Hints in your own words{shown.length > 0 ? `: ${shown.length}` : ''}
      </summary>
      {shown.map((code) => (
        <fieldset key={code} disabled={!mayEdit} className="mt-3 border-l-2 border-rule-strong pl-3">
          <legend className="float-left font-semibold">{say(rowOf(code).title)}</legend>
          <span className="float-right">
            <Button
              look="quiet"
              size="small"
              aria-label={`Take out the hints for ${rowOf(code).title}`}
              onClick={() => {
                setOpened(opened.filter((other) => other !== code));
                write(code, []);
              }}
            >
              usual words
            </Button>
          </span>
          {steps.map((step, index) => (
            <label key={step} className="clear-both block pt-1 text-note text-soft">
              {step}
              <input
                value={words[code]?.[index] ?? ''}
                placeholder="as usual"
                maxLength={400}
                onChange={({ target }) =>
                  write(
                    code,
                    steps.map((_, at) => (at === index ? target.value : (words[code]?.[at] ?? ''))),
                  )
                }
                className="block w-full border-b border-rule-strong bg-transparent py-1 text-body text-ink"
              />
            </label>
          ))}
        </fieldset>
      ))}
      {mayEdit && (
        <label className="mt-3 block text-note text-soft">
          For another finding
          <select
            value=""
            onChange={({ target }) => setOpened([...opened, target.value as FindingCode])}
            className="block w-full border-b border-rule-strong bg-transparent py-1.5 text-body text-ink"
          >
            <option value="" disabled>
              choose what is found
            </option>
            {byTitle
              .filter((code) => !shown.includes(code))
              .map((code) => (
                <option key={code} value={code}>
                  {say(rowOf(code).title)}
                </option>
              ))}
          </select>
        </label>
      )}
    </details>
  );
}
