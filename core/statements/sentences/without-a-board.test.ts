import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentenceOf } from '../../stimuli';
import { readBegun } from './begun';
import { readDone } from './done';
import { readExpected } from './expected';

const parts = [
  { ref: 'G1', kind: 'battery', value: '9V block' },
  { ref: 'S1', kind: 'switch' },
  { ref: 'P1', kind: 'potentiometer', value: '10k' },
  { ref: 'L1', kind: 'light-sensor', value: '20k' },
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'D2', kind: 'led', value: 'red' },
  { ref: 'M1', kind: 'motor', value: '5V' },
];

describe('what is done to a switch', () => {
  test.each([
    ['the switch is turned on and then off', ['switch S1 on at 1 s', 'switch S1 off at 2 s']],
    ['S1 is flipped to on at 2 s', ['switch S1 on at 2 s']],
    ['close S1 for 2 s', ['switch S1 on at 1 s', 'switch S1 off at 3 s']],
    ['the switch is on from 1 s to 4 s', ['switch S1 on at 1 s', 'switch S1 off at 4 s']],
    ['S1 is on for 2 s', ['switch S1 on at 1 s', 'switch S1 off at 3 s']],
    ['S1 on at 1 s, off at 3 s', ['switch S1 on at 1 s', 'switch S1 off at 3 s']],
    ['switch S1 on for 2 s at 4 s', ['switch S1 on at 4 s', 'switch S1 off at 6 s']],
    ['S1 is switched off at 1 s for 3 s', ['switch S1 off at 1 s', 'switch S1 on at 4 s']],
  ])('%s', (text, done) => {
    const read = readDone(text, parts, []);
    expect(read.ok && read.value.map((stimulus) => stimulusSentenceOf(stimulus, parts))).toEqual(done);
  });
});

describe('a sentence brings what has to be done', () => {
  const ON_AND_OFF = ['switch S1 on at 0 s', 'switch S1 off at 2 s', 'switch S1 on at 5 s'];
  const BRIGHT_AND_DARK = [
    'light on L1 to 90 % at 0 s',
    'light on L1 to 5 % at 2 s',
    'light on L1 to 90 % at 5 s',
  ];
  const DARK_AND_BRIGHT = [
    'light on L1 to 5 % at 0 s',
    'light on L1 to 90 % at 2 s',
    'light on L1 to 5 % at 5 s',
  ];

  test.each<readonly [text: string, done: readonly string[], seen: readonly string[]]>([
    [
      'M1 stops when S1 is opened',
      ON_AND_OFF,
      [
        'M1 turns forwards from 0.5 s to 1.9 s',
        'M1 stands still from 2.5 s to 4.9 s',
        'M1 turns forwards from 5.5 s',
      ],
    ],
    [
      'D1 is off until S1 is switched on',
      ON_AND_OFF,
      [
        'D1 is on all the time from 0.5 s to 1.9 s',
        'D1 is off all the time from 2.5 s to 4.9 s',
        'D1 is on all the time from 5.5 s',
      ],
    ],
    [
      'S1 is on for 2 s: D1 is on',
      ['switch S1 on at 1 s', 'switch S1 off at 3 s'],
      ['D1 is on all the time from 1.5 s to 2.9 s'],
    ],
    ['with P1 fully up D1 is bright', ['turn P1 to 100 % at 0 s'], ['D1 is between 60 and 100 % bright']],
    // A change is seen from before it on: behind it nothing changes any more.
    ['D1 is dimmer in the dark', BRIGHT_AND_DARK, ['D1 gets darker from 1.9 s to 4.9 s']],
    ['D1 gets darker when it gets dark', BRIGHT_AND_DARK, ['D1 gets darker from 1.9 s to 4.9 s']],
    ['D1 is darker at night', BRIGHT_AND_DARK, ['D1 gets darker from 1.9 s to 4.9 s']],
    ['D1 is brighter in the light', DARK_AND_BRIGHT, ['D1 gets brighter from 1.9 s to 4.9 s']],
  ])('%s', (text, done, seen) => {
    const read = readBegun(text, parts);
    expect(read.ok && read.value.stimuli.map((stimulus) => stimulusSentenceOf(stimulus, parts))).toEqual(
      done,
    );
    expect(read.ok && read.value.expect.map(expectationSentence)).toEqual(seen);
  });
});

test.each([
  ['both LEDs are equally bright', 'Say how bright each of them is: “D1 is at 50 %”, and “D2 is at 50 %”.'],
  [
    'D1 and D2 shine the same brightness',
    'Say how bright each of them is: “D1 is at 50 %”, and “D2 is at 50 %”.',
  ],
  ['D1 is on while S1 is closed', 'Say first when that is so: switch S1 on at 2 s.'],
])('what a sentence leaves open is asked: %s', (text, message) => {
  const read = readExpected(text, parts, []);
  expect(read.ok ? [] : read.problems.map((problem) => problem.message)).toEqual([message]);
});
