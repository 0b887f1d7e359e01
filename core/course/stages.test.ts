import { describe, expect, test } from 'vitest';
import { boardsOf, exerciseOf, type Exercise } from '../formats/exercise';
import { buildFor } from '../judge/build';
import { check } from '../judge/check';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import { buildAtStage, exerciseAtStage } from './stages';

const named = (name: string): Exercise => courseExercises.find((one) => one.name === name)!.exercise;
const atStage = (exercise: Exercise, stage: string): Exercise => {
  const read = exerciseAtStage(exercise, stage);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
};
const refsOf = ({ reference }: Exercise): readonly string[] =>
  reference.parts.map(({ ref }) => ref as string);

const staged = courseExercises.flatMap(({ name, exercise }) =>
  (exercise.data.stages ?? []).map((stage) => [name, stage.name, exercise] as const),
);
const bell = named('night-bell');

/** A build of a stage, judged. */
function judged(exercise: Exercise, stage: string, table: string) {
  const part = atStage(exercise, stage);
  const read = readWiring(buildAtStage(part, table), { boards: boardsOf(part.data) });
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return check(part, buildFor(part, read.value, part.data.program, grammars), grammars);
}

describe('the exercise at a stage', () => {
  test('has the parts that the stage is about, what they do nothing without, and their wires', () => {
    expect(refsOf(atStage(bell, 'the button alone'))).toEqual(['S1', 'W2', 'W3', 'W6']);
    expect(refsOf(atStage(bell, 'the lamp follows'))).toEqual(['S1', 'D1', 'R1', 'W2', 'W3', 'W4', 'W6']);
    // The light sensor is half a divider.
    expect(refsOf(atStage(named('dusk-switch'), 'the sensor alone'))).toEqual(['L1', 'R1', 'W1', 'W2', 'W4']);
  });

  test('is refused under a name that no stage has', () => {
    const read = exerciseAtStage(bell, 'the moon');
    expect(!read.ok && read.problems[0]!.message).toBe('the exercise has no stage “the moon”');
  });

  test('keeps the scenarios of the whole out of it', () => {
    const { data } = atStage(bell, 'the button alone');
    expect(data.scenarios.map(({ name }) => name)).toEqual(['the button is read']);
    expect([data.stages, data.forms, data.open]).toEqual([undefined, undefined, undefined]);
  });

  test.each(staged)('%s, %s: is the circuit whose every part is needed', (_, stage, exercise) => {
    const part = atStage(exercise, stage);
    // Made an exercise of its own, it is the same.
    const again = exerciseOf(part.data);
    expect(again.ok && writeTable(again.value.reference)).toBe(writeTable(part.reference));
  });
});

describe('a build at a stage', () => {
  test.each(staged)('%s, %s: passes whether just that is built, or everything', (_, stage, exercise) => {
    const part = atStage(exercise, stage);
    for (const table of [writeTable(part.reference), writeTable(exercise.reference)]) {
      const { verdict, findings } = judged(exercise, stage, table);
      expect(findings.map(({ message }) => message)).toEqual([]);
      expect(verdict).toBe('as-drawn');
    }
  });

  test.each(staged)(
    '%s, %s: does not pass with any one of its parts left in the bag',
    (_, stage, exercise) => {
      const part = atStage(exercise, stage);
      for (const { ref } of part.reference.parts) {
        const rows = writeTable(exercise.reference)
          .split('\n')
          .map((row) => (row.startsWith(`${ref},`) ? row.replace(/[^,]*$/, '') : row));
        const { verdict } = judged(exercise, stage, rows.join('\n'));
        expect([ref, verdict]).not.toEqual([ref, 'as-drawn']);
      }
    },
  );

  test('is told of its own faults, and of none of what comes later', () => {
    const table = writeTable(bell.reference);
    // The bell the wrong way round is a matter for later; the button's wire in the next row is not.
    const bellTurned = table
      .replace('Z1,buzzer,active,plus,B1.e5', 'Z1,buzzer,active,plus,B1.e8x')
      .replace('Z1,buzzer,active,minus,B1.e8', 'Z1,buzzer,active,minus,B1.e5')
      .replace('e8x', 'e8');
    expect(judged(bell, 'the button alone', bellTurned).verdict).toBe('as-drawn');
    const rowOff = table.replace('W6,wire,blue,1,B1.a10', 'W6,wire,blue,1,B1.a11');
    const { verdict, findings } = judged(bell, 'the button alone', rowOff);
    expect(verdict).not.toBe('as-drawn');
    expect(findings.find(({ cause }) => cause)?.refs).toContain('W6');
  });

  test('that cannot be read is left to whoever says why', () => {
    expect(buildAtStage(atStage(bell, 'the button alone'), 'nonsense')).toBe('nonsense');
  });
});
