'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { useId, useState } from 'react';
import type { RevisionSummary, Standing } from './actions';
import type { CourseExercise, CourseLesson } from './course';
import { ExerciseRow } from './ExerciseRow';
import { itemsOf, keyOf, NO_LESSON, standingsOf, titleOf, type LadderItem } from './ladder-order';
import { LessonHeading } from './LessonHeading';

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

const INSTRUCTIONS = {
  draggable:
    'Press the space bar to pick it up, the arrow keys to move it, space again to put it down, Escape to leave it.',
};

/** What is said while an exercise is moved, by titles. */
function spokenIn(lessons: readonly CourseLesson[], exercises: readonly CourseExercise[]): Announcements {
  const title = (key: string | number): string => titleOf(key, lessons, exercises);
  return {
    onDragStart: ({ active }) => `Picked up ${title(active.id)}.`,
    onDragOver: ({ active, over }) =>
      over ? `${title(active.id)} is now at ${title(over.id)}.` : `${title(active.id)} is over nothing.`,
    onDragEnd: ({ active, over }) =>
      over ? `${title(active.id)} was put at ${title(over.id)}.` : `${title(active.id)} is where it was.`,
    onDragCancel: ({ active }) => `${title(active.id)} is where it was.`,
  };
}

/** Lessons and their exercises from the first evening to the last; moved by drag, or by the keys. */
export function Ladder(props: LadderProps) {
  const { lessons, exercises, mayEdit, onArrange } = props;
  const known = itemsOf(lessons, exercises);
  const [moved, setMoved] = useState<{ items: readonly LadderItem[]; from: string }>();
  const stamp = known.map(keyOf).join();
  // What was moved here shows at once, until the server has it.
  const items = moved?.from === stamp ? moved.items : known;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const id = useId();

  const put = (next: readonly LadderItem[]): void => {
    setMoved({ items: next, from: stamp });
    onArrange(standingsOf(next));
  };
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const [from, to] = [active.id, over.id].map((key) => items.findIndex((item) => keyOf(item) === key));
    // Nothing stands above the first heading.
    put(arrayMove([...items], from!, Math.max(1, to!)));
  };
  const step = (item: LadderItem, by: -1 | 1): void => {
    const at = items.indexOf(item);
    const to = at + by;
    if (to >= 1 && to < items.length) put(arrayMove([...items], at, to));
  };

  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{ announcements: spokenIn(lessons, exercises), screenReaderInstructions: INSTRUCTIONS }}
      onDragEnd={onDragEnd}
    >
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
