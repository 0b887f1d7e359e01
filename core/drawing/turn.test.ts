import { describe, expect, test } from 'vitest';
import { textTurn, turnedSize, turnedStep, turnTransform, type QuarterTurns } from './turn';

const turns: readonly QuarterTurns[] = [0, 1, 2, 3];

describe('a turned drawing', () => {
  test('keeps its size, lying or standing', () => {
    expect(turns.map((one) => turnedSize({ width: 300, height: 200 }, one).width)).toEqual([
      300, 200, 300, 200,
    ]);
    expect(turnTransform({ width: 300, height: 200 }, 0)).toBeUndefined();
    expect(turnTransform({ width: 300, height: 200 }, 1)).toBe('translate(200 0) rotate(90)');
  });

  test('never stands a text on its head', () => {
    for (const one of turns)
      for (const text of ['13', 'GND', 'half breadboard, rows 1 to 9']) {
        const degrees = (one * 90 + textTurn(text, one)) % 360;
        expect([0, 90], `${text} after ${one}`).toContain(degrees);
      }
  });

  test('takes an arrow as its viewer means it', () => {
    // After a quarter turn clockwise rows run from right to left, columns from top to bottom.
    expect(turnedStep({ rows: 1, columns: 0 }, 1)).toMatchObject({ columns: 1 });
    expect(turnedStep({ rows: 0, columns: -1 }, 1)).toMatchObject({ rows: 1 });
    expect(turnedStep({ rows: 1, columns: 0 }, 2)).toMatchObject({ rows: -1 });
    expect(turnedStep({ rows: 0, columns: 1 }, 3)).toMatchObject({ rows: 1 });
  });
});
