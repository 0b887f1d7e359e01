import { expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence } from '../../stimuli';
import { readBegun } from './begun';
import { readDone } from './done';
import { readExpected } from './expected';

const parts = [
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'D2', kind: 'led', value: 'green' },
  { ref: 'S1', kind: 'button' },
  { ref: 'L1', kind: 'light-sensor' },
  { ref: 'Z1', kind: 'buzzer' },
  { ref: 'X1', kind: 'distance-sensor' },
];

const begun = (text: string): readonly [done: readonly string[], seen: readonly string[]] => {
  const read = readBegun(text, parts);
  return read.ok
    ? [read.value.stimuli.map(stimulusSentence), read.value.expect.map(expectationSentence)]
    : [[], [`NOT: ${read.problems[0]!.message}`]];
};

const DARK_WHILE_HELD = [
  'light on L1 to 90 % at 0 s',
  'press S1 at 1.5 s for 5 s',
  'light on L1 to 5 % at 3.5 s',
  'light on L1 to 90 % at 8.5 s',
];
const HELD_WHILE_DARK = [
  'light on L1 to 90 % at 0 s',
  'light on L1 to 5 % at 1.5 s',
  'press S1 at 3.5 s for 5 s',
  'light on L1 to 90 % at 6.5 s',
];

test.each<readonly [string, readonly string[], readonly string[]]>([
  [
    'when S1 is pressed and it is dark, D1 is on',
    DARK_WHILE_HELD,
    [
      'D1 is off all the time until 3.4 s',
      'D1 is on all the time from 4 s to 6.4 s',
      'D1 is off all the time from 6.6 s',
    ],
  ],
  [
    'the red LED is on only if it is dark and S1 is pressed',
    HELD_WHILE_DARK,
    [
      'D1 is off all the time until 3.4 s',
      'D1 is on all the time from 3.6 s to 6.4 s',
      'D1 is off all the time from 7 s',
    ],
  ],
  [
    'D1 is on if it is dark or S1 is held',
    HELD_WHILE_DARK,
    [
      'D1 is off all the time until 1.4 s',
      'D1 is on all the time from 2 s to 8.4 s',
      'D1 is off all the time from 8.6 s',
    ],
  ],
  [
    'D1 flashes 3 times when S1 is held and it is dark',
    DARK_WHILE_HELD,
    ['D1 flashes 3 times from 4 s to 6.4 s'],
  ],
  [
    'Z1 sounds while S1 is not pressed and something is closer than 20 cm',
    [
      'press S1 at 0 s for 1.5 s',
      'something 0.4 m before X1 at 0 s',
      'something 0.1 m before X1 at 3.5 s',
      'press S1 at 6.5 s for 1 s',
      'something 0.4 m before X1 at 8.5 s',
    ],
    [
      'Z1 is silent all the time until 3.4 s',
      'Z1 sounds all the time from 4 s to 6.4 s',
      'Z1 is silent all the time from 6.6 s to 7.4 s',
      'Z1 sounds all the time from 7.6 s to 8.4 s',
      'Z1 is silent all the time from 9 s',
    ],
  ],
])('%s', (text, done, seen) => {
  expect(begun(text)).toEqual([done, seen]);
});

test('what is done already says when both hold', () => {
  const done = ['it is dark at 1 s', 'hold S1 from 2 s to 4 s'].reduce<
    readonly ReturnType<typeof doneBy>[number][]
  >((before, text) => [...before, ...doneBy(text, before)], []);
  const read = readExpected('D1 is on when it is dark and S1 is held', parts, done);
  expect(read.ok ? read.value.map(expectationSentence) : read.problems[0]!.message).toEqual([
    'D1 is off all the time until 1.9 s',
    'D1 is on all the time from 2.1 s to 3.9 s',
    'D1 is off all the time from 4.1 s',
  ]);
});

test('where one of two is never so, that is said', () => {
  const read = readExpected(
    'D1 is on when it is dark and S1 is held',
    parts,
    doneBy('it is dark at 1 s', []),
  );
  expect(read.ok ? undefined : read.problems[0]!.message).toBe(
    'Say first, in the lines above, when both are so and when they are not.',
  );
});

test.each<readonly [string, readonly string[]]>([
  ['D1 glows at half brightness', ['D1 is between 40 and 60 % bright']],
  ['D1 is lit at 25 %', ['D1 is between 15 and 35 % bright']],
  ['D1 is dimmed to 30 % from 2 s', ['D1 is between 20 and 40 % bright from 2 s']],
  [
    'D1 mirrors S1',
    ['D1 is on all the time from 0.1 s to 1.9 s after S1', 'D1 is off all the time from 2.1 s after S1'],
  ],
  ['every third press lights D1', ['D1 is off all the time until 3 s', 'D1 is on all the time from 3.1 s']],
  ['D1 is never on at the same time as D2', ['D1 and D2 never lit together']],
  ['D1 comes on slowly over 2 s', ['D1 gets brighter until 2 s']],
  ['D1 fades from 0 to 100 % over 2 s', ['D1 gets brighter until 2 s']],
  ['after 10 s D1 turns off by itself', ['D1 is off all the time from 10.1 s']],
  [
    'hold S1 for 3 s to turn D1 on',
    ['D1 is off all the time until 2.9 s after S1', 'D1 is on all the time from 3.1 s after S1'],
  ],
])('%s', (text, seen) => {
  expect(begun(text)[1]).toEqual(seen);
});

function doneBy(text: string, before: Parameters<typeof readDone>[2]) {
  const read = readDone(text, parts, before);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
}
