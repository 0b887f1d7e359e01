import { expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { reportOnSlip } from '../testing/said-slips';

const said = (done: readonly string[], seen: readonly string[]) =>
  reportOnSlip(
    exerciseSaid({
      id: 'torch',
      board: 'none',
      lines: ['9V battery', 'red LED with 470'],
      program: '',
      scenarios: [{ name: 'taken off', lasts: 6, done, seen }],
    }),
    {},
  ).verdict;

test('without a board it is the battery that is disconnected and connected again', () => {
  const done = ['disconnect the battery at 2 s', 'connect the battery at 4 s'];
  expect(said(done, ['D1 is on until 1.9 s', 'D1 is off from 2.1 s to 3.9 s', 'D1 is on from 4.1 s'])).toBe(
    'as-drawn',
  );
  expect(said(done, ['D1 is on from 2.1 s to 3.9 s'])).toBe('does-not-work');
  expect(said([], ['D1 is on'])).toBe('as-drawn');
});
