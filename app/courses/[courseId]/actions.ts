'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import type { CardWords } from '@/core/course/concepts';
import { revisionChanges } from '@/core/course/revision-changes';
import type { SharingChange } from '@/core/course/sharing';
import { EXERCISE_LIMIT, exerciseFrom } from '@/core/formats/exercise';
import { problemText } from '@/core/result';
import * as courses from '@/server/courses/courses';
import { database } from '@/server/database/connection';
import { textSchema } from '@/core/messages/texts';
import { findDraft } from '@/server/exercises/drafts';
import { publish } from '@/server/exercises/publishing';
import { guarded } from '@/server/guard/processes';
import type { Action, Viewer } from '@/server/permissions';
import { mayEdit, mayWithExercise, share } from '@/server/sharing';
import type { RevisionSummary } from '@/ui/course/actions';
import { requireViewer } from '../../access';
import { idSchema, saidBy, sharingChangeSchema } from '../../arguments';

/** What comes back from an action that can be refused. */
export type Refusal = string | undefined;

const titleSchema = textSchema(120).trim().min(1, 'Give it a title.');
const minutesSchema = z
  .int('Use whole minutes.')
  .min(5, 'At least 5 minutes.')
  .max(600, 'At most 600 minutes.');
const standingsSchema = z.array(z.object({ exerciseId: idSchema, lessonId: idSchema.nullable() })).max(1000);
const beginningSchema = z.discriminatedUnion('from', [
  z.object({ from: z.literal('nothing'), board: textSchema(120) }),
  z.object({ from: z.literal('copy'), exerciseId: idSchema }),
  z.object({ from: z.literal('hookup'), exerciseId: idSchema }),
]);

const cardWord = textSchema(300).trim();
const cardWordsSchema = z.object({ word: cardWord, means: cardWord, like: cardWord });

const NOT_YOURS = 'You can’t change this course; ask its owner.';

/** Does something to a course that the viewer may change, with arguments of the right form; says why not. */
async function change<Schema extends z.ZodType>(
  action: Action,
  courseId: unknown,
  schema: Schema,
  given: unknown,
  work: (courseId: string, data: z.infer<Schema>, viewer: Viewer) => Promise<Refusal | void>,
): Promise<Refusal> {
  const viewer = await requireViewer(action);
  const id = idSchema.safeParse(courseId);
  const data = schema.safeParse(given);
  if (!id.success) return NOT_YOURS;
  if (!data.success) return saidBy(data.error);
  if (!(await mayEdit(database(), 'course', viewer, id.data))) return NOT_YOURS;
  const refusal = await work(id.data, data.data, viewer);
  revalidatePath(`/courses/${id.data}`);
  return refusal ?? undefined;
}

/** Adds a lesson at the end. */
export const addLesson = async (courseId: string, title: string): Promise<Refusal> =>
  change('edit-course', courseId, titleSchema, title, (id, given) =>
    courses.addLesson(database(), id, given),
  );

/** Changes a lesson's title and length. */
export async function changeLesson(
  courseId: string,
  lessonId: string,
  title: string,
  minutes: number,
): Promise<Refusal> {
  const schema = z.object({ lessonId: idSchema, title: titleSchema, minutes: minutesSchema });
  return change('edit-course', courseId, schema, { lessonId, title, minutes }, (id, given) =>
    courses.changeLesson(database(), id, given.lessonId, given),
  );
}

/** Takes a lesson away; its exercises stay. */
export const removeLesson = async (courseId: string, lessonId: string): Promise<Refusal> =>
  change('edit-course', courseId, idSchema, lessonId, (id, given, viewer) =>
    courses.removeLesson(database(), viewer, id, given),
  );

/** Puts the exercises in this order. */
export const arrange = async (courseId: string, order: readonly courses.Standing[]): Promise<Refusal> =>
  change('edit-course', courseId, standingsSchema, order, (id, given) =>
    courses.arrange(database(), id, given),
  );

type Made = { readonly id: string } | { readonly message: string };

/** A new exercise from nothing, as a copy, or on the wiring of another; its id, or why not. */
export async function addExercise(
  courseId: string,
  title: string,
  beginning: Exclude<courses.Beginning, { from: 'file' }>,
  lessonId: string | null,
): Promise<Made> {
  let made: string | undefined;
  const schema = z.object({ title: titleSchema, beginning: beginningSchema, lessonId: idSchema.nullable() });
  const refusal = await change(
    'edit-course',
    courseId,
    schema,
    { title, beginning, lessonId },
    async (id, given) => {
      made = await courses.addExercise(database(), id, given.title, given.beginning, given.lessonId);
      return made === undefined ? 'What it was to begin from is gone.' : undefined;
    },
  );
  return made === undefined ? { message: refusal ?? NOT_YOURS } : { id: made };
}

/** A new exercise from a file; its id, or what is wrong with the file and where. */
export async function importExercise(courseId: string, text: string): Promise<Made> {
  let made: string | undefined;
  const refusal = await change(
    'edit-course',
    courseId,
    textSchema(EXERCISE_LIMIT),
    text,
    async (id, given) => {
      const read = await guarded().ask('readExercise', { text: given });
      if (!read.ok) return problemText(read.problems[0]!);
      made = await courses.addExercise(database(), id, read.value.title, { from: 'file', data: read.value });
      return undefined;
    },
  );
  return made === undefined ? { message: refusal ?? NOT_YOURS } : { id: made };
}

/** Takes an exercise out that has never been published. */
export const removeExercise = async (courseId: string, exerciseId: string): Promise<Refusal> =>
  change('edit-course', courseId, idSchema, exerciseId, (id, given, viewer) =>
    courses.removeExercise(database(), viewer, id, given),
  );

/** Renames all exercises by a pattern. */
export const renameByPattern = async (courseId: string, pattern: string): Promise<Refusal> =>
  change('edit-course', courseId, titleSchema, pattern, async (id, given) => {
    await courses.renameByPattern(database(), id, given);
  });

/** Opens an exercise as it stands for a class. */
export async function publishTo(courseId: string, exerciseId: string, classId: string): Promise<Refusal> {
  const viewer = await requireViewer('publish-exercise');
  const given = z.object({ exerciseId: idSchema, classId: idSchema }).safeParse({ exerciseId, classId });
  if (!given.success) return saidBy(given.error);
  const result = await publish(database(), guarded(), viewer, given.data.exerciseId, given.data.classId);
  revalidatePath(`/courses/${courseId}`);
  return 'message' in result ? result.message : undefined;
}

/** The published revisions of an exercise, newest first, each with what has changed since. */
export async function revisions(exerciseId: string): Promise<readonly RevisionSummary[]> {
  const viewer = await requireViewer('see-course');
  if (!(await mayWithExercise(database(), viewer, exerciseId, 'look'))) return [];
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

/** Changes who may look at the course, or what one person may do with it. */
export async function shareCourse(courseId: string, wanted: SharingChange): Promise<Refusal> {
  const viewer = await requireViewer('share-course');
  const given = sharingChangeSchema.safeParse(wanted);
  if (!given.success) return saidBy(given.error);
  const done = await share(database(), 'course', viewer, courseId, given.data);
  revalidatePath(`/courses/${courseId}`);
  return done ? undefined : NOT_YOURS;
}

/** Says what stands on the card of a concept. */
export const setCard = async (courseId: string, concept: string, words: CardWords): Promise<Refusal> =>
  change(
    'edit-course',
    courseId,
    z.object({ concept: textSchema(400).min(1), words: cardWordsSchema }),
    { concept, words },
    (id, given) => courses.setCard(database(), id, given.concept, given.words),
  );
