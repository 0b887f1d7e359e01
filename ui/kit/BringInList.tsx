'use client';

import { useState, useTransition } from 'react';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import type { BroughtIn, KitActions } from './store';

/** A list of stock from a spreadsheet, pasted or as a file; what is not understood stays to be put right. */
export function BringInList({ actions }: { readonly actions: KitActions }) {
  const [text, setText] = useState('');
  const [outcome, setOutcome] = useState<BroughtIn>();
  const [isBusy, begin] = useTransition();
  const take = (): void =>
    begin(async () => {
      const came = await actions.bringIn(text).catch((): BroughtIn => ({
        message: 'The server can’t be reached. Nothing was changed; try again.',
      }));
      setOutcome(came);
      // What was taken is in the store; the rows that were not stay to be mended.
      if ('taken' in came)
        setText(
          came.aside.length === 0
            ? ''
            : [
                text.split('\n')[0] ?? '',
                ...came.aside.map(({ line }) => text.split('\n')[line - 1] ?? ''),
              ].join('\n'),
        );
    });
  return (
    <section aria-labelledby="bring-in-title" className="mt-7">
      <h2 id="bring-in-title" className="text-lead">
        Bring in a list
      </h2>
      <label className="text-note text-soft">
        Paste from a spreadsheet, or choose a CSV file. Each row sets the count of its sort.
        <textarea
          rows={5}
          value={text}
          onChange={({ target }) => setText(target.value)}
          spellCheck={false}
          placeholder={'kind,value,length_mm,count,drawer\nresistor,330,,40,B2'}
          className="mono mt-1 block w-full border border-rule-strong bg-card p-2 text-note text-ink"
        />
      </label>
      <div className="mt-2 flex items-center gap-3">
        <Button disabled={isBusy || text.trim() === ''} onClick={take}>
          Bring in
        </Button>
        <label className="text-note underline underline-offset-4">
          <input
            type="file"
            accept=".csv,.txt,.tsv,text/csv"
            className="sr-only"
            onChange={({ target }) => {
              const file = target.files?.[0];
              target.value = '';
              file?.text().then(setText, () => setOutcome({ message: 'The file couldn’t be read.' }));
            }}
          />
          choose a file
        </label>
      </div>
      <div role="status">
        {outcome && 'taken' in outcome && (
          <p className="mt-2">
            {outcome.taken === 0 ? 'No row was taken.' : `${howMany(outcome.taken, 'kind')} of part taken.`}{' '}
            {outcome.aside.length > 0 &&
              `${howMany(outcome.aside.length, 'row')} not understood, and still above:`}
          </p>
        )}
      </div>
      {outcome && 'taken' in outcome && (
        <ul className="text-note">
          {outcome.aside.map(({ line, text: row, why }) => (
            <li key={line} className="border-t border-rule py-1">
              <span className="mono text-soft">line {line}</span> {row}: {why}
            </li>
          ))}
        </ul>
      )}
      <Problem className="mt-2">{outcome && 'message' in outcome ? outcome.message : undefined}</Problem>
    </section>
  );
}
