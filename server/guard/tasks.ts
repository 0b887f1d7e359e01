import type { HouseRules } from '@/core/course/house-rules';
import { keepable } from '@/core/course/incoming';
import { buildAtStage, exerciseAtStage } from '@/core/course/stages';
import { boardsOf, exerciseFrom, readExercise, type ExerciseData } from '@/core/formats/exercise';
import { canonicalReport, type Verdict } from '@/core/formats/report';
import { wantedOf, type Wanted } from '@/core/generated/wanted';
import type { ProposedScenario } from '@/core/generated/proposals';
import type { Sighting } from '@/core/formats/sighting';
import { check } from '@/core/judge/check';
import { compareBuild, type ComparedBuild } from '@/core/judge/compared-build';
import { problemText, type Problem, type Result } from '@/core/result';
import { Circuit } from '@/core/wiring/circuit';
import { readWiring } from '@/core/wiring/read';
import { shapeOf } from '@/core/wiring/shape';
import { writeTable } from '@/core/wiring/table';
import type { Proof } from '@/core/worksheet/proof';
import { proofOf, proposalsFor } from '@/core/worksheet/prove';
import type { ReadOut } from '@/core/worksheet/read-out';
import { readOut } from '@/core/worksheet/read-out-in-full';
import { settle, type Sheet } from '@/core/worksheet/sheet';
import { nodeGrammars } from '@/grammars/node';
import { lessonTasks } from './lesson-tasks';
import { paperTasks } from './paper-tasks';
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
  /** The stage at which it is looked at; the whole when left out. */
  readonly stage?: string;
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
  stage,
}: CheckInput): Promise<Checked> {
  const whole = exerciseFrom(data);
  const exercise = whole.ok && stage !== undefined ? exerciseAtStage(whole.value, stage) : whole;
  // Only what has been read before is judged, so these are bugs or a damaged database.
  if (!exercise.ok) throw new Error(`the exercise cannot be read: ${problemText(exercise.problems[0]!)}`);
  const read = readWiring(stage === undefined ? wiring : buildAtStage(exercise.value, wiring), {
    boards: boardsOf(exercise.value.data),
  });
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
  ...paperTasks,
  ...lessonTasks,
  check: checked,
  compare: compared,
  canonicalWiring,
  statedProblem,
  settle: settled,
  readOut: ({ sheet, rules }: SheetInput): Result<ReadOut> => readOut(sheet, rules),
  prove: async ({ data }: { readonly data: ExerciseData }): Promise<Proof> =>
    proofOf(data, await nodeGrammars()),
  wanted: async ({ data }: { readonly data: ExerciseData }): Promise<Wanted> => {
    const exercise = exerciseFrom(data);
    if (!exercise.ok) throw new Error(`the exercise cannot be read: ${problemText(exercise.problems[0]!)}`);
    return wantedOf(exercise.value, await nodeGrammars());
  },
  propose: async ({ data }: { readonly data: ExerciseData }): Promise<readonly ProposedScenario[]> =>
    proposalsFor(data, await nodeGrammars()),
  readExercise: ({ text }: { readonly text: string }): Result<ExerciseData> => {
    const read = readExercise(text);
    return read.ok ? keepable(read.value.data) : read;
  },
};
export type CoreTasks = typeof coreTasks;
export type TaskName = keyof CoreTasks;
export type TaskInput<Name extends TaskName> = Parameters<CoreTasks[Name]>[0];
export type TaskValue<Name extends TaskName> = Awaited<ReturnType<CoreTasks[Name]>>;
