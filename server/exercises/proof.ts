import { exerciseFrom, judgingProblem, type Exercise, type ExerciseData } from '@/core/formats/exercise';
import type { Report } from '@/core/formats/report';
import { check } from '@/core/judge/check';
import { compileProgram } from '@/core/program';
import { rehearse } from '@/core/rehearsal/rehearse';
import { seenIntervals, type SeenInterval } from '@/core/rehearsal/seen';
import { nodeGrammars } from '../grammars';

/** What a watcher sees of a lamp of the reference. */
interface SeenLamp {
  readonly scenario: string;
  readonly ref: string;
  readonly seconds: number;
  readonly intervals: readonly SeenInterval[];
}

export interface ReferenceProof {
  readonly timelines: readonly SeenLamp[];
  readonly scenarios: Report['scenarios'];
}

const NOTHING: ReferenceProof = { timelines: [], scenarios: [] };

/** Runs the reference against its own scenarios; nothing to show while it has no program or cannot be run. */
export async function proofOf(data: ExerciseData): Promise<ReferenceProof> {
  const read = exerciseFrom(data);
  if (!read.ok || judgingProblem(read.value) || data.program.trim() === '') return NOTHING;
  const exercise = read.value;
  const grammars = await nodeGrammars();
  const program = compileProgram(data.program, exercise.board, grammars);
  const { scenarios } = check(exercise, { wiring: exercise.reference, program }, grammars);
  return { scenarios, timelines: program.compiled ? seenIn(exercise, program.compiled) : [] };
}

function seenIn(
  { data, board, reference }: Exercise,
  compiled: NonNullable<ReturnType<typeof compileProgram>['compiled']>,
): readonly SeenLamp[] {
  return data.scenarios.flatMap((scenario) => {
    const trace = rehearse(compiled, reference, board, { seconds: scenario.for });
    return [...trace.lamps].map(([ref, changes]) => ({
      scenario: scenario.name,
      ref,
      seconds: scenario.for,
      intervals: seenIntervals(changes, scenario.for),
    }));
  });
}
