import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import type { Stimulus } from '../../stimuli';
import { readExpected } from './expected';

const parts = [
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'Z1', kind: 'buzzer' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'M2', kind: 'motor' },
  { ref: 'S1', kind: 'button' },
  { ref: 'S2', kind: 'button' },
  { ref: 'L1', kind: 'light-sensor' },
  { ref: 'T1', kind: 'temperature-sensor' },
];
const done: readonly Stimulus[] = [
  { at: 2, press: 'S1', for: 0.3 },
  { at: 0, light: 'L1', to: 0.9 },
  { at: 3, light: 'L1', to: 0.05 },
  { at: 0, warm: 'T1', to: 20 },
  { at: 3, warm: 'T1', to: 35 },
];
const expected = (text: string): readonly string[] => {
  const read = readExpected(text, parts, done);
  return read.ok ? read.value.map(expectationSentence) : [`NOT: ${read.problems[0]!.message}`];
};

describe('what is so until a press, and what comes then', () => {
  const offThenOn = ['D1 is off all the time until 2 s', 'D1 is on all the time from 2.1 s'];
  test.each([
    'D1 is off until S1 is pressed, then on',
    'D1 is off until S1 is pressed and then on',
    'D1 stays off until S1 is pressed, then it is on',
    'D1 is off until the button S1 is pressed, then it goes on',
    'D1 is off before S1 is pressed and on afterwards',
    'D1 is off at first and on after S1 is pressed',
    'D1 is off, then on after S1',
  ])('%s', (text) => {
    expect(expected(text)).toEqual(offThenOn);
  });

  test.each([
    [
      'D1 is on until S1 is pressed, then off',
      ['D1 is on all the time until 2 s', 'D1 is off all the time from 2.1 s'],
    ],
    [
      'Z1 is silent until S1 is pressed, then beeps twice',
      ['Z1 is silent all the time until 2 s', 'Z1 chirps 2 times after S1'],
    ],
    [
      'D1 is off until S1 is pressed, then blinks 3 times',
      ['D1 is off all the time until 2 s', 'D1 flashes 3 times after S1'],
    ],
    [
      'M1 is at 0° until S1 is pressed, then at 90°',
      ['M1 stands at 0° until 2 s', 'M1 stands at 90° after S1'],
    ],
    [
      'Z1 is silent until S1 is pressed, then sounds between 400 and 500 Hz',
      ['Z1 is silent all the time until 2 s', 'Z1 sounds between 400 Hz and 500 Hz after S1'],
    ],
    [
      'M2 runs at 40 to 60 % when S1 is pressed',
      ['M2 turns forwards between 40 % and 60 % of its speed from 0.1 s after S1'],
    ],
    ['D1 goes on when S1 is pressed and stays on', ['D1 is on all the time from 0.1 s after S1']],
    ['when S1 is pressed, D1 goes off and stays off', ['D1 is off all the time from 0.1 s after S1']],
    [
      'D1 is on for 3 s after S1 is pressed, then off',
      ['D1 is on all the time from 0.1 s to 2.9 s after S1', 'D1 is off all the time from 3.1 s after S1'],
    ],
  ])('%s', (text, sentences) => {
    expect(expected(text)).toEqual(sentences);
  });

  test.each([
    [
      'pressing S1 turns D1 on for 1 s',
      ['D1 is on all the time from 0.1 s to 0.9 s after S1', 'D1 is off all the time from 1.1 s after S1'],
    ],
    [
      'D1 is on 1 s after M1',
      ['NOT: Nothing is done to M1, so say when it begins: “from 1 s”, or after what is pressed.'],
    ],
  ])('%s', (text, sentences) => {
    expect(expected(text)).toEqual(sentences);
  });

  test('of a button that nobody presses is asked for', () => {
    expect(expected('D1 is off until S2 is pressed, then blinks 3 times')).toEqual([
      'NOT: Say first when S2 is pressed: press S2 at 2 s.',
    ]);
  });
});

describe('what is so until a sensor sees something, and what comes then', () => {
  test.each([
    ['D1 is off until it gets dark, then on', 'D1 is on all the time from 3.5 s'],
    ['D1 is on until it is warmer than 30 °C, then off', 'D1 is off all the time from 3.5 s'],
  ])('%s', (text, after) => {
    expect(expected(text).at(-1)).toBe(after);
    expect(expected(text)).toHaveLength(2);
  });
});

describe('a servo in the middle', () => {
  test.each([
    ['M1 is in the middle from 2 s', 'M1 stands at 90° from 2 s'],
    ['M1 goes to the centre when S1 is pressed', 'M1 stands at 90° from 0.1 s after S1'],
  ])('%s', (text, sentence) => {
    expect(expected(text)).toEqual([sentence]);
  });
});

test('tones are asked how long they last', () => {
  expect(expected('Z1 plays 262 Hz, 330 Hz, then 392 Hz')[0]).toMatch(
    /^NOT: Say how long each of them lasts/,
  );
});
