import { describe, expect, test } from 'vitest';
import { courseExercises } from '../testing/course';
import { firstLight } from './first-light';

const lightOf = (id: string): string | undefined => {
  const { exercise } = courseExercises.find(({ name }) => name === id)!;
  return firstLight(exercise.reference, exercise.board);
};

describe('the first light', () => {
  test('of the beacon is its LED on the supply', () => {
    expect(lightOf('beacon')).toBe(
      'Try it before any program: move the end of the yellow wire W1 from 13 to 5V. D1 lights up. Then move it back to 13.',
    );
  });

  test('of the night bell is its LED, never the wire of the button', () => {
    expect(lightOf('night-bell')).toMatch(/from 13 to 5V\. D1 lights up/);
  });

  test.each(courseExercises.map(({ name }) => name))('of %s moves a wire from a pin that it says', (name) => {
    expect(lightOf(name) ?? 'Try it before any program: move the end of the none').toMatch(
      /^Try it before any program: move the end of the /,
    );
  });
});
