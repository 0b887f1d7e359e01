import { describe, expect, test } from 'vitest';
import { randomFrom } from '../random';
import { sameForAllNumbers } from './joined-limits';
import { meets, type Limit } from './limit';

const OPERATORS = ['<', '<=', '>', '>=', '==', '!='];
const joints = { and: '&&', or: '||' };

function limit(operator: string, value: number, subject = 'level'): Limit {
  const span = { line: 3, column: 7, endLine: 3, endColumn: 20 };
  return { subject, operator, value, line: 3, column: 7, text: `${subject} ${operator} ${value}`, span };
}

describe('questions about one number that are asked together', () => {
  test('are told exactly where every number gets the same answer', () => {
    const random = randomFrom(11);
    const below = (most: number): number => Math.floor(random() * most);
    let told = 0;
    for (let turn = 0; turn < 3000; turn += 1) {
      const limits = Array.from({ length: 2 + below(2) }, () => limit(OPERATORS[below(6)]!, below(6)));
      const by = random() < 0.5 ? 'and' : 'or';
      const answers = Array.from({ length: 90 }, (_, index) => {
        const each = limits.map((one) => meets(index / 10 - 2, one));
        return by === 'and' ? each.every(Boolean) : each.some(Boolean);
      });
      const isSame = answers.every((answer) => answer === (by === 'or'));
      const problems = sameForAllNumbers({ by, limits, words: [] }, joints);
      expect(problems.length > 0, `${by} ${limits.map(({ text }) => text).join(', ')}`).toBe(isSame);
      told += problems.length;
    }
    expect(told).toBeGreaterThan(200);
  });

  test('of two things have nothing to do with each other', () => {
    const limits = [limit('>', 5), limit('<', 9, 'other')];
    expect(sameForAllNumbers({ by: 'or', limits, words: [] }, joints)).toEqual([]);
  });

  test('are mended by the other word between them, where they are all that is asked', () => {
    const limits = [limit('>=', 3), limit('<', 7)];
    const words = [{ line: 3, column: 18, text: '||' }];
    const [problem] = sameForAllNumbers({ by: 'or', limits, words }, joints);
    expect(problem?.repair).toEqual({
      text: 'Write && instead of || in line 3.',
      edits: [{ replace: { line: 3, column: 18, length: 2, by: '&&' } }],
    });
    const more = { by: 'or', limits, words: [...words, { line: 3, column: 30, text: '||' }] } as const;
    expect(sameForAllNumbers(more, joints)[0]?.repair).toBeUndefined();
  });
});
