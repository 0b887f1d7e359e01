import type { Standing } from './actions';
import type { CourseExercise, CourseLesson } from './course';

/** Heading under which exercises without a lesson stand. */
export const NO_LESSON = 'none';

/** A row of the ladder: a lesson's heading, or an exercise. */
export type LadderItem =
  { readonly type: 'lesson'; readonly id: string } | { readonly type: 'exercise'; readonly id: string };

export const keyOf = ({ type, id }: LadderItem): string => `${type}:${id}`;

/** The rows of a course: each lesson with its exercises, and those of no lesson at the end. */
export function itemsOf(
  lessons: readonly CourseLesson[],
  exercises: readonly CourseExercise[],
): readonly LadderItem[] {
  const under = (lessonId: string | null): readonly LadderItem[] =>
    exercises
      .filter((exercise) => exercise.lessonId === lessonId)
      .map(({ id }) => ({ type: 'exercise', id }));
  const loose = under(null);
  return [
    ...lessons.flatMap(({ id }): readonly LadderItem[] => [{ type: 'lesson', id }, ...under(id)]),
    ...(loose.length > 0 || lessons.length === 0
      ? [{ type: 'lesson', id: NO_LESSON } as const, ...loose]
      : []),
  ];
}

/** What stands in a row, as it is called. */
export function titleOf(
  key: string | number,
  lessons: readonly CourseLesson[],
  exercises: readonly CourseExercise[],
): string {
  const lesson = lessons.find(({ id }) => keyOf({ type: 'lesson', id }) === key);
  const exercise = exercises.find(({ id }) => keyOf({ type: 'exercise', id }) === key);
  return exercise?.title ?? lesson?.title ?? 'the exercises that are in no lesson';
}

/** Each exercise stands in the lesson whose heading is the last above it. */
export function standingsOf(items: readonly LadderItem[]): readonly Standing[] {
  let lessonId: string | null = null;
  return items.flatMap((item): readonly Standing[] => {
    if (item.type === 'exercise') return [{ exerciseId: item.id, lessonId }];
    lessonId = item.id === NO_LESSON ? null : item.id;
    return [];
  });
}
