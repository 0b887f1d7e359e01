import { describe, expect, test } from 'vitest';
import type { RecordedName } from './recording';
import { curvesOf } from './curves';

const named = (name: string, texts: readonly (string | undefined)[], more: Partial<RecordedName> = {}) => ({
  name,
  values: texts.map((text, index) => ({ at: index / 10, text })),
  ...more,
});

describe('curves of a run', () => {
  test('are of numbers that change, those of the whole program first', () => {
    const curves = curvesOf([
      named('i', ['0', '1', '2'], { within: [3, 9] }),
      named('level', ['400', undefined, '412', '-3.5']),
      named('isOn', ['true', 'false', 'true']),
      named('twice', ['1', '2', '1', '2']),
      named('name', ['"a"', '"b"', '"c"']),
    ]);
    expect(curves.map(({ name }) => name)).toEqual(['level', 'i']);
    expect(curves[0]!.points).toEqual([
      [0, 400],
      [0.2, 412],
      [0.3, -3.5],
    ]);
  });

  test('of very many values keep their first and their last', () => {
    const [curve] = curvesOf([
      named(
        'count',
        Array.from({ length: 10_000 }, (_, index) => String(index)),
      ),
    ]);
    expect(curve!.points.length).toBeLessThan(2000);
    expect(curve!.points[0]![1]).toBe(0);
    expect(curve!.points.at(-1)![1]).toBe(9999);
  });
});
