import { exerciseFrom, languageOf, type Exercise, type ExerciseData } from '@/core/formats/exercise';
import { check } from '@/core/judge/check';
import { compileProgram, type Compiled } from '@/core/program';
import { rehearse } from '@/core/rehearsal/rehearse';
import { seenIntervals } from '@/core/rehearsal/seen';
import type { LampTimeline, Proof } from '@/core/worksheet/proof';
import { nodeGrammars } from '../grammars';

const NOTHING: Proof = { timelines: [], scenarios: [] };

/** Runs the reference against its own scenarios; nothing to show while it has no program or cannot be run. */
export async function proofOf(data: ExerciseData): Promise<Proof> {
  const read = exerciseFrom(data);
  if (!read.ok || data.program.trim() === '') return NOTHING;
  const exercise = read.value;
  const grammars = await nodeGrammars();
  const program = compileProgram(data.program, exercise.board, grammars, languageOf(exercise));
  const { scenarios } = check(exercise, { wiring: exercise.reference, program }, grammars);
  return { scenarios, timelines: program.compiled ? seenIn(exercise, program.compiled) : [] };
}

function seenIn({ data, board, reference }: Exercise, compiled: Compiled): readonly LampTimeline[] {
  return data.scenarios.flatMap((scenario) => {
    const trace = rehearse(compiled, reference, board, { seconds: scenario.for, stimuli: scenario.stimuli });
    return [...trace.lamps].map(([ref, changes]) => ({
      scenario: scenario.name,
      ref,
      seconds: scenario.for,
      intervals: seenIntervals(changes, scenario.for),
    }));
  });
}
