import type { HouseRules } from '@/core/course/house-rules';
import { drawBench } from '@/core/drawing/bench';
import type { Drawing } from '@/core/drawing/list';
import { exerciseFrom, type ExerciseData } from '@/core/formats/exercise';
import { needsOf, type KitItem, type Need } from '@/core/kit';
import type { StockLine } from '@/core/kit/stock';
import { substitutesFor, type Substitution } from '@/core/kit/substitutes';
import { checklistsOf } from '@/core/meeting/checklists';
import { fitOf } from '@/core/meeting/fit';
import { lacksOf } from '@/core/meeting/lacks';
import type { Pace } from '@/core/meeting/pace';
import { runSheet, type MeetingPlan, type Preparation } from '@/core/meeting/run-sheet';
import { unpackCourse } from '@/core/package/archive';
import type { CoursePackage } from '@/core/package/course-package';
import { problemText, type Result } from '@/core/result';
import { nodeGrammars } from '@/grammars/node';

/** A meeting as it is planned; exercises that cannot be read are left out of it, and named. */
interface LessonInput {
  readonly exercises: readonly { readonly data: ExerciseData; readonly rules: HouseRules }[];
  readonly learners: number;
  readonly perBench: number;
  readonly pace: Omit<Pace, 'own'> & { readonly own: readonly (readonly [string, number])[] };
  readonly prepared: readonly Preparation[];
  readonly available: number;
}

function lesson({ exercises, pace, available, ...input }: LessonInput) {
  const read = exercises.map(({ data, rules }) => ({ data, rules, exercise: exerciseFrom(data) }));
  const plan: MeetingPlan = {
    ...input,
    pace: { ...pace, own: new Map(pace.own) },
    exercises: read.flatMap(({ exercise, rules }) =>
      exercise.ok ? [{ exercise: exercise.value, rules }] : [],
    ),
  };
  const sheet = runSheet(plan);
  return {
    sheet,
    fit: fitOf(plan, sheet, available),
    lists: checklistsOf(
      plan.exercises.map(({ exercise }) => exercise),
      sheet.benches,
    ),
    unready: read.filter(({ exercise }) => !exercise.ok).map(({ data }) => data.title),
  };
}

/** What each of some exercises needs on one bench; nothing for one that cannot be read. */
const needs = ({
  exercises,
}: {
  readonly exercises: readonly ExerciseData[];
}): readonly (readonly Need[])[] =>
  exercises.map((data) => {
    const exercise = exerciseFrom(data);
    return exercise.ok ? needsOf(exercise.value) : [];
  });

/** What of the store stands in for a thing of an exercise that is short. */
async function substitutes({
  exercise: data,
  item,
  stock,
  missing,
}: {
  readonly exercise: ExerciseData;
  readonly item: KitItem;
  readonly stock: readonly StockLine[];
  readonly missing: number;
}): Promise<Substitution> {
  const exercise = exerciseFrom(data);
  if (!exercise.ok) return { found: [], refused: [] };
  return substitutesFor(exercise.value, item, stock, missing, await nodeGrammars());
}

/** What follows from a meeting and its exercises. */
export const lessonTasks = {
  lesson,
  needs,
  /** A course that comes as a package: what is in it is read where it can do no harm. */
  readCourse: ({ bytes }: { readonly bytes: Uint8Array }): Promise<Result<CoursePackage>> =>
    unpackCourse(bytes),
  substitutes,
  lacks: async ({ exercise: data }: { readonly exercise: ExerciseData }): Promise<readonly string[]> => {
    const exercise = exerciseFrom(data);
    if (!exercise.ok) return [`it can’t be read: ${problemText(exercise.problems[0]!)}`];
    return lacksOf(exercise.value, await nodeGrammars());
  },
  benchDrawing: ({ exercise: data }: { readonly exercise: ExerciseData }): Drawing | null => {
    const exercise = exerciseFrom(data);
    return exercise.ok ? drawBench(exercise.value.reference, { crop: 'used' }) : null;
  },
};
