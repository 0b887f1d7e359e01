import type { Rung } from '@/core/course/ladder';

/** An exercise of a course, as its ladder shows it. */
export interface CourseExercise {
  readonly id: string;
  readonly title: string;
  readonly aim: string;
  readonly minutes: number | null;
  readonly lessonId: string | null;
  readonly rung: Rung;
  readonly state: 'unfinished' | 'no-scenario' | 'complete';
  /** Classes for which it is open. */
  readonly openFor: readonly string[];
  readonly revisions: number;
}

/** A lesson of a course. */
export interface CourseLesson {
  readonly id: string;
  readonly title: string;
  readonly minutes: number;
}
