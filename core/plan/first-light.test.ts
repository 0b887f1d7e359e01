import { describe, expect, test } from 'vitest';
import { courseExercises } from '../testing/course';
import { withPart } from '../wiring/wiring';
import { firstLight } from './first-light';

const lightOf = (id: string): string | undefined => {
  const { exercise } = courseExercises.find(({ name }) => name === id)!;
  return firstLight(exercise.reference, exercise.board);
};

describe('the first light', () => {
  test('of the beacon is its LED on the supply', () => {
    expect(lightOf('beacon')).toBe(
      'Try it before any program: with the board unplugged, move the end of the yellow wire W1 from 13 to 5V, then plug it in. D1 lights up. Unplug it again and move the end back to 13.',
    );
  });

  test('of the night bell is its LED, never the wire of the button', () => {
    expect(lightOf('night-bell')).toMatch(/W4 from 13 to 5V, .* D1 lights up/);
  });

  test('is not offered where a motor, a sensor or another pin lies behind the wire', () => {
    for (const id of ['lock-gate', 'signal-mast', 'tide-gauge', 'signal-lantern'])
      expect([id, lightOf(id)]).toEqual([id, undefined]);
  });

  test('is not offered without the resistor, or with the LED the wrong way round', () => {
    const { reference, board } = courseExercises.find(({ name }) => name === 'beacon')!.exercise;
    const placed = (ref: string) => reference.parts.find((part) => part.ref === ref)!;
    const [resistor, light] = [placed('R1'), placed('D1')];
    const bare = withPart(reference, { ...resistor, value: { ...resistor.value, amount: 1 } });
    expect(firstLight(bare, board)).toBeUndefined();
    const [one, other] = light.legs;
    const turned = {
      ...light,
      legs: [
        { ...one!, at: other!.at },
        { ...other!, at: one!.at },
      ],
    };
    expect(firstLight(withPart(reference, turned), board)).toBeUndefined();
  });
});
