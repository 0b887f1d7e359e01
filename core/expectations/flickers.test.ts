import { describe, expect, test } from 'vitest';
import { observe, flashes } from '../testing/observe';
import { randomFrom } from '../random';
import type { Expectation } from './index';

const flickering: Expectation = { lamp: 'D1', flickers: true };
type Changes = readonly (readonly [at: number, currentMa: number])[];

/** Changes over twelve seconds: how bright the next step is and how long it lasts. */
function steps(next: (index: number) => readonly [currentMa: number, lasts: number]): Changes {
  const changes: [number, number][] = [];
  for (let at = 0, index = 0; at < 12; index += 1) {
    const [currentMa, lasts] = next(index);
    changes.push([at, currentMa]);
    at += lasts;
  }
  return changes;
}
const random = randomFrom(7);
const between = (low: number, high: number): number => low + random() * (high - low);

describe('a light that flickers', () => {
  test.each<readonly [string, Changes]>([
    ['by its brightness', steps(() => [between(1, 10), 0.08])],
    ['by its brightness and its pauses', steps(() => [between(1, 10), between(0.03, 0.2)])],
    ['by its pauses alone', steps((index) => [index % 2 === 0 ? 8 : 0, between(0.05, 0.4)])],
  ])('does so %s', (_, changes) => {
    expect(observe(flickering, { D1: changes }).passed).toBe(true);
  });

  test.each<readonly [string, Changes, RegExp]>([
    ['is steady', [[0, 8]], / does not change .*; it should flicker\.$/],
    ['is dark', [[0, 0]], / stays dark /],
    ['changes now and then', steps(() => [between(1, 10), 2]), / changes only (?:twice|\d times) in 12 s; /],
    [
      'changes once',
      [
        [0, 8],
        [3, 4],
        [6, 9],
      ],
      / changes only once in 12 s; /,
    ],
    ['blinks', flashes(0.2, 0.15), / goes through the same 2 steps over and over; /],
    [
      'goes through a list',
      steps((index) => [[8, 3, 10, 2, 6][index % 5]!, 0.1]),
      / goes through the same 5 steps over and over; /,
    ],
    [
      'fades for long',
      steps((index) => [10 * (1 - Math.abs((((index * (1 + index / 400)) / 60) % 2) - 1)), 0.1]),
      / gets brighter, or darker, for a long time; /,
    ],
  ])('is none where it %s', (_, changes, message) => {
    const { passed, failures } = observe(flickering, { D1: changes });
    expect(passed).toBe(false);
    expect(failures[0]!.message).toMatch(message);
  });
});
