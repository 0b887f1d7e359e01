import type { Knex } from 'knex';
import { DEFAULT_HOUSE_RULES, rulesWith, type HouseRules } from '@/core/course/house-rules';
import { exerciseSchema } from '@/core/formats/exercise';
import { pathText } from '@/core/json';
import { applyChanges, isAboutTheSame, presentOf, type Change } from '@/core/worksheet/change';
import { sheetOf, type Sheet } from '@/core/worksheet/sheet';
import { isUuid } from '../database/ids';
import type { Guard } from '../guard/processes';
import { log } from '../log';
import type { Viewer } from '../permissions';
import { mayWithExercise, rightsOf } from '../sharing';
import type { Edit, News, Overtaken, Saving } from '@/core/messages/sheet';

/** An exercise as it is being worked on. */
export interface Draft {
  readonly id: string;
  readonly courseId: string;
  readonly courseTitle: string;
  readonly courseRules: HouseRules;
  readonly position: number;
  readonly version: number;
  readonly updatedAt: Date;
  readonly sheet: Sheet;
}

interface Row {
  readonly id: string;
  readonly course_id: string;
  readonly title: string;
  readonly rules: unknown;
  readonly position: number;
  readonly version: number;
  readonly updated_at: Date;
  readonly draft: unknown;
}

const selectDrafts = (db: Knex) =>
  db('exercise')
    .join('course', 'course.id', 'exercise.course_id')
    .select<Row[]>(
      'exercise.id',
      'exercise.course_id',
      'course.title',
      'course.rules',
      'exercise.position',
      'exercise.version',
      'exercise.updated_at',
      'exercise.draft',
    );

function fromRow(row: Row): Draft {
  const rules = rulesWith(DEFAULT_HOUSE_RULES, row.rules);
  const courseRules = rules.ok ? rules.value : DEFAULT_HOUSE_RULES;
  const sheet = sheetOf(exerciseSchema.parse(row.draft), courseRules);
  // Drafts are checked before they are kept, so this is a bug or a damaged database.
  if (!sheet.ok)
    throw new Error(`the draft of exercise ${row.id} cannot be read: ${sheet.problems[0]!.message}`);
  return {
    id: row.id,
    courseId: row.course_id,
    courseTitle: row.title,
    courseRules,
    position: row.position,
    version: row.version,
    updatedAt: row.updated_at,
    sheet: sheet.value,
  };
}

/** The draft of an exercise; `undefined` when there is none. */
export async function findDraft(db: Knex, id: string): Promise<Draft | undefined> {
  if (!isUuid(id)) return undefined;
  const [row] = await selectDrafts(db).where('exercise.id', id);
  return row && fromRow(row);
}

/** The drafts of a course that can be read, in its order. */
export async function draftsOf(db: Knex, courseId: string): Promise<readonly Draft[]> {
  const rows = await selectDrafts(db).where('exercise.course_id', courseId).orderBy('exercise.position');
  return rows.flatMap((row) => {
    try {
      return [fromRow(row)];
    } catch (error) {
      // One damaged draft takes nothing else with it.
      log.error({ err: error, exercise: row.id }, 'a draft cannot be read');
      return [];
    }
  });
}

/** What was changed in a draft after a version, oldest first. */
export async function editsSince(db: Knex, exerciseId: string, version: number): Promise<readonly Edit[]> {
  const rows = await db('edit')
    .join('staff', 'staff.id', 'edit.author_id')
    .where('edit.exercise_id', exerciseId)
    .where('edit.version', '>', version)
    .orderBy('edit.version')
    .select<{ version: number; name: string; author_id: string; at: Date; changes: Change[] }[]>(
      'edit.version',
      'staff.name',
      'edit.author_id',
      'edit.at',
      'edit.changes',
    );
  return rows.map((row) => ({
    version: row.version,
    author: row.name,
    authorId: row.author_id,
    at: row.at.toISOString(),
    changes: row.changes,
  }));
}

/**
 * Makes changes to a draft. What someone else has changed meanwhile is left as it is and returned, so that
 * nobody's text is lost; what cannot be an exercise is refused with its place.
 */
export async function saveChanges(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  exerciseId: string,
  { base, changes }: Saving,
): Promise<News | { readonly status: 403 | 404 | 422; readonly message: string }> {
  if (!(await mayWithExercise(db, viewer, exerciseId, 'edit')))
    return (await mayWithExercise(db, viewer, exerciseId, 'look'))
      ? { status: 403, message: 'You can’t change this exercise; ask the owner of the course.' }
      : { status: 404, message: 'This exercise no longer exists.' };
  return db.transaction(async (transaction) => {
    const [row] = await selectDrafts(transaction).where('exercise.id', exerciseId).forUpdate('exercise');
    if (!row) return { status: 404, message: 'This exercise no longer exists.' } as const;
    const draft = fromRow(row);
    const edits = await editsSince(transaction, exerciseId, base);
    const { sheet, made, overtaken } = applyChanges(draft.sheet, changes);
    const lost = overtaken.map((change): Overtaken => ({
      change,
      present: presentOf(sheet, change) ?? null,
      by: lastToTouch(edits, change),
    }));
    if (made.length === 0) return { version: draft.version, edits, overtaken: lost };
    const checked = exerciseSchema.safeParse(sheet);
    if (!checked.success) {
      const [issue] = checked.error.issues;
      return {
        status: 422,
        message: `This cannot be kept: ${pathText(issue?.path ?? [])} ${issue?.message ?? ''}`.trim(),
      } as const;
    }
    const settled = await guarded.ask('settle', {
      sheet: { ...checked.data, lines: sheet.lines },
      rules: draft.courseRules,
    });
    if ('problem' in settled) return { status: 422, message: settled.problem.message } as const;
    const version = draft.version + 1;
    await transaction('exercise')
      .where({ id: exerciseId })
      .update({ draft: JSON.stringify(settled.sheet), version, updated_at: transaction.fn.now() });
    await transaction('edit').insert({
      exercise_id: exerciseId,
      version,
      author_id: viewer.id,
      changes: JSON.stringify(made),
    });
    return { version, edits, overtaken: lost };
  });
}

function lastToTouch(edits: readonly Edit[], change: Change): string {
  const edit = edits.findLast(({ changes }) => changes.some((other) => isAboutTheSame(other, change)));
  return edit?.author ?? 'someone else';
}

/** An exercise as it stands in a list. */
export interface ListedExercise {
  readonly id: string;
  readonly title: string;
  readonly position: number;
  readonly courseTitle: string;
}

/** The exercises of all courses that a viewer may look at, in order. */
export const exerciseList = (db: Knex, viewer: Viewer): Promise<readonly ListedExercise[]> =>
  db('exercise')
    .join('course', 'course.id', 'exercise.course_id')
    .where(rightsOf(db, 'course', viewer), 'is not', null)
    .orderBy(['course.title', 'exercise.position'])
    .select<ListedExercise[]>(
      'exercise.id',
      'exercise.position',
      'course.title as courseTitle',
      db.raw("draft->>'title' as title"),
    );
