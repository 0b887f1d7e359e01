import { describe, expect, test } from 'vitest';
import type { FindingCode } from '../findings/finding';
import type { Trace } from '../rehearsal/trace';
import { flashes, observe } from '../testing/observe';
import type { Expectation } from './index';

const rhythm: Expectation = { lamp: 'D1', rhythm: [0.5, 2.5], tolerance: 0.1 };

describe('a rhythm', () => {
  test.each([
    ['exact', flashes(0.5, 2.5), true],
    ['within tolerance', flashes(0.54, 2.3), true],
    ['too slow', flashes(0.5, 2.9), false],
    ['too quick', flashes(0.4, 2.5), false],
    ['turned round', flashes(2.5, 0.5), false],
    [
      'begun in the middle of the dark',
      [[0, 0] as const, ...flashes(0.5, 2.5).map(([at, ma]) => [at + 1.7, ma] as const)],
      true,
    ],
  ])('that is %s passes: %s', (_, changes, passes) => {
    expect(observe(rhythm, { D1: changes }).passed).toBe(passes);
  });

  test('of more than two parts repeats as a whole', () => {
    const group: Expectation = { lamp: 'D1', rhythm: [0.5, 0.5, 0.5, 2.5] };
    const changes = [0, 4, 8].flatMap(
      (start) =>
        [
          [start, 8],
          [start + 0.5, 0],
          [start + 1, 8],
          [start + 1.5, 0],
        ] as const,
    );
    expect(observe(group, { D1: changes }).passed).toBe(true);
    expect(observe(group, { D1: flashes(0.5, 2.5) }).passed).toBe(false);
  });

  test.each([
    [3, / is dark for 1\.5 s at [\d.]+ s; it should be 2\.5 s, in the rhythm/],
    [2, / is lit for 1\.5 s at [\d.]+ s; it should be 0\.50 s, in the rhythm/],
  ])('of four times that is off in number %i names that one, with the whole rhythm', (place, named) => {
    const group: Expectation = { lamp: 'D1', rhythm: [0.5, 0.5, 0.5, 2.5] };
    const times = [0.5, 0.5, 0.5, 2.5].map((time, index) => (index === place ? 1.5 : time));
    const changes: (readonly [number, number])[] = [];
    for (let at = 0, index = 0; at < 12; at += times[index % 4]!, index += 1)
      changes.push([at, index % 2 === 0 ? 8 : 0]);
    const { failures } = observe(group, { D1: changes });
    expect(failures[0]!.message).toMatch(named);
    expect(failures[0]!.message).toContain('in the rhythm lit 0.50 s, dark 0.50 s, lit 0.50 s, dark 2.5 s');
  });

  test.each<
    [what: string, changes: readonly (readonly [number, number])[], code: FindingCode, words: RegExp]
  >([
    ['never lit', [[0, 0]], 'not-lit', /stays dark for the whole 12 s/],
    ['only glowing', [[0, 0.09]], 'not-lit', /glows faintly, at 0\.09 mA/],
    ['always lit', [[0, 8.5]], 'not-dark', /lit for the whole 12 s/],
    [
      'stopped while lit',
      [
        [0, 8],
        [0.5, 0],
        [3, 8],
      ],
      'stays-on',
      /stops changing at 3 s and stays lit/,
    ],
    [
      'stopped while dark',
      [
        [0, 8],
        [0.5, 0],
      ],
      'stays-off',
      /stops changing at 0\.50 s and stays dark/,
    ],
    ['off in its dark time', flashes(0.5, 1), 'timing-off', /dark for 1 s; it should be 2\.5 s/],
    ['off in its lit time', flashes(1, 2.5), 'timing-off', /lit for 1 s; it should be 0\.50 s/],
  ])('that is %s is named so', (_, changes, code, words) => {
    const { passed, failures } = observe(rhythm, { D1: changes });
    expect(passed).toBe(false);
    expect(failures).toHaveLength(1);
    expect(failures[0]!.code).toBe(code);
    expect(failures[0]!.message).toMatch(words);
  });

  test('gives both numbers', () => {
    const [failure] = observe(rhythm, { D1: flashes(0.5, 1) }).failures;
    expect(failure!.evidence).toMatchObject({ foundS: { amount: 1 }, wantedS: { amount: 2.5 } });
  });
});

describe('other expectations of an LED', () => {
  test.each<[expectation: Expectation, changes: readonly (readonly [number, number])[], passes: boolean]>([
    [{ lamp: 'D1', is: 'on' }, [[0, 8]], true],
    [
      { lamp: 'D1', is: 'on' },
      [
        [0, 8],
        [5, 0],
      ],
      false,
    ],
    [
      { lamp: 'D1', is: 'on', to: 4 },
      [
        [0, 8],
        [5, 0],
      ],
      true,
    ],
    [
      { lamp: 'D1', is: 'on', from: 6 },
      [
        [0, 0],
        [5, 8],
      ],
      true,
    ],
    [{ lamp: 'D1', is: 'off' }, [[0, 0]], true],
    [{ lamp: 'D1', is: 'off' }, [[0, 0.09]], false],
    [{ lamp: 'D1', is: 'off' }, [[0, 8]], false],
    [{ lamp: 'D1', flashes: 4 }, flashes(0.5, 2.5), true],
    [{ lamp: 'D1', flashes: 3 }, flashes(0.5, 2.5), false],
    [{ lamp: 'D1', flashes: 2, to: 5 }, flashes(0.5, 2.5), true],
    [{ lamp: 'D1', flashes: [4, 6] }, flashes(0.5, 2.5), true],
    [{ lamp: 'D1', flashes: [2, 3] }, flashes(0.5, 2.5), false],
    [{ lamp: 'D1', flashes: [5, 6] }, flashes(0.5, 2.5), false],
    [{ lamp: 'D1', flashes: [0, 4] }, flashes(0.5, 2.5), true],
    [{ lamp: 'D1', flashes: [0, 3] }, [[0, 0]], true],
    [{ lamp: 'D1', flashes: [5, 6], 'or-more': true }, flashes(0.5, 2.5), false],
    [{ lamp: 'D1', flashes: 1 }, [[0, 0]], false],
    [{ lamp: 'D1', brightness: [0.6, 0.8] }, [[0, 8.5]], true],
    [{ lamp: 'D1', brightness: [0.9, 1] }, [[0, 8.5]], false],
    [{ lamp: 'D1', brightness: [0, 0.3] }, [[0, 8.5]], false],
  ])('%j', (expectation, changes, passes) => {
    const outcome = observe(expectation, { D1: changes });
    expect(outcome.passed).toBe(passes);
    expect(outcome.failures.length === 0).toBe(passes);
    expect(outcome.observed).not.toBe('');
  });

  test('fail without an LED that could show them, and blame nothing for it', () => {
    expect(observe({ lamp: 'D1', is: 'on' }, {})).toMatchObject({
      passed: false,
      failures: [],
      observed: expect.stringContaining('nothing in the build'),
    });
  });
});

describe('a count', () => {
  const blinking = { D1: flashes(0.5, 1.5, 8) };

  test.each([
    [{ flashes: 4 }, true],
    [{ flashes: 3 }, false],
    [{ flashes: 3, 'or-more': true as const }, true],
    [{ flashes: 4, 'or-more': true as const }, true],
    [{ flashes: 5, 'or-more': true as const }, false],
  ])('%j of four flashes', (wanted, passes) => {
    const { passed, failures } = observe({ lamp: 'D1', ...wanted }, blinking, 8);
    expect(passed).toBe(passes);
    if (!passes && 'or-more' in wanted) expect(failures[0]!.message).toContain('at least 5 times');
  });

  test('and what is steady take no notice of what no eye sees at the edges of their window', () => {
    const late = {
      D1: [
        [0, 0],
        [1.004, 8],
        [2, 0],
        [3, 8],
        [4.003, 0],
      ] as [number, number][],
    };
    expect(observe({ lamp: 'D1', is: 'on', from: 1, to: 2 }, late).passed).toBe(true);
    expect(observe({ lamp: 'D1', is: 'off', from: 4, to: 6 }, late).passed).toBe(true);
    expect(observe({ lamp: 'D1', flashes: 0, from: 4, to: 6 }, late).passed).toBe(true);
    const seen = {
      D1: [
        [0, 0],
        [1.04, 8],
        [2, 0],
      ] as [number, number][],
    };
    expect(observe({ lamp: 'D1', is: 'on', from: 1, to: 2 }, seen).passed).toBe(false);
  });
});

describe('LEDs together', () => {
  const turns = { D1: flashes(1, 1), D2: flashes(1, 1).map(([at, ma]) => [at + 1, ma] as const) };

  test('take turns, and an overlap too short to be seen does not count', () => {
    expect(observe({ 'never-together': ['D1', 'D2'] }, turns).passed).toBe(true);
    const grazing = { ...turns, D2: turns.D2.map(([at, ma]) => [Math.max(0, at - 0.005), ma] as const) };
    expect(observe({ 'never-together': ['D1', 'D2'] }, grazing).passed).toBe(true);
  });

  test('are told apart when both are lit', () => {
    const both = observe(
      { 'never-together': ['D1', 'D2'] },
      {
        D1: [[0, 8]],
        D2: [
          [0, 0],
          [3, 8],
        ],
      },
    );
    expect(both).toMatchObject({ passed: false, failures: [{ code: 'order-wrong' }] });
    expect(both.observed).toContain('9 s');
  });

  test('light in their order, from whichever is first', () => {
    const order: Expectation = { order: ['D1', 'D2', 'D3'] };
    const at = (start: number) =>
      [
        [0, 0],
        [start, 8],
        [start + 0.5, 0],
      ] as const;
    expect(observe(order, { D1: at(1), D2: at(2), D3: at(3) }).passed).toBe(true);
    expect(observe(order, { D1: at(3), D2: at(1), D3: at(2) }).passed).toBe(true);
    expect(observe(order, { D1: at(2), D2: at(1), D3: at(3) })).toMatchObject({
      passed: false,
      failures: [{ code: 'order-wrong' }],
    });
    expect(observe(order, { D1: at(1) }).passed).toBe(false);
  });

  test('that stay dark are told as dark, and not as a wrong order', () => {
    const dark = observe({ order: ['D1', 'D2'] }, { D1: [[0, 0]], D2: [[0, 0]] });
    expect(dark).toMatchObject({
      passed: false,
      observed: 'none of them lit',
      failures: [{ code: 'not-lit', refs: ['D1', 'D2'] }],
    });
    expect(dark.failures[0]!.message).toContain('Neither of the two LEDs lights up from 0 s to 12 s');
  });
});

describe('printed text', () => {
  test.each<[way: 'contains' | 'equals' | 'matches', text: string, passes: boolean]>([
    ['contains', 'tide', true],
    ['contains', 'ebb', false],
    ['equals', 'tide 42', true],
    ['equals', 'tide', false],
    ['matches', '^tide \\d+', true],
    ['matches', '^\\d+', false],
    ['matches', '(', false],
  ])('%s “%s”', (way, text, passes) => {
    expect(observe({ serial: way, text }, {}, 12, 'tide 42\r\n').passed).toBe(passes);
  });

  test('that is wanted too early has not been printed yet', () => {
    expect(observe({ serial: 'contains', text: 'tide', to: 0.5 }, {}, 12, 'tide').passed).toBe(false);
  });
});

test('an LED whose pauses are all too long has not stopped where the run ends', () => {
  const { failures } = observe(rhythm, { D1: flashes(5, 2.5) });
  expect(failures.map(({ code }) => code)).toEqual(['timing-off']);
});

describe('what a run does not show', () => {
  const stopped = (reason: 'changes' | 'steps', at: number): Trace['ended'] => ({ reason, at, line: 3 });
  const dark: Expectation = { lamp: 'D1', is: 'off', from: 5, to: 8 };

  test.each(['changes', 'steps'] as const)('is not passed when it was cut by its %s before', (reason) => {
    const early = observe(dark, { D1: [[0, 0]] }, 12, '', stopped(reason, 2));
    expect(early).toEqual({
      passed: false,
      observed: 'the run stopped at 2 s, too early to show this',
      failures: [],
    });
    const amid = observe(dark, { D1: [[0, 0]] }, 12, '', stopped(reason, 6));
    expect(amid.passed).toBe(false);
    expect(observe(dark, { D1: [[0, 0]] }, 12, '', stopped(reason, 9)).passed).toBe(true);
  });

  test('is not passed when the scenario is over before it begins', () => {
    const late = observe({ lamp: 'D1', is: 'off', from: 20 }, { D1: [[0, 0]] });
    expect(late).toEqual({
      passed: false,
      observed: 'the scenario is over at 12 s, before this begins',
      failures: [],
    });
  });

  test('is not passed when an answer is expected to what nobody does', () => {
    const answer = observe({ responds: 'D1', to: 'S1', within: 1, then: 'on' }, { D1: [[0, 8]] });
    expect(answer.passed).toBe(false);
    expect(answer.observed).toContain('nothing is done to S1');
  });
});
