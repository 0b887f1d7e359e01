'use client';

import { useSortable } from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import type { LadderConcept } from '@/core/course/ladder';
import { Link } from '../shell/Link';
import type { RevisionSummary } from './actions';
import type { CourseExercise } from './course';
import { ExerciseMenu } from './ExerciseMenu';
import { keyOf, type LadderItem } from './ladder-order';
import { shift } from './sortable-row';

interface ExerciseRowProps {
  readonly item: LadderItem;
  readonly exercise: CourseExercise;
  readonly number: number;
  readonly onStep: (by: -1 | 1) => void;
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly onRemove: (id: string) => void;
  readonly onPublish: (id: string, classId: string) => void;
  readonly revisions: (exerciseId: string) => Promise<readonly RevisionSummary[]>;
  readonly mayEdit: boolean;
}

const states: Readonly<Record<CourseExercise['state'], string>> = {
  unfinished: 'in progress',
  'no-scenario': 'no scenario yet',
  complete: 'ready to open',
};

/** An exercise of the ladder: what it teaches and builds on, its parts, and what can be done with it. */
export function ExerciseRow({
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
        <p className="mt-1 max-w-[56ch] text-note text-soft">
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
