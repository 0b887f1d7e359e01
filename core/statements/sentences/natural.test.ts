import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence } from '../../stimuli';
import { readBegun } from './begun';

const parts = [
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'S1', kind: 'button' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'Z1', kind: 'buzzer' },
  { ref: 'K1', kind: 'relay' },
  { ref: 'X1', kind: 'motion-sensor' },
];

function begun(text: string): { readonly done: readonly string[]; readonly seen: readonly string[] } {
  const read = readBegun(text, parts);
  return read.ok
    ? { done: read.value.stimuli.map(stimulusSentence), seen: read.value.expect.map(expectationSentence) }
    : { done: [], seen: [`NOT: ${read.problems[0]!.message}`] };
}
const seen = (text: string): readonly string[] => begun(text).seen;

describe('motion', () => {
  const MOVES = ['something moves before X1 at 2 s for 2 s'];

  test.each([
    ['D1 is on when motion is detected', ['D1 goes on within 0.1 s of X1']],
    ['D1 comes on when X1 sees somebody', ['D1 goes on within 0.1 s of X1']],
    ['when there is movement, D1 turns on', ['D1 goes on within 0.1 s of X1']],
    ['Z1 beeps twice when X1 detects motion', ['Z1 chirps 2 times after X1']],
    [
      'Z1 sounds for 1 s when X1 detects motion',
      [
        'Z1 sounds all the time from 0.1 s to 0.9 s after X1',
        'Z1 is silent all the time from 1.1 s after X1',
      ],
    ],
    [
      'K1 is on while motion is seen',
      ['K1 is pulled in from 0.1 s to 1.9 s after X1', 'K1 is let go from 2.1 s after X1'],
    ],
    ['D1 goes off when motion stops', ['D1 is off all the time from 2.1 s after X1']],
    ['D1 goes off as soon as nothing moves any more', ['D1 is off all the time from 2.1 s after X1']],
    ['K1 turns off 10 s after the last motion', ['K1 is let go from 12.1 s after X1']],
    ['K1 switches on after 5 s without motion', ['K1 is pulled in from 7.1 s after X1']],
  ])('%s', (text, meant) => {
    expect(begun(text)).toEqual({ done: MOVES, seen: meant });
  });
});

describe('presses', () => {
  const HELD = ['D1 is off all the time until 1.9 s after S1', 'D1 is on all the time from 2.1 s after S1'];

  test.each<readonly [text: string, done: readonly string[], seen: readonly string[]]>([
    ['D1 comes on when I press S1', ['press S1 at 2 s for 0.3 s'], ['D1 goes on within 0.1 s of S1']],
    [
      'D1 is on from the second press',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s'],
      ['D1 is on all the time from 2.1 s'],
    ],
    [
      'pressing S1 again turns D1 off',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s'],
      ['D1 is off all the time from 2.1 s'],
    ],
    [
      'pressing S1 a third time turns D1 off',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
      ['D1 is off all the time from 3.1 s'],
    ],
    ['holding S1 for 2 s turns D1 on', ['press S1 at 2 s for 3 s'], HELD],
    ['D1 goes on once S1 was held for 2 s', ['press S1 at 2 s for 3 s'], HELD],
  ])('%s', (text, done, meant) => {
    expect(begun(text)).toEqual({ done, seen: meant });
  });
});

describe('rhythms', () => {
  test.each([
    ['D1 blinks once every 2 seconds', 'D1 lit 1 s, dark 1 s, over and over'],
    ['D1 is on for 100 ms every second', 'D1 lit 0.1 s, dark 0.9 s, over and over'],
    ['D1 flashes for 0.2 s every 2 s', 'D1 lit 0.2 s, dark 1.8 s, over and over'],
  ])('%s', (text, meant) => {
    expect(seen(text)).toEqual([meant]);
  });

  test.each([
    ['D1 flashes 2 times and then waits 1 s', 'lit 0.2 s, dark 0.2 s, lit 0.2 s, dark 1 s'],
    ['D1 flashes nine times, then waits 1 s', 'D1 flashes 3 times'],
    ['D1 is on for about a third of the time', 'lit 2 s, dark 1 s'],
    ['D1 is lit more than 50 % of the time', 'lit 2 s, dark 1 s'],
    ['D1 has a duty cycle of 25 %', 'lit 2 s, dark 1 s'],
    ['D1 stops blinking while S1 is held', 'Say what is seen instead'],
  ])('“%s” lacks something, and what it is is said', (text, lacks) => {
    expect(seen(text)[0]).toMatch(/^NOT: Say /);
    expect(seen(text)[0]).toContain(lacks);
  });
});

describe('brightness, angles and prints', () => {
  test.each([
    ['D1 is nearly off', 'D1 is between 0 and 20 % bright'],
    ['D1 is barely lit from 2 s', 'D1 is between 0 and 20 % bright from 2 s'],
    ['D1 is almost fully bright', 'D1 is between 60 and 100 % bright'],
    ['D1 brightness follows P1', 'D1 follows P1'],
    ['the brightness of D1 follows P1', 'D1 follows P1'],
    ['M1 is at the angle of P1', 'M1 follows P1'],
    ['M1 points to the position set by P1', 'M1 follows P1'],
    ['M1 goes back to 0° after 3 s', 'M1 stands at 0° from 3.1 s'],
    ['M1 returns to 0°', 'M1 stands at 0°'],
    ['prints between 0 and 1023', 'prints a number between 0 and 1023'],
  ])('%s', (text, meant) => {
    expect(seen(text)).toEqual([meant]);
  });

  test('a line that nothing is known of is asked for', () => {
    expect(seen('prints a new line every second')).toEqual([
      'NOT: Say what is printed: prints "ready", or prints a number between 0 and 1023.',
    ]);
  });
});
