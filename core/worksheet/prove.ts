import {
  asksForProgram,
  exerciseFrom,
  languageOf,
  solvedByAuthor,
  type Exercise,
  type ExerciseData,
} from '../formats/exercise';
import { exerciseAtStage } from '../course/stages';
import { explainProgram } from '../generated/explain';
import { proposedScenarios, stillWrong, type ProposedScenario } from '../generated/proposals';
import { numberQuestions } from '../generated/questions';
import { examine } from '../judge/examine';
import { referenceOf, type Reference } from '../judge/reference';
import { type Grammars } from '../program';
import { idleProgram } from '../program/idle';
import { runRows } from '../rehearsal/run-rows';
import type { Proof } from './proof';
import { referenceBuild } from '../judge/build';

/** What there is to show of a draft that cannot be run. */
export const NO_PROOF: Proof = {
  program: '',
  timelines: [],
  scenarios: [],
  withoutProgram: [],
  questions: [],
  explanation: [],
  stillWrong: [],
  failingStages: [],
};

/** Steps that each run may take: nobody waits for a program that is busy for ever while it is written. */
const STEPS = 2_000_000;

/** Runs the reference against its own scenarios; nothing to show while it has no program or cannot be run. */
export function proofOf(data: ExerciseData, grammars: Grammars): Proof {
  const read = exerciseFrom(data);
  if (!read.ok || (data.program.trim() === '' && data.scenarios.length === 0)) return NO_PROOF;
  const exercise = solvedByAuthor(read.value);
  const build = referenceBuild(exercise, grammars);
  const reference = referenceOf(exercise, grammars);
  const { scenarios, traces } = examine(reference, build, STEPS);
  const questions = numberQuestions(exercise, grammars);
  return {
    program: data.program,
    scenarios,
    withoutProgram: metWithoutProgram(reference),
    questions,
    timelines: exercise.data.scenarios.flatMap((scenario, index) => {
      const trace = traces[index];
      return trace ? [runRows(scenario, trace)] : [];
    }),
    explanation: explainProgram(exercise, grammars),
    stillWrong: stillWrong(exercise, grammars).map(({ name }) => name),
    failingStages: failingStages(exercise, grammars),
  };
}

/** Stages that would tell a class that their own program is wrong; one that is not written yet tells nobody anything. */
const failingStages = (exercise: Exercise, grammars: Grammars): Proof['failingStages'] =>
  (exercise.data.stages ?? []).flatMap(({ name, scenarios }) => {
    if (scenarios.length === 0) return [];
    const atStage = exerciseAtStage(exercise, name);
    if (!atStage.ok) return name;
    const shown = examine(
      referenceOf(atStage.value, grammars),
      referenceBuild(atStage.value, grammars),
      STEPS,
    ).scenarios;
    return shown.every(({ passed }) => passed) ? [] : name;
  });

/** What of an exercise that asks for a program would be met without one. */
function metWithoutProgram(reference: Reference): Proof['withoutProgram'] {
  const { exercise } = reference;
  if (!asksForProgram(exercise)) return [];
  const idle = { wiring: exercise.reference, program: idleProgram(languageOf(exercise)) };
  return examine(reference, idle, STEPS).scenarios.map(({ expectations }) =>
    expectations.map(({ passed }) => passed),
  );
}

/** Scenarios that a draft could have, from running its program; none while it cannot be run. */
export function proposalsFor(data: ExerciseData, grammars: Grammars): readonly ProposedScenario[] {
  const read = exerciseFrom(data);
  return read.ok && data.program.trim() !== '' ? proposedScenarios(read.value, grammars) : [];
}
