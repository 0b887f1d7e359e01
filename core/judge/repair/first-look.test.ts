import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { ScenarioResult } from '../../formats/report';
import type { Scenario } from '../../formats/scenario';
import { firstLookOf } from './first-look';

const scenario = (name: string, ...ends: readonly (number | undefined)[]): Scenario => ({
  name,
  for: 10,
  stimuli: [
    { press: 'S1', at: 1, for: 0.3 },
    { press: 'S1', at: 6, for: 0.3 },
  ],
  expect: ends.map((to) => ({ lamp: 'D1', is: 'on', ...(to === undefined ? {} : { to }) })),
});
const result = (...passed: readonly boolean[]): ScenarioResult => ({
  name: '',
  passed: passed.every(Boolean),
  expectations: passed.map((one) => ({ expected: '', observed: '', passed: one })),
});

describe('what is looked at first', () => {
  test('ends with the first thing that is not done, and asks for all that is over by then', () => {
    expect(
      firstLookOf([scenario('a', 2, 4, 3, undefined)], [result(true, false, true, false)]),
    ).toMatchObject({
      for: 4.01,
      stimuli: [{ at: 1 }],
      // What has to be so to the end of the run has to be so until then.
      expect: [{ to: 2 }, { to: 4 }, { to: 3 }, { to: 4 }],
    });
  });

  test('ends where it shows that what has to be so all the time is not', () => {
    const brokenAt = 3.3;
    const look = firstLookOf([scenario('a', undefined, 8)], [result(false, true)], (_, expectation) =>
      'to' in expectation ? Number(expectation.to) <= brokenAt : false,
    );
    expect(look?.for).toBeGreaterThan(brokenAt);
    expect(look?.for).toBeLessThan(brokenAt + 0.1);
    expect(look?.expect.map((one) => 'to' in one && Number(one.to) > brokenAt)).toEqual([true, true]);
  });

  test('is the scenario that fails, where others come before it', () => {
    const all = [scenario('a', 2), scenario('b', undefined)];
    expect(firstLookOf(all, [result(true), result(false)])).toBe(all[1]);
  });

  test.each([
    ['nothing fails', [scenario('a', 2)], [result(true)]],
    ['the end of the first decides', [scenario('a', undefined)], [result(false)]],
    ['little is left out', [scenario('a', 9)], [result(false)]],
    ['nothing was run', [], []],
    ['something else was seen', [scenario('a', 2, 3)], [result(false)]],
  ])('is nothing of its own where %s', (_, scenarios, results) => {
    expect(firstLookOf(scenarios, results)).toBeUndefined();
  });

  test('what hangs on a press has no end of its own', () => {
    const pressed: Scenario = {
      // Pressed twice, so that nobody knows which press it is.
      ...scenario('a', 2),
      expect: [{ lamp: 'D1', is: 'on', to: 2, after: 'S1' }],
    };
    expect(firstLookOf([pressed], [result(false)])).toBeUndefined();
  });

  test('never asks for what is not over, and always for what fails', () => {
    const ends = fc.array(fc.option(fc.integer({ min: 1, max: 9 }), { nil: undefined }), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(ends, fc.infiniteStream(fc.boolean()), (tos, passed) => {
        const asked = scenario('a', ...tos);
        const results = result(...[...passed.take(tos.length)]);
        const look = firstLookOf([asked], [results]);
        if (!look) return;
        expect(look.expect.every((one) => 'to' in one && Number(one.to) < look.for)).toBe(true);
        expect(
          look.expect.some((one) => results.expectations[asked.expect.indexOf(one)]?.passed === false),
        ).toBe(true);
      }),
    );
  });
});
