'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { revisionChanges } from '@/core/course/revision-changes';
import { EXERCISE_LIMIT, exerciseFrom } from '@/core/formats/exercise';
import { problemText } from '@/core/result';
import * as courses from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { findDraft } from '@/server/exercises/drafts';
import { publish } from '@/server/exercises/publications';
import type { RevisionSummary } from '@/ui/course/actions';
import { guarded } from '@/server/guard/processes';
import { requireViewer } from '../../access';

/** What comes back from an action that can be refused. */
export type Refusal = string | undefined;

const titleSchema = z.string().trim().min(1, 'Give it a title.').max(120);
const minutesSchema = z.int().min(5).max(600);

const refresh = (courseId: string): void => revalidatePath(`/courses/${courseId}`);

/** Adds a lesson at the end. */
export async function addLesson(courseId: string, title: string): Promise<Refusal> {
  await requireViewer('edit-course');
  const given = titleSchema.safeParse(title);
  if (!given.success) return given.error.issues[0]!.message;
  await courses.addLesson(database(), courseId, given.data);
  refresh(courseId);
  return undefined;
}

/** Changes a lesson's title and length. */
export async function changeLesson(
  courseId: string,
  lessonId: string,
  title: string,
  minutes: number,
): Promise<Refusal> {
  await requireViewer('edit-course');
  const given = z.object({ title: titleSchema, minutes: minutesSchema }).safeParse({ title, minutes });
  if (!given.success) return given.error.issues[0]!.message;
  await courses.changeLesson(database(), courseId, lessonId, given.data);
  refresh(courseId);
  return undefined;
}

/** Takes a lesson away; its exercises stay. */
export async function removeLesson(courseId: string, lessonId: string): Promise<Refusal> {
  await requireViewer('edit-course');
  await courses.removeLesson(database(), courseId, lessonId);
  refresh(courseId);
  return undefined;
}

/** Puts the exercises in this order. */
export async function arrange(courseId: string, order: readonly courses.Standing[]): Promise<Refusal> {
  await requireViewer('edit-course');
  await courses.arrange(database(), courseId, order);
  refresh(courseId);
  return undefined;
}

/** A new exercise from nothing, as a copy, or on the hookup of another; its id, or why not. */
export async function addExercise(
  courseId: string,
  title: string,
  beginning: Exclude<courses.Beginning, { from: 'file' }>,
  lessonId: string | null,
): Promise<{ readonly id: string } | { readonly message: string }> {
  await requireViewer('edit-course');
  const given = titleSchema.safeParse(title);
  if (!given.success) return { message: given.error.issues[0]!.message };
  const id = await courses.addExercise(database(), courseId, given.data, beginning, lessonId);
  refresh(courseId);
  return id === undefined ? { message: 'What it was to begin from is gone.' } : { id };
}

/** A new exercise from a file; its id, or what is wrong with the file and where. */
export async function importExercise(
  courseId: string,
  text: string,
): Promise<{ readonly id: string } | { readonly message: string }> {
  await requireViewer('edit-course');
  if (text.length > EXERCISE_LIMIT) return { message: 'This file is too long for an exercise.' };
  const read = await guarded().ask('readExercise', { text });
  if (!read.ok) return { message: problemText(read.problems[0]!) };
  const id = await courses.addExercise(database(), courseId, read.value.title, {
    from: 'file',
    data: read.value,
  });
  refresh(courseId);
  return id === undefined ? { message: 'It could not be taken in.' } : { id };
}

/** Takes an exercise out that has never been published. */
export async function removeExercise(courseId: string, exerciseId: string): Promise<Refusal> {
  await requireViewer('edit-course');
  const refusal = await courses.removeExercise(database(), courseId, exerciseId);
  refresh(courseId);
  return refusal;
}

/** Renames all exercises by a pattern. */
export async function renameByPattern(courseId: string, pattern: string): Promise<Refusal> {
  await requireViewer('edit-course');
  const given = titleSchema.safeParse(pattern);
  if (!given.success) return 'Write a pattern such as {n}. {title}';
  await courses.renameByPattern(database(), courseId, given.data);
  refresh(courseId);
  return undefined;
}

/** Opens an exercise as it stands for a class. */
export async function publishTo(courseId: string, exerciseId: string, classId: string): Promise<Refusal> {
  const viewer = await requireViewer('publish-exercise');
  const result = await publish(database(), viewer, exerciseId, classId);
  refresh(courseId);
  return 'message' in result ? result.message : undefined;
}

/** The published revisions of an exercise, newest first, each with what has changed since. */
export async function revisions(exerciseId: string): Promise<readonly RevisionSummary[]> {
  await requireViewer('see-course');
  const [found, draft] = await Promise.all([
    courses.revisionsOf(database(), exerciseId),
    findDraft(database(), exerciseId),
  ]);
  return found.map((revision, index) => {
    const later = index === 0 ? draft?.sheet : found[index - 1]!.data;
    const [before, after] = [exerciseFrom(revision.data), later && exerciseFrom(later)];
    return {
      number: revision.number,
      at: revision.at,
      by: revision.by,
      classes: revision.classes,
      changesSince: before.ok && after?.ok ? revisionChanges(before.value.data, after.value.data) : [],
    };
  });
}
