import { describe, expect, test } from 'vitest';
import { expectationSentence, type Expectation } from '../../expectations';
import { readExpected } from './expected';

const parts = [
  { ref: 'U1', kind: 'board' },
  { ref: 'D1', kind: 'led' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'M2', kind: 'motor' },
  { ref: 'Z1', kind: 'buzzer' },
  { ref: 'S1', kind: 'button' },
];
const pressed = [{ at: 2, press: 'S1', for: 1 }];
const expected = (text: string): readonly string[] => {
  const read = readExpected(text, parts, pressed);
  return read.ok ? read.value.map(expectationSentence) : [`NOT: ${read.problems[0]!.message}`];
};

/** What can be measured of a part: how it is said before a figure and behind it, and what comes of limits. */
const measures: readonly {
  readonly said: string;
  readonly unit: string;
  readonly ends: readonly [number, number];
  readonly means: (least: number, most: number) => Expectation;
}[] = [
  {
    said: 'D1 is',
    unit: ' %',
    ends: [0, 100],
    means: (least, most) => ({ lamp: 'D1', brightness: [least / 100, most / 100] }),
  },
  {
    said: 'M1 stands',
    unit: '°',
    ends: [0, 180],
    means: (least, most) => ({ servo: 'M1', angle: [least, most] }),
  },
  {
    said: 'Z1 sounds',
    unit: ' Hz',
    ends: [0, 20_000],
    means: (least, most) => ({ buzzer: 'Z1', tone: [least, most] }),
  },
  {
    said: 'M2 turns',
    unit: ' %',
    ends: [0, 200],
    means: (least, most) => ({ motor: 'M2', turns: 'forwards', speed: [least / 100, most / 100] }),
  },
];

describe('a figure that may be one of several', () => {
  const ways: readonly (readonly [
    string,
    (unit: string) => string,
    (ends: readonly [number, number]) => readonly [number, number],
  ])[] = [
    ['between two', (unit) => `between 40 and 60${unit}`, () => [40, 60]],
    ['between two with their units', (unit) => `between 40${unit} and 60${unit}`, () => [40, 60]],
    ['at one to another', (unit) => `at 40 to 60${unit}`, () => [40, 60]],
    ['with a dash', (unit) => `at 40-60${unit}`, () => [40, 60]],
    ['with a long dash', (unit) => `at 40–60${unit}`, () => [40, 60]],
    ['the larger one first', (unit) => `between 60 and 40${unit}`, () => [40, 60]],
    ['give or take', (unit) => `at 50${unit}, give or take 10${unit}`, () => [40, 60]],
    ['plus or minus', (unit) => `at 50${unit} ± 10${unit}`, () => [40, 60]],
    ['within some of one', (unit) => `within 10${unit} of 50${unit}`, () => [40, 60]],
    ['more than one', (unit) => `at more than 40${unit}`, ([, most]) => [40, most]],
    [
      'at least one',
      (unit) => `at least at 40${unit}`.replace('least at', 'least'),
      ([, most]) => [40, most],
    ],
    ['one or more', (unit) => `at 40${unit} or more`, ([, most]) => [40, most]],
    ['less than one', (unit) => `at less than 60${unit}`, ([least]) => [least, 60]],
    ['at most one', (unit) => `at most 60${unit}`, ([least]) => [least, 60]],
    ['one or less', (unit) => `at 60${unit} or less`, ([least]) => [least, 60]],
  ];
  test.each(
    measures.flatMap((measure) => ways.map(([name, say, limits]) => ({ ...measure, name, say, limits }))),
  )('$said $name, of $unit', ({ said, unit, ends, means, say, limits }) => {
    for (const [tail, window] of [
      ['', {}],
      [' from 1 s', { from: 1 }],
      [' from 1 s to 3 s', { from: 1, to: 3 }],
    ] as const)
      expect(expected(`${said} ${say(unit)}${tail}`)).toEqual([
        expectationSentence({ ...means(...limits(ends)), ...window } as Expectation),
      ]);
  });

  test.each([
    ['D1’s brightness is 20 to 30 %', ['D1 is between 20 and 30 % bright']],
    ['D1 is at 25 %', ['D1 is between 15 and 35 % bright']],
    ['D1 is 20 to 30 % bright when S1 is pressed', ['D1 is between 20 and 30 % bright from 0.1 s after S1']],
    ['M1 is at about 90° when S1 is pressed', ['M1 stands between 80° and 100° from 0.1 s after S1']],
    ['M1 goes to more than 90° when S1 is pressed', ['M1 stands at 90° or more from 0.1 s after S1']],
    ['M1 is above 170°', ['M1 stands at 170° or more']],
    ['the servo is around 90 degrees', ['M1 stands between 80° and 100°']],
    ['servo between 80 and 100 degrees from 2 s', ['M1 stands between 80° and 100° from 2 s']],
    ['M1 is at 175° ± 10°', ['M1 stands at 165° or more']],
    ['Z1 plays a tone of about 200 Hz', ['Z1 sounds between 180 Hz and 220 Hz']],
    ['Z1 is at 262 Hz from 1 s', ['Z1 sounds at 262 Hz from 1 s']],
    ['M2 turns backwards at about half speed', ['M2 turns backwards between 35 % and 65 % of its speed']],
    ['M2 runs at a quarter of its speed', ['M2 turns forwards at 25 % of its speed']],
    ['M2 spins faster than 40 % from 1 s', ['M2 turns forwards at 40 % or more of its speed from 1 s']],
  ])('%s', (text, sentences) => {
    expect(expected(text)).toEqual(sentences);
  });

  test.each([
    ['D1 is at 120 %', 'An LED is at most 100 % bright.'],
    ['M1 is between 170° and 190°', 'A servo turns from 0° to 180°.'],
    ['Z1 sounds above 30000 Hz', 'Nobody hears a tone of more than 20000 Hz.'],
    ['M2 turns at 300 %', 'A motor turns at most twice as fast as it is made for.'],
  ])('%s is told why it can’t be', (text, why) => {
    expect(expected(text)).toEqual([`NOT: ${why}`]);
  });
});

describe('how often something happens', () => {
  test.each([
    ['D1 blinks 2 to 3 times from 1 s to 3 s', 'D1 flashes 2 to 3 times from 1 s to 3 s'],
    ['D1 blinks two or three times', 'D1 flashes 2 to 3 times'],
    ['D1 blinks between 5 and 7 times', 'D1 flashes 5 to 7 times'],
    ['D1 blinks 5-7 times', 'D1 flashes 5 to 7 times'],
    ['D1 blinks 7 to 5 times', 'D1 flashes 5 to 7 times'],
    ['D1 blinks once or twice', 'D1 flashes 1 to 2 times'],
    ['D1 blinks more than 5 times', 'D1 flashes 6 times or more'],
    ['D1 blinks no fewer than 5 times', 'D1 flashes 5 times or more'],
    ['D1 flashes at most twice', 'D1 flashes at most 2 times'],
    ['D1 flashes no more than once after S1', 'D1 flashes at most once after S1'],
    ['D1 flashes fewer than 4 times', 'D1 flashes at most 3 times'],
    ['D1 flashes about 20 times', 'D1 flashes 18 to 22 times'],
    ['Z1 beeps up to 3 times', 'Z1 chirps at most 3 times'],
    ['prints "tick" between 2 and 4 times', 'prints “tick” 2 to 4 times'],
    ['it prints "tick" at most 3 times until 4 s', 'prints “tick” at most 3 times until 4 s'],
    ['the program prints "tick" more than 5 times', 'prints “tick” 6 times or more'],
  ])('%s', (text, sentence) => {
    expect(expected(text).map((one) => one.replaceAll(' ', ' '))).toEqual([sentence]);
  });

  test('of what happens fewer times than never is not read', () => {
    expect(expected('D1 flashes fewer than 0 times')[0]).toMatch(/^NOT: .*not understood/);
  });
});
