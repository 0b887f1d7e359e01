import { describe, expect, test } from 'vitest';
import { figure, milliamps, ohms, seconds, times, volts } from './units';
import { listText } from './words/words';

describe('a number for a person', () => {
  test.each([
    [0, '0'],
    [0.004, '0.004'],
    [0.000_03, '0.00003'],
    [3e-9, '0'],
    [0.09, '0.09'],
    [0.5, '0.5'],
    [8.532, '8.5'],
    [10, '10'],
    [84.07, '84.1'],
    [330, '330'],
    [16_611.3, '16611'],
    [-8.53, '-8.5'],
  ])('%d is %s', (amount, text) => {
    expect(figure(amount)).toBe(text);
  });

  test('carries its unit', () => {
    expect(milliamps(8.53)).toBe('8.5 mA');
    expect(volts(5)).toBe('5.0 V');
    expect([330, 4700, 1e6].map(ohms)).toEqual(['330 Ω', '4.7 kΩ', '1.0 MΩ']);
  });
});

describe('a duration for a person', () => {
  test.each([
    [0, '0 s'],
    [0.000012, '12 µs'],
    [0.003, '3.0 ms'],
    [0.02, '20 ms'],
    [0.5, '0.50 s'],
    [2.5, '2.5 s'],
    [2.999_99, '3 s'],
    [12, '12 s'],
    [120.4, '120.4 s'],
  ])('%d s is %s', (amount, text) => {
    expect(seconds(amount)).toBe(text);
  });
});

test('counts and lists read as sentences do', () => {
  expect([1, 2, 4].map(times)).toEqual(['once', 'twice', '4 times']);
  expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map(listText)).toEqual(['', 'a', 'a and b', 'a, b and c']);
});
