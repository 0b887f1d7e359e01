import { describe, expect, test } from 'vitest';
import { kept } from './kept';

describe('what is the same is kept', () => {
  const before = {
    leds: [
      { ref: 'D1', mA: 8 },
      { ref: 'D2', mA: 8 },
    ],
    note: 'as it was',
  };

  test('whole when nothing differs', () => {
    expect(kept(before, structuredClone(before))).toBe(before);
  });

  test('in its parts when something does', () => {
    const after = structuredClone(before);
    after.leds[1]!.mA = 9;
    const result = kept(before, after);
    expect(result).toEqual(after);
    expect(result).not.toBe(before);
    expect(result.leds[0]).toBe(before.leds[0]);
    expect(result.leds[1]).not.toBe(before.leds[1]);
  });

  test.each([
    [[1, 2], [1]],
    [[1], [1, 2]],
    [{ a: 1 }, { a: 1, b: undefined }],
    [{ a: 1 }, [1]],
    [null, { a: 1 }],
    ['a', 'b'],
  ])('but never for another: %j and %j', (one, other) => {
    expect(kept<unknown>(one, other)).toEqual(other);
  });
});
