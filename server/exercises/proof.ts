import { exerciseFrom, languageOf, type Exercise, type ExerciseData } from '@/core/formats/exercise';
import { explainProgram } from '@/core/generated/explain';
import { proposedScenarios, stillWrong, type ProposedScenario } from '@/core/generated/proposals';
import { numberQuestions } from '@/core/generated/questions';
import { check } from '@/core/judge/check';
import { compileProgram, type Compiled } from '@/core/program';
import { rehearse } from '@/core/rehearsal/rehearse';
import { timelineOf, type Proof, type ScenarioTimeline } from '@/core/worksheet/proof';
import { nodeGrammars } from '../grammars';

const NOTHING: Proof = {
  program: '',
  timelines: [],
  scenarios: [],
  questions: [],
  explanation: [],
  stillWrong: [],
};

/** Runs the reference against its own scenarios; nothing to show while it has no program or cannot be run. */
export async function proofOf(data: ExerciseData): Promise<Proof> {
  const read = exerciseFrom(data);
  if (!read.ok || data.program.trim() === '') return NOTHING;
  const exercise = read.value;
  const grammars = await nodeGrammars();
  const program = compileProgram(data.program, exercise.board, grammars, languageOf(exercise));
  const { scenarios } = check(exercise, { wiring: exercise.reference, program }, grammars);
  const questions = numberQuestions(exercise, grammars);
  return {
    program: data.program,
    scenarios,
    questions,
    timelines: program.compiled ? timelinesIn(exercise, program.compiled) : [],
    explanation: explainProgram(exercise, grammars),
    stillWrong: stillWrong(exercise, grammars).map(({ name }) => name),
  };
}

/** Scenarios that a draft could have, from running its program; none while it cannot be run. */
export async function proposalsFor(data: ExerciseData): Promise<readonly ProposedScenario[]> {
  const read = exerciseFrom(data);
  return read.ok && data.program.trim() !== '' ? proposedScenarios(read.value, await nodeGrammars()) : [];
}

function timelinesIn({ data, board, reference }: Exercise, compiled: Compiled): readonly ScenarioTimeline[] {
  return data.scenarios.map((scenario) =>
    timelineOf(
      scenario,
      rehearse(compiled, reference, board, { seconds: scenario.for, stimuli: scenario.stimuli }),
    ),
  );
}
