import type { Metadata } from 'next';
import { ladderOf } from '@/core/course/ladder';
import { exerciseFrom, isComplete } from '@/core/formats/exercise';
import { knownBoards } from '@/server/courses/boards';
import { standings } from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { draftsOf } from '@/server/exercises/drafts';
import { classesOf, publicationsFor } from '@/server/exercises/publications';
import { can } from '@/server/permissions';
import { sharingOf } from '@/server/sharing';
import type { CourseExercise } from '@/ui/course/course';
import { CoursePage as CourseView } from '@/ui/course/CoursePage';
import { courseAskedFor } from '../../asked-for';
import { View } from '../../shell';
import * as actions from './actions';

interface Address {
  readonly params: Promise<{ courseId: string }>;
}

export async function generateMetadata({ params }: Address): Promise<Metadata> {
  const { course } = await courseAskedFor((await params).courseId);
  return { title: course.title };
}

export default async function CoursePage({ params }: Address) {
  const { viewer, course, may } = await courseAskedFor((await params).courseId);
  const [drafts, places, publications, classes, boards] = await Promise.all([
    draftsOf(database(), course.id),
    standings(database(), course.id),
    publicationsFor(database(), viewer),
    classesOf(database(), viewer),
    knownBoards(database(), viewer),
  ]);
  const ladder = ladderOf(drafts.map(({ sheet }) => sheet));
  const exercises = drafts.map((draft, index): CourseExercise => {
    const read = exerciseFrom(draft.sheet);
    const place = places.find(({ exerciseId }) => exerciseId === draft.id);
    return {
      id: draft.id,
      title: draft.sheet.title,
      aim: draft.sheet.aim,
      minutes: draft.sheet.minutes ?? null,
      lessonId: place?.lessonId ?? null,
      rung: ladder[index]!,
      state: !read.ok ? 'unfinished' : isComplete(read.value) ? 'complete' : 'no-scenario',
      openFor: publications
        .filter(({ exerciseId, isOpen }) => exerciseId === draft.id && isOpen)
        .map(({ className }) => className),
      revisions: place?.revisions ?? 0,
    };
  });
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: 'Course' }]}
      title={course.title}
      facts={`${exercises.length} exercises in ${course.lessons.length} lessons`}
    >
      <CourseView
        courseId={course.id}
        lessons={course.lessons}
        exercises={exercises}
        classes={classes.map(({ id, name }) => ({ id, name }))}
        boards={boards.map(({ profile }) => ({ id: profile.id, short: profile.short }))}
        mayEdit={can(viewer.role, 'edit-course') && may !== 'look'}
        sharing={await sharingOf(database(), 'course', viewer, course.id)}
        unreadable={places.length - drafts.length}
        actions={actions}
      />
    </View>
  );
}
