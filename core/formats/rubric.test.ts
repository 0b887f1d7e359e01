import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  daysLate,
  deductionsOf,
  markingSentences,
  rubricSchema,
  rubricSentences,
  type Rubric,
} from './rubric';
import { scenarioSchema } from './scenario';

const rubric = (given: unknown): Rubric => rubricSchema.parse(given);
const DAY = 86_400_000;
const due = new Date('2027-03-26T18:00:00Z');

describe('a hand-in is late', () => {
  test.each([
    ['never, where nothing is due', null, DAY * 400, 0],
    ['not before it was due', due, -1, 0],
    ['not at the very moment', due, 0, 0],
    ['by a day as soon as the moment is past', due, 1, 1],
    ['by a day at its end', due, DAY, 1],
    ['by two days after that', due, DAY + 1, 2],
    // The clocks go forward in this night: a day is 24 hours all the same.
    ['by three days over a change of clocks', due, 3 * DAY, 3],
  ])('%s', (_, dueAt, after, days) => {
    expect(daysLate(new Date(due.getTime() + after), dueAt)).toBe(days);
  });
});

describe('what is taken off', () => {
  const both = rubric({ late: { eachDay: 0.5, most: 1.25 }, tries: { free: 2, each: 1, most: 2 } });
  test.each([
    ['nothing from the first try in time', 1, 0, []],
    ['nothing from the last free try', 2, 0, []],
    ['one from the try after', 3, 0, [{ points: 1, why: 'try 3' }]],
    ['no more than there is to lose', 9, 0, [{ points: 2, why: 'try 9' }]],
    ['by the day', 1, 2, [{ points: 1, why: '2 days late' }]],
    ['by the day, up to its most', 1, 30, [{ points: 1.25, why: '30 days late' }]],
    [
      'for both',
      3,
      1,
      [
        { points: 0.5, why: 'one day late' },
        { points: 1, why: 'try 3' },
      ],
    ],
  ])('%s', (_, attempt, days, expected) => {
    expect(deductionsOf(both, { attempt, days })).toEqual(expected);
  });

  test('is never more than the most of each, and nothing without a rubric', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 0, max: 4000 }), (attempt, days) => {
        const off = deductionsOf(both, { attempt, days }).reduce((sum, { points }) => sum + points, 0);
        expect(off).toBeLessThanOrEqual(3.25);
        expect(deductionsOf(rubric({}), { attempt, days })).toEqual([]);
      }),
    );
  });
});

describe('how it is marked', () => {
  const scenario = (name: string, points?: number) =>
    scenarioSchema.parse({ name, for: 3, points, expect: [{ lamp: 'D1', is: 'on' }] });

  test('is not told where every scenario counts the same', () => {
    expect(markingSentences({ scenarios: [scenario('a'), scenario('b', 1)] })).toEqual([]);
  });

  test('is told in sentences', () => {
    expect(
      markingSentences({
        scenarios: [scenario('as taught', 2), scenario('pressed')],
        rubric: rubric({
          rules: [{ without: 'wire-colour', points: 0.5 }],
          late: { eachDay: 1, most: 2 },
          tries: { free: 1, each: 0.25, most: 1 },
        }),
      }),
    ).toEqual([
      '2 points for what must be seen in “as taught”.',
      '1 point for what must be seen in “pressed”.',
      '0.5 points when the check doesn’t say “Wire in a misleading colour”.',
      'Each day late takes off 1 point, 2 points at most.',
      'The first try takes nothing off; each one after takes off 0.25 points, 1 point at most.',
    ]);
  });

  test.each([
    ['of points below zero', { rules: [{ without: 'wire-colour', points: -1 }] }],
    ['of no points', { late: { eachDay: 0, most: 1 } }],
    ['of half a try', { tries: { free: 1.5, each: 1, most: 1 } }],
    ['of a finding that there is not', { rules: [{ without: 'ugly', points: 1 }] }],
    ['of something else', { bonus: 3 }],
  ])('is refused %s', (_, given) => {
    expect(rubricSchema.safeParse(given).success).toBe(false);
  });

  test('says how many tries take nothing off', () => {
    expect(rubricSentences(rubric({ tries: { free: 3, each: 1, most: 1 } }))[0]).toContain(
      'The first 3 tries take nothing off',
    );
  });
});
