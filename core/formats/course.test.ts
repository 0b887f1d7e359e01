import { describe, expect, test } from 'vitest';
import { firstDifference, place } from '../plan/placement';
import { courseExercises } from '../testing/course';
import { taskOf } from '../course/exercise-layout';

test('the course has fourteen exercises; the counter and the lantern have a second form', () => {
  expect(courseExercises).toHaveLength(16);
  expect(courseExercises.filter(({ name }) => name.includes(',')).map(({ name }) => name)).toEqual([
    'passing-boat-counter, eight-pin chip',
    'signal-lantern, common anode',
  ]);
});

describe('the layout of every exercise', () => {
  test.each(courseExercises.map(({ name, exercise }) => [name, exercise] as const))(
    '%s, as kept and as computed anew, extracts to its nets',
    (_, exercise) => {
      const task = taskOf(exercise.data);
      if (!task.ok) throw new Error(task.problems[0]?.message);
      expect(firstDifference(task.value, exercise.reference)).toBeUndefined();
      const placed = place(task.value);
      expect(placed.ok && firstDifference(task.value, placed.value.wiring)).toBeUndefined();
    },
  );
});
