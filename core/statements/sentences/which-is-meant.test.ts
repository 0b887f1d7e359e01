import { describe, expect, test } from 'vitest';
import { readBegun } from './begun';
import { readDone } from './done';
import type { Named } from './plain';

const lamp: Named = { ref: 'D1', kind: 'led', value: 'red' };
const two = (kind: string, letter: string): readonly Named[] => [
  lamp,
  { ref: `${letter}1`, kind },
  { ref: `${letter}2`, kind },
];
const told = (sentence: string, parts: readonly Named[]): string => {
  const read = readBegun(sentence, parts);
  return read.ok ? 'read' : read.problems[0]!.message;
};

describe('a condition that names no sensor, where there are several', () => {
  test.each([
    ['distance-sensor', 'D1 is off when something is closer than 20 cm, otherwise on', 'distance sensor'],
    ['distance-sensor', 'D1 is on when the distance is below 10 cm', 'distance sensor'],
    ['light-sensor', 'D1 is on when it is dark', 'light sensor'],
    ['light-sensor', 'when it gets brighter than 60 %, D1 is off', 'light sensor'],
    ['temperature-sensor', 'D1 is on while the temperature is above 25 °C', 'temperature sensor'],
    ['motion-sensor', 'D1 is on when somebody moves', 'motion sensor'],
  ])('of %s: %s', (kind, sentence, called) => {
    const parts = two(kind, 'X');
    expect(told(sentence, parts)).toBe(`Which ${called} is meant? There are X1 and X2.`);
    expect(told(sentence, parts.slice(0, 2))).toBe('read');
  });

  test('is not asked about where it is named, or where nothing is measured', () => {
    const parts = two('distance-sensor', 'X');
    expect(told('D1 hums when X1 sees something closer than 20 cm', parts)).toMatch(/is not understood/);
    expect(told('D1 hums something at a distance', parts)).toMatch(/is not understood/);
  });

  test('and what is done to a sensor that is not named is asked about likewise', () => {
    const read = readDone('turn the knob to the middle', two('potentiometer', 'P'), []);
    expect(read.ok ? '' : read.problems[0]!.message).toBe('Which knob is meant? There are P1 and P2.');
  });
});
