import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence } from '../../stimuli';
import { readBegun } from './begun';
import { readExpected } from './expected';

const parts = [
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'D2', kind: 'led', value: 'green' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'X1', kind: 'distance-sensor' },
  { ref: 'S1', kind: 'button' },
];
const begun = (text: string): readonly string[] => {
  const read = readBegun(text, parts);
  if (!read.ok) return [`NOT: ${read.problems[0]!.message}`];
  return [...read.value.stimuli.map(stimulusSentence), ...read.value.expect.map(expectationSentence)];
};

describe('what must be seen at one setting', () => {
  test.each([
    ['M1 points to 90° when P1 is in the middle', ['turn P1 to 50 % at 0 s', 'M1 stands at 90° from 0.5 s']],
    ['D1 is off if P1 is at 0 %', ['turn P1 to 0 % at 0 s', 'D1 is off all the time from 0.5 s']],
    ['D1 is on when X1 sees 10 cm', ['something 0.1 m before X1 at 0 s', 'D1 is on all the time from 0.5 s']],
  ])('is done from the beginning: %s', (text, sentences) => expect(begun(text)).toEqual(sentences));

  test('is looked at while it is so', () => {
    const done = [0.2, 0.5, 0.9].map((to, index) => ({ at: index * 2, turn: 'P1', to }));
    const read = readExpected('M1 stands at 90° when P1 is in the middle', parts, done);
    expect(read.ok && read.value.map(expectationSentence)).toEqual(['M1 stands at 90° from 2.5 s to 3.9 s']);
    const never = readExpected('M1 stands at 45° when P1 is at 25 %', parts, done);
    expect(never.ok ? '' : never.problems[0]!.message).toContain('Say first when that is so: P1 is at 25 %');
  });
});

describe('lengths and beginnings', () => {
  test.each([
    ['D1 is on for at least 2 s', ['D1 is on all the time until 2 s']],
    ['D1 is on 3 s after the start', ['D1 is on all the time from 3 s']],
    ['D1 is off within 1 s of the start', ['D1 is off all the time from 1 s']],
  ])('%s', (text, sentences) => expect(begun(text)).toEqual(sentences));

  test('lights one after another are so long each', () => {
    expect(begun('D1 and D2 light up one after another for 0.5 s each')).toEqual([
      'D1 is on all the time from 0.1 s to 0.4 s',
      'D1 is off all the time from 0.6 s to 0.9 s',
      'D2 is off all the time from 0.1 s to 0.4 s',
      'D2 is on all the time from 0.6 s to 0.9 s',
    ]);
  });

  test('a button that is let go is followed by what comes later', () => {
    const done = [{ at: 1, press: 'S1', for: 2 }];
    const read = readExpected('D1 goes off 2 s after S1 is released', parts, done);
    expect(read.ok && read.value.map(expectationSentence)).toEqual([
      'D1 is off all the time from 4.1 s after S1',
    ]);
  });

  test.each([
    ['D1 blinks faster as P1 is turned up', 'Say how often at two settings'],
    ['the LED flickers', 'Which LED is meant? There are D1 and D2.'],
  ])('what cannot be said is answered: %s', (text, answer) => expect(begun(text)[0]).toContain(answer));
});
