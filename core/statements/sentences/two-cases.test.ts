import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence } from '../../stimuli';
import { readBegun } from './begun';

const parts = [
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'D2', kind: 'led', value: 'green' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'M2', kind: 'motor' },
  { ref: 'Z1', kind: 'buzzer' },
  { ref: 'S1', kind: 'button' },
  { ref: 'S2', kind: 'button' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'L1', kind: 'light-sensor' },
  { ref: 'T1', kind: 'temperature-sensor' },
  { ref: 'X1', kind: 'distance-sensor' },
];

/** What is done and what must be seen then, as sentences. */
const begun = (text: string): readonly [done: readonly string[], seen: readonly string[]] => {
  const read = readBegun(text, parts);
  return read.ok
    ? [read.value.stimuli.map(stimulusSentence), read.value.expect.map(expectationSentence)]
    : [[], [`NOT: ${read.problems[0]!.message}`]];
};
const seen = (text: string): readonly string[] => begun(text)[1];

/** What is so from 0.5 to 1.9 s and from 5.5 s on, and what between 2.5 and 4.9 s. */
const outside = (said: string): readonly string[] => [`${said} from 0.5 s to 1.9 s`, `${said} from 5.5 s`];
const inside = (said: string): string => `${said} from 2.5 s to 4.9 s`;
const lit = [
  'D1 is on all the time from 2.5 s to 4.9 s',
  'D1 is off all the time until 1.9 s',
  'D1 is off all the time from 5.5 s',
];

describe('two cases of one part', () => {
  test.each<readonly [sentence: string, seen: readonly string[]]>([
    ['D1 is on in the dark and off in the light', lit],
    ['D1 on when dark, off when bright', lit],
    ['D1 is on when it is dark, otherwise off', lit],
    ['D1 is on when it is dark and off otherwise', lit],
    [
      'the servo is at 0 in the dark and at 90 in the light',
      [inside('M1 stands at 0°'), ...outside('M1 stands at 90°')],
    ],
    [
      'the servo turns to 90 degrees at night and to 0 degrees by day',
      [inside('M1 stands at 90°'), ...outside('M1 stands at 0°')],
    ],
    [
      'the servo is at 90 when it is warmer than 30 °C, otherwise at 0',
      [inside('M1 stands at 90°'), ...outside('M1 stands at 0°')],
    ],
    [
      'M2 turns when it is hotter than 28 °C and stands still when it is colder',
      [inside('M2 turns forwards'), 'M2 stands still until 1.9 s', 'M2 stands still from 5.5 s'],
    ],
    [
      'D1 flashes 3 times in the dark and 5 times in the light',
      [
        'D1 flashes 3 times from 2 s to 4.9 s',
        'D1 flashes 5 times until 1.9 s',
        'D1 flashes 5 times from 5 s',
      ],
    ],
    [
      'prints "dark" in the dark and "bright" in the light',
      [
        'the serial text contains “dark” from 2 s to 4.9 s',
        'the serial text contains “bright” until 1.9 s',
        'the serial text contains “bright” from 5 s',
      ],
    ],
    [
      'D1 is on when S1 is pressed and off when S2 is pressed',
      ['D1 goes on within 0.1 s of S1', 'D1 goes off within 0.1 s of S2'],
    ],
    [
      'Z1 sounds at 440 Hz when S1 is held and at 880 Hz when S2 is held',
      [
        'Z1 sounds at 440 Hz from 0.1 s to 1.9 s after S1',
        'Z1 sounds at 880 Hz from 0.1 s to 1.9 s after S2',
      ],
    ],
    [
      'D1 is on when S1 is held, otherwise off',
      ['D1 is on all the time from 0.1 s to 1.9 s after S1', 'D1 is off all the time from 2.1 s after S1'],
    ],
  ])('%s', (sentence, expected) => {
    expect([...seen(sentence)].sort()).toEqual([...expected].sort());
  });

  test('between two limits nothing is said, and both are tried clearly', () => {
    expect(begun('D1 is on when it is warmer than 30 °C and off when it is colder than 25 °C')).toEqual([
      ['warm T1 to 20 °C at 0 s', 'warm T1 to 35 °C at 2 s', 'warm T1 to 20 °C at 5 s'],
      lit,
    ]);
  });
});

describe('two cases of two parts', () => {
  test.each([
    'green below 25 degrees, red above',
    'green below 25 °C and red above it',
    'the green LED is on below 25 °C, the red one above 25 °C',
    'D2 is on when it is colder than 25 °C and D1 when it is warmer',
  ])('%s', (sentence) => {
    expect(seen(sentence)).toEqual([
      'D2 is off all the time until 1.9 s',
      'D2 is on all the time from 2.5 s to 4.9 s',
      'D2 is off all the time from 5.5 s',
      'D1 is on all the time from 0.5 s to 1.9 s',
      'D1 is off all the time from 2.5 s to 4.9 s',
      'D1 is on all the time from 5.5 s',
    ]);
  });

  test('each button is held after the other', () => {
    expect(begun('D1 is on while S1 is held, D2 is on while S2 is held')[0]).toEqual([
      'press S1 at 2 s for 2 s',
      'press S2 at 6 s for 2 s',
    ]);
  });
});

describe('a limit that is missing is asked for', () => {
  test.each([
    [
      'red when hot, green when cold',
      'NOT: Say where the limit is: “D1 is on when it is warmer than 25 °C”.',
    ],
    ['D2 is on when it is too cold', 'NOT: Say where the limit is: “D2 is on when it is colder than 20 °C”.'],
    [
      'Z1 sounds when something is near',
      'NOT: Say where the limit is: “Z1 sounds when something is closer than 20 cm”.',
    ],
  ])('%s', (sentence, problem) => {
    expect(seen(sentence)).toEqual([problem]);
  });
});

/** The time for which a sentence says something, in seconds. */
function windowOf(sentence: string): readonly [from: number, to: number] {
  const [, from = '0', to] = / from ([\d.]+) s(?: to ([\d.]+) s)?$/.exec(sentence) ?? [];
  const until = / until ([\d.]+) s$/.exec(sentence)?.[1];
  return [Number(from), Number(to ?? until ?? Infinity)];
}

describe('whatever is measured and said', () => {
  const cases = [
    ['in the dark', 'in the light'],
    ['when P1 is above 60 %', 'when P1 is below 40 %'],
    ['when it is warmer than 30 °C', 'when it is colder than 22 °C'],
    ['closer than 10 cm', 'farther than 40 cm'],
    ['below 20 cm', 'above'],
  ] as const;
  const states = [
    ['D1 is on', 'off'],
    ['Z1 sounds', 'is silent'],
    ['M1 stands at 10°', 'at 170°'],
    ['M2 turns', 'stands still'],
  ] as const;
  test.each(
    cases.flatMap(([one, other]) =>
      states.flatMap(([first, second]) => [
        `${first} ${one} and ${second} ${other}`,
        `${first} ${one}, ${second} ${other}`,
      ]),
    ),
  )('%s', (sentence) => {
    const all = seen(sentence);
    expect(all.length).toBeGreaterThan(1);
    expect(all.join()).not.toContain('NOT');
    const windows = all.map(windowOf).sort(([one], [other]) => one - other);
    // Nothing is said to be so and not so at one time.
    for (const [index, [, to]] of windows.slice(0, -1).entries())
      expect(to).toBeLessThan(windows[index + 1]![0]);
  });
});
