import type { HouseRules } from '@/core/course/house-rules';
import { boardsOf, exerciseFrom, readExercise, type ExerciseData } from '@/core/formats/exercise';
import { canonicalReport, type Verdict } from '@/core/formats/report';
import type { ProposedScenario } from '@/core/generated/proposals';
import type { Sighting } from '@/core/formats/sighting';
import { makeHandout, type HandoutWish } from '@/core/handout';
import type { Handout } from '@/core/handout/document';
import { needsOf, type KitItem, type Need } from '@/core/kit';
import type { StockLine, Supply } from '@/core/kit/stock';
import { kitPapers, type KitPapersWish } from '@/core/handout/kit-papers';
import { substitutesFor, type Substitution } from '@/core/kit/substitutes';
import { checklistsOf } from '@/core/meeting/checklists';
import { fitOf } from '@/core/meeting/fit';
import { lacksOf } from '@/core/meeting/lacks';
import type { Pace } from '@/core/meeting/pace';
import { runSheet, type MeetingPlan, type Preparation } from '@/core/meeting/run-sheet';
import { drawBench } from '@/core/drawing/bench';
import type { Drawing } from '@/core/drawing/list';
import { check } from '@/core/judge/check';
import { compareBuild, type ComparedBuild } from '@/core/judge/compared-build';
import { problemText, type Problem, type Result } from '@/core/result';
import { Circuit } from '@/core/wiring/circuit';
import { readWiring } from '@/core/wiring/read';
import { shapeOf } from '@/core/wiring/shape';
import { writeTable } from '@/core/wiring/table';
import type { Proof } from '@/core/worksheet/proof';
import { proofOf, proposalsFor } from '@/core/worksheet/prove';
import { readOut, type ReadOut } from '@/core/worksheet/read-out';
import { settle, type Sheet } from '@/core/worksheet/sheet';
import { nodeGrammars } from '@/grammars/node';
import type { Paper } from '@/core/handout/papers';
import { pdfOf } from '@/print';
import { buildFor } from '@/core/judge/build';
import { statedExercise } from '@/core/judge/stated';
import type { Scenario } from '@/core/formats/scenario';

/** A build as texts, with the data of the exercise that it is judged by. */
export interface CheckInput {
  readonly exercise: unknown;
  readonly wiring: string;
  readonly program: string;
  readonly sighting?: Sighting;
  /** What the learner says that theirs does. */
  readonly stated?: readonly Scenario[];
}

export interface Checked {
  readonly verdict: Verdict;
  /** The report as canonical text. */
  readonly report: string;
  /** The circuit whatever its holes, as text. */
  readonly shape: string;
  /** What went wrong in the checker itself, which the report only mentions. */
  readonly failure?: string;
}

async function checked({
  exercise: data,
  wiring,
  program,
  sighting,
  stated = [],
}: CheckInput): Promise<Checked> {
  const exercise = exerciseFrom(data);
  // Only what has been read before is judged, so these are bugs or a damaged database.
  if (!exercise.ok) throw new Error(`the exercise cannot be read: ${problemText(exercise.problems[0]!)}`);
  const read = readWiring(wiring, { boards: boardsOf(exercise.value.data) });
  if (!read.ok) throw new Error(`the wiring cannot be read: ${problemText(read.problems[0]!)}`);
  const grammars = await nodeGrammars();
  const asked = statedExercise(exercise.value, stated, grammars);
  if (!asked.ok) throw new Error(`what was stated cannot be judged: ${problemText(asked.problems[0]!)}`);
  const build = buildFor(asked.value, read.value, program, grammars);
  let failure: unknown;
  const report = check(asked.value, build, grammars, {
    ...(sighting ? { sighting } : {}),
    onFailure: (error) => (failure = error),
  });
  return {
    verdict: report.verdict,
    report: canonicalReport(report),
    shape: shapeOf(new Circuit(read.value)),
    ...(failure === undefined ? {} : { failure: failureText(failure) }),
  };
}

/** An error with its stack. */
export const failureText = (error: unknown): string =>
  error instanceof Error ? (error.stack ?? error.message) : String(error);

/** A build beside the reference. */
async function compared({
  exercise: data,
  wiring,
  program,
}: Pick<CheckInput, 'exercise' | 'wiring' | 'program'>): Promise<ComparedBuild> {
  const exercise = exerciseFrom(data);
  if (!exercise.ok) throw new Error(`the exercise cannot be read: ${problemText(exercise.problems[0]!)}`);
  const read = readWiring(wiring, { boards: boardsOf(exercise.value.data) });
  if (!read.ok) throw new Error(`the wiring cannot be read: ${problemText(read.problems[0]!)}`);
  return compareBuild(exercise.value, read.value, program, await nodeGrammars());
}

/** What a handout is made of. */
interface HandoutInput {
  readonly exercise: unknown;
  /** The exercise before it, whose build may still stand. */
  readonly before?: unknown;
  readonly wish: Omit<HandoutWish, 'before'>;
}

interface Pages {
  readonly paper: Paper;
  readonly columns: 1 | 2;
}

async function handoutFrom({ exercise: data, before, wish }: HandoutInput): Promise<Handout> {
  const exercise = exerciseFrom(data);
  if (!exercise.ok) throw new Error(`the exercise cannot be read: ${problemText(exercise.problems[0]!)}`);
  const last = before === undefined ? undefined : exerciseFrom(before);
  return makeHandout(
    exercise.value,
    { ...wish, before: last?.ok ? last.value : undefined },
    await nodeGrammars(),
  );
}

/** Handouts as PDF, in base 64: answers are text. */
const printed = async (handouts: readonly Handout[], pages: Pages): Promise<string> =>
  (await pdfOf(handouts, pages)).toString('base64');

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

/** Why what a learner says that theirs does cannot be judged by; nothing when it can. */
async function statedProblem({
  exercise: data,
  stated,
}: {
  readonly exercise: unknown;
  readonly stated: readonly Scenario[];
}): Promise<string | undefined> {
  const exercise = exerciseFrom(data);
  if (!exercise.ok) throw new Error(`the exercise cannot be read: ${problemText(exercise.problems[0]!)}`);
  const asked = statedExercise(exercise.value, stated, await nodeGrammars());
  return asked.ok ? undefined : asked.problems[0]!.message;
}

/** A wiring as it is judged: the same text for tables that say the same. */
function canonicalWiring({ exercise, wiring }: Pick<CheckInput, 'exercise' | 'wiring'>): Result<string> {
  const read = readWiring(wiring, { boards: boardsOf(exercise as Pick<ExerciseData, 'boardProfile'>) });
  return read.ok ? { ok: true, value: writeTable(read.value) } : read;
}

interface SheetInput {
  readonly sheet: Sheet;
  readonly rules: HouseRules;
}

function settled({ sheet, rules }: SheetInput): { readonly sheet: Sheet } | { readonly problem: Problem } {
  const result = settle(sheet, rules);
  return result.ok ? { sheet: result.value.sheet } : { problem: result.problems[0]! };
}

/**
 * Everything that the server asks of the core and whose length depends on what a person has written. It is
 * done in processes of their own, which end at their limits; inputs and answers are plain data.
 */
export const coreTasks = {
  check: checked,
  compare: compared,
  handout: async ({ paper, columns, ...input }: HandoutInput & Pages): Promise<string> =>
    printed([await handoutFrom(input)], { paper, columns }),
  handoutOf: handoutFrom,
  printHandouts: ({
    handouts,
    ...pages
  }: Pages & { readonly handouts: readonly Handout[] }): Promise<string> => printed(handouts, pages),
  lesson,
  kitPapers: async ({
    supplies,
    wish,
  }: {
    readonly supplies: readonly Supply[];
    readonly wish: KitPapersWish;
  }): Promise<string> => printed([kitPapers(supplies, wish)], { paper: 'A4', columns: 1 }),
  needs,
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
  canonicalWiring,
  statedProblem,
  settle: settled,
  readOut: ({ sheet, rules }: SheetInput): Result<ReadOut> => readOut(sheet, rules),
  prove: async ({ data }: { readonly data: ExerciseData }): Promise<Proof> =>
    proofOf(data, await nodeGrammars()),
  propose: async ({ data }: { readonly data: ExerciseData }): Promise<readonly ProposedScenario[]> =>
    proposalsFor(data, await nodeGrammars()),
  readExercise: ({ text }: { readonly text: string }): Result<ExerciseData> => {
    const read = readExercise(text);
    return read.ok ? { ok: true, value: read.value.data } : read;
  },
};
export type CoreTasks = typeof coreTasks;
export type TaskName = keyof CoreTasks;
export type TaskInput<Name extends TaskName> = Parameters<CoreTasks[Name]>[0];
export type TaskValue<Name extends TaskName> = Awaited<ReturnType<CoreTasks[Name]>>;
