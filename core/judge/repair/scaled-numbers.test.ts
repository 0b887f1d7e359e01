import { describe, expect, test } from 'vitest';
import type { Observation } from '../../findings/finding';
import { definitionsIn } from './definitions';
import { scaledNumbers, timesTooSmall } from './scaled-numbers';

const seen = (evidence: Observation['evidence']): Observation => ({
  code: 'timing-off',
  severity: 'fault',
  message: '',
  hints: ['', '', ''],
  evidence,
});
const s = (amount: number) => ({ amount, unit: 's' });

describe('by how much a number is off', () => {
  test.each([
    [{ foundS: s(0.1), wantedS: s(0.2) }, [2]],
    [{ found: s(10), wanted: s(5) }, [0.5]],
    [{ foundS: s(0.1), wantedS: s(0.105) }, []],
    [{ foundS: s(0), wantedS: s(1) }, []],
    [{ litS: s(3) }, []],
  ])('%j', (evidence, times) => {
    expect(timesTooSmall([seen(evidence)])).toEqual(times);
  });

  const written = (source: string, language: 'cpp' | 'python', ...ratios: readonly number[]) =>
    scaledNumbers(source, language, ratios).map(({ token, by }) => `${token.text} → ${by}`);
  test.each([
    ['delay(100);', 'cpp', 2, ['100 → 200']],
    ['int limit = 20;', 'cpp', 0.5, ['20 → 10']],
    ['time.sleep(0.5)', 'python', 4, ['0.5 → 2']],
    // No count of rounds becomes a share of one, and what is few is no time.
    ['delay(7);', 'cpp', 0.5, []],
    ['if n > 3:\n    pass', 'python', 2, []],
    ['Serial.begin(9600);', 'cpp', 2, []],
  ] as const)('%s', (source, language, ratio, expected) => {
    expect(written(source, language, ratio)).toEqual(expected);
  });
});

test('numbers that have a name by a directive', () => {
  const source =
    '#define LED 9\n  # define WAIT 500 // ms\n#define NAME "x"\n#define SUM (3 + 4)\nint x = 7;\n';
  expect(definitionsIn(source).map(({ value: { text, line, column } }) => [text, line, column])).toEqual([
    ['9', 1, 13],
    ['500', 2, 17],
  ]);
});
