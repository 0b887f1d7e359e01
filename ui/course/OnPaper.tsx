'use client';

import { useState } from 'react';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { Link } from '../shell/Link';
import { useBooklet } from './useBooklet';

interface OnPaperProps {
  readonly courseId: string;
  readonly exercises: number;
}

/** All of a course in one: as a booklet, as cards, as a package to be taken elsewhere. */
export function OnPaper({ courseId, exercises }: OnPaperProps) {
  const [form, setForm] = useState<'student' | 'instructor'>('student');
  const { state, make, cancel } = useBooklet();
  return (
    <section aria-labelledby="paper-title" className="mt-6 border-t border-ink pt-4">
      <h2 id="paper-title" className="text-lead">
        On paper, and elsewhere
      </h2>
      <div className="mt-2 flex" role="group" aria-label="Booklet for whom">
        {(['student', 'instructor'] as const).map((one) => (
          <Button key={one} look="choice" aria-pressed={form === one} onClick={() => setForm(one)}>
            {one === 'student' ? 'For learners' : 'For the instructor'}
          </Button>
        ))}
      </div>
      <div role="status" className="mt-2">
        {state.is === 'making' ? (
          <>
            <progress
              max={state.of || exercises}
              value={state.done}
              aria-label="Handouts made"
              className="h-2 w-full accent-ink"
            />
            <p className="text-note">
              {state.done} of {state.of || exercises}
              {state.title && `: ${state.title}`}
              {state.of > 0 && state.done === state.of && ', now the pages'}
            </p>
            <Button size="small" onClick={cancel}>
              Cancel
            </Button>
          </>
        ) : (
          <Button
            disabled={exercises === 0}
            onClick={() => make(`/courses/${courseId}/booklet?${new URLSearchParams({ form }).toString()}`)}
          >
            Make the booklet
          </Button>
        )}
        {state.is === 'done' && (
          <a
            href={state.address}
            target="_blank"
            rel="noreferrer"
            className="ml-3 font-semibold underline underline-offset-4"
          >
            Open it
          </a>
        )}
      </div>
      <Problem className="mt-1">{state.is === 'failed' ? state.message : undefined}</Problem>
      <p className="mt-3">
        <Link href={`/courses/${courseId}/cards`} className="underline underline-offset-4">
          Cards
        </Link>
        <span className="text-note text-soft"> words of the concepts, to cut out</span>
      </p>
      <p className="mt-1">
        <a href={`/courses/${courseId}/package`} download className="underline underline-offset-4">
          Course package
        </a>
        <span className="text-note text-soft"> all of it in a ZIP, to be brought in elsewhere</span>
      </p>
    </section>
  );
}
