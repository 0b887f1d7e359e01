import { describe, expect, test } from 'vitest';
import { flashes, observe } from '../testing/observe';
import type { Expectation } from './index';

/** A run of an LED that is lit in these stretches. */
const litIn = (
  ...spells: readonly (readonly [from: number, to: number])[]
): (readonly [number, number])[] => [
  [0, 0],
  ...spells.flatMap(([from, to]): [number, number][] => [
    [from, 8],
    [to, 0],
  ]),
];
/** Signals of these lengths, with these pauses before them. */
const sent = (
  ...steps: readonly (readonly [pause: number, length: number])[]
): (readonly [number, number])[] => {
  let at = 0;
  return litIn(
    ...steps.map(([pause, length]): [number, number] => {
      const from = at + pause;
      at = from + length;
      return [from, at];
    }),
  );
};
const codeOf = (expectation: Expectation, runs: Parameters<typeof observe>[1]): string => {
  const { passed, failures } = observe(expectation, runs);
  return passed ? 'passed' : (failures[0]?.code ?? 'absent');
};
const messageOf = (expectation: Expectation, runs: Parameters<typeof observe>[1]): string | undefined =>
  observe(expectation, runs).failures[0]?.message;

describe('how many of some LEDs are lit', () => {
  const one: Expectation = { among: ['D1', 'D2'], lit: [1, 1] };
  const taken = {
    D1: flashes(1, 1),
    D2: [[0, 0] as const, ...flashes(1, 1).map(([at, ma]) => [at + 1, ma] as const)],
  };

  test.each([
    ['exactly one, where they take turns', one, taken, 'passed'],
    [
      'exactly one, with a change that no eye sees',
      one,
      { ...taken, D2: taken.D2.map(([at, ma]) => [at === 0 ? 0 : at + 0.01, ma] as const) },
      'passed',
    ],
    ['exactly one, where both are lit for a while', one, { ...taken, D1: flashes(1.3, 0.7) }, 'turn-overlap'],
    ['exactly one, where none is lit for a while', one, { ...taken, D1: flashes(0.7, 1.3) }, 'timing-off'],
    ['exactly one, where the other is never lit', one, { ...taken, D2: [[0, 0] as const] }, 'not-lit'],
    [
      'exactly one, from when on it is so',
      { ...one, from: 5 },
      { D1: [[0, 0] as const], D2: litIn([4, 12]) },
      'passed',
    ],
    [
      'at least one, where both are lit',
      { ...one, lit: [1, 100] },
      { D1: litIn([0, 12]), D2: litIn([0, 6]) },
      'passed',
    ],
    [
      'at most two of three',
      { among: ['D1', 'D2', 'D3'], lit: [0, 2] },
      { D1: litIn([0, 6]), D2: litIn([3, 9]), D3: litIn([6, 12]) },
      'passed',
    ],
    [
      'at most two of three, where all are lit',
      { among: ['D1', 'D2', 'D3'], lit: [0, 2] },
      { D1: litIn([0, 6]), D2: litIn([3, 9]), D3: litIn([5, 12]) },
      'turn-overlap',
    ],
    ['of one that is not there', { among: ['D1', 'D9'], lit: [0, 2] }, { D1: litIn([0, 6]) }, 'absent'],
  ] as const)('%s', (_, expectation, runs, code) => {
    expect(codeOf(expectation as Expectation, runs)).toBe(code);
  });

  test('is told with when, which and what is wanted', () => {
    expect(messageOf(one, { D1: litIn([0, 4]), D2: litIn([5, 12]) })).toBe(
      'None of D1 and D2 is lit from 4 s to 5 s; there should be exactly one of D1 and D2 lit.',
    );
    expect(
      messageOf(
        { among: ['D1', 'D2', 'D3'], lit: [0, 1] },
        { D1: litIn([0, 12]), D2: litIn([5, 12]), D3: litIn() },
      ),
    ).toBe('D1 and D2 are lit from 5 s to 12 s; there should be at most one of D1, D2 and D3 lit.');
  });
});

describe('LEDs that do the same', () => {
  const same: Expectation = { alike: ['D1', 'D2'] };

  test.each([
    ['pass', { D1: flashes(1, 1), D2: flashes(1, 1) }, 'passed'],
    ['pass with a change that no eye sees', { D1: flashes(1, 1), D2: flashes(1.01, 0.99) }, 'passed'],
    ['pass where both are dark', { D1: litIn(), D2: litIn() }, 'passed'],
    ['are told apart by their times', { D1: flashes(1, 1), D2: flashes(0.5, 1.5) }, 'timing-off'],
    ['are told apart where one of them is dead', { D1: flashes(1, 1), D2: litIn() }, 'not-lit'],
  ] as const)('%s', (_, runs, code) => {
    expect(codeOf(same, runs)).toBe(code);
  });
});

describe('signals', () => {
  const SOS: Expectation = { part: 'D1', signals: 'SOS' };
  const HI: Expectation = { part: 'D1', signals: 'HI' };
  const dots = (count: number, first = 0.2, unit = 0.2): (readonly [number, number])[] =>
    Array.from({ length: count }, (_, index) => [index === 0 ? first : unit, unit]);
  const dashes = (count: number, first = 0.2, unit = 0.2): (readonly [number, number])[] =>
    Array.from({ length: count }, (_, index) => [index === 0 ? first : unit, 3 * unit]);
  const help = (between: number): (readonly [number, number])[] => [
    ...dots(3, 0),
    ...dashes(3, between),
    ...dots(3, between),
  ];

  test.each([
    ['with pauses between the letters', SOS, sent(...help(0.6)), 'passed'],
    ['without pauses between the letters', SOS, sent(...help(0.2)), 'passed'],
    ['twice', SOS, sent(...help(0.4), ...dots(3, 1.4), ...dashes(3)), 'passed'],
    [
      'with long ones twice as long',
      SOS,
      sent(...dots(3), [0.2, 0.4], [0.2, 0.4], [0.2, 0.4], ...dots(3)),
      'passed',
    ],
    ['with two long ones', SOS, sent(...dots(3), ...dashes(2), ...dots(3)), 'count-wrong'],
    ['with short and long exchanged', SOS, sent(...dashes(3), ...dots(3), ...dashes(3)), 'order-wrong'],
    ['all alike', SOS, sent(...dots(9)), 'timing-off'],
    ['never', SOS, litIn(), 'not-lit'],
    [
      'short ones alone, where that is asked for',
      { part: 'D1', signals: '...' },
      sent(...dots(3), ...dots(3, 1)),
      'passed',
    ],
    ['letters that are apart', HI, sent(...dots(4), ...dots(2, 0.6)), 'passed'],
    ['letters that are not apart', HI, sent(...dots(6)), 'timing-off'],
  ] as const)('%s', (_, expectation, run, code) => {
    expect(codeOf(expectation as Expectation, { D1: run })).toBe(code);
  });

  test('are told as they were seen', () => {
    expect(messageOf(SOS, { D1: sent(...dots(3), ...dashes(2, 0.6), ...dots(3, 0.6)) })).toMatch(
      /signals “\.\.\. -- \.\.\.”; it should signal “\.\.\.---\.\.\.”\.$/,
    );
  });
});
