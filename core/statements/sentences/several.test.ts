import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence } from '../../stimuli';
import { readBegun } from './begun';
import { readExpected } from './expected';

const ONE_BUTTON = [
  { ref: 'D1', kind: 'led' },
  { ref: 'D2', kind: 'led' },
  { ref: 'D3', kind: 'led' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'S1', kind: 'button' },
];
const TWO_BUTTONS = [...ONE_BUTTON, { ref: 'S2', kind: 'button' }];
const begun = (text: string, parts = ONE_BUTTON): readonly string[] => {
  const read = readBegun(text, parts);
  if (!read.ok) return [`NOT: ${read.problems[0]!.message}`];
  return [...read.value.stimuli.map(stimulusSentence), ...read.value.expect.map(expectationSentence)];
};

describe('one light of several', () => {
  test.each([
    'only D1 is on from 1 s to 2 s',
    'D1 alone is lit from 1 s to 2 s',
    'D1 is the only one on from 1 s to 2 s',
  ])('means that the others are off: %s', (text) =>
    expect(begun(text)).toEqual([
      'D1 is on all the time from 1 s to 2 s',
      'D2 is off all the time from 1 s to 2 s',
      'D3 is off all the time from 1 s to 2 s',
    ]),
  );

  test.each([
    ['D1 to D3 are off until 2 s', ['D1', 'D2', 'D3'].map((name) => `${name} is off all the time until 2 s`)],
    ['D1–D3 are lit', ['D1', 'D2', 'D3'].map((name) => `${name} is on all the time`)],
    ['D2..D3 go on at 1 s', ['D2', 'D3'].map((name) => `${name} is on all the time from 1.1 s to 1.2 s`)],
    ['D1 to D3 light up one after the other', ['D1, then D2, then D3 in turn']],
    ['D1, then D2, then D3, over and over', ['D1, then D2, then D3 in turn']],
    ['D1 and D2 are both off', ['D1 is off all the time', 'D2 is off all the time']],
    ['all are dark from 2 s', ['D1', 'D2', 'D3'].map((name) => `${name} is off all the time from 2 s`)],
    ['all off', ['D1', 'D2', 'D3'].map((name) => `${name} is off all the time`)],
  ])('a row of them, or all: %s', (text, sentences) => expect(begun(text)).toEqual(sentences));

  test('a row with a gap in it is none', () => {
    expect(begun('D1 to D4 are off')[0]).toContain('NOT:');
  });

  test.each([
    'at most one LED is on',
    'only one light is lit at a time',
    'the LEDs are on one at a time',
    'never two LEDs on at once',
  ])('at a time: %s', (text) => expect(begun(text).join()).toContain('D1, D2 and D3 never lit together'));

  test('each may do its own, behind a comma', () => {
    expect(begun('D1 is on, D2 is off from 2 s')).toEqual([
      'D1 is on all the time',
      'D2 is off all the time from 2 s',
    ]);
  });
});

describe('presses that are counted', () => {
  const THREE = [1, 2, 3].map((at) => `press S1 at ${at} s for 0.3 s`);

  test.each([
    'D1 is on after three presses',
    'after 3 presses D1 is on',
    'after S1 was pressed 3 times, D1 is on',
    'D1 is on after the third press',
    'after the 3rd press of S1 D1 is on',
    'D1 is on when S1 is pressed 3 times',
  ])('are done in a scenario of their own: %s', (text) => {
    expect(begun(text)).toEqual([...THREE, 'D1 is on all the time from 3.1 s']);
  });

  test('hold until the next one', () => {
    const done = [1, 3, 5].map((at) => ({ at, press: 'S1', for: 0.3 }));
    const read = readExpected('D2 is on after the second press', ONE_BUTTON, done);
    expect(read.ok && read.value.map(expectationSentence)).toEqual([
      'D2 is on all the time from 3.1 s to 5 s',
    ]);
    const never = readExpected('D2 is on after the 4th press', ONE_BUTTON, done);
    expect(never.ok ? '' : never.problems[0]!.message).toContain('press S1 4 times');
  });

  test('are not as many as anybody can type', () => {
    expect(begun('D1 is on after 99999999999 presses of S1')[0]).toContain('NOT:');
    expect(begun('press S1 99999999999 times: D1 is on')[0]).toContain('NOT:');
  });

  test('are of one button', () => {
    expect(begun('D1 is on after 3 presses', TWO_BUTTONS)[0]).toContain('“after 3 presses of S1”');
    expect(begun('D1 is on after 2 presses of S2', TWO_BUTTONS)[1]).toBe('press S2 at 2 s for 0.3 s');
  });
});

describe('what a press does', () => {
  test.each([
    ['S1 turns D1 on', ['D1 goes on within 0.1 s of S1']],
    ['pressing S1 switches D1 off', ['D1 goes off within 0.1 s of S1']],
    [
      'S1 switches D1 on and S2 switches it off',
      ['D1 goes on within 0.1 s of S1', 'D1 goes off within 0.1 s of S2'],
    ],
    ['M1 goes to 90° when S1 is pressed', ['M1 stands at 90° from 0.1 s after S1']],
  ])('%s', (text, sentences) => {
    expect(begun(text, TWO_BUTTONS)).toEqual(expect.arrayContaining(sentences));
  });
});
