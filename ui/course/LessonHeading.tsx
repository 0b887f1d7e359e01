'use client';

import { useSortable } from '@dnd-kit/sortable';
import { X } from 'lucide-react';
import type { CourseExercise, CourseLesson } from './course';
import { keyOf, type LadderItem } from './ladder-order';
import { shift } from './sortable-row';

interface LessonHeadingProps {
  readonly item: LadderItem;
  readonly lesson: CourseLesson | undefined;
  readonly number: number;
  readonly exercises: readonly CourseExercise[];
  readonly mayEdit: boolean;
  readonly onLesson: (id: string, title: string, minutes: number) => void;
  readonly onRemoveLesson: (id: string) => void;
}

/** A lesson of the ladder, with the minutes that its exercises take. */
export function LessonHeading({
  item,
  lesson,
  number,
  exercises,
  mayEdit,
  onLesson,
  onRemoveLesson,
}: LessonHeadingProps) {
  const { setNodeRef, transform, transition } = useSortable({
    id: keyOf(item),
    disabled: { draggable: true },
  });
  const planned = exercises.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0);
  return (
    <li
      ref={setNodeRef}
      style={shift(transform, transition)}
      className="flex flex-wrap items-baseline gap-x-3 border-b border-ink bg-wash px-5 pt-4 pb-2 sm:flex-nowrap"
    >
      <span className="mono w-8 text-right text-soft">{lesson ? number : ''}</span>
      {lesson && mayEdit ? (
        <input
          aria-label={`Title of lesson ${number}`}
          defaultValue={lesson.title}
          key={lesson.title}
          onBlur={(event) => {
            const title = event.target.value.trim();
            if (title !== '' && title !== lesson.title) onLesson(lesson.id, title, lesson.minutes);
          }}
          className="min-w-0 flex-1 basis-40 border-b border-transparent bg-transparent font-(family-name:--font-title) text-lead font-semibold hover:border-rule-strong focus:border-focus"
        />
      ) : (
        <h2 className="flex-1 text-lead">{lesson?.title ?? 'Not in any lesson yet'}</h2>
      )}
      {lesson && (
        <p className={`text-note ${planned > lesson.minutes ? 'font-semibold text-risk' : 'text-soft'}`}>
          {planned > 0 && `${planned} of `}
          {mayEdit ? (
            <input
              type="number"
              min={5}
              max={600}
              aria-label={`Minutes of lesson ${number}`}
              defaultValue={lesson.minutes}
              key={lesson.minutes}
              onBlur={(event) => {
                const minutes = Math.round(Number(event.target.value));
                if (minutes !== lesson.minutes) onLesson(lesson.id, lesson.title, minutes);
              }}
              className="mono w-14 border-b border-rule-strong bg-transparent text-right"
            />
          ) : (
            lesson.minutes
          )}{' '}
          minutes{planned > lesson.minutes && ', too many'}
        </p>
      )}
      {lesson && mayEdit && exercises.length === 0 && (
        <button
          type="button"
          aria-label={`Take lesson ${lesson.title} away`}
          onClick={() => onRemoveLesson(lesson.id)}
          className="flex h-8 w-8 items-center justify-center self-center text-soft hover:text-ink"
        >
          <X size={15} aria-hidden="true" />
        </button>
      )}
    </li>
  );
}
