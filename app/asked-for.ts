import { notFound } from 'next/navigation';
import { cache } from 'react';
import { findCourse } from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { findDraft, type Draft } from '@/server/exercises/drafts';
import { findPublication, type Publication } from '@/server/exercises/publications';
import { keptClass } from '@/server/people/class-register';
import type { Action, Viewer } from '@/server/permissions';
import { courseOfExercise, mayWith } from '@/server/sharing';
import { findSubmission } from '@/server/submissions/reports';
import { currentViewer, requireViewer } from './access';

/** The publication that an address names, for a viewer who may do this with it; once per request. */
export const publicationAskedFor = cache(
  async (action: Action, id: string): Promise<{ viewer: Viewer; publication: Publication }> => {
    const viewer = await requireViewer(action);
    const publication = await findPublication(database(), viewer, id);
    if (!publication) notFound();
    return { viewer, publication };
  },
);

/** The class that an address names, for somebody who teaches it and may do this; once per request. */
export const classAskedFor = cache(async (action: Action, classId: string) => {
  const viewer = await requireViewer(action);
  const details = await keptClass(database(), viewer, classId);
  if (!details) notFound();
  return { viewer, details };
});

/** The draft that an address names, and what its viewer may do with the course that it is in; once per request. */
export const draftAskedFor = cache(async (exerciseId: string): Promise<DraftAskedFor> => {
  const viewer = await requireViewer('see-worksheet');
  const courseId = await courseOfExercise(database(), exerciseId);
  const may = courseId === undefined ? undefined : await mayWith(database(), 'course', viewer, courseId);
  const draft = may && (await findDraft(database(), exerciseId));
  if (!draft) notFound();
  return { viewer, draft, may };
});

interface DraftAskedFor {
  readonly viewer: Viewer;
  readonly draft: Draft;
  readonly may: NonNullable<Awaited<ReturnType<typeof mayWith>>>;
}

/** The course that an address names, and what its viewer may do with it; once per request. */
export const courseAskedFor = cache(async (courseId: string) => {
  const viewer = await requireViewer('see-course');
  const may = await mayWith(database(), 'course', viewer, courseId);
  const course = may && (await findCourse(database(), courseId));
  if (!course) notFound();
  return { viewer, course, may };
});

/** The hand-in that an address names, for who may read its report; once per request. */
export const reportAskedFor = cache(async (submissionId: string) => {
  const known = await currentViewer();
  const viewer = await requireViewer(known?.role === 'student' ? 'see-own-report' : 'see-class-reports');
  const submission = await findSubmission(database(), viewer, submissionId);
  if (!submission) notFound();
  const publication = await findPublication(database(), viewer, submission.publicationId);
  if (!publication) notFound();
  return { viewer, submission, publication };
});
