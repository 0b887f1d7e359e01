import { readdir } from 'node:fs/promises';
import { resolve } from 'node:path';
import { DEFAULT_HOUSE_RULES, rulesWith } from '@/core/course/house-rules';
import type { Exercise, ExerciseData } from '@/core/formats/exercise';
import { benchCount, classNeeds, needsOf, needsOfAll } from '@/core/kit';
import { needsCsv } from '@/core/kit/kit-csv';
import { checklistsOf } from '@/core/meeting/checklists';
import { fitOf } from '@/core/meeting/fit';
import { runSheet, type MeetingPlan } from '@/core/meeting/run-sheet';
import { runSheetCsv, runSheetMarkdown } from '@/core/meeting/run-sheet-text';
import { packCourse } from '@/core/package/archive';
import { loadExercise, Unusable } from './input';

/** Who a lesson is for, and how long it is. */
export interface ClassOrder {
  readonly learners: number;
  readonly perBench: number;
  /** Minutes that there are; as many as it takes when nobody says. */
  readonly available: number | undefined;
}

/** Largest class that is planned for, and most of it at one bench. */
const [MOST_LEARNERS, MOST_AT_A_BENCH] = [1000, 20];

/** Reads who a lesson is for; a class of 24, each at a bench of their own, when nothing is said. */
export function classOrder(given: {
  readonly class?: string | undefined;
  readonly 'per-bench'?: string | undefined;
  readonly minutes?: string | undefined;
}): ClassOrder {
  return {
    learners: whole('class', given.class ?? '24', 0, MOST_LEARNERS),
    perBench: whole('per-bench', given['per-bench'] ?? '1', 1, MOST_AT_A_BENCH),
    available: given.minutes === undefined ? undefined : whole('minutes', given.minutes, 1, 720),
  };
}

function whole(option: string, typed: string, least: number, most: number): number {
  const number = Number(typed);
  if (typed.trim() === '' || !Number.isInteger(number) || number < least || number > most)
    throw new Unusable(`--${option} ${typed}: a whole number from ${least} to ${most} is wanted`);
  return number;
}

/** The exercises of a folder, in the order of their names. */
export async function exercisesIn(path: string, folder: string): Promise<readonly Exercise[]> {
  const names = await readdir(resolve(folder, path)).catch(() => {
    throw new Unusable(`${path}: the folder cannot be opened`);
  });
  const files = names.filter((name) => name.endsWith('.json')).sort();
  if (files.length === 0) throw new Unusable(`${path}: there is no exercise in this folder`);
  return Promise.all(files.map((file) => loadExercise(`${path}/${file}`, folder)));
}

/** What a class needs for some exercises of one meeting, as CSV. */
export const kitCsv = (exercises: readonly Exercise[], { learners, perBench }: ClassOrder): string =>
  needsCsv(classNeeds(needsOfAll(exercises.map(needsOf)), benchCount(learners, perBench)));

/** The run sheet of a meeting with some exercises. */
export function runSheetText(
  exercises: readonly Exercise[],
  order: ClassOrder,
  form: 'markdown' | 'csv',
): string {
  const plan: MeetingPlan = {
    exercises: exercises.map((exercise) => {
      const own = rulesWith(DEFAULT_HOUSE_RULES, exercise.data.rules);
      return { exercise, rules: own.ok ? own.value : DEFAULT_HOUSE_RULES };
    }),
    learners: order.learners,
    perBench: order.perBench,
  };
  const sheet = runSheet(plan);
  if (form === 'csv') return runSheetCsv(sheet);
  return runSheetMarkdown(
    exercises.map(({ data }) => data.title).join(', '),
    sheet,
    checklistsOf(exercises, sheet.benches),
    order.available === undefined ? undefined : fitOf(plan, sheet, order.available),
  );
}

/** Some exercises as a course package. */
export const coursePackage = (exercises: readonly Exercise[], title: string): Promise<Uint8Array> =>
  packCourse({
    title,
    rules: {},
    cards: {},
    lessons: [],
    exercises: exercises.map(({ data }): ExerciseData => data),
    pictures: [],
  });
