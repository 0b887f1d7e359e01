import { expect, test } from 'vitest';
import { findPin, findSupply, shippedBoards } from '@/core/boards';
import { courseExercises } from '@/core/testing/course';
import { keypadPins } from './keypad-pins';

test.each([...shippedBoards.values()].map((board) => [board.short, board] as const))(
  'the keypad of the %s offers five sockets, all of them its own',
  (_, board) => {
    const pins = keypadPins({ nets: [] }, board);
    expect(pins).toHaveLength(Math.min(5, board.pins.length + 2));
    for (const pin of pins) expect(findPin(board, pin) ?? findSupply(board, pin), pin).toBeDefined();
  },
);

test('the keypad of an exercise begins with the sockets that it is about', () => {
  const { exercise } = courseExercises.find(({ name }) => name === 'leading-lights')!;
  expect(keypadPins(exercise.data, exercise.board).slice(0, 3)).toEqual(['12', '11', 'GND']);
});
