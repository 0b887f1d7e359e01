import { describe, expect, test } from 'vitest';
import { readExpectation } from './expectation-line';
import { expectationSentence, type Expectation } from './scenario';

const all: readonly Expectation[] = [
  { lamp: 'D1', is: 'on' },
  { lamp: 'D2', is: 'off', from: 1, to: 3 },
  { lamp: 'D1', rhythm: [0.5, 2.5], tolerance: 0.1 },
  { lamp: 'D1', rhythm: [0.2, 0.3, 0.4, 1.1], from: 2 },
  { lamp: 'D12', flashes: 3, to: 6, from: 0 },
  { lamp: 'D1', brightness: [0.2, 0.4] },
  { 'never-together': ['D1', 'D2'] },
  { order: ['D1', 'D2', 'D3'] },
  { serial: 'contains', text: 'tide 12' },
  { serial: 'equals', text: 'x' },
];

describe('an expectation', () => {
  test.each(all.map((expectation) => [expectationSentence(expectation), expectation] as const))(
    'is read as it is written: %s',
    (sentence, expectation) => {
      expect(readExpectation(sentence)).toEqual({ ok: true, value: expectation });
    },
  );

  test.each([
    ['D1 on 0.5 s, off 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['d1 flashes 0.5 s, dark 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['D1 is lit', { lamp: 'D1', is: 'on' }],
    ['D1 stays dark', { lamp: 'D1', is: 'off' }],
    ['D1 and D2 never together', { 'never-together': ['D1', 'D2'] }],
    ['D1, then D2', { order: ['D1', 'D2'] }],
    ['prints "tide"', { serial: 'contains', text: 'tide' }],
  ])('is read as people say it: %s', (line, expectation) => {
    expect(readExpectation(line)).toEqual({ ok: true, value: expectation });
  });

  test('that nobody understands is answered with how to write one', () => {
    const read = readExpectation('make it nice');
    expect(!read.ok && read.problems[0]!.message).toContain('Write it like “D1 lit 0.5 s, dark 2.5 s”');
  });
});
