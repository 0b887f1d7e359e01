import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence, type Stimulus } from '../../stimuli';
import { readBegun } from './begun';
import { readExpected } from './expected';

const parts = [
  { ref: 'D1', kind: 'led' },
  { ref: 'D2', kind: 'led' },
  { ref: 'D4', kind: 'rgb-led' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'M2', kind: 'motor' },
  { ref: 'K1', kind: 'relay' },
  { ref: 'S1', kind: 'button' },
  { ref: 'S2', kind: 'switch' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'L1', kind: 'light-sensor' },
  { ref: 'T1', kind: 'temperature-sensor' },
  { ref: 'X1', kind: 'distance-sensor' },
  { ref: 'X2', kind: 'motion-sensor' },
  { ref: 'X4', kind: 'text-display' },
  { ref: 'N1', kind: 'seven-segment' },
  { ref: 'Z1', kind: 'buzzer' },
];
const begun = (text: string): readonly [done: readonly string[], seen: readonly string[]] => {
  const read = readBegun(text, parts);
  return read.ok
    ? [read.value.stimuli.map(stimulusSentence), read.value.expect.map(expectationSentence)]
    : [[], [`NOT: ${read.problems[0]!.message}`]];
};
const seen = (text: string, done: readonly Stimulus[] = []): readonly string[] => {
  const read = readExpected(text, parts, done);
  return read.ok ? read.value.map(expectationSentence) : [`NOT: ${read.problems[0]!.message}`];
};

describe('a scenario that begins with a condition', () => {
  const DARK = ['light on L1 to 90 % at 0 s', 'light on L1 to 5 % at 2 s', 'light on L1 to 90 % at 5 s'];
  const ON = [
    'D1 is off all the time until 1.9 s',
    'D1 is on all the time from 2.5 s to 4.9 s',
    'D1 is off all the time from 5.5 s',
  ];

  test.each([
    ['D1 is on when it is dark', DARK, ON],
    ['when it gets dark, D1 turns on', DARK, ON],
    ['D1 is only on while it is dark', DARK, ON],
    [
      'D1 is off if it is dark',
      DARK,
      [
        'D1 is on all the time from 0.5 s to 1.9 s',
        'D1 is off all the time from 2.5 s to 4.9 s',
        'D1 is on all the time from 5.5 s',
      ],
    ],
    [
      'D1 is on if P1 is above 50 %',
      ['turn P1 to 25 % at 0 s', 'turn P1 to 75 % at 2 s', 'turn P1 to 25 % at 5 s'],
      ON,
    ],
    [
      'the motor runs while the temperature is above 25 °C',
      ['warm T1 to 20 °C at 0 s', 'warm T1 to 30 °C at 2 s', 'warm T1 to 20 °C at 5 s'],
      ['M2 stands still until 1.9 s', 'M2 turns forwards from 2.5 s to 4.9 s', 'M2 stands still from 5.5 s'],
    ],
    [
      'the relay is on when something is closer than 20 cm',
      [
        'something 0.4 m before X1 at 0 s',
        'something 0.1 m before X1 at 2 s',
        'something 0.4 m before X1 at 5 s',
      ],
      ['K1 is let go until 1.9 s', 'K1 is pulled in from 2.5 s to 4.9 s', 'K1 is let go from 5.5 s'],
    ],
    [
      'Z1 sounds while S2 is on',
      ['turn S2 to 0 % at 0 s', 'turn S2 to 100 % at 2 s', 'turn S2 to 0 % at 5 s'],
      [
        'Z1 is silent all the time until 1.9 s',
        'Z1 sounds all the time from 2.5 s to 4.9 s',
        'Z1 is silent all the time from 5.5 s',
      ],
    ],
  ])('makes it so and not so: %s', (text, done, expected) => {
    expect(begun(text)).toEqual([done, expected]);
  });

  test('goes by what is done already', () => {
    const done = [
      { at: 1, light: 'L1', to: 0.1, over: 2 },
      { at: 6, light: 'L1', to: 0.8 },
    ];
    expect(seen('D1 is on when it is dark', done)).toEqual([
      'D1 is off all the time until 0.9 s',
      'D1 is on all the time from 3.5 s to 5.9 s',
      'D1 is off all the time from 6.5 s',
    ]);
    expect(seen('D1 is on when it is dark')[0]).toBe(
      'NOT: Say first when that is so: light on L1 to 5 % at 2 s.',
    );
  });
});

describe('a condition that can never be so', () => {
  test.each(['D1 is on when P1 is above 100 %', 'D1 is on when P1 is below 0 %'])('is none: %s', (text) => {
    expect(begun(text)[1][0]).toContain('is not understood');
  });
});

describe('a scenario that begins with an answer', () => {
  // What changes with a press has to change back with the next.
  const TWICE = ['press S1 at 2 s for 0.3 s', 'press S1 at 4 s for 0.3 s'];

  test.each([
    ['S1 toggles D1', TWICE, ['D1 changes within 0.1 s of S1']],
    ['each press of S1 toggles D1', TWICE, ['D1 changes within 0.1 s of S1']],
    [
      'when S1 is pressed D1 turns on and D2 turns off',
      ['press S1 at 2 s for 0.3 s'],
      ['D1 goes on within 0.1 s of S1', 'D2 goes off within 0.1 s of S1'],
    ],
    [
      'D1 lights up for 5 s when something moves',
      ['something moves before X2 at 2 s for 2 s'],
      ['D1 is on all the time from 0.1 s to 4.9 s after X2', 'D1 is off all the time from 5.1 s after X2'],
    ],
    ['the RGB LED turns red when S1 is pressed', ['press S1 at 2 s for 0.3 s'], ['D4 is red after S1']],
    ['P1 dims D1', ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 2 s over 4 s'], ['D1 follows P1']],
  ])('%s', (text, done, expected) => {
    expect(begun(text)).toEqual([done, expected]);
  });
});

describe('more that is seen, as people say it', () => {
  test.each([
    [
      'D1 and D2 alternate every second',
      ['D1 lit 1 s, dark 1 s, over and over', 'D1 and D2 never lit together', 'D1, then D2 in turn'],
    ],
    ['the motor starts after 2 s', ['M2 turns forwards from 2.1 s']],
    ['D1 fades in over 2 s', ['D1 gets brighter until 2 s']],
    ['Z1 plays 440 Hz for 1 s', ['Z1 sounds at 440 Hz until 1 s']],
    ['X4 shows "Hello" and "World"', ['X4 reads “Hello” / “World”']],
    ['X4 shows "Hello" in the second line', ['X4 reads “” / “Hello”']],
    ['N1 counts down from 3 to 0', ['N1 shows 3, then 2, then 1, then 0']],
    ['K1 clicks on', ['K1 is pulled in']],
    ['motor turns', ['M2 turns forwards']],
    ['D1 is on at the start', ['D1 is on all the time until 0.5 s']],
    ['the serial monitor shows a number between 0 and 1023', ['prints a number between 0 and 1023']],
    ['counts down from 3 to 0 every second', ['prints 3, then 2, then 1, then 0, 1 s apart']],
    ['the board prints the numbers from 1 to 3, one per second', ['prints 1, then 2, then 3, 1 s apart']],
    ['prints 0 to 1023', ['prints a number between 0 and 1023']],
    [
      'prints "red", "green" and "blue" over and over',
      ['prints “red”, then “green”, then “blue” over and over'],
    ],
    ['prints "tick" and "tock" alternately', ['prints “tick”, then “tock” over and over']],
    ['prints "low" and "high"', ['the serial text contains “low”', 'the serial text contains “high”']],
    [
      'prints "D1 is on for 5 seconds" until 2 seconds',
      ['the serial text contains “D1 is on for 5 seconds” until 2 s'],
    ],
    ['"go" is printed twice a second', ['prints “go” every 0.5 s']],
    ['prints "tick" at least twice', ['prints “tick” 2 times or more']],
    ['prints "tick" 5 times', ['prints “tick” 5 times']],
    ['prints only "go"', ['the serial text equals “go”']],
    ['prints 1, 2, 3 and nothing else', ['prints 1, then 2, then 3 and nothing else']],
    ['every printed value is between 2 and 4', ['prints a number between 2 and 4']],
    ['prints about 3300 every second', ['prints a number between 3135 and 3465 every 1 s']],
    ['prints "go" after 2 s', ['the serial text contains “go” from 2 s']],
  ])('%s', (text, sentences) => {
    expect(seen(text)).toEqual(sentences);
  });

  test('D1 stays on for 3 s after S1 is released', () => {
    expect(seen('D1 stays on for 3 s after S1 is released', [{ at: 1, press: 'S1', for: 2 }])).toEqual([
      'D1 is on all the time from 2.1 s to 4.9 s after S1',
      'D1 is off all the time from 5.1 s after S1',
    ]);
  });

  test.each([
    ['D1 blinks slowly', 'Say how fast D1 blinks'],
    ['D1 fades in and out', 'Say when D1 gets brighter and when darker'],
    ['D1 is half as bright as D2', 'Say how bright each of them is'],
    ['D1 is on most of the time', 'Say how long it is lit and how long dark'],
    ['Z1 plays a low tone, then a high tone', 'Say how high each tone is'],
    ['prints something every second', 'Say what is printed'],
    ['Z1 plays 440 Hz, then 660 Hz', 'Say how long each of them lasts'],
    ['the servo goes to 90° and back', 'stands at 90° for 1 s, then at 0°'],
    ['X4 shows the temperature', 'Say what X4 reads then'],
    ['D1 comes on before Z1', 'Say when each of them begins'],
    ['D1 is off at the end', 'Say from when on: “D1 is off from 5 s”'],
    ['prints the value of P1', 'Say which number comes of it'],
    ['prints 3 numbers', 'Of what is printed you can say “prints "tide"”'],
  ])('what is left open is asked for: %s', (text, told) => {
    expect(seen(text)[0]).toContain(told);
  });
});

describe('a scenario that begins with what is done', () => {
  test.each([
    [
      'press S1 at 1 s: D1 is on from 1.2 s',
      ['press S1 at 1 s for 0.3 s'],
      ['D1 is on all the time from 1.2 s'],
    ],
    ['P1 at 0 % at the start: D1 flashes 3 times', ['turn P1 to 0 % at 0 s'], ['D1 flashes 3 times']],
    ['with P1 at 30 %, D1 is off', ['turn P1 to 30 % at 0 s'], ['D1 is off all the time']],
    [
      'press S1 at 1 s and 3 s: D1 flashes twice',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
      ['D1 flashes 2 times'],
    ],
  ])('%s', (text, done, sentences) => expect(begun(text)).toEqual([done, sentences]));

  test.each(['press S1', 'P1 at 0 % at the start', 'it is dark'])(
    '%s is asked for what is seen then',
    (text) => {
      const [, [answer]] = begun(text);
      expect(answer).toBe(`NOT: That is what is done. Say what must be seen then too: “${text}: D1 is on”.`);
    },
  );

  test('what is seen is answered for itself where it is not understood', () => {
    expect(begun('press S1 at 1 s: D1 dances')[1][0]).toContain('“D1 dances” is not understood.');
  });
});
