import { describe, expect, test } from 'vitest';
import { lightNamed } from './light';

const at = (...changes: readonly (readonly [number, number])[]) =>
  changes.map(([moment, currentMa]) => ({ at: moment, currentMa }));
const trace = {
  leds: new Map([
    ['D1.red', at([0, 0], [1, 8], [3, 0])],
    ['D1.green', at([0, 0], [2, 5])],
    ['D10', at([0, 4])],
  ]),
  ownLights: new Map([['U1.lamp', at([0, 1])]]),
};

describe('a light by its name', () => {
  test('is one of a housing, or the whole of it, as bright as the brightest at each moment', () => {
    expect(lightNamed(trace, 'D1.green')).toEqual(at([0, 0], [2, 5]));
    expect(lightNamed(trace, 'D1')).toEqual(at([0, 0], [1, 8], [2, 8], [3, 5]));
  });

  test('may be that of the board', () => {
    expect(lightNamed(trace, 'U1.lamp')).toEqual(at([0, 1]));
  });

  test('is none where nothing of that name gives light', () => {
    expect(lightNamed(trace, 'D2')).toBeUndefined();
    expect(lightNamed(trace, '')).toBeUndefined();
  });
});
