import { exerciseFrom, languageOf, type ExerciseData } from '@/core/formats/exercise';
import { explainProgram } from '@/core/generated/explain';
import { proposedScenarios, stillWrong, type ProposedScenario } from '@/core/generated/proposals';
import { numberQuestions } from '@/core/generated/questions';
import { examine, referenceOf } from '@/core/judge/examine';
import { compileProgram } from '@/core/program';
import { timelineOf, type Proof } from '@/core/worksheet/proof';
import { nodeGrammars } from '../grammars';

const NOTHING: Proof = {
  program: '',
  timelines: [],
  scenarios: [],
  questions: [],
  explanation: [],
  stillWrong: [],
};

/** Steps that each run may take: nobody waits for a program that is busy for ever while it is written. */
const STEPS = 2_000_000;

/** Runs the reference against its own scenarios; nothing to show while it has no program or cannot be run. */
export async function proofOf(data: ExerciseData): Promise<Proof> {
  const read = exerciseFrom(data);
  if (!read.ok || data.program.trim() === '') return NOTHING;
  const exercise = read.value;
  const grammars = await nodeGrammars();
  const program = compileProgram(data.program, exercise.board, grammars, languageOf(exercise));
  const build = { wiring: exercise.reference, program };
  const { scenarios, traces } = examine(referenceOf(exercise, grammars), build, STEPS);
  const questions = numberQuestions(exercise, grammars);
  return {
    program: data.program,
    scenarios,
    questions,
    timelines: data.scenarios.flatMap((scenario, index) => {
      const trace = traces[index];
      return trace ? [timelineOf(scenario, trace)] : [];
    }),
    explanation: explainProgram(exercise, grammars),
    stillWrong: stillWrong(exercise, grammars).map(({ name }) => name),
  };
}

/** Scenarios that a draft could have, from running its program; none while it cannot be run. */
export async function proposalsFor(data: ExerciseData): Promise<readonly ProposedScenario[]> {
  const read = exerciseFrom(data);
  return read.ok && data.program.trim() !== '' ? proposedScenarios(read.value, await nodeGrammars()) : [];
}
