import { describe, expect, test } from 'vitest';
import { expectationSchema, expectationSentence } from '../expectations';
import { stimulusSchema, stimulusSentence } from '../stimuli';

describe('an expectation as a sentence', () => {
  test.each([
    [{ lamp: 'D1', is: 'on' }, 'D1 is on all the time'],
    [{ lamp: 'D1', is: 'off', from: 2, to: 5 }, 'D1 is off all the time from 2 s to 5 s'],
    [
      { lamp: 'D1', rhythm: [0.5, 2.5], tolerance: 0.1 },
      'D1 lit 0.5 s, dark 2.5 s, over and over, give or take 10\u00a0%',
    ],
    [{ lamp: 'D1', flashes: 3 }, 'D1 flashes 3 times'],
    [{ lamp: 'D1', flashes: 1 }, 'D1 flashes once'],
    [{ lamp: 'D1', brightness: [0.2, 0.4] }, 'D1 is between 20 and 40 % bright'],
    [{ 'never-together': ['D1', 'D2'] }, 'D1 and D2 never lit together'],
    [{ order: ['D1', 'D2', 'D3'] }, 'D1, then D2, then D3 in turn'],
    [{ serial: 'contains', text: 'tide', from: 1 }, 'the serial text contains “tide” from 1 s'],
  ])('%j', (data, sentence) => {
    expect(expectationSentence(expectationSchema.parse(data))).toBe(sentence);
  });
});

describe('a stimulus as a sentence', () => {
  test.each([
    [{ at: 2, press: 'S1', for: 0.3 }, 'press S1 at 2 s for 0.3 s'],
    [{ at: 2, press: 'S1' }, 'hold S1 from 2 s'],
    [{ at: 1, turn: 'P1', to: 0.5, over: 0.2 }, 'turn P1 to 50 % at 1 s over 0.2 s'],
    [{ at: 1, light: 'L1', to: 0.2 }, 'light on L1 to 20 % at 1 s'],
    [{ at: 1, warm: 'T1', to: 31 }, 'warm T1 to 31 °C at 1 s'],
    [{ at: 1, distance: 'X1', to: 0.4 }, 'something 0.4 m before X1 at 1 s'],
    [{ at: 1, motion: 'X2', for: 2 }, 'something moves before X2 at 1 s for 2 s'],
    [{ at: 3, serial: 'on\n' }, 'type “on” and return at 3 s'],
    [{ at: 5, reset: true }, "press the board's reset at 5 s"],
    [{ at: 6, supply: 'off' }, 'supply off at 6 s'],
  ])('%j', (data, sentence) => {
    expect(stimulusSentence(stimulusSchema.parse(data))).toBe(sentence);
  });
});

describe('what is neither is refused', () => {
  test.each([
    { at: -1, press: 'S1' },
    { press: 'S1' },
    { at: 1 },
    { at: 1, press: 's one' },
    { at: 1, turn: 'P1', to: 2 },
    { at: 1, press: 'S1', extra: 1 },
  ])('stimulus %j', (data) => {
    expect(stimulusSchema.safeParse(data).success).toBe(false);
  });

  test.each([
    { lamp: 'D1' },
    { lamp: 'D1', rhythm: [0.5] },
    { lamp: 'D1', rhythm: [0, 1] },
    { lamp: 'D1', is: 'blue' },
    { 'never-together': ['D1'] },
    { lamp: 'D1', is: 'on', tolerance: 2 },
  ])('expectation %j', (data) => {
    expect(expectationSchema.safeParse(data).success).toBe(false);
  });
});
