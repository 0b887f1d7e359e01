import { describe, expect, test } from 'vitest';
import { readExpectation, readStimulus } from './scenario-lines';
import { expectationSentence, stimulusSentence } from './scenario-sentences';
import type { Expectation, Stimulus } from './scenario';

const all: readonly Expectation[] = [
  { lamp: 'D1', is: 'on' },
  { lamp: 'D2', is: 'off', from: 1, to: 3 },
  { lamp: 'D1', rhythm: [0.5, 2.5], tolerance: 0.1 },
  { lamp: 'D1', rhythm: [0.2, 0.3, 0.4, 1.1], from: 2 },
  { lamp: 'D12', flashes: 3, to: 6, from: 0 },
  { lamp: 'D1', brightness: [0.2, 0.4] },
  { 'never-together': ['D1', 'D2'] },
  { order: ['D1', 'D2', 'D3'] },
  { serial: 'contains', text: 'tide 12' },
  { serial: 'equals', text: 'x' },
  { lamp: 'D1.red', is: 'on' },
  { lamp: 'D1', rises: true, from: 1, to: 2 },
  { lamp: 'D1', falls: true },
  { lamp: 'D1', colour: 'violet' },
  { responds: 'D1', to: 'S1', within: 0.1, then: 'on' },
  { responds: 'Z1', to: 'S1', within: 0.2, then: 'changed', from: 3 },
  { servo: 'M1', angle: 90, tolerance: 0.02 },
  { buzzer: 'Z1', tone: 440, to: 2, from: 1 },
  { buzzer: 'Z1', is: 'off' },
  { panel: 'X3', picture: ['..##....', ...new Array<string>(7).fill('........')] },
  { display: 'X4', text: ['Tide', '2.5 m'] },
  {
    'one-of': [
      { lamp: 'D1', is: 'on', from: 1 },
      { lamp: 'D2', is: 'on', from: 1 },
    ],
    variety: 2,
    over: 20,
  },
];

const stimuli: readonly Stimulus[] = [
  { at: 2, press: 'S1', for: 0.3 },
  { at: 2, press: 'S1' },
  { at: 1, turn: 'P1', to: 0.5, over: 0.2 },
  { at: 1, light: 'L1', to: 0.2 },
  { at: 1, warm: 'T1', to: -3 },
  { at: 1, distance: 'X1', to: 0.4 },
  { at: 1, motion: 'X2', for: 2 },
  { at: 3, serial: 'on\n' },
  { at: 3, serial: 'k' },
  { at: 5, reset: true },
  { at: 6, supply: 'off' },
];

describe('a stimulus', () => {
  test.each(stimuli.map((stimulus) => [stimulusSentence(stimulus), stimulus] as const))(
    'is read as it is written: %s',
    (sentence, stimulus) => {
      expect(readStimulus(sentence)).toEqual({ ok: true, value: stimulus });
    },
  );

  test('is read as people say it: hold S1 from 1 s to 3 s', () => {
    expect(readStimulus('hold S1 from 1 s to 3 s')).toEqual({
      ok: true,
      value: { at: 1, press: 'S1', for: 2 },
    });
  });

  test('that nobody understands is answered with how to write one', () => {
    const read = readStimulus('kick it');
    expect(!read.ok && read.problems[0]!.message).toContain('Write it like “press S1 at 2 s for 0.3 s”');
  });
});

describe('an expectation', () => {
  test.each(all.map((expectation) => [expectationSentence(expectation), expectation] as const))(
    'is read as it is written: %s',
    (sentence, expectation) => {
      expect(readExpectation(sentence)).toEqual({ ok: true, value: expectation });
    },
  );

  test.each([
    ['D1 on 0.5 s, off 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['d1 flashes 0.5 s, dark 2.5 s', { lamp: 'D1', rhythm: [0.5, 2.5] }],
    ['D1 is lit', { lamp: 'D1', is: 'on' }],
    ['D1 stays dark', { lamp: 'D1', is: 'off' }],
    ['D1 and D2 never together', { 'never-together': ['D1', 'D2'] }],
    ['D1, then D2', { order: ['D1', 'D2'] }],
    ['prints "tide"', { serial: 'contains', text: 'tide' }],
  ])('is read as people say it: %s', (line, expectation) => {
    expect(readExpectation(line)).toEqual({ ok: true, value: expectation });
  });

  test('that nobody understands is answered with how to write one', () => {
    const read = readExpectation('make it nice');
    expect(!read.ok && read.problems[0]!.message).toContain('Write it like “D1 lit 0.5 s, dark 2.5 s”');
  });
});
