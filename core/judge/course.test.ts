import { describe, expect, test } from 'vitest';
import { languageOf, stageOf } from '../formats/exercise';
import { compileProgram } from '../program';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { check } from './check';

const asStages = courseExercises.flatMap(({ name, exercise }) =>
  (exercise.data.stages ?? []).map((stage) => {
    const read = stageOf(exercise.data, stage.name);
    if (!read.ok) throw new Error(read.problems[0]!.message);
    return { name: `${name}, stage “${stage.name}”`, exercise: read.value };
  }),
);

describe('the reference of every exercise, form and stage', () => {
  test.each([...courseExercises, ...asStages].map(({ name, exercise }) => [name, exercise] as const))(
    '%s passes its own scenarios, as drawn',
    (_, exercise) => {
      const program = compileProgram(exercise.data.program, exercise.board, grammars, languageOf(exercise));
      const report = check(exercise, { wiring: exercise.reference, program }, grammars);
      const off = report.scenarios.flatMap((scenario) =>
        scenario.expectations
          .filter(({ passed }) => !passed)
          .map((one) => `${scenario.name}: ${one.expected}: ${one.observed}`),
      );
      expect([...program.problems.map(({ message }) => message), ...off]).toEqual([]);
      expect(report.findings.map(({ code, message }) => `${code}: ${message}`)).toEqual([]);
      expect(report.verdict).toBe('as-drawn');
    },
  );

  test('stages are there for the exercises that need a way in between', () => {
    expect(asStages.map(({ name }) => name.split(',')[0])).toEqual([
      'night-bell',
      'night-bell',
      'passing-boat-counter',
      'dusk-switch',
    ]);
  });
});
