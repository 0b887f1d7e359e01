import { describe, expect, test } from 'vitest';
import { expectationSentence, type Expectation } from '../../expectations';
import { stimulusSentence, type Stimulus } from '../../stimuli';
import { doneMeanwhile } from './answered';
import { readDone } from './done';
import { readExpected } from './expected';

const parts = [
  { ref: 'U1', kind: 'board' },
  { ref: 'D1', kind: 'led' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'M2', kind: 'motor' },
  { ref: 'Z1', kind: 'buzzer' },
  { ref: 'K1', kind: 'relay' },
  { ref: 'S1', kind: 'button' },
  { ref: 'L1', kind: 'light-sensor' },
  { ref: 'T1', kind: 'temperature-sensor' },
  { ref: 'X1', kind: 'distance-sensor' },
  { ref: 'X2', kind: 'motion-sensor' },
];
const expected = (text: string): readonly string[] => {
  const read = readExpected(text, parts, []);
  return read.ok ? read.value.map(expectationSentence) : [`NOT: ${read.problems[0]!.message}`];
};
const done = (text: string): readonly string[] => {
  const read = readDone(text, parts, []);
  return read.ok ? read.value.map(stimulusSentence) : [`NOT: ${read.problems[0]!.message}`];
};

describe('a servo that is moved', () => {
  test.each([
    ['M1 follows P1 from 0 to 180', ['M1 follows P1']],
    ['the servo follows the potentiometer from 0 to 180 degrees', ['M1 follows P1']],
    [
      'M1 opens to 90 degrees when S1 is pressed and closes again after 3 seconds',
      ['M1 stands at 90° until 3 s after S1', 'M1 stands at 0° from 4 s after S1'],
    ],
    [
      'M1 moves to 20 when S1 is pressed and back to 10 2 s later',
      ['M1 stands at 20° until 2 s after S1', 'M1 stands at 10° from 3 s after S1'],
    ],
    ['turning P1 clockwise makes D1 brighter', ['D1 follows P1']],
    ['turning P1 up makes D1 darker', ['D1 follows P1 the other way round']],
    ['D1 gets brighter when P1 is turned up', ['D1 follows P1']],
  ])('%s', (text, meant) => {
    expect(expected(text)).toEqual(meant);
  });
});

describe('a servo that sweeps is understood as people say it', () => {
  test.each([
    ['M1 sweeps from 0 to 180', 'M1 sweeps from 0° to 180°'],
    ['M1 sweeps from 0 to 180 over and over', 'M1 sweeps from 0° to 180°'],
    ['the servo sweeps back and forth between 0 and 180 degrees', 'M1 sweeps from 0° to 180° and back'],
    ['M1 moves slowly from 0° to 180° and back', 'M1 sweeps from 0° to 180° and back'],
    ['M1 sweeps', 'M1 sweeps from 0° to 180° and back'],
    ['M1 sweeps its full range', 'M1 sweeps from 0° to 180° and back'],
    ['M1 swings between 45 and 135', 'M1 sweeps from 45° to 135° and back'],
    ['the servo goes from 0 to 90 in 2 s', 'M1 sweeps from 0° to 90° in 2 s'],
    ['M1 sweeps from 0 to 180 degrees in 2 seconds and back', 'M1 sweeps from 0° to 180° and back in 2 s'],
    ['M1 turns from 90 to 0 after S1', 'M1 sweeps from 90° to 0° after S1'],
    ['M1 turns from 0 to 90 from 2 s to 6 s', 'M1 sweeps from 0° to 90° from 2 s to 6 s'],
    ['M2 turns slowly', 'M2 turns forwards at 30 % of its speed, give or take 25 %'],
    ['M2 runs backwards fast', 'M2 turns backwards at 85 % of its speed, give or take 25 %'],
    [
      'M2 turns at full speed from 2 s',
      'M2 turns forwards at 100 % of its speed from 2 s, give or take 15 %',
    ],
    ['M2 turns from 2 s to 3 s', 'M2 turns forwards from 2 s to 3 s'],
    ['M1 stands at 90°', 'M1 stands at 90°'],
  ])('%s', (text, sentence) => {
    expect(expected(text)).toEqual([sentence]);
  });
});

describe('a part that follows another is understood as people say it', () => {
  test.each([
    'D1 follows P1',
    'D1 gets brighter as P1 is turned up',
    'D1 gets brighter when P1 is turned clockwise',
    'D1 gets darker as P1 is turned down',
    'D1 gets brighter the further P1 is turned',
    'the more P1 is turned, the brighter D1',
    'the further P1 is turned the brighter is D1',
    'the brightness of the LED follows the potentiometer',
    'D1’s brightness depends on P1',
    'P1 dims D1',
    'P1 sets the brightness of D1',
    'the pot controls the LED',
    'D1 fades with P1',
  ])('%s', (text) => {
    expect(expected(text)).toEqual(['D1 follows P1']);
  });

  test.each([
    ['M1 follows the position of P1', 'M1 follows P1'],
    ['the knob controls the angle of M1', 'M1 follows P1'],
    ['the tone of Z1 rises with P1', 'Z1 follows P1'],
    ['M2 turns faster as P1 is turned up', 'M2 follows P1'],
    ['D1 gets darker as L1 gets brighter', 'D1 follows L1 the other way round'],
    ['D1 gets brighter the darker it gets', 'D1 follows L1 the other way round'],
    ['D1 gets darker the more light falls on L1', 'D1 follows L1 the other way round'],
    ['Z1 gets higher the nearer the hand comes', 'Z1 follows X1 the other way round'],
    ['M2 turns faster the warmer it gets from 2 s to 8 s', 'M2 follows T1 from 2 s to 8 s'],
    ['D1 gets brighter as P1 is turned down', 'D1 follows P1 the other way round'],
  ])('%s', (text, sentence) => {
    expect(expected(text)).toEqual([sentence]);
  });

  test.each([
    ['D1 gets brighter', 'D1 gets brighter'],
    ['D1 gets brighter when P1 is turned', 'D1 gets brighter after P1'],
    ['D1 gets brighter from 2 s to 4 s', 'D1 gets brighter from 2 s to 4 s'],
    ['D1 turns on when S1 is pressed', 'D1 goes on within 0.1 s of S1'],
    ['K1 clicks when S1 is pressed', 'K1 changes within 0.1 s of S1'],
  ])('and nothing else is taken for it: %s', (text, sentence) => {
    expect(expected(text)).toEqual([sentence]);
  });
});

describe('what must not be printed', () => {
  test.each([
    ['never prints "error"', ['the serial text does not contain “error”']],
    ['the program does not print "error" from 2 s', ['the serial text does not contain “error” from 2 s']],
    ['prints "a" but not "b"', ['the serial text contains “a”', 'the serial text does not contain “b”']],
    ['nothing is printed', ['the serial text equals “”']],
    ['prints nothing until 2 s', ['the serial text equals “” until 2 s']],
    ['the serial monitor stays empty', ['the serial text equals “”']],
  ])('%s', (text, sentences) => {
    expect(expected(text)).toEqual(sentences);
  });
});

describe('what is moved from one place to another', () => {
  test.each([
    ['turn P1 from 0 to 100 % in 2 s', ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 1.5 s over 2 s']],
    ['turn P1 slowly from 0 to 1 at 3 s', ['turn P1 to 0 % at 2.5 s', 'turn P1 to 100 % at 3 s over 4 s']],
    [
      'P1 is turned slowly from 0 to 100 % over 5 s',
      ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 1.5 s over 5 s'],
    ],
    [
      'turn P1 from 0 to 100 % from 1 s to 6 s',
      ['turn P1 to 0 % at 0.5 s', 'turn P1 to 100 % at 1 s over 5 s'],
    ],
    ['P1 is gradually turned up', ['turn P1 to 100 % at 1 s over 4 s']],
    ['P1 is slowly turned to 30 % in 3 s', ['turn P1 to 30 % at 1 s over 3 s']],
    ['P1 is swept from 0 to 100 %', ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 1.5 s over 4 s']],
    [
      'P1 is turned up and down',
      ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 1.5 s over 2 s', 'turn P1 to 0 % at 4.5 s over 2 s'],
    ],
    [
      'turn the pot from one end to the other',
      ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 1.5 s over 2 s'],
    ],
    ['sweep P1', ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 1.5 s over 2 s']],
    [
      'turn P1 up and down',
      ['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 1.5 s over 2 s', 'turn P1 to 0 % at 4.5 s over 2 s'],
    ],
    [
      'the light goes from 100 to 0 % in 5 s',
      ['light on L1 to 100 % at 1 s', 'light on L1 to 0 % at 1.5 s over 5 s'],
    ],
    [
      'the temperature rises from 20 to 30 °C in 5 s',
      ['warm T1 to 20 °C at 1 s', 'warm T1 to 30 °C at 1.5 s over 5 s'],
    ],
    [
      'move a hand from 50 cm to 5 cm',
      ['something 0.5 m before X1 at 1 s', 'something 0.05 m before X1 at 1.5 s over 2 s'],
    ],
    ['hold S1 from 1 s to 3 s', ['press S1 at 1 s for 2 s']],
    ['cover L1 from 1 s to 3 s', ['light on L1 to 5 % at 1 s', 'light on L1 to 90 % at 3 s']],
  ])('%s', (text, sentences) => {
    expect(done(text)).toEqual(sentences);
  });

  test.each([
    'press S1 every second',
    'press S1 repeatedly',
    'press S1 again and again',
    'press S1 once a second',
  ])('what goes on is done five times: %s', (text) => {
    expect(done(text)).toEqual([1, 2, 3, 4, 5].map((at) => `press S1 at ${at} s for 0.3 s`));
  });
});

describe('what is not understood', () => {
  test.each([
    [
      'M1 wiggles',
      'Of M1 you can say “M1 sweeps from 0° to 180° and back”, “M1 stands at 90°” or “M1 follows P1”.',
    ],
    ['the LED dances', 'Of D1 you can say “D1 is on”, “D1 lit 0.5 s, dark 2.5 s”,'],
    ['K1 hums', 'Of K1 you can say “K1 goes on within 0.1 s of S1” or “K1 is pulled in”.'],
    ['make it nice', 'Write it like “D1 is on”'],
    ['K1 clicks', 'Say when K1 clicks'],
  ])('is answered with what can be said of the parts that are there: %s', (text, told) => {
    expect(expected(text)[0]).toContain(told);
  });

  test('names no part that is not there', () => {
    const read = readExpected('nonsense', [{ ref: 'M7', kind: 'servo' }], []);
    expect(!read.ok && read.problems[0]!.message).toMatch(/“M7 sweeps .*” or “prints/);
    expect(!read.ok && read.problems[0]!.message).not.toMatch(/\b(?:D1|S1|P1)\b/);
  });
});

describe('what has to be done so that something can come of it', () => {
  const follows: Expectation = { part: 'D1', follows: 'P1' };
  const responds: Expectation = { responds: 'D1', to: 'S1', within: 0.1, then: 'on' };
  const meanwhile = (expect: readonly Expectation[], before: readonly Stimulus[] = []): readonly string[] =>
    doneMeanwhile(expect, before, parts).map(stimulusSentence);

  test('is a press, a movement, or a turn from end to end', () => {
    expect(meanwhile([responds])).toEqual(['press S1 at 2 s for 0.3 s']);
    expect(meanwhile([follows])).toEqual(['turn P1 to 0 % at 1 s', 'turn P1 to 100 % at 2 s over 4 s']);
    expect(meanwhile([{ lamp: 'D1', is: 'on', to: 2, after: 'X2' }])).toEqual([
      'something moves before X2 at 2 s for 2 s',
    ]);
  });

  test('is nothing where it is done already, and where nothing is answered', () => {
    expect(meanwhile([responds], [{ at: 1, press: 'S1' }])).toEqual([]);
    expect(meanwhile([{ lamp: 'D1', is: 'on' }])).toEqual([]);
    // Whether it gets dark or bright is not for anybody to guess.
    expect(meanwhile([{ responds: 'D1', to: 'L1', within: 0.1, then: 'on' }])).toEqual([]);
  });
});
