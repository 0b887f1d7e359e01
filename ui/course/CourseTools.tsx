'use client';

import { noBoard } from '@/core/boards';
import { useState } from 'react';
import { Button } from '../design/Button';
import { useOpen } from '../shell/opening-page';
import type { CourseActions } from './actions';
import type { CourseExercise, CourseLesson } from './course';

interface CourseToolsProps {
  readonly courseId: string;
  readonly lessons: readonly CourseLesson[];
  readonly exercises: readonly CourseExercise[];
  readonly boards: readonly { readonly id: string; readonly short: string }[];
  readonly actions: CourseActions;
  readonly act: (work: () => Promise<string | undefined>) => void;
}

const field = 'min-h-9 w-full border border-rule-strong bg-card px-2';

/** Ways to add to a course and to name what is in it. */
export function CourseTools(props: CourseToolsProps) {
  return (
    <>
      <NewExercise {...props} />
      <NewLesson {...props} />
      <Rename {...props} />
    </>
  );
}

function NewExercise({ courseId, lessons, exercises, boards, actions, act }: CourseToolsProps) {
  const openPage = useOpen();
  const [title, setTitle] = useState('');
  const [start, setStart] = useState(`nothing:${boards[0]?.id ?? ''}`);
  const [choice, setChoice] = useState<{ readonly id: string; readonly among: number }>();
  // A lesson that has just been added is the one that is meant.
  const lessonId = choice?.among === lessons.length ? choice.id : (lessons.at(-1)?.id ?? '');
  const open = (made: { readonly id: string } | { readonly message: string }): string | undefined => {
    if ('message' in made) return made.message;
    openPage(`/exercises/${made.id}`);
    return undefined;
  };
  return (
    <form
      className="mt-6 border-t border-ink pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        const [from = '', id = ''] = start.split(':');
        const beginning =
          from === 'nothing'
            ? ({ from: 'nothing', board: id } as const)
            : ({ from: from === 'copy' ? 'copy' : 'hookup', exerciseId: id } as const);
        act(async () => open(await actions.addExercise(courseId, title, beginning, lessonId || null)));
      }}
    >
      <h2 className="text-lead">New exercise</h2>
      <label className="mt-2 block text-note text-soft">
        Title
        <input
          value={title}
          onChange={(event) => setTitle(event.target.value)}
          className={`${field} text-body text-ink`}
        />
      </label>
      <label className="mt-2 block text-note text-soft">
        Starts from
        <select
          value={start}
          onChange={(event) => setStart(event.target.value)}
          className={`${field} text-body text-ink`}
        >
          <optgroup label="An empty bench">
            {boards.map(({ id, short }) => (
              <option key={id} value={`nothing:${id}`}>
                nothing, {short}
              </option>
            ))}
            <option value={`nothing:${noBoard.id}`}>nothing, no board: a battery circuit</option>
          </optgroup>
          <optgroup label="Another exercise’s wiring, to continue from">
            {exercises.map((exercise) => (
              <option key={exercise.id} value={`hookup:${exercise.id}`}>
                the wiring of {exercise.title}
              </option>
            ))}
          </optgroup>
          <optgroup label="A copy">
            {exercises.map((exercise) => (
              <option key={exercise.id} value={`copy:${exercise.id}`}>
                a copy of {exercise.title}
              </option>
            ))}
          </optgroup>
        </select>
      </label>
      {lessons.length > 0 && (
        <label className="mt-2 block text-note text-soft">
          In lesson
          <select
            value={lessonId}
            onChange={(event) => setChoice({ id: event.target.value, among: lessons.length })}
            className={`${field} text-body text-ink`}
          >
            {lessons.map((lesson) => (
              <option key={lesson.id} value={lesson.id}>
                {lesson.title}
              </option>
            ))}
            <option value="">none yet</option>
          </select>
        </label>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button type="submit" look="main" disabled={title.trim() === ''}>
          Begin it
        </Button>
        <label className="inline-flex min-h-6 cursor-pointer items-center text-note underline decoration-rule-strong underline-offset-3 focus-within:outline-3 focus-within:outline-focus">
          or take one from a file
          <input
            type="file"
            accept=".json,application/json"
            className="sr-only"
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file) act(async () => open(await actions.importExercise(courseId, await file.text())));
              event.target.value = '';
            }}
          />
        </label>
      </div>
    </form>
  );
}

function NewLesson({ courseId, actions, act }: CourseToolsProps) {
  const [title, setTitle] = useState('');
  return (
    <form
      className="mt-6 border-t border-rule pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        act(() => actions.addLesson(courseId, title));
        setTitle('');
      }}
    >
      <label className="block text-note text-soft">
        New lesson
        <span className="flex gap-2">
          <input
            value={title}
            onChange={(event) => setTitle(event.target.value)}
            className={`${field} text-body text-ink`}
          />
          <Button type="submit" disabled={title.trim() === ''}>
            Add
          </Button>
        </span>
      </label>
    </form>
  );
}

function Rename({ courseId, exercises, actions, act }: CourseToolsProps) {
  const [pattern, setPattern] = useState('{n}. {title}');
  return (
    <form
      className="mt-6 border-t border-rule pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        act(() => actions.renameByPattern(courseId, pattern));
      }}
    >
      <label className="block text-note text-soft">
        Rename all with a pattern
        <span className="flex gap-2">
          <input
            value={pattern}
            onChange={(event) => setPattern(event.target.value)}
            className={`${field} mono text-body text-ink`}
          />
          <Button type="submit" disabled={exercises.length === 0}>
            Rename
          </Button>
        </span>
      </label>
      <p className="mt-1 text-note text-soft">
        <span className="mono">{'{n}'}</span> place, <span className="mono">{'{lesson}'}</span> and{' '}
        <span className="mono">{'{k}'}</span> lesson and place in it,{' '}
        <span className="mono">{'{title}'}</span>. The pattern <span className="mono">{'{title}'}</span> on
        its own removes the numbers again.
      </p>
    </form>
  );
}
