import type { Knex } from 'knex';
import type { CoursePackage, CoursePicture } from '@/core/package/course-package';
import { exerciseSchema, type ExerciseData } from '@/core/formats/exercise';
import { audit } from '../audit';
import { courseCards } from '../exercises/handout';
import { cleaned } from '../exercises/pictures';
import type { Viewer } from '../permissions';
import type { Course } from './courses';

/** A course as it travels: its exercises as they stand, its lessons, rules, cards and pictures. */
export async function packageOf(db: Knex, course: Course): Promise<CoursePackage> {
  const rows = await db('exercise')
    .where({ course_id: course.id })
    .orderBy('position')
    .select<{ id: string; lesson_id: string | null; draft: ExerciseData }[]>('id', 'lesson_id', 'draft');
  const pictures = await db('exercise_picture')
    .whereIn(
      'exercise_id',
      rows.map(({ id }) => id),
    )
    .orderBy(['exercise_id', 'id'])
    .select<{ exercise_id: string; id: string; type: CoursePicture['type']; bytes: Buffer }[]>(
      'exercise_id',
      'id',
      'type',
      'bytes',
    );
  const slugOf = new Map(rows.map(({ id, draft }) => [id, draft.id]));
  return {
    title: course.title,
    rules: course.ownRules,
    cards: await courseCards(db, course.id),
    lessons: course.lessons.map(({ id, title, minutes }) => ({
      title,
      minutes,
      exercises: rows.filter((row) => row.lesson_id === id).map(({ draft }) => draft.id),
    })),
    // As they are read, so that a course that came from a package is the same package again.
    exercises: rows.map(({ draft }) => exerciseSchema.safeParse(draft).data ?? draft),
    pictures: pictures.map(({ exercise_id, id, type, bytes }) => ({
      exercise: slugOf.get(exercise_id)!,
      id,
      type,
      bytes: new Uint8Array(bytes),
    })),
  };
}

/** Whether every picture of a package can be opened as what it says it is. */
export async function unreadablePicture(pictures: readonly CoursePicture[]): Promise<string | undefined> {
  for (const { exercise, id, type, bytes } of pictures)
    if ((await cleaned(bytes))?.type !== type) return `${exercise}/${id}`;
  return undefined;
}

/** Makes a course of the viewer's own from a package, all of it or nothing; its id. */
export async function importCourse(
  db: Knex,
  viewer: Viewer,
  { title, rules, cards, lessons, exercises, pictures }: CoursePackage,
): Promise<string> {
  return db.transaction(async (transaction) => {
    const insert = async (table: string, row: Record<string, unknown>): Promise<string> => {
      const [made] = await transaction(table).insert(row).returning<{ id: string }[]>('id');
      return made!.id;
    };
    const courseId = await insert('course', {
      title,
      owner_id: viewer.id,
      rules: JSON.stringify(rules),
      cards: JSON.stringify(cards),
    });
    const lessonOf = new Map<string, string>();
    for (const [index, lesson] of lessons.entries()) {
      const id = await insert('lesson', {
        course_id: courseId,
        position: index + 1,
        title: lesson.title,
        minutes: lesson.minutes,
      });
      for (const slug of lesson.exercises) lessonOf.set(slug, id);
    }
    const ids = new Map<string, string>();
    for (const [index, draft] of exercises.entries()) {
      ids.set(
        draft.id,
        await insert('exercise', {
          course_id: courseId,
          lesson_id: lessonOf.get(draft.id) ?? null,
          slug: draft.id,
          position: index + 1,
          draft: JSON.stringify(draft),
        }),
      );
    }
    for (const { exercise, id, type, bytes } of pictures) {
      const exerciseId = ids.get(exercise);
      if (exerciseId !== undefined)
        await transaction('exercise_picture').insert({
          exercise_id: exerciseId,
          id,
          type,
          bytes: Buffer.from(bytes),
          added_by: viewer.id,
        });
    }
    await audit(transaction, viewer.id, 'import-course', courseId);
    return courseId;
  });
}
