'use client';

import { useState } from 'react';
import { readRoster, rosterProblems } from '@/core/people/roster';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import type { ClassActions, Slip } from './actions';
import { useAct } from './useAct';

/** Names that are shown of a long list before it is added. */
const MOST_SHOWN = 60;

interface AddLearnersProps {
  readonly classId: string;
  /** Names that the class has. */
  readonly known: readonly string[];
  readonly addLearners: ClassActions['addLearners'];
  readonly onSlips: (slips: readonly Slip[]) => void;
}

/** A list of learners, typed, pasted or from a file, with what will be made of it before it is added. */
export function AddLearners({ classId, known, addLearners, onSlips }: AddLearnersProps) {
  const { act, problem, isBusy } = useAct();
  const [text, setText] = useState('');
  const [added, setAdded] = useState<readonly string[]>([]);
  const read = text.trim() === '' ? undefined : readRoster(text, known);
  const names = read?.ok ? read.value.names : [];
  const add = (): void =>
    act(async () => {
      const made = await addLearners(classId, text);
      if ('message' in made) return made.message;
      setText('');
      setAdded(made.notes);
      if (made.slips.length > 0) onSlips(made.slips);
      return undefined;
    });
  return (
    <form
      aria-label="Add learners"
      className="border-t border-ink px-6 py-5"
      onSubmit={(event) => {
        event.preventDefault();
        if (names.length > 0) add();
      }}
    >
      <h2 className="text-lead">
        <label htmlFor="learner-list">Add learners</label>
      </h2>
      <p className="max-w-[56ch] text-note text-soft">
        A name on each line, or a table pasted from a spreadsheet, columns in any order. Only the names are
        kept. A first name is enough.
      </p>
      <div className="mt-2 grid gap-4 sm:grid-cols-2">
        <textarea
          id="learner-list"
          value={text}
          onChange={({ target }) => setText(target.value)}
          rows={7}
          spellCheck={false}
          autoComplete="off"
          placeholder={'Adda\nBruno\nCelia'}
          className="w-full border border-rule-strong bg-card p-2.5 placeholder:text-soft"
        />
        <div aria-live="polite">
          {read && !read.ok && (
            <Problem className="whitespace-pre-line">{rosterProblems(read.problems)}</Problem>
          )}
          {read?.ok && (
            <>
              <p className="font-semibold">
                {names.length === 0 ? 'Nobody new in this list.' : `${howMany(names.length, 'new learner')}:`}
              </p>
              <p className="text-soft">
                {names.slice(0, MOST_SHOWN).join(' · ')}
                {names.length > MOST_SHOWN && ` and ${names.length - MOST_SHOWN} more`}
              </p>
              {read.value.notes.map((note) => (
                <p key={note} className="mt-1 text-note">
                  {note}
                </p>
              ))}
            </>
          )}
          {!read &&
            added.map((note) => (
              <p key={note} className="text-note">
                {note}
              </p>
            ))}
        </div>
      </div>
      <Problem className="mt-1 whitespace-pre-line">{problem}</Problem>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <Button type="submit" look="main" disabled={names.length === 0 || isBusy}>
          {isBusy ? 'Adding …' : names.length > 1 ? `Add all ${names.length}` : 'Add'}
        </Button>
        <label className="inline-flex min-h-6 cursor-pointer items-center text-note underline decoration-rule-strong underline-offset-3 focus-within:outline-3 focus-within:outline-focus">
          or take a list from a file
          <input
            type="file"
            accept=".csv,.txt,.tsv,text/csv,text/plain"
            className="sr-only"
            onChange={({ target }) => {
              const [file] = target.files ?? [];
              if (file) void file.text().then(setText);
              target.value = '';
            }}
          />
        </label>
      </div>
    </form>
  );
}
