import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import { emptyExercise } from '../course/new-exercise';
import { exerciseFrom, type Exercise, type ExerciseData } from '../formats/exercise';
import type { Result } from '../result';
import { readDone, readExpected } from '../statements/sentences';
import type { Stimulus } from '../stimuli';
import { settle } from '../worksheet/sheet';

/** An exercise as an instructor says it: part lines, a program, and what is done and seen. */
export interface Said {
  readonly id: string;
  readonly board: string;
  readonly lines: readonly string[];
  readonly program: string;
  readonly scenarios: readonly {
    readonly name: string;
    readonly lasts: number;
    readonly done: readonly string[];
    readonly seen: readonly string[];
  }[];
}

function right<Value>(result: Result<Value>, what: string): Value {
  if (!result.ok) throw new Error(`${what}: ${result.problems[0]!.message}`);
  return result.value;
}

/** The exercise that comes of part lines, laid out; throws where a line is not understood. */
export function exerciseSaid({ id, board, lines, program, scenarios }: Said): Exercise {
  const sheet = right(
    settle(
      {
        ...emptyExercise(id, id, board),
        lines: lines.map((text, index) => ({ id: `l${index + 1}`, text, refs: [] })),
      },
      DEFAULT_HOUSE_RULES,
      'anew',
    ),
    id,
  );
  if (!sheet.wiring) throw new Error(`${id}: ${sheet.layoutProblem}`);
  const data: ExerciseData = {
    ...sheet.sheet,
    program,
    ...(board === 'python-3v3' ? { language: 'python' as const } : {}),
    scenarios: scenarios.map(({ name, lasts, done, seen }) => {
      const { parts } = sheet.sheet;
      const stimuli = done.reduce<readonly Stimulus[]>(
        (before, sentence) => [...before, ...right(readDone(sentence, parts, before), id)],
        [],
      );
      return {
        name,
        for: lasts,
        stimuli: [...stimuli],
        expect: seen.flatMap((sentence) => right(readExpected(sentence, parts, stimuli), id)),
      };
    }),
  };
  return right(exerciseFrom(data), id);
}
