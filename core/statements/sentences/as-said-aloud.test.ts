import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence } from '../../stimuli';
import { readDone } from './done';
import { readExpected } from './expected';
import type { Named } from './plain';

const aDoor: readonly Named[] = [
  { ref: 'X1', kind: 'motion-sensor' },
  { ref: 'X2', kind: 'distance-sensor' },
  { ref: 'D1', kind: 'led', value: 'white' },
  { ref: 'D2', kind: 'rgb-led', value: 'common-cathode' },
  { ref: 'M1', kind: 'servo', value: 'standard' },
  { ref: 'S1', kind: 'button' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'T1', kind: 'temperature-sensor' },
];

/** What a sentence is read as, or the answer where something is missing. */
const done =
  (parts: readonly Named[]) =>
  (text: string): readonly string[] => {
    const read = readDone(text, parts, []);
    return read.ok ? read.value.map(stimulusSentence) : [read.problems[0]!.message];
  };
const seen =
  (parts: readonly Named[]) =>
  (text: string): readonly string[] => {
    const read = readExpected(text, parts, []);
    return read.ok ? read.value.map(expectationSentence) : [read.problems[0]!.message];
  };

describe('what is said at a level crossing', () => {
  const parts = [
    { ref: 'M1', kind: 'servo', value: 'standard' },
    { ref: 'D1', kind: 'led', value: 'red' },
    { ref: 'D2', kind: 'led', value: 'red' },
    { ref: 'X1', kind: 'distance-sensor' },
    { ref: 'Z1', kind: 'buzzer', value: 'active' },
  ];

  test.each([
    ['X1 sees 15 cm at 2 s', ['something 0.15 m before X1 at 2 s']],
    ['someone puts a hand 10 cm in front of X1 at 3 s', ['something 0.1 m before X1 at 3 s']],
    ['the train leaves at 5 s', ['something 1 m before X1 at 5 s']],
    [
      'train at 20 cm from 2 s to 5 s',
      ['something 0.2 m before X1 at 2 s', 'something 1 m before X1 at 5 s'],
    ],
    [
      'from 2 s to 5 s something is 15 cm away',
      ['something 0.15 m before X1 at 2 s', 'something 1 m before X1 at 5 s'],
    ],
    ['X1 sees nothing at 4 s', ['something 1 m before X1 at 4 s']],
    ['nothing in front of X1 at 4 s', ['something 1 m before X1 at 4 s']],
    [
      'nothing near until 2 s, then 15 cm',
      ['something 1 m before X1 at 0 s', 'something 0.15 m before X1 at 2 s'],
    ],
    [
      'first nothing, then something 15 cm away at 2 s',
      ['something 1 m before X1 at 0 s', 'something 0.15 m before X1 at 2 s'],
    ],
    ['1 m until 2 s, then 15 cm', ['something 1 m before X1 at 0 s', 'something 0.15 m before X1 at 2 s']],
    ['15 cm at 2 s', ['something 0.15 m before X1 at 2 s']],
    ['a box is placed 15 cm in front of the sensor at 2 s', ['something 0.15 m before X1 at 2 s']],
    ['obstacle at 15 cm from 2 s on', ['something 0.15 m before X1 at 2 s']],
    [
      'object comes closer from 1 m to 10 cm between 1 s and 3 s',
      ['something 1 m before X1 at 0.5 s', 'something 0.1 m before X1 at 1 s over 2 s'],
    ],
    [
      'move something from 100 cm to 10 cm from 1 s to 3 s',
      ['something 1 m before X1 at 0.5 s', 'something 0.1 m before X1 at 1 s over 2 s'],
    ],
  ])('done: %s', (text, sentences) => {
    expect(done(parts)(text)).toEqual(sentences);
  });

  test.each([
    ['D1 blinks 0.4 s on, 0.4 s off from 2.5 s', ['D1 lit 0.4 s, dark 0.4 s, over and over from 2.5 s']],
    ['D1 is 0.4 s on and 0.4 s off', ['D1 lit 0.4 s, dark 0.4 s, over and over']],
    ['D1 blinks with 0.4 s on and 0.4 s off', ['D1 lit 0.4 s, dark 0.4 s, over and over']],
    ['D1 flashes on for 0.4 s and off for 0.4 s', ['D1 lit 0.4 s, dark 0.4 s, over and over']],
    ['Z1 beeps 0.2 s on, 0.3 s off', ['Z1 sounds 0.2 s, silent 0.3 s, over and over']],
    [
      'D1 and D2 blink alternately, 0.4 s each, from 2.5 s',
      [
        'D1 lit 0.4 s, dark 0.4 s, over and over from 2.5 s',
        'D1 and D2 never lit together from 2.5 s',
        'D1, then D2 in turn from 2.5 s',
      ],
    ],
    [
      'D1 and D2 blink in turn every 0.4 s from 2.5 s',
      [
        'D1 lit 0.4 s, dark 0.4 s, over and over from 2.5 s',
        'D1 and D2 never lit together from 2.5 s',
        'D1, then D2 in turn from 2.5 s',
      ],
    ],
    [
      'D1 and D2 alternate, 0.4 s each',
      ['D1 lit 0.4 s, dark 0.4 s, over and over', 'D1 and D2 never lit together', 'D1, then D2 in turn'],
    ],
    ['D1 and D2 are never both on', ['at most one of D1 and D2 lit at any time']],
    ['at 3 s M1 is at 0 degrees', ['M1 stands at 0° from 3 s to 3.1 s']],
    ['M1 points to 90 degrees at 1 s', ['M1 stands at 90° from 1 s to 1.1 s']],
    ['M1 goes to 0 degrees at 2 s', ['M1 stands at 0° from 2 s to 3 s']],
    [
      'M1 goes from 90 to 0 degrees at 2 s',
      ['M1 stands at 90° until 2 s', 'M1 stands at 0° from 2 s to 3 s'],
    ],
    [
      'D1 starts blinking at 2 s',
      ['Say how D1 flashes: “D1 flashes 3 times”, or “D1 lit 0.5 s, dark 0.5 s”.'],
    ],
    ['D1 lights every 0.8 s', ['Say how long D1 is on each time: “D1 is on for 0.2 s every 0.8 s”.']],
    [
      'D1 is off until 2 s and blinks after that',
      ['Say how D1 flashes: “D1 flashes 3 times”, or “D1 lit 0.5 s, dark 0.5 s”.'],
    ],
    ['D2 comes after D1', ['D1, then D2 in turn']],
  ])('seen: %s', (text, sentences) => {
    expect(seen(parts)(text)).toEqual(sentences);
  });
});

describe('what is said of a mood light', () => {
  const parts = [
    { ref: 'D1', kind: 'rgb-led', value: 'common-cathode' },
    { ref: 'P1', kind: 'potentiometer' },
    { ref: 'P2', kind: 'potentiometer' },
    { ref: 'S1', kind: 'button' },
  ];

  test.each([
    ['P1 fully right at 0 s', ['turn P1 to 100 % at 0 s']],
    [
      'P1 goes from 0 to 100 % between 1 s and 3 s',
      ['turn P1 to 0 % at 0.5 s', 'turn P1 to 100 % at 1 s over 2 s'],
    ],
    ['button pressed between 1 and 3 s', ['press S1 at 1 s for 2 s']],
    ['keep S1 pressed until 3 s', ['press S1 at 0 s for 3 s']],
    ['P1 left, P2 right', ['turn P1 to 0 % at 0 s', 'turn P2 to 100 % at 0 s']],
    ['P1 at 100 %, P2 at 0 %', ['turn P1 to 100 % at 0 s', 'turn P2 to 0 % at 0 s']],
    ['both potentiometers at 100 %', ['turn P1 to 100 % at 0 s', 'turn P2 to 100 % at 0 s']],
    ['both knobs fully up', ['turn P1 to 100 % at 0 s', 'turn P2 to 100 % at 0 s']],
    ['turn P1 and P2 to 0 % at 0 s', ['turn P1 to 0 % at 0 s', 'turn P2 to 0 % at 0 s']],
    ['turn P1 clockwise to the end', ['turn P1 to 100 % at 1 s']],
    ['P1 centred', ['turn P1 to 50 % at 0 s']],
    ['P1 half way at 1 s', ['turn P1 to 50 % at 1 s']],
    ['S1 held between 1 s and 3 s', ['press S1 at 1 s for 2 s']],
    [
      'press S1 at 2 s, at 3 s and at 4 s',
      ['press S1 at 2 s for 0.3 s', 'press S1 at 3 s for 0.3 s', 'press S1 at 4 s for 0.3 s'],
    ],
    ['at 1 s press S1, at 2 s turn P1 to 50 %', ['press S1 at 1 s for 0.3 s', 'turn P1 to 50 % at 2 s']],
  ])('done: %s', (text, sentences) => {
    expect(done(parts)(text)).toEqual(sentences);
  });

  test.each([
    ["D1's red is on", ['D1.red is on all the time']],
    ['the green of D1 stays off', ['D1.green is off all the time']],
    ['D1 shows red until 2 s, then blue', ['D1 is red until 2 s', 'D1 is blue from 2.1 s']],
    [
      'D1 is red until 2 s, then blue until 4 s, then off',
      ['D1 is red until 2 s', 'D1 is blue from 2.1 s to 4 s', 'D1 is off all the time from 4.1 s'],
    ],
    [
      'D1 is red from 1 s to 2 s, blue from 3 s to 4 s',
      ['D1 is red from 1 s to 2 s', 'D1 is blue from 3 s to 4 s'],
    ],
    [
      'D1 is red at 1 s, 2 s and 3 s',
      ['D1 is red from 1 s to 1.1 s', 'D1 is red from 2 s to 2.1 s', 'D1 is red from 3 s to 3.1 s'],
    ],
  ])('seen: %s', (text, sentences) => {
    expect(seen(parts)(text)).toEqual(sentences);
  });
});

describe('what is said at a door', () => {
  const parts = [
    { ref: 'X1', kind: 'motion-sensor' },
    { ref: 'D1', kind: 'led', value: 'white' },
    { ref: 'Z1', kind: 'buzzer', value: 'active' },
    { ref: 'L1', kind: 'light-sensor', value: '20k' },
  ];

  test.each([
    ['someone in front of X1 from 2 s to 4 s', ['something moves before X1 at 2 s for 2 s']],
    ['X1 triggers at 2 s', ['something moves before X1 at 2 s for 2 s']],
    ['X1 is triggered at 2 s for 1 s', ['something moves before X1 at 2 s for 1 s']],
    ['no motion until 2 s, then motion for 1 s', ['something moves before X1 at 2 s for 1 s']],
    ['somebody comes at 2 s and goes at 4 s', ['something moves before X1 at 2 s for 2 s']],
    // Not “at 2 s” typed on the computer.
    ['someone enters at 2 s', ['something moves before X1 at 2 s for 2 s']],
    ['sunrise at 5 s', ['light on L1 to 90 % at 5 s']],
    ['dark at 0 s', ['light on L1 to 5 % at 0 s']],
    ['in the dark', ['light on L1 to 5 % at 0 s']],
    ['it is dark outside', ['light on L1 to 5 % at 0 s']],
    ['dark until 3 s, then bright', ['light on L1 to 5 % at 0 s', 'light on L1 to 90 % at 3 s']],
    ['the light goes out at 2 s', ['light on L1 to 5 % at 2 s']],
    ['lights off at 2 s', ['light on L1 to 5 % at 2 s']],
  ])('done: %s', (text, sentences) => {
    expect(done(parts)(text)).toEqual(sentences);
  });

  test.each([
    [
      'D1 is off until 2 s, then on',
      ['D1 is off all the time until 2 s', 'D1 is on all the time from 2.1 s'],
    ],
    ['D1 does not light at all', ['D1 is off all the time']],
    ['D1 is on no later than 2.2 s', ['D1 is on all the time from 2.2 s']],
    [
      'D1 is off before 2 s and on after',
      ['D1 is off all the time until 2 s', 'D1 is on all the time from 2.1 s'],
    ],
    [
      'D1 goes on at 2 s for 3 s',
      ['D1 is on all the time from 2.1 s to 4.9 s', 'D1 is off all the time from 5.1 s'],
    ],
    [
      'D1 goes on at 2.1 s and off at 5 s',
      ['D1 is on all the time from 2.2 s to 4.9 s', 'D1 is off all the time from 5.1 s'],
    ],
    ['D1 goes on at 2 s and stays on', ['D1 is on all the time from 2.1 s']],
    ['D1 goes on at 2 s and stays on until 5 s', ['D1 is on all the time from 2.1 s to 5 s']],
    [
      'D1 is on from 1 s to 2 s and again from 3 s to 4 s',
      ['D1 is on all the time from 1 s to 2 s', 'D1 is on all the time from 3 s to 4 s'],
    ],
    [
      'D1 is on for 3 s after motion',
      ['D1 is on all the time from 0.1 s to 2.9 s after X1', 'D1 is off all the time from 3.1 s after X1'],
    ],
    [
      'D1 lights up within 0.2 s of motion and stays on for 3 s',
      [
        'D1 goes on within 0.2 s of X1',
        'D1 is on all the time from 0.1 s to 2.9 s after X1',
        'D1 is off all the time from 3.1 s after X1',
      ],
    ],
    [
      'D1 goes on when somebody moves and goes off 3 s later',
      ['D1 is on all the time from 0.1 s to 2.9 s after X1', 'D1 is off all the time from 3.1 s after X1'],
    ],
  ])('seen: %s', (text, sentences) => {
    expect(seen(parts)(text)).toEqual(sentences);
  });
});

describe('what is said of a fan', () => {
  const parts = [
    { ref: 'T1', kind: 'temperature-sensor' },
    { ref: 'K1', kind: 'relay' },
    { ref: 'D1', kind: 'led', value: 'red' },
    { ref: 'S1', kind: 'button' },
  ];

  test.each([
    ['room temperature at first', ['warm T1 to 25 °C at 0 s']],
    ['it gets 35 °C warm at 2 s', ['warm T1 to 35 °C at 2 s']],
    ['T1 = 35 at 2 s', ['warm T1 to 35 °C at 2 s']],
    [
      '20 °C, then 35 °C at 2 s, then 20 °C at 4 s',
      ['warm T1 to 20 °C at 0 s', 'warm T1 to 35 °C at 2 s', 'warm T1 to 20 °C at 4 s'],
    ],
    ['warm it with a hand at 2 s', ['warm T1 to 31 °C at 2 s']],
  ])('done: %s', (text, sentences) => {
    expect(done(parts)(text)).toEqual(sentences);
  });

  test.each([
    ['relay closed from 2.3 s', ['K1 is pulled in from 2.3 s']],
    ['K1 energises at 2 s', ['K1 is pulled in from 2.1 s to 2.2 s']],
    [
      'D1 is on until 2 s and K1 is off until 2 s',
      ['D1 is on all the time until 2 s', 'K1 is let go until 2 s'],
    ],
    ['K1 closes at 2 s and opens at 4 s', ['K1 is pulled in from 2.1 s to 3.9 s', 'K1 is let go from 4.1 s']],
    ['prints 35 within 1 s after 2 s', ['prints 35 from 2 s to 3 s']],
  ])('seen: %s', (text, sentences) => {
    expect(seen(parts)(text)).toEqual(sentences);
  });
});

const PIECES =
  'D1 D2 M1 S1 P1 X1 X2 T1 press hold turn is goes stays on off lit dark red blinks stands until then and and at from to for after within something nothing somebody in front of running light both knobs , : = 1 2 3 0.5 s m ° % cm 90 when every each never'.split(
    ' ',
  );

test('no words in any order throw, or are read with a time that is none', () => {
  const sentences = fc.array(fc.constantFrom(...PIECES), { minLength: 1, maxLength: 14 });
  fc.assert(
    fc.property(sentences, (words) => {
      const text = words.join(' ').replaceAll(' ,', ',');
      const said = [...done(aDoor)(text), ...seen(aDoor)(text)];
      expect(said.join()).not.toMatch(/undefined|NaN/);
    }),
    { numRuns: 3000 },
  );
});

test.each([
  [
    'D1 is on at 1, 2 and 3 s',
    [
      'D1 is on all the time from 1 s to 1.1 s',
      'D1 is on all the time from 2 s to 2.1 s',
      'D1 is on all the time from 3 s to 3.1 s',
    ],
  ],
  ['D1 goes off at 2 s and stays off', ['D1 is off all the time from 2.1 s']],
])('seen: %s', (text, sentences) => expect(seen(aDoor)(text)).toEqual(sentences));

test('what contradicts itself is not read as half of it', () => {
  expect(seen(aDoor)('D1 goes on at 2 s and is off')[0]).toMatch(/not understood/);
  expect(done(aDoor)('press S1 at 1, at 2 and at 3')).toEqual([
    'press S1 at 1 s for 0.3 s',
    'press S1 at 2 s for 0.3 s',
    'press S1 at 3 s for 0.3 s',
  ]);
});
