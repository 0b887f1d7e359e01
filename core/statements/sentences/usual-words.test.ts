import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { definitionOf, type Stimulus } from '../../stimuli';
import { readDone } from './done';
import { readExpected } from './expected';

const parts = [
  { ref: 'D1', kind: 'rgb-led', value: 'common-cathode' },
  { ref: 'D2', kind: 'led', value: 'red' },
  { ref: 'D3', kind: 'led', value: 'green' },
  { ref: 'S1', kind: 'button', value: '' },
  { ref: 'L1', kind: 'light-sensor', value: '10k' },
  { ref: 'X1', kind: 'distance-sensor', value: '' },
];

function done(sentence: string, before: readonly Stimulus[] = []): readonly string[] {
  const read = readDone(sentence, parts, before);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value.map((stimulus) => definitionOf(stimulus).sentence.say(stimulus));
}

function seen(sentence: string, before: readonly Stimulus[] = []): readonly string[] | string {
  const read = readExpected(sentence, parts, before);
  return read.ok ? read.value.map(expectationSentence) : read.problems[0]!.message;
}

const held: readonly Stimulus[] = [{ at: 1, press: 'S1', for: 2 }];

describe('what is done, in the words of whoever does it', () => {
  test.each([
    ['double press S1 at 2 s', ['press S1 at 2 s for 0.3 s', 'press S1 at 2.5 s for 0.3 s']],
    ['press S1 twice quickly at 2 s', ['press S1 at 2 s for 0.3 s', 'press S1 at 2.5 s for 0.3 s']],
    ['wait 2 s, then press S1', ['press S1 at 2 s for 0.3 s']],
    ['I press S1 at 2 s', ['press S1 at 2 s for 0.3 s']],
    ['shine a torch on L1 at 2 s', ['light on L1 to 90 % at 2 s']],
    ['switch the lights off at 4 s', ['light on L1 to 5 % at 4 s']],
    ['move a hand to 10 cm in front of the sensor at 2 s', ['something 0.1 m before X1 at 2 s']],
    [
      'something comes closer from 1 m to 20 cm',
      ['something 1 m before X1 at 1 s', 'something 0.2 m before X1 at 1.5 s over 2 s'],
    ],
  ])('%s', (sentence, meant) => {
    expect(done(sentence)).toEqual(meant);
  });

  test('after a wait, from the end of what was done before', () => {
    expect(done('wait 2 s, then press S1', held)).toEqual(['press S1 at 5 s for 0.3 s']);
  });
});

describe('what is seen, in the words of whoever sees it', () => {
  test.each([
    ['D2 toggles with every press of S1', ['D2 changes within 0.1 s of S1']],
    ['each press switches D2 on or off', ['D2 changes within 0.1 s of S1']],
    ['D2 blinks 5 times and then stays off', ['D2 flashes 5 times']],
    ['D1 is white while S1 is held', ['D1 is white from 0.1 s to 1.9 s after S1']],
    [
      'D2 and D3 light up alternately every 0.5 s',
      ['D2 lit 0.5 s, dark 0.5 s, over and over', 'D2 and D3 never lit together', 'D2, then D3 in turn'],
    ],
    ['the RGB LED is off', ['D1 is off all the time']],
  ])('%s', (sentence, meant) => {
    expect(seen(sentence, held)).toEqual(meant);
  });

  test('one colour after the other is answered with what is missing', () => {
    expect(seen('the RGB LED is red, then green, then blue')).toBe(
      'Say how long D1 has each of them: “D1 is red for 1 s, then green for 1 s, over and over”.',
    );
  });

  test('what is not understood is answered with what can be said of its part alone', () => {
    expect(seen('D2 beeps when something is closer than 20 cm')).toMatch(/Of D2 you can say “D2 is on”/);
  });
});

describe('what is seen when it is done by somebody, or goes on by turns', () => {
  test.each([
    ['D2 goes off when you press the button', ['D2 goes off within 0.1 s of S1']],
    ['D2 goes out as soon as you release S1', ['D2 is off all the time from 2.1 s after S1']],
    ['when you hold S1, D2 is on', ['D2 is on all the time from 0.1 s to 1.9 s after S1']],
    ['D2 lights up for 2 s every time S1 is pressed', ['D2 is on all the time from 0.1 s to 1.9 s after S1']],
    ['D2 swaps with D3 every 0.5 s', ['D2 lit 0.5 s, dark 0.5 s, over and over']],
    ['D2 and D3 take turns every 0.5 s', ['D2 lit 0.5 s, dark 0.5 s, over and over']],
    [
      'D1 cycles through red and blue, 2 s each',
      ['D1 is red from 0.1 s to 1.9 s', 'D1 is blue from 2.1 s to 3.9 s'],
    ],
    ['D1 is red, green and blue for 1 s each', ['D1 is red from 0.1 s to 0.9 s']],
    ['D2 gets brighter slowly', ['D2 gets brighter']],
    ['D2 flickers at random', ['D2 flickers like a flame']],
    ['D2 and D3 burn like candles', ['D2 flickers like a flame', 'D3 flickers like a flame']],
  ])('%s', (sentence, first) => {
    expect(seen(sentence, held).slice(0, first.length)).toEqual(first);
  });

  test('how often at which speed is asked for in the words of what is heard', () => {
    expect(seen('the closer the hand, the faster D2 blinks')).toContain('D2 flashes 3 times');
    expect(seen('D2 beeps twice as fast')).toContain('D2 beeps 3 times');
  });
});
