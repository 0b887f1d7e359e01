import type { Knex } from 'knex';
import { DEFAULT_HOUSE_RULES, ownRulesSchema, rulesWith, type HouseRules } from '@/core/course/house-rules';
import { emptyExercise } from '@/core/course/new-exercise';
import type { CardWords } from '@/core/course/concepts';
import { freeSlug, renamed } from '@/core/course/names';
import type { ExerciseData } from '@/core/formats/exercise';
import type { Sheet } from '@/core/worksheet/sheet';
import type { Guard } from '../guard/processes';
import { isUuid } from '../database/ids';
import { audit } from '../audit';
import { draftsOf, type Draft } from '../exercises/drafts';
import type { Viewer } from '../permissions';
import { rightsOf, type May } from '../sharing';

export interface Lesson {
  readonly id: string;
  readonly title: string;
  readonly minutes: number;
}

export interface Course {
  readonly id: string;
  readonly title: string;
  readonly rules: HouseRules;
  /** What the course says itself; the rest is the default. */
  readonly ownRules: Readonly<Record<string, string>>;
  readonly lessons: readonly Lesson[];
}

/** The courses that a viewer may look at, by title. */
export const courseList = (
  db: Knex,
  viewer: Viewer,
): Promise<readonly { readonly id: string; readonly title: string }[]> =>
  db('course')
    .where(rightsOf(db, 'course', viewer), 'is not', null)
    .orderBy('title')
    .select<{ id: string; title: string }[]>('id', 'title');

/** A course with its lessons in order; `undefined` when there is none. */
export async function findCourse(db: Knex, id: string): Promise<Course | undefined> {
  if (!isUuid(id)) return undefined;
  const row = await db('course')
    .where({ id })
    .first<{ id: string; title: string; rules: Record<string, string> } | undefined>('id', 'title', 'rules');
  if (!row) return undefined;
  const rules = rulesWith(DEFAULT_HOUSE_RULES, row.rules);
  const lessons = await db('lesson')
    .where({ course_id: id })
    .orderBy('position')
    .select<Lesson[]>('id', 'title', 'minutes');
  return {
    id: row.id,
    title: row.title,
    rules: rules.ok ? rules.value : DEFAULT_HOUSE_RULES,
    ownRules: row.rules,
    lessons,
  };
}

/** Sets a house rule of a course, or goes back to the default; says why when there is no such school. */
export async function setRule(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  courseId: string,
  question: string,
  answer: string | null,
): Promise<string | undefined> {
  const checked = ownRulesSchema.safeParse({ [question]: answer ?? undefined });
  if (!checked.success || !Object.hasOwn(DEFAULT_HOUSE_RULES, question))
    return 'There is no such house rule.';
  await db.transaction(async (transaction) => {
    const drafts = await draftsOf(transaction, courseId);
    await transaction('course')
      .where({ id: courseId })
      .update({
        rules:
          answer === null
            ? transaction.raw('rules - ?::text', [question])
            : transaction.raw('rules || ?::jsonb', [JSON.stringify({ [question]: answer })]),
      });
    const course = await findCourse(transaction, courseId);
    if (course) await follow(transaction, guarded, drafts, course.rules);
    await audit(transaction, viewer.id, 'set-rule', courseId, `${question}: ${answer ?? 'default'}`);
  });
  return undefined;
}

/** Brings drafts in line with other rules, where their lines leave something to the rules. */
async function follow(db: Knex, guarded: Guard, drafts: readonly Draft[], rules: HouseRules): Promise<void> {
  for (const { id, sheet } of drafts) {
    const settled = await guarded.ask('settle', { sheet, rules });
    const circuit = ({ parts, nets }: Sheet): string => JSON.stringify([parts, nets]);
    if ('problem' in settled || circuit(settled.sheet) === circuit(sheet)) continue;
    await db('exercise')
      .where({ id })
      .update({
        draft: JSON.stringify(settled.sheet),
        version: db.raw('version + 1'),
        updated_at: new Date(),
      });
  }
}

/** Adds a lesson at the end of a course. */
export async function addLesson(db: Knex, courseId: string, title: string): Promise<void> {
  await db.transaction(async (transaction) => {
    // Two who add at once come one after the other.
    await transaction('course').where({ id: courseId }).forUpdate().first('id');
    const last = await transaction('lesson')
      .where({ course_id: courseId })
      .max<{ last: number | null }[]>('position as last');
    await transaction('lesson').insert({ course_id: courseId, title, position: (last[0]?.last ?? 0) + 1 });
  });
}

/** Changes a lesson's title and length. */
export async function changeLesson(
  db: Knex,
  courseId: string,
  lessonId: string,
  { title, minutes }: { readonly title: string; readonly minutes: number },
): Promise<void> {
  await db('lesson').where({ id: lessonId, course_id: courseId }).update({ title, minutes });
}

/** Takes a lesson away; its exercises stay in the course without one. */
export async function removeLesson(
  db: Knex,
  viewer: Viewer,
  courseId: string,
  lessonId: string,
): Promise<void> {
  const removed = await db('lesson').where({ id: lessonId, course_id: courseId }).delete();
  if (removed > 0) await audit(db, viewer.id, 'remove-lesson', lessonId);
}

/** Where an exercise stands: its lesson, `null` for none, in the order of the whole course. */
export interface Standing {
  readonly exerciseId: string;
  readonly lessonId: string | null;
}

/** Puts the exercises of a course in this order; those that are not named keep their order behind. */
export async function arrange(db: Knex, courseId: string, order: readonly Standing[]): Promise<void> {
  await db.transaction(async (transaction) => {
    const rows = await transaction('exercise')
      .where({ course_id: courseId })
      .orderBy('position')
      .forUpdate()
      .select<{ id: string; lesson_id: string | null }[]>('id', 'lesson_id');
    const lessons = new Set(
      (await transaction('lesson').where({ course_id: courseId }).select<{ id: string }[]>('id')).map(
        ({ id }) => id,
      ),
    );
    const known = order.filter(({ exerciseId }) => rows.some(({ id }) => id === exerciseId));
    const rest = rows
      .filter(({ id }) => !known.some(({ exerciseId }) => exerciseId === id))
      .map(({ id, lesson_id }) => ({ exerciseId: id, lessonId: lesson_id }));
    for (const [index, { exerciseId, lessonId }] of [...known, ...rest].entries())
      await transaction('exercise')
        .where({ id: exerciseId })
        .update({
          position: index + 1,
          lesson_id: lessonId !== null && lessons.has(lessonId) ? lessonId : null,
        });
  });
}

/** How a new exercise begins. */
export type Beginning =
  | { readonly from: 'nothing'; readonly board: string }
  /** A copy, to be changed by itself. */
  | { readonly from: 'copy'; readonly exerciseId: string }
  /** Another exercise’s wiring, to continue from. */
  | { readonly from: 'hookup'; readonly exerciseId: string }
  /** A file that was read. */
  | { readonly from: 'file'; readonly data: ExerciseData };

/** Adds an exercise to a course; returns its id, or `undefined` when what it begins from is gone. */
export async function addExercise(
  db: Knex,
  courseId: string,
  title: string,
  beginning: Beginning,
  lessonId: string | null = null,
): Promise<string | undefined> {
  return db.transaction(async (transaction) => {
    const course = await transaction('course')
      .where({ id: courseId })
      .forUpdate()
      .first<{ rules: unknown } | undefined>('rules');
    const rows = await transaction('exercise')
      .where({ course_id: courseId })
      .forUpdate()
      .select<
        { slug: string; position: number; id: string; draft: ExerciseData; lesson_id: string | null }[]
      >('id', 'slug', 'position', 'draft', 'lesson_id');
    const source =
      beginning.from === 'copy' || beginning.from === 'hookup'
        ? rows.find(({ id }) => id === beginning.exerciseId)
        : undefined;
    if ((beginning.from === 'copy' || beginning.from === 'hookup') && !source) return undefined;
    const slug = freeSlug(title, new Set(rows.map((row) => row.slug)));
    const draft = draftFor(beginning, source?.draft, slug, title, languageIn(course?.rules));
    const [made] = await transaction('exercise')
      .insert({
        course_id: courseId,
        slug,
        position: Math.max(0, ...rows.map(({ position }) => position)) + 1,
        lesson_id: lessonId ?? source?.lesson_id ?? null,
        draft: JSON.stringify(draft),
      })
      .returning<{ id: string }[]>('id');
    return made!.id;
  });
}

/** The language in which a course begins its exercises. */
function languageIn(rules: unknown): HouseRules['language'] {
  const read = rulesWith(DEFAULT_HOUSE_RULES, rules);
  return read.ok ? read.value.language : DEFAULT_HOUSE_RULES.language;
}

function draftFor(
  beginning: Beginning,
  source: ExerciseData | undefined,
  id: string,
  title: string,
  language: HouseRules['language'],
): ExerciseData {
  if (beginning.from === 'nothing') return emptyExercise(id, title, beginning.board, language);
  if (beginning.from === 'file') return { ...beginning.data, id, title };
  if (beginning.from === 'copy') return { ...source!, id, title };
  const { concepts } = source!;
  return {
    ...source!,
    id,
    title,
    aim: '',
    concepts: { introduces: [], uses: [...new Set([...concepts.uses, ...concepts.introduces])] },
    program: '',
    scenarios: [],
    forms: undefined,
    basedOn: { title: source!.title, layout: source!.layout ?? '' },
  };
}

/** Takes an exercise out of a course; refused when it has been published, for its hand-ins hang on it. */
export async function removeExercise(
  db: Knex,
  viewer: Viewer,
  courseId: string,
  exerciseId: string,
): Promise<string | undefined> {
  const published = await db('revision').where({ exercise_id: exerciseId }).first('id');
  if (published)
    return 'It has been published, and there may be hand-ins for it. Close it for its classes instead.';
  const removed = await db('exercise').where({ id: exerciseId, course_id: courseId }).delete();
  if (removed > 0) await audit(db, viewer.id, 'remove-exercise', exerciseId);
  return undefined;
}

/** Renames the exercises of a course by a pattern; returns how many got another title. */
export async function renameByPattern(db: Knex, courseId: string, pattern: string): Promise<number> {
  return db.transaction(async (transaction) => {
    const rows = await transaction('exercise')
      .leftJoin('lesson', 'lesson.id', 'exercise.lesson_id')
      .where('exercise.course_id', courseId)
      .orderBy('exercise.position')
      .select<{ id: string; title: string; lesson: number | null }[]>(
        'exercise.id',
        transaction.raw("exercise.draft->>'title' as title"),
        'lesson.position as lesson',
      );
    const titles = renamed(
      rows.map(({ title, lesson }) => ({ title, lesson: lesson ?? undefined })),
      pattern,
    );
    let count = 0;
    for (const [index, { id, title }] of rows.entries()) {
      if (titles[index] === title) continue;
      count += 1;
      await transaction('exercise')
        .where({ id })
        .update({
          draft: transaction.raw("jsonb_set(draft, '{title}', ?::jsonb)", [JSON.stringify(titles[index])]),
          updated_at: new Date(),
        });
    }
    return count;
  });
}

/** What was published of an exercise. */
export interface Revision {
  readonly number: number;
  readonly at: string;
  readonly by: string;
  readonly classes: readonly string[];
  readonly data: ExerciseData;
}

/** The published revisions of an exercise, newest first. */
export async function revisionsOf(db: Knex, exerciseId: string): Promise<readonly Revision[]> {
  if (!isUuid(exerciseId)) return [];
  const rows = await db('revision')
    .join('staff', 'staff.id', 'revision.published_by')
    .where({ exercise_id: exerciseId })
    .orderBy('number', 'desc')
    .select<{ id: string; number: number; published_at: Date; name: string; content: ExerciseData }[]>(
      'revision.id',
      'number',
      'published_at',
      'staff.name',
      'content',
    );
  const publications = await db('publication')
    .join('class', 'class.id', 'publication.class_id')
    .whereIn(
      'revision_id',
      rows.map(({ id }) => id),
    )
    .orderBy('class.name')
    .select<{ revision_id: string; name: string }[]>('revision_id', 'class.name');
  return rows.map((row) => ({
    number: row.number,
    at: row.published_at.toISOString(),
    by: row.name,
    classes: publications.filter(({ revision_id }) => revision_id === row.id).map(({ name }) => name),
    data: row.content,
  }));
}

/** Where an exercise stands in its course, and how often it has been published. */
export interface CourseStanding extends Standing {
  readonly revisions: number;
}

/** Where every exercise of a course stands. */
export async function standings(db: Knex, courseId: string): Promise<readonly CourseStanding[]> {
  const rows = await db('exercise')
    .leftJoin('revision', 'revision.exercise_id', 'exercise.id')
    .where('exercise.course_id', courseId)
    .groupBy('exercise.id')
    .select<{ id: string; lesson_id: string | null; revisions: string }[]>(
      'exercise.id',
      'exercise.lesson_id',
      db.raw('count(revision.id) as revisions'),
    );
  return rows.map((row) => ({
    exerciseId: row.id,
    lessonId: row.lesson_id,
    revisions: Number(row.revisions),
  }));
}

/** A course on the shelf. */
export interface ShelvedCourse {
  readonly id: string;
  readonly title: string;
  readonly owner: string;
  readonly may: May;
  readonly lessons: number;
  readonly exercises: readonly string[];
}

/** The courses that a viewer may look at, with what is in them, by title. */
export async function courseOverview(db: Knex, viewer: Viewer): Promise<readonly ShelvedCourse[]> {
  const rows = await db('course')
    .join('staff', 'staff.id', 'course.owner_id')
    .where(rightsOf(db, 'course', viewer), 'is not', null)
    .orderBy('course.title')
    .select<(Omit<ShelvedCourse, 'lessons'> & { lessons: string })[]>(
      'course.id',
      'course.title',
      'staff.name as owner',
      db.raw('? as may', [rightsOf(db, 'course', viewer)]),
      db.raw('(select count(*) from lesson where lesson.course_id = course.id) as lessons'),
      db.raw(`coalesce((select json_agg(exercise.draft->>'title' order by exercise.position)
        from exercise where exercise.course_id = course.id), '[]') as exercises`),
    );
  return rows.map((row) => ({ ...row, lessons: Number(row.lessons) }));
}

/** Makes an empty course of the viewer's own; its id. */
export async function makeCourse(db: Knex, viewer: Viewer, title: string): Promise<string> {
  const [row] = await db('course').insert({ title, owner_id: viewer.id }).returning<{ id: string }[]>('id');
  return row!.id;
}

/** Keeps the words of a concept's card; words that are all empty are as usual. */
export async function setCard(db: Knex, courseId: string, concept: string, words: CardWords): Promise<void> {
  const isEmpty = Object.values(words).every((word) => word === '');
  await db('course')
    .where({ id: courseId })
    .update({
      cards: isEmpty
        ? db.raw('cards - ?::text', [concept])
        : db.raw('cards || ?::jsonb', [JSON.stringify({ [concept]: words })]),
    });
}
