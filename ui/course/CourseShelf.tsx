'use client';

import { useState, useTransition } from 'react';
import { refusalText } from '@/core/messages/refusal';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { Link } from '../shell/Link';
import { useOpen } from '../shell/opening-page';

interface CourseShelfProps {
  readonly courses: readonly {
    readonly id: string;
    readonly title: string;
    readonly owner: string;
    readonly may: 'own' | 'edit' | 'look';
    readonly lessons: number;
    readonly exercises: readonly string[];
  }[];
  readonly mayMake: boolean;
  readonly actions: {
    readonly makeCourse: (given: {
      readonly title: string;
    }) => Promise<{ readonly id: string } | { readonly message: string }>;
  };
}

/** All courses that one may look at; new ones, and those that come as a package. */
export function CourseShelf({ courses, mayMake, actions }: CourseShelfProps) {
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="border-ink px-6 py-4 lg:min-h-[calc(100dvh-4rem)] lg:border-r">
        {courses.length === 0 && (
          <p className="mt-3 text-lead">
            There is no course yet. Begin one at the right, or bring in a package.
          </p>
        )}
        <ul>
          {courses.map(({ id, title, owner, may, lessons, exercises }) => (
            <li key={id} className="border-b border-rule py-4">
              <h2 className="text-title">
                <Link
                  href={`/courses/${id}`}
                  className="decoration-rule-strong underline-offset-4 hover:underline"
                >
                  {title}
                </Link>
              </h2>
              <p className="text-soft">
                {howMany(exercises.length, 'exercise')} in {howMany(lessons, 'lesson')}
                {may === 'own' ? '' : ` · ${owner}’s${may === 'look' ? ', to look at' : ''}`}
              </p>
              <p className="max-w-[56ch] text-note">{exercises.join(' · ')}</p>
            </li>
          ))}
        </ul>
      </div>
      <aside className="px-5 py-5">
        {mayMake ? (
          <>
            <NewCourse actions={actions} />
            <BringInCourse />
          </>
        ) : (
          <p className="text-soft">Instructors make courses. You can look at all of these.</p>
        )}
      </aside>
    </div>
  );
}

function NewCourse({ actions }: Pick<CourseShelfProps, 'actions'>) {
  const open = useOpen();
  const [title, setTitle] = useState('');
  const [problem, setProblem] = useState<string>();
  const [isBusy, begin] = useTransition();
  return (
    <form
      aria-label="New course"
      onSubmit={(event) => {
        event.preventDefault();
        begin(async () => {
          const made = await actions.makeCourse({ title });
          if ('message' in made) setProblem(made.message);
          else open(`/courses/${made.id}`);
        });
      }}
    >
      <h2 className="text-lead">New course</h2>
      <label className="mt-1 block text-note text-soft">
        Title
        <input
          value={title}
          onChange={({ target }) => setTitle(target.value)}
          className="block min-h-9 w-full border border-rule-strong bg-card px-2 text-body text-ink"
        />
      </label>
      <Button type="submit" className="mt-2" disabled={isBusy || title.trim() === ''}>
        Begin
      </Button>
      <Problem className="mt-1">{problem}</Problem>
    </form>
  );
}

function BringInCourse() {
  const open = useOpen();
  const [state, setState] = useState<'idle' | 'sending' | { readonly problem: string }>('idle');
  const send = async (file: File): Promise<void> => {
    setState('sending');
    try {
      const answer = await fetch('/courses/import', { method: 'POST', body: file });
      const body: unknown = await answer.json();
      if (!answer.ok) return setState({ problem: refusalText(body) ?? 'Nothing was taken.' });
      setState('idle');
      return open(`/courses/${(body as { readonly id: string }).id}`);
    } catch {
      return setState({ problem: 'The server can’t be reached. Nothing was taken; try again.' });
    }
  };
  return (
    <section aria-labelledby="bring-course-title" className="mt-7 border-t border-ink pt-4">
      <h2 id="bring-course-title" className="text-lead">
        Bring in a course
      </h2>
      <p className="text-note text-soft">
        A course package, as it is taken from a course’s page: exercises, lessons, rules, cards and pictures.
      </p>
      <label className="mt-2 inline-flex min-h-10 cursor-pointer items-center border border-rule-strong bg-card px-3 font-semibold focus-within:border-ink hover:border-ink">
        <input
          type="file"
          accept=".zip,application/zip"
          disabled={state === 'sending'}
          className="sr-only"
          onChange={({ target }) => {
            const file = target.files?.[0];
            target.value = '';
            if (file) void send(file);
          }}
        />
        {state === 'sending' ? 'Taking it in …' : 'Choose a package'}
      </label>
      <Problem className="mt-2">{typeof state === 'object' ? state.problem : undefined}</Problem>
    </section>
  );
}
