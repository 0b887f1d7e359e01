import type { RevisionChange } from '@/core/course/revision-changes';
import type { SharingChange } from '@/core/course/sharing';

/** Where an exercise stands: its lesson, `null` for none. */
export interface Standing {
  readonly exerciseId: string;
  readonly lessonId: string | null;
}

export type Beginning =
  | { readonly from: 'nothing'; readonly board: string }
  | { readonly from: 'copy' | 'hookup'; readonly exerciseId: string };

/** A revision, and what changed from it to the next one or to the draft. */
export interface RevisionSummary {
  readonly number: number;
  readonly at: string;
  readonly by: string;
  readonly classes: readonly string[];
  readonly changesSince: readonly RevisionChange[];
}

type Refusal = Promise<string | undefined>;
type Made = Promise<{ readonly id: string } | { readonly message: string }>;

/** What can be done to a course; each says why when it cannot be. */
export interface CourseActions {
  readonly addLesson: (courseId: string, title: string) => Refusal;
  readonly changeLesson: (courseId: string, lessonId: string, title: string, minutes: number) => Refusal;
  readonly removeLesson: (courseId: string, lessonId: string) => Refusal;
  readonly arrange: (courseId: string, order: readonly Standing[]) => Refusal;
  readonly addExercise: (
    courseId: string,
    title: string,
    beginning: Beginning,
    lessonId: string | null,
  ) => Made;
  readonly importExercise: (courseId: string, text: string) => Made;
  readonly removeExercise: (courseId: string, exerciseId: string) => Refusal;
  readonly renameByPattern: (courseId: string, pattern: string) => Refusal;
  readonly publishTo: (courseId: string, exerciseId: string, classId: string) => Refusal;
  readonly shareCourse: (courseId: string, change: SharingChange) => Refusal;
  readonly revisions: (exerciseId: string) => Promise<readonly RevisionSummary[]>;
}
