import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence, stimulusSentenceOf, type Stimulus } from '../../stimuli';
import { readBegun } from './begun';
import { readDone } from './done';

const parts = [
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'D2', kind: 'led', value: 'green' },
  { ref: 'D3', kind: 'led', value: 'yellow' },
  { ref: 'D4', kind: 'rgb-led', value: 'common-cathode' },
  { ref: 'S1', kind: 'button' },
  { ref: 'S2', kind: 'button' },
  { ref: 'S3', kind: 'switch' },
  { ref: 'Z1', kind: 'buzzer' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'L1', kind: 'light-sensor' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'M2', kind: 'motor' },
  { ref: 'X1', kind: 'distance-sensor' },
  { ref: 'T1', kind: 'temperature-sensor' },
  { ref: 'X2', kind: 'text-display' },
  { ref: 'N1', kind: 'seven-segment', value: 'common-cathode' },
];

/** What is meant where no LED is named. */
const LEDS = ['D1', 'D2', 'D3', 'D4'];

/** A sentence that a scenario begins with, what is done for it, and what must be seen then. */
type Row = readonly [sentence: string, done: readonly string[], seen: readonly string[]];

const begun = (text: string): readonly [done: readonly string[], seen: readonly string[]] => {
  const read = readBegun(text, parts);
  return read.ok
    ? [read.value.stimuli.map(stimulusSentence), read.value.expect.map(expectationSentence)]
    : [[], [`NOT: ${read.problems[0]!.message}`]];
};

describe('lights that belong together', () => {
  test.each<Row>([
    ['D1 and D2 are always the same', [], ['D1 and D2 lit and dark together']],
    ['D1 and D2 blink together', [], ['D1 and D2 lit and dark together']],
    ['D2 mirrors D1', [], ['D2 and D1 lit and dark together']],
    ['exactly one of D1 and D2 is on', [], ['exactly one of D1 and D2 lit at any time']],
    ['either D1 or D2 is on', [], ['exactly one of D1 and D2 lit at any time']],
    ['D2 is the opposite of D1', [], ['exactly one of D2 and D1 lit at any time']],
    ['D1 is on when D2 is off', [], ['exactly one of D1 and D2 lit at any time']],
    ['D1 is off while D2 is on', [], ['at most one of D1 and D2 lit at any time']],
    ['when D2 is on, D1 is on', [], ['D1 and D2 lit and dark together']],
    ['at least one of D1, D2 and D3 is on', [], ['at least one of D1, D2 and D3 lit at any time']],
    ['an LED is always on', [], ['at least one of D1, D2 and D3 lit at any time']],
    ['never all three LEDs on', [], ['at most two of D1, D2 and D3 lit at any time']],
    ['at most two of the LEDs are on', [], ['at most two of D1, D2 and D3 lit at any time']],
    ['the light goes from D1 to D3', [], ['D1, then D2, then D3 in turn']],
    ['a light runs from D3 to D1 and back, over and over', [], ['D3, then D2, then D1, then D2 in turn']],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

describe('signals', () => {
  test.each<Row>([
    ['D1 flashes SOS', [], ['D1 signals “SOS” in Morse']],
    ['D1 blinks SOS in Morse', [], ['D1 signals “SOS” in Morse']],
    ['the buzzer sends "HI" in Morse code', [], ['Z1 signals “HI” in Morse']],
    ['D1 flashes 3 short, 3 long, 3 short', [], ['D1 signals “SOS” in Morse']],
    ['D1 blinks short twice and long once', [], ['D1 signals “..-” in Morse']],
    ['D1 flashes ... --- ...', [], ['D1 signals “... --- ...” in Morse']],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

describe('what a press does, before what comes of it', () => {
  test.each<Row>([
    ['pressing S1 lights D1', ['press S1 at 2 s for 0.3 s'], ['D1 goes on within 0.1 s of S1']],
    [
      'pressing S1 starts the buzzer for 2 s',
      ['press S1 at 2 s for 0.3 s'],
      [
        'Z1 sounds all the time from 0.1 s to 1.9 s after S1',
        'Z1 is silent all the time from 2.1 s after S1',
      ],
    ],
    ['pressing S1 makes D1 blink 3 times', ['press S1 at 2 s for 0.3 s'], ['D1 flashes 3 times after S1']],
    [
      'pressing S1 twice turns D1 off',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s'],
      ['D1 is off all the time from 2.1 s'],
    ],
    [
      'holding S1 lights D1',
      ['press S1 at 2 s for 2 s'],
      ['D1 is on all the time from 0.1 s to 1.9 s after S1', 'D1 is off all the time from 2.1 s after S1'],
    ],
    ['pressing S1 plays a tone of 440 Hz', ['press S1 at 2 s for 0.3 s'], ['Z1 sounds at 440 Hz after S1']],
    [
      'the third press of S1 sounds the buzzer',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
      ['Z1 sounds all the time from 3.1 s'],
    ],
    [
      'the first press of S1 lights D1, the second D2, the third D3',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
      [
        'D1 is on all the time from 1.1 s to 2 s',
        'D2 is on all the time from 2.1 s to 3 s',
        'D3 is on all the time from 3.1 s',
      ],
    ],
    [
      'the first press of S1 makes D4 red, the second green',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s'],
      ['D4 is red from 1.1 s to 2 s', 'D4 is green from 2.1 s'],
    ],
    [
      'each press of S1 lights the next LED',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
      [
        'D1 is on all the time from 1.1 s to 2 s',
        'D2 is on all the time from 2.1 s to 3 s',
        'D3 is on all the time from 3.1 s',
      ],
    ],
    [
      'S1 starts the motor and S2 stops it',
      ['press S1 at 2 s for 0.3 s', 'press S2 at 4 s for 0.3 s'],
      ['M2 goes on within 0.1 s of S1', 'M2 goes off within 0.1 s of S2'],
    ],
    [
      'turning S3 on lights D1',
      ['turn S3 to 0 % at 0 s', 'turn S3 to 100 % at 2 s', 'turn S3 to 0 % at 5 s'],
      [
        'D1 is off all the time until 1.9 s',
        'D1 is on all the time from 2.5 s to 4.9 s',
        'D1 is off all the time from 5.5 s',
      ],
    ],
    [
      'every press of S1 changes D1',
      ['press S1 at 2 s for 0.3 s', 'press S1 at 4 s for 0.3 s'],
      ['D1 changes within 0.1 s of S1'],
    ],
    [
      'M1 turns to 90 degrees on a press of S1',
      ['press S1 at 2 s for 0.3 s'],
      ['M1 stands at 90° from 0.1 s after S1'],
    ],
    ['press S1 and D1 blinks 3 times', ['press S1 at 1 s for 0.3 s'], ['D1 flashes 3 times after S1']],
    ['press S1: D1 is on', ['press S1 at 1 s for 0.3 s'], ['D1 goes on within 0.1 s of S1']],
    ['hold S1: D1 is on', ['hold S1 from 1 s'], ['D1 is on all the time from 0.1 s after S1']],
    [
      'press S1 3 times: D1 is on',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
      ['D1 is on all the time from 3.1 s'],
    ],
    ['cover L1: D1 is on', ['light on L1 to 5 % at 1 s'], ['D1 is on all the time from 1.5 s']],
    ['cover L1: D1 blinks 3 times', ['light on L1 to 5 % at 1 s'], ['D1 flashes 3 times from 1 s']],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

describe('while it is held, and when it is let go', () => {
  test.each<Row>([
    [
      'D1 is on while S1 is held',
      ['press S1 at 2 s for 2 s'],
      ['D1 is on all the time from 0.1 s to 1.9 s after S1', 'D1 is off all the time from 2.1 s after S1'],
    ],
    [
      'D1 is off except when S1 is pressed',
      ['press S1 at 2 s for 2 s'],
      ['D1 is on all the time from 0.1 s to 1.9 s after S1', 'D1 is off all the time from 2.1 s after S1'],
    ],
    [
      'as long as S1 is pressed D1 and D2 are on',
      ['press S1 at 2 s for 2 s'],
      [
        'D1 is on all the time from 0.1 s to 1.9 s after S1',
        'D1 is off all the time from 2.1 s after S1',
        'D2 is on all the time from 0.1 s to 1.9 s after S1',
        'D2 is off all the time from 2.1 s after S1',
      ],
    ],
    [
      'while S1 is pressed the buzzer plays 262 Hz',
      ['press S1 at 2 s for 2 s'],
      ['Z1 sounds at 262 Hz from 0.1 s to 1.9 s after S1'],
    ],
    [
      'D1 stays on for 5 s after S1 is let go',
      ['press S1 at 2 s for 2 s'],
      ['D1 is on all the time from 2.1 s to 6.9 s after S1', 'D1 is off all the time from 7.1 s after S1'],
    ],
    [
      'when S1 is released D1 goes off after 1 s',
      ['press S1 at 2 s for 2 s'],
      ['D1 is off all the time from 3.1 s after S1'],
    ],
    [
      'D1 is on until S1 is pressed',
      ['press S1 at 4 s for 0.3 s'],
      ['D1 is on all the time until 4 s', 'D1 is off all the time from 4.1 s'],
    ],
    [
      'if both buttons are pressed the RGB LED is white',
      [
        'press S1 at 1 s for 1 s',
        'press S2 at 3 s for 1 s',
        'press S1 at 5 s for 2 s',
        'press S2 at 5 s for 2 s',
      ],
      ['D4 is white from 5.1 s to 7 s'],
    ],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

describe('what is measured', () => {
  test.each<Row>([
    [
      'in the dark D1 is lit',
      ['light on L1 to 90 % at 0 s', 'light on L1 to 5 % at 2 s', 'light on L1 to 90 % at 5 s'],
      [
        'D1 is off all the time until 1.9 s',
        'D1 is on all the time from 2.5 s to 4.9 s',
        'D1 is off all the time from 5.5 s',
      ],
    ],
    [
      'if something is closer than 10 cm the buzzer sounds',
      [
        'something 0.2 m before X1 at 0 s',
        'something 0.05 m before X1 at 2 s',
        'something 0.2 m before X1 at 5 s',
      ],
      [
        'Z1 is silent all the time until 1.9 s',
        'Z1 sounds all the time from 2.5 s to 4.9 s',
        'Z1 is silent all the time from 5.5 s',
      ],
    ],
    [
      'someone comes closer than 10 cm and the buzzer sounds',
      [
        'something 0.2 m before X1 at 0 s',
        'something 0.05 m before X1 at 2 s',
        'something 0.2 m before X1 at 5 s',
      ],
      [
        'Z1 is silent all the time until 1.9 s',
        'Z1 sounds all the time from 2.5 s to 4.9 s',
        'Z1 is silent all the time from 5.5 s',
      ],
    ],
    [
      'closer than 10 cm D1 is on',
      [
        'something 0.2 m before X1 at 0 s',
        'something 0.05 m before X1 at 2 s',
        'something 0.2 m before X1 at 5 s',
      ],
      [
        'D1 is off all the time until 1.9 s',
        'D1 is on all the time from 2.5 s to 4.9 s',
        'D1 is off all the time from 5.5 s',
      ],
    ],
    [
      'D1 is on below 10 cm',
      [
        'something 0.2 m before X1 at 0 s',
        'something 0.05 m before X1 at 2 s',
        'something 0.2 m before X1 at 5 s',
      ],
      [
        'D1 is off all the time until 1.9 s',
        'D1 is on all the time from 2.5 s to 4.9 s',
        'D1 is off all the time from 5.5 s',
      ],
    ],
    [
      'D1 is on between 20 and 40 cm',
      [
        'something 0.8 m before X1 at 0 s',
        'something 0.3 m before X1 at 2 s',
        'something 0.8 m before X1 at 5 s',
      ],
      [
        'D1 is off all the time until 1.9 s',
        'D1 is on all the time from 2.5 s to 4.9 s',
        'D1 is off all the time from 5.5 s',
      ],
    ],
    ['D1 is on at 10 cm', ['something 0.1 m before X1 at 0 s'], ['D1 is on all the time from 0.5 s']],
    [
      'D1 is on while P1 is above half',
      ['turn P1 to 25 % at 0 s', 'turn P1 to 75 % at 2 s', 'turn P1 to 25 % at 5 s'],
      [
        'D1 is off all the time until 1.9 s',
        'D1 is on all the time from 2.5 s to 4.9 s',
        'D1 is off all the time from 5.5 s',
      ],
    ],
    [
      'D4 is red when it is warmer than 25 °C',
      ['warm T1 to 20 °C at 0 s', 'warm T1 to 30 °C at 2 s', 'warm T1 to 20 °C at 5 s'],
      ['D4 is red from 2.5 s to 4.9 s'],
    ],
    [
      'Z1 beeps twice when it gets dark',
      ['light on L1 to 90 % at 0 s', 'light on L1 to 5 % at 2 s', 'light on L1 to 90 % at 5 s'],
      ['Z1 chirps 2 times from 2 s to 4.9 s'],
    ],
    [
      'M1 stands at 90° when it is dark',
      ['light on L1 to 90 % at 0 s', 'light on L1 to 5 % at 2 s', 'light on L1 to 90 % at 5 s'],
      ['M1 stands at 90° from 2.5 s to 4.9 s'],
    ],
    ['X2 shows "22 °C" at 22 degrees', ['warm T1 to 22 °C at 0 s'], ['X2 reads “22 °C” from 0.5 s']],
    [
      'prints "close" when something is closer than 10 cm',
      [
        'something 0.2 m before X1 at 0 s',
        'something 0.05 m before X1 at 2 s',
        'something 0.2 m before X1 at 5 s',
      ],
      ['the serial text contains “close” from 2 s to 4.9 s'],
    ],
    ['servo follows P1', ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 2 s over 4 s'], ['M1 follows P1']],
    [
      'turning the knob moves the servo',
      ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 2 s over 4 s'],
      ['M1 follows P1'],
    ],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

describe('times and figures', () => {
  test.each<Row>([
    ['D1 is on for the first 3 seconds', [], ['D1 is on all the time until 3 s']],
    ['D1 blinks 10 times in 5 s', [], ['D1 flashes 10 times until 5 s']],
    ['D1 toggles every half second', [], ['D1 lit 0.5 s, dark 0.5 s, over and over']],
    [
      'D1 is on after 2s and off after 5s',
      [],
      ['D1 is on all the time from 2.1 s to 5 s', 'D1 is off all the time from 5.1 s'],
    ],
    ['2 s: D1 is on', [], ['D1 is on all the time from 2 s to 2.1 s']],
    ['LED 2 is off', [], ['D2 is off all the time']],
    ['the third LED blinks twice', [], ['D3 flashes 2 times']],
    [
      'nothing lights up',
      [],
      [
        'D1 is off all the time',
        'D2 is off all the time',
        'D3 is off all the time',
        'D4 is off all the time',
      ],
    ],
    [
      'N1 counts down from 3 to 1, one per second',
      [],
      ['N1 shows 3 from 0.1 s to 0.9 s', 'N1 shows 2 from 1.1 s to 1.9 s', 'N1 shows 1 from 2.1 s'],
    ],
    ['LCD shows Hello', [], ['X2 reads “Hello”']],
    ['D1 goes out after 3 s', [], ['D1 is off all the time from 3.1 s']],
    ['neither D1 nor D3 is lit', [], ['D1 is off all the time', 'D3 is off all the time']],
    ['no LED is on until 2 s', [], LEDS.map((name) => `${name} is off all the time until 2 s`)],
    ['none of them lights up', [], LEDS.map((name) => `${name} is off all the time`)],
    ['D1 and D3 blink in turn', [], ['D1, then D3 in turn', 'D1 and D3 never lit together']],
    ['D1 signals SOS over and over', [], ['D1 signals “SOS” in Morse']],
    ['Z1 beeps for 0.2 s every second', [], ['Z1 sounds 0.2 s, silent 0.8 s, over and over']],
    ['D1 flashes for 0.5 s every 2 s', [], ['D1 lit 0.5 s, dark 1.5 s, over and over']],
    [
      'nothing lights up until S1 is pressed',
      ['press S1 at 4 s for 0.3 s'],
      LEDS.map((name) => `${name} is off all the time until 4 s`),
    ],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

describe('at first, and other words for it', () => {
  test.each<Row>([
    ['at the start D1 is on', [], ['D1 is on all the time until 0.5 s']],
    ['D1 starts off', [], ['D1 is off all the time until 0.5 s']],
    ['D1 is on by default', [], ['D1 is on all the time until 0.5 s']],
    ['all three LEDs blink together', [], ['D1, D2, D3 and D4 lit and dark together']],
    [
      'S1 switches D1 on, S2 switches it off',
      ['press S1 at 2 s for 0.3 s', 'press S2 at 4 s for 0.3 s'],
      ['D1 goes on within 0.1 s of S1', 'D1 goes off within 0.1 s of S2'],
    ],
    [
      'D1 lights up within 200 ms of pressing S1',
      ['press S1 at 2 s for 0.3 s'],
      ['D1 goes on within 0.2 s of S1'],
    ],
    ['serial says Hello', [], ['NOT: Put what is printed in quotes: prints "Hello".']],
    [
      'the value of P1 is printed',
      [],
      [
        'NOT: Say which number comes of it in a scenario of its own: “with P1 at 50 %, prints a number between 500 and 520”.',
      ],
    ],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

describe('what is still missing is asked for', () => {
  test.each([
    ['D1 flashes red', /^Say how D1 flashes/],
    [
      'D4 flashes red',
      /^Say how long D4 is lit and dark: “D4 is red for 0\.5 s, then off for 0\.5 s, over and over”/,
    ],
    ['D1 does not blink', /^Say what is seen instead/],
    ['Z1 beeps every second', /^Say how long Z1 sounds and how long it is silent/],
    ['D1 flashes 3 times and then stays on', /^Say from when on: “D1 flashes 3 times until 3 s”/],
    ['D1 stays as it is from 2 s', /^Say what D1 is then: “D1 is off”/],
    ['D4 changes colour with every press of S1', /^Say which colour comes with which press/],
    [
      'X2 counts the presses',
      /^Say what X2 shows after so many presses: “after 3 presses of S1, X2 reads “3””/,
    ],
    ['turning P1 up makes D1 blink faster', /^Say how often at two settings/],
    [
      'it prints ON and OFF in turn',
      /^Put what is printed in quotes: prints "ON", then "OFF", over and over\.$/,
    ],
    ['the serial monitor shows the light value twice a second', /^Say which number comes of it/],
    ['D4 goes from red through green to blue', /^Say how long D4 has each of them/],
    ['LED on', /^Which LED is meant\?/],
    ['D1 breathes every 4 s', /^Say when D1 gets brighter and when darker/],
    ['D2 beeps when something is closer than 20 cm', /^“D2 beeps .+” is not understood\. Of D2 you can say/],
  ])('%s', (sentence, answer) => {
    expect(begun(sentence)[1][0]?.replace(/^NOT: /, '')).toMatch(answer);
  });
});

describe('when it begins, how long it takes, and what does nothing', () => {
  test.each<Row>([
    ['D1 blinks 3 times when the program starts', [], ['D1 flashes 3 times']],
    ['at the start Z1 beeps once', [], ['Z1 chirps once']],
    ['on power up D1 and D2 flash once', [], ['D1 flashes once', 'D2 flashes once']],
    [
      'D1 lights up only from 2 s on',
      [],
      ['D1 is off all the time until 2 s', 'D1 is on all the time from 2.1 s'],
    ],
    [
      'D1, D2 and D3 light up together after 1 s',
      [],
      ['D1', 'D2', 'D3'].map((name) => `${name} is on all the time from 1.1 s`),
    ],
    [
      'hold S1 longer than 2 s and D1 turns on',
      ['press S1 at 1 s for 3 s'],
      ['D1 is on all the time from 2.1 s after S1'],
    ],
    [
      'D1 goes out 3 s after the last press of S1',
      ['press S1 at 2 s for 0.3 s'],
      ['D1 is off all the time from 3.1 s after S1'],
    ],
    [
      'the motor runs for 3 s, then rests for 1 s',
      [],
      ['M2 turns forwards from 0.1 s to 2.9 s', 'M2 stands still from 3.1 s to 3.9 s'],
    ],
    [
      'the buzzer goes quiet when S2 is pressed',
      ['press S2 at 2 s for 0.3 s'],
      ['Z1 goes off within 0.1 s of S2'],
    ],
    ['X2 shows nothing until S1 is pressed', ['press S1 at 4 s for 0.3 s'], ['X2 reads “” until 4 s']],
    [
      'the display is cleared when S1 is pressed',
      ['press S1 at 2 s for 0.3 s'],
      ['X2 reads “” from 0.1 s after S1'],
    ],
    ['the display shows Hello on the second row', [], ['X2 reads “” / “Hello”']],
    ['N1 is blank', [], ['N1 shows nothing']],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

describe('buttons that are held, and one that is not', () => {
  const alone = [
    'press S1 at 1 s for 1 s',
    'press S2 at 3 s for 1 s',
    'press S1 at 5 s for 2 s',
    'press S2 at 5 s for 2 s',
  ];
  const onlyFirst = [
    'D1 is off all the time from 0.1 s to 1 s',
    'D1 is on all the time from 1.1 s to 2 s',
    'D1 is off all the time from 2.1 s',
  ];
  const both = [
    'D1 is off all the time from 0.1 s to 5 s',
    'D1 is on all the time from 5.1 s to 7 s',
    'D1 is off all the time from 7.1 s',
  ];
  const held = ['press S1 at 2 s for 2 s'];
  test.each<Row>([
    ['S1 pressed and S2 not: only D1 is on', alone, onlyFirst],
    ['D1 is on when S1 is held and S2 is not', alone, onlyFirst],
    ['both buttons: D1 comes on', alone, both],
    ['D1 only lights up when both buttons are pressed', alone, both],
    [
      'the motor only runs while S1 is held',
      held,
      ['M2 turns forwards from 0.1 s to 1.9 s after S1', 'M2 stands still from 2.1 s after S1'],
    ],
    [
      'D1 is on for as long as S1 is pressed',
      held,
      ['D1 is on all the time from 0.1 s to 1.9 s after S1', 'D1 is off all the time from 2.1 s after S1'],
    ],
    [
      'the servo moves to 45 when S1 is pressed and back to 0 when it is let go',
      held,
      ['M1 stands at 45° from 0.1 s to 1.9 s after S1', 'M1 stands at 0° from 2.1 s after S1'],
    ],
  ])('%s', (sentence, done, seen) => {
    expect(begun(sentence)).toEqual([done, seen]);
  });
});

test.each([0, 1])('a switch is said to be switched, and read so again: %i', (to) => {
  const stimulus = { at: 2.375, turn: 'S3', to };
  const said = stimulusSentenceOf(stimulus, parts);
  expect(said).toBe(`switch S3 ${to === 1 ? 'on' : 'off'} at 2.375 s`);
  expect(readDone(said, parts, [])).toEqual({ ok: true, value: [stimulus] });
  expect(stimulusSentenceOf({ at: 1, turn: 'P1', to }, parts)).toMatch(/^turn P1 to/);
});

describe('what is done', () => {
  const done = (text: string, before: readonly Stimulus[] = []): readonly string[] => {
    const read = readDone(text, parts, before);
    return read.ok
      ? read.value.map((stimulus) => stimulusSentenceOf(stimulus, parts))
      : [`NOT: ${read.problems[0]!.message}`];
  };

  test.each([
    ['something is 1.5 m away', ['something 1.5 m before X1 at 0 s']],
    ['somebody is 2 m away after 3 s', ['something 2 m before X1 at 3 s']],
    ['a hand comes nearer than 0.1 m', ['something 0.07 m before X1 at 1 s']],
    ['nothing is near', ['something 1 m before X1 at 0 s']],
    ['switch on S3', ['switch S3 on at 1 s']],
    ['S3 is on', ['switch S3 on at 0 s']],
    ['put S3 off at 3 s', ['switch S3 off at 3 s']],
    ['slide S3 to the left', ['switch S3 off at 1 s']],
    ['S3 is open', ['switch S3 off at 0 s']],
    ['warm T1 with a finger', ['warm T1 to 31 °C at 1 s']],
    ['hold T1 between two fingers at 2 s', ['warm T1 to 31 °C at 2 s']],
    ['it gets 5 degrees warmer', ['warm T1 to 30 °C at 1 s']],
    ['it is 3 °C colder at 2 s', ['warm T1 to 22 °C at 2 s']],
    ['press both buttons', ['press S1 at 1 s for 0.3 s', 'press S2 at 1 s for 0.3 s']],
    ['press S1 twice, 2 s apart', ['press S1 at 1 s for 0.3 s', 'press S1 at 3 s for 0.3 s']],
    ['press S1 and 2 s later S2', ['press S1 at 1 s for 0.3 s', 'press S2 at 3 s for 0.3 s']],
    ['first press S1, then press S2', ['press S1 at 1 s for 0.3 s', 'press S2 at 2.3 s for 0.3 s']],
    ['slowly turn P1 up', ['turn P1 to 100 % at 1 s over 4 s']],
    ['turn P1 back', ['turn P1 to 0 % at 1 s']],
    ['something comes closer', ['something 0.1 m before X1 at 1 s']],
    ['take the hand away', ['something 1 m before X1 at 1 s']],
    ['close the switch', ['switch S3 on at 1 s']],
    ['open the switch at 3 s', ['switch S3 off at 3 s']],
    ['turn the power off and on', ['supply off at 1 s', 'supply on at 2 s']],
    ['do nothing for 5 s, then press S1', ['press S1 at 5 s for 0.3 s']],
    ['press S1 for longer than 2 s', ['press S1 at 1 s for 3 s']],
    ['press S1 very briefly', ['press S1 at 1 s for 0.3 s']],
    ['press S1 and keep it pressed to the end', ['hold S1 from 1 s']],
    ['wave a hand in front of X1', ['something 0.1 m before X1 at 1 s', 'something 1 m before X1 at 2 s']],
    [
      'bring your hand slowly closer from 60 cm to 5 cm',
      ['something 0.6 m before X1 at 1 s', 'something 0.05 m before X1 at 1.5 s over 2 s'],
    ],
    ['breathe on T1 at 2 s', ['warm T1 to 28 °C at 2 s']],
    ['let it cool down to 18 °C', ['warm T1 to 18 °C at 1 s']],
    ['flip S3 on and off at 2 s', ['switch S3 on at 2 s', 'switch S3 off at 3 s']],
    ['press the button', ['NOT: Which button is meant? There are S1 and S2.']],
    ['do nothing', ['NOT: Where nothing is done, nothing has to be written here.']],
    ['wait 5 s', ['NOT: Where nothing is done, nothing has to be written here.']],
    ['juggle S3', ['NOT: “juggle S3” is not understood. Of S3 you can say “switch S3 on at 1 s”.']],
  ])('%s', (text, sentences) => {
    expect(done(text)).toEqual(sentences);
  });
});
