import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { readStimulus, stimulusSentence, type Stimulus } from '../../stimuli';
import { readDone } from './done';
import { readExpected } from './expected';

const parts = [
  { ref: 'D1', kind: 'led' },
  { ref: 'S1', kind: 'button' },
  { ref: 'S2', kind: 'button' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'P2', kind: 'potentiometer' },
  { ref: 'L1', kind: 'light-sensor' },
  { ref: 'T1', kind: 'temperature-sensor' },
  { ref: 'X1', kind: 'distance-sensor' },
  { ref: 'Z1', kind: 'buzzer' },
];
const done = (text: string, before: readonly Stimulus[] = []): readonly string[] => {
  const read = readDone(text, parts, before);
  return read.ok ? read.value.map(stimulusSentence) : [`NOT: ${read.problems[0]!.message}`];
};
const seen = (text: string): readonly string[] => {
  const read = readExpected(text, parts, [{ press: 'S1', at: 1, for: 0.3 }]);
  return read.ok ? read.value.map(expectationSentence) : [`NOT: ${read.problems[0]!.message}`];
};

describe('what is so when the program begins', () => {
  test.each([
    ['P1 at 0 % at the start', 'turn P1 to 0 % at 0 s'],
    ['P1 turned to 30 % at 2 s', 'turn P1 to 30 % at 2 s'],
    ['P1 is turned to the middle at 1 s', 'turn P1 to 50 % at 1 s'],
    ['with P1 at 30 %', 'turn P1 to 30 % at 0 s'],
    ['start with P1 at 80 %', 'turn P1 to 80 % at 0 s'],
    ['initially P1 at 30 %', 'turn P1 to 30 % at 0 s'],
    ['at the beginning it is dark', 'light on L1 to 5 % at 0 s'],
    ['turn P1 to 50 % at the start', 'turn P1 to 50 % at 0 s'],
    ['P1 in the middle', 'turn P1 to 50 % at 0 s'],
    ['P1 turned down', 'turn P1 to 0 % at 0 s'],
    ['P1 fully to the right', 'turn P1 to 100 % at 0 s'],
    ['P1 at 0.3', 'turn P1 to 30 % at 0 s'],
    ['L1 in the dark', 'light on L1 to 5 % at 0 s'],
    ['nothing in front of X1', 'something 1 m before X1 at 0 s'],
    ['X1 sees 20 cm', 'something 0.2 m before X1 at 0 s'],
    ['hold S1 from the start', 'hold S1 from 0 s'],
    ['T1 at 20 degrees at first', 'warm T1 to 20 °C at 0 s'],
  ])('%s', (text, sentence) => expect(done(text)).toEqual([sentence]));
});

describe('what is so for a while', () => {
  test.each([
    ['cover L1 at 2 s for 1 s', ['light on L1 to 5 % at 2 s', 'light on L1 to 50 % at 3 s']],
    ['it is dark from 2 s to 4 s', ['light on L1 to 5 % at 2 s', 'light on L1 to 50 % at 4 s']],
    [
      'an object at 5 cm from 1 s to 3 s',
      ['something 0.05 m before X1 at 1 s', 'something 1 m before X1 at 3 s'],
    ],
    ['warm T1 to 40 °C for 3 s', ['warm T1 to 40 °C at 1 s', 'warm T1 to 25 °C at 4 s']],
    ['S1 down from 1 s to 2 s', ['press S1 at 1 s for 1 s']],
    ['keep S1 pressed for 3 s', ['press S1 at 1 s for 3 s']],
    ['press S1 long', ['press S1 at 1 s for 2 s']],
  ])('%s is then as before', (text, sentences) => expect(done(text)).toEqual(sentences));

  test('as before is where it was brought, not where it rests', () => {
    const before = readStimulus('light on L1 to 90 % at 0 s');
    if (!before.ok) throw new Error('a stimulus is not read');
    expect(done('cover L1 at 2 s for 1 s', [before.value])).toEqual([
      'light on L1 to 5 % at 2 s',
      'light on L1 to 90 % at 3 s',
    ]);
  });
});

describe('several things that are done', () => {
  test.each([
    ['press S1 and S2 together at 1 s', ['press S1 at 1 s for 0.3 s', 'press S2 at 1 s for 0.3 s']],
    ['hold S1 and press S2', ['hold S1 from 1 s', 'press S2 at 1 s for 0.3 s']],
    [
      'press S1, then S2, then S1',
      ['press S1 at 1 s for 0.3 s', 'press S2 at 2.3 s for 0.3 s', 'press S1 at 3.6 s for 0.3 s'],
    ],
    ['press S1, then S2', ['press S1 at 1 s for 0.3 s', 'press S2 at 2.3 s for 0.3 s']],
    ['turn P1 to 0 and P2 to 100 %', ['turn P1 to 0 % at 1 s', 'turn P2 to 100 % at 1 s']],
    [
      'turn P1 to 0, then P1 to 100 %, then P1 to 50 %',
      ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 2 s', 'turn P1 to 50 % at 3 s'],
    ],
    ['press S1 and then turn P1 to 80 %', ['press S1 at 1 s for 0.3 s', 'turn P1 to 80 % at 2.3 s']],
  ])('%s', (text, sentences) => expect(done(text)).toEqual(sentences));
});

describe('what is not understood', () => {
  test.each([
    ['frobnicate S1', 'Of S1 you can say “press S1 at 2 s for 0.3 s”.'],
    ['T1 cold', 'Say how warm T1 is, as “warm T1 to 31 °C at 1 s”.'],
    ['P1 is bright', 'Of P1 you can say “turn P1 to 50 % at 1 s”.'],
    ['press P1', 'P1 is a potentiometer. Of it you can say “turn P1 to 50 % at 1 s”.'],
    ['turn S1 to 50 % at 2 s', 'S1 is a push button. Of it you can say “press S1 at 2 s for 0.3 s”.'],
    ['press D1', 'D1 is an LED: nothing is done to it.'],
    ['dance', 'Write it like “press S1 at 2 s for 0.3 s”'],
  ])('%s is answered with what can be done', (text, answer) => expect(done(text)[0]).toContain(answer));

  test.each(['P1 is on', 'S1 is off', 'S1 lights up', 'L1 is lit from 2 s'])(
    '%s is no expectation: nothing is seen of it',
    (text) =>
      expect(seen(text)[0]).toContain('nothing is seen of it. What is done to it is said in the lines above'),
  );
});

describe('how often, at the least', () => {
  test.each([
    ['D1 flashes at least 3 times', 'D1 flashes 3 times or more'],
    ['D1 blinks 3 times or more from 2 s', 'D1 flashes 3 times or more from 2 s'],
    ['D1 keeps flashing until 4 s', 'D1 flashes 2 times or more until 4 s'],
    ['D1 flashes repeatedly after 2 s', 'D1 flashes 2 times or more from 2 s'],
    ['Z1 beeps at least twice', 'Z1 chirps 2 times or more'],
    ['Z1 beeps from 6.5 s', 'Z1 chirps 2 times or more from 6.5 s'],
    ['Z1 beeps between 2 s and 4 s', 'Z1 chirps 2 times or more from 2 s to 4 s'],
    ['the buzzer beeps until S1 is pressed', 'Z1 chirps 2 times or more until 1 s'],
    ['Z1 beeps when S1 is pressed', 'Z1 chirps once after S1'],
    ['Z1 beeps for 2 s', 'Z1 chirps once, 1.8 s to 2.2 s long'],
    ['Z1 beeps at 880 Hz from 2 s', 'Z1 sounds at 880 Hz from 2 s'],
  ])('%s', (text, sentence) => expect(seen(text)).toEqual([sentence]));

  test('a rate of beeps asks for how long each of them is', () => {
    expect(seen('Z1 beeps every second')[0]).toContain('“Z1 sounds 0.2 s, silent 0.8 s”');
  });
});

test('what is done is no expectation, and its answer says where it stands', () => {
  expect(seen('press S1')).toEqual([
    'NOT: “press S1” is something that is done. It belongs in the lines above.',
  ]);
});

describe('one amount after another', () => {
  test.each([
    ['bright at first and dark after 3 s', ['light on L1 to 90 % at 0 s', 'light on L1 to 5 % at 3 s']],
    ['bright, then dark after 3 s', ['light on L1 to 90 % at 0 s', 'light on L1 to 5 % at 3 s']],
    ['it is dark until 3 s and then bright', ['light on L1 to 5 % at 0 s', 'light on L1 to 90 % at 3 s']],
    [
      'it is dark, then bright at 2 s, then dark at 4 s',
      ['light on L1 to 5 % at 0 s', 'light on L1 to 90 % at 2 s', 'light on L1 to 5 % at 4 s'],
    ],
    [
      'turn P1 to 20 %, then 40 %, then 80 %',
      ['turn P1 to 20 % at 1 s', 'turn P1 to 40 % at 3 s', 'turn P1 to 80 % at 5 s'],
    ],
    ['P1 at 10 %, then at 90 % at 4 s', ['turn P1 to 10 % at 0 s', 'turn P1 to 90 % at 4 s']],
    [
      'a hand at 10 cm, then at 50 cm',
      ['something 0.1 m before X1 at 0 s', 'something 0.5 m before X1 at 2 s'],
    ],
    ['T1 20 °C then 30 °C', ['warm T1 to 20 °C at 1 s', 'warm T1 to 30 °C at 3 s']],
    ['temperature 20, then 30 after 4 s', ['warm T1 to 20 °C at 1 s', 'warm T1 to 30 °C at 4 s']],
  ])('%s', (text, sentences) => {
    expect(done(text)).toEqual(sentences);
  });

  test.each([
    ['set P2 to 512', ['turn P2 to 50 % at 0 s']],
    ['P1 at 700', ['turn P1 to 68.4 % at 0 s']],
    ['P1 at 65535', ['turn P1 to 100 % at 0 s']],
    ['put P1 in the middle', ['turn P1 to 50 % at 1 s']],
    ['turn P1 to a quarter', ['turn P1 to 25 % at 1 s']],
    ['turn P1 to max', ['turn P1 to 100 % at 1 s']],
    [
      'turn P1 from 0 to 100 % and back',
      ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 1.5 s over 2 s', 'turn P1 to 0 % at 4.5 s over 2 s'],
    ],
    ['set X1 to 30 cm', ['something 0.3 m before X1 at 1 s']],
    ['distance on X1 to 150 cm at 3 s', ['something 1.5 m before X1 at 3 s']],
    ['a hand approaches', ['something 0.1 m before X1 at 1 s']],
    [
      'a hand approaches from 50 cm to 5 cm',
      ['something 0.5 m before X1 at 1 s', 'something 0.05 m before X1 at 1.5 s over 2 s'],
    ],
    ['something 20 cm away', ['something 0.2 m before X1 at 0 s']],
    ['the sun goes down', ['light on L1 to 5 % at 1 s']],
    ['the room gets darker at 2 s', ['light on L1 to 5 % at 2 s']],
    ['no light', ['light on L1 to 5 % at 0 s']],
    ['put the light sensor in the dark', ['light on L1 to 5 % at 1 s']],
    ['it warms up from 20 to 30 degrees', ['warm T1 to 20 °C at 1 s', 'warm T1 to 30 °C at 1.5 s over 2 s']],
    ['it cools down to 15 °C', ['warm T1 to 15 °C at 1 s']],
    ['press S1 at 1 s and again at 3 s', ['press S1 at 1 s for 0.3 s', 'press S1 at 3 s for 0.3 s']],
    ['press S1 a second time after 5 s', ['press S1 at 5 s for 0.3 s']],
    ['press S1 twice within one second', ['press S1 at 1 s for 0.25 s', 'press S1 at 1.5 s for 0.25 s']],
    ['press and release S1', ['press S1 at 1 s for 0.3 s']],
    ['long press S1', ['press S1 at 1 s for 2 s']],
    ['S1 goes down at 1 s and up at 3 s', ['press S1 at 1 s for 2 s']],
    ['the user presses S1 at 2 s', ['press S1 at 2 s for 0.3 s']],
    ['reset', ["press the board's reset at 1 s"]],
    ['unplug and plug in again', ['supply off at 1 s', 'supply on at 2 s']],
    ['nobody moves', ['NOT: Where nothing is done, nothing has to be written here.']],
    ['nothing is done for 10 s', ['NOT: Where nothing is done, nothing has to be written here.']],
    // A light sensor’s reading depends on its resistor.
    ['the light sensor reads 200', [expect.stringContaining('Of L1 you can say')]],
  ])('%s', (text, sentences) => {
    expect(done(text)).toEqual(sentences);
  });
});
