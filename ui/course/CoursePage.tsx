'use client';

import { useState, useTransition } from 'react';
import type { SharingState } from '@/core/course/sharing';
import { Button } from '../design/Button';
import { Sharing } from '../sharing/Sharing';
import { Link } from '../shell/Link';
import { CourseTools } from './CourseTools';
import { Ladder } from './Ladder';
import { OnPaper } from './OnPaper';
import type { CourseActions } from './actions';
import type { CourseExercise, CourseLesson } from './course';

interface CoursePageProps {
  readonly courseId: string;
  readonly lessons: readonly CourseLesson[];
  readonly exercises: readonly CourseExercise[];
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly boards: readonly { readonly id: string; readonly short: string }[];
  readonly mayEdit: boolean;
  /** How the course is shared, for its owner. */
  readonly sharing: SharingState | undefined;
  /** Exercises whose data is damaged; they are left out. */
  readonly unreadable: number;
  readonly actions: CourseActions;
}

/** The ladder of lessons and exercises, what each teaches and builds on, and how it is put together. */
export function CoursePage(props: CoursePageProps) {
  const { courseId, exercises, lessons, mayEdit, actions } = props;
  const [problem, setProblem] = useState<string>();
  const [isPending, begin] = useTransition();
  const act = (work: () => Promise<string | undefined>): void => begin(async () => setProblem(await work()));
  const early = exercises.flatMap(({ title, rung }) =>
    rung.concepts
      .filter(({ standing }) => standing === 'early')
      .map(({ concept, taughtBy }) => ({ title, concept: concept.replace(/-/g, ' '), taughtBy })),
  );
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="min-h-[calc(100dvh-4rem)] border-ink lg:border-r" aria-busy={isPending}>
        <Ladder
          lessons={lessons}
          exercises={exercises}
          classes={props.classes}
          mayEdit={mayEdit}
          onArrange={(order) => act(() => actions.arrange(courseId, order))}
          onLesson={(id, title, minutes) => act(() => actions.changeLesson(courseId, id, title, minutes))}
          onRemoveLesson={(id) => act(() => actions.removeLesson(courseId, id))}
          onRemove={(id) => act(() => actions.removeExercise(courseId, id))}
          onPublish={(id, classId) => act(() => actions.publishTo(courseId, id, classId))}
          revisions={actions.revisions}
        />
      </div>
      <aside className="px-5 py-5" aria-label="About the course">
        {props.unreadable > 0 && (
          <p role="status" className="mb-3 border-l-4 border-risk pl-3 font-semibold">
            {props.unreadable === 1 ? 'One exercise' : `${props.unreadable} exercises`} of this course can’t
            be read and {props.unreadable === 1 ? 'is' : 'are'} left out here. What is stored of{' '}
            {props.unreadable === 1 ? 'it' : 'them'} has not been touched.
          </p>
        )}
        {problem && (
          <p role="alert" className="mb-4 border-l-4 border-fault bg-fault-wash p-3 font-semibold">
            {problem}
          </p>
        )}
        <h2 className="text-lead">Before it is taught</h2>
        {early.length === 0 ? (
          <p className="mt-1 text-soft">Every concept is taught before it is used.</p>
        ) : (
          <ul className="mt-1">
            {early.map(({ title, concept, taughtBy }) => (
              <li key={`${title} ${concept}`} className="border-l-4 border-risk py-1 pl-3">
                <strong>{title}</strong> uses {concept}, taught{' '}
                {taughtBy ? `later, in ${taughtBy}` : 'nowhere in this course'}.
              </li>
            ))}
          </ul>
        )}
        <Button asChild className="mt-4">
          <Link href={`/courses/${courseId}/rules`}>House rules</Link>
        </Button>
        {mayEdit && <CourseTools {...props} act={act} />}
        <OnPaper courseId={courseId} exercises={exercises.length} />
        {props.sharing && (
          <Sharing
            what="this course"
            sharing={props.sharing}
            onChange={(change) => actions.shareCourse(courseId, change)}
          />
        )}
      </aside>
    </div>
  );
}
