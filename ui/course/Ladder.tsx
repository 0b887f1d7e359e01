'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical, X } from 'lucide-react';
import Link from 'next/link';
import { useId, useState } from 'react';
import type { LadderConcept } from '@/core/course/ladder';
import type { RevisionSummary, Standing } from './actions';
import type { CourseExercise, CourseLesson } from './course';
import { ExerciseMenu } from './ExerciseMenu';

interface LadderProps {
  readonly lessons: readonly CourseLesson[];
  readonly exercises: readonly CourseExercise[];
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly mayEdit: boolean;
  readonly onArrange: (order: readonly Standing[]) => void;
  readonly onLesson: (id: string, title: string, minutes: number) => void;
  readonly onRemoveLesson: (id: string) => void;
  readonly onRemove: (id: string) => void;
  readonly onPublish: (id: string, classId: string) => void;
  readonly revisions: (exerciseId: string) => Promise<readonly RevisionSummary[]>;
}

/** Heading under which exercises without a lesson stand. */
const NO_LESSON = 'none';

type Item =
  { readonly type: 'lesson'; readonly id: string } | { readonly type: 'exercise'; readonly id: string };

const keyOf = ({ type, id }: Item): string => `${type}:${id}`;

/** Lessons and their exercises from the first evening to the last; moved by drag, or by the keys. */
export function Ladder(props: LadderProps) {
  const { lessons, exercises, mayEdit, onArrange } = props;
  const known = itemsOf(lessons, exercises);
  const [moved, setMoved] = useState<{ items: readonly Item[]; from: string }>();
  const stamp = known.map(keyOf).join();
  // What was moved here shows at once, until the server has it.
  const items = moved?.from === stamp ? moved.items : known;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const id = useId();

  const put = (next: readonly Item[]): void => {
    setMoved({ items: next, from: stamp });
    onArrange(standingsOf(next));
  };
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const [from, to] = [active.id, over.id].map((key) => items.findIndex((item) => keyOf(item) === key));
    // Nothing stands above the first heading.
    put(arrayMove([...items], from!, Math.max(1, to!)));
  };
  const step = (item: Item, by: -1 | 1): void => {
    const at = items.indexOf(item);
    const to = at + by;
    if (to >= 1 && to < items.length) put(arrayMove([...items], at, to));
  };

  return (
    <DndContext id={id} sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <SortableContext items={items.map(keyOf)} strategy={verticalListSortingStrategy}>
        <ol>
          {items.map((item) =>
            item.type === 'lesson' ? (
              <LessonHeading
                key={keyOf(item)}
                {...props}
                item={item}
                lesson={lessons.find((lesson) => lesson.id === item.id)}
                number={lessons.findIndex((lesson) => lesson.id === item.id) + 1}
                exercises={exercises.filter(({ lessonId }) => (lessonId ?? NO_LESSON) === item.id)}
              />
            ) : (
              <ExerciseRow
                key={keyOf(item)}
                {...props}
                item={item}
                exercise={exercises.find((exercise) => exercise.id === item.id)!}
                number={items.filter(({ type }) => type === 'exercise').indexOf(item) + 1}
                onStep={(by) => step(item, by)}
              />
            ),
          )}
        </ol>
      </SortableContext>
      {exercises.length === 0 && (
        <p className="px-6 py-8 text-lead">
          No exercise yet.{' '}
          {mayEdit && 'Start one on the right: give it a title, and say what it starts from.'}
        </p>
      )}
    </DndContext>
  );
}

function itemsOf(lessons: readonly CourseLesson[], exercises: readonly CourseExercise[]): readonly Item[] {
  const under = (lessonId: string | null): readonly Item[] =>
    exercises
      .filter((exercise) => exercise.lessonId === lessonId)
      .map(({ id }) => ({ type: 'exercise', id }));
  const loose = under(null);
  return [
    ...lessons.flatMap(({ id }): readonly Item[] => [{ type: 'lesson', id }, ...under(id)]),
    ...(loose.length > 0 || lessons.length === 0
      ? [{ type: 'lesson', id: NO_LESSON } as const, ...loose]
      : []),
  ];
}

/** Each exercise stands in the lesson whose heading is the last above it. */
function standingsOf(items: readonly Item[]): readonly Standing[] {
  let lessonId: string | null = null;
  return items.flatMap((item): readonly Standing[] => {
    if (item.type === 'exercise') return [{ exerciseId: item.id, lessonId }];
    lessonId = item.id === NO_LESSON ? null : item.id;
    return [];
  });
}

/** Where a sortable row is drawn while it or others move. */
function shift(transform: { readonly x: number; readonly y: number } | null, transition: string | undefined) {
  return {
    ...(transform ? { transform: `translate3d(0, ${Math.round(transform.y)}px, 0)` } : {}),
    ...(transition ? { transition } : {}),
  };
}

interface LessonHeadingProps extends LadderProps {
  readonly item: Item;
  readonly lesson: CourseLesson | undefined;
  readonly number: number;
  readonly exercises: readonly CourseExercise[];
}

function LessonHeading({
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
      className="flex items-baseline gap-3 border-b border-ink bg-wash px-5 pt-4 pb-2"
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
          className="min-w-0 flex-1 border-b border-transparent bg-transparent font-(family-name:--font-title) text-lead font-semibold hover:border-rule-strong focus:border-focus"
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

interface ExerciseRowProps extends LadderProps {
  readonly item: Item;
  readonly exercise: CourseExercise;
  readonly number: number;
  readonly onStep: (by: -1 | 1) => void;
}

const states: Readonly<Record<CourseExercise['state'], string>> = {
  unfinished: 'in progress',
  'no-program': 'no program yet',
  complete: 'ready to open',
};

function ExerciseRow({
  item,
  exercise,
  number,
  classes,
  mayEdit,
  onStep,
  onRemove,
  onPublish,
  revisions,
}: ExerciseRowProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({
      id: keyOf(item),
      disabled: !mayEdit,
    });
  const { rung, openFor } = exercise;
  return (
    <li
      ref={setNodeRef}
      style={shift(transform, transition)}
      aria-label={exercise.title}
      className={`flex items-start gap-3 border-b border-rule bg-paper px-5 py-3 ${isDragging ? 'relative z-10 border-ink bg-card' : ''}`}
      onKeyDown={(event) => {
        if (!event.altKey || !mayEdit || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
        event.preventDefault();
        onStep(event.key === 'ArrowUp' ? -1 : 1);
      }}
    >
      <span className="mono w-8 pt-0.5 text-right text-soft">{number}</span>
      <div className="min-w-0 flex-1">
        <p className="flex flex-wrap items-baseline gap-x-3">
          <Link
            href={`/exercises/${exercise.id}`}
            className="text-bench font-semibold underline decoration-rule-strong underline-offset-4 hover:decoration-ink"
          >
            {exercise.title}
          </Link>
          <span className="text-note text-soft">
            {openFor.length > 0 ? `open for ${openFor.join(' and ')}` : states[exercise.state]}
            {exercise.minutes !== null && `, ${exercise.minutes} minutes`}
          </span>
        </p>
        <p className="mt-1 flex flex-wrap gap-x-1.5 gap-y-1">
          {rung.concepts.map((concept) => (
            <Concept key={concept.concept} {...concept} />
          ))}
        </p>
        <p className="mt-1 text-note text-soft">
          {rung.added.length > 0 && `New on the bench: ${rung.added.join(', ')}. `}
          {rung.carriedOver.length > 0 && `Carried over: ${rung.carriedOver.join(', ')}. `}
          {rung.left.length > 0 && `Back in the box: ${rung.left.join(', ')}.`}
        </p>
      </div>
      <div className="flex shrink-0 items-center">
        <ExerciseMenu
          exercise={exercise}
          classes={classes}
          mayEdit={mayEdit}
          onStep={onStep}
          onRemove={() => onRemove(exercise.id)}
          onPublish={(classId) => onPublish(exercise.id, classId)}
          revisions={revisions}
        />
        {mayEdit && (
          <button
            ref={setActivatorNodeRef}
            type="button"
            {...attributes}
            {...listeners}
            aria-label={`Move ${exercise.title}`}
            className="flex h-10 w-9 cursor-grab touch-none items-center justify-center text-soft hover:text-ink"
          >
            <GripVertical size={17} aria-hidden="true" />
          </button>
        )}
      </div>
    </li>
  );
}

const conceptLooks: Readonly<Record<LadderConcept['standing'], string>> = {
  new: 'border-ink bg-card font-semibold',
  known: 'border-transparent text-soft',
  early: 'border-dashed border-risk font-semibold text-risk',
};

function Concept({ concept, standing, taughtBy }: LadderConcept) {
  return (
    <span
      className={`border px-1.5 text-note ${conceptLooks[standing]}`}
      title={
        standing === 'early'
          ? `Taught ${taughtBy ? `later, in ${taughtBy}` : 'nowhere in this course'}`
          : undefined
      }
    >
      {concept.replace(/-/g, ' ')}
      {standing === 'early' && <span className="font-normal"> before it is taught</span>}
    </span>
  );
}
