import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { definitionOf, type Stimulus } from '../../stimuli';
import { readBegun } from './begun';
import { readExpected } from './expected';

const parts = [
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'D2', kind: 'led', value: 'green' },
  { ref: 'S1', kind: 'button', value: '' },
];
const both: readonly Stimulus[] = [
  { at: 2, press: 'S1', for: 0.2 },
  { at: 4, press: 'S1', for: 2 },
];

/** What a sentence is understood as: what is done for it, and what must be seen; or the answer to it. */
function begun(sentence: string): readonly string[] | string {
  const read = readBegun(sentence, parts);
  return read.ok
    ? [
        ...read.value.stimuli.map((stimulus) => definitionOf(stimulus).sentence.say(stimulus)),
        ...read.value.expect.map(expectationSentence),
      ]
    : read.problems[0]!.message;
}

function seen(sentence: string, done: readonly Stimulus[]): readonly string[] | string {
  const read = readExpected(sentence, parts, done);
  return read.ok ? read.value.map(expectationSentence) : read.problems[0]!.message;
}

const PRESSED_BOTH = ['press S1 at 1 s for 0.2 s', 'press S1 at 4 s for 1.5 s'];

describe('a press that is short or long', () => {
  test.each([
    [
      'a short press lights D1, a long press lights D2',
      [...PRESSED_BOTH, 'D1 is on all the time from 1.3 s to 4 s', 'D2 is on all the time from 5.6 s'],
    ],
    [
      'a short press of S1 turns D1 on and a long press turns it off',
      [...PRESSED_BOTH, 'D1 is on all the time from 1.3 s to 4 s', 'D1 is off all the time from 5.6 s'],
    ],
    [
      'a short press lights D1, but a long press puts it out',
      [...PRESSED_BOTH, 'D1 is on all the time from 1.3 s to 4 s', 'D1 is off all the time from 5.6 s'],
    ],
    ['a quick press toggles D1', [PRESSED_BOTH[0], 'D1 changes within 0.3 s of S1']],
    [
      'D1 flashes 3 times after a long press of S1',
      ['press S1 at 1 s for 1.5 s', 'D1 flashes 3 times from 2.6 s'],
    ],
  ])('does by itself what it takes: %s', (sentence, meant) => {
    expect(begun(sentence)).toEqual(meant);
  });

  test('is found among what is done', () => {
    expect(seen('D1 is off after a long press', both)).toEqual(['D1 is off all the time from 6.1 s']);
    expect(seen('a short press lights D2', both)).toEqual(['D2 is on all the time from 2.3 s to 4 s']);
  });

  test('is asked for where nobody presses like that, or presses both ways', () => {
    expect(seen('a long press lights D2', both.slice(0, 1))).toBe(
      'Say first when S1 is held: hold S1 from 2 s to 4 s.',
    );
    expect(seen('a short press lights D2', both.slice(1))).toBe(
      'Say first when S1 is pressed: press S1 at 2 s for 0.2 s.',
    );
    expect(seen('a short press lights D1, a long press puts it out', [])).toBe(
      'Say first when S1 is pressed: press S1 at 2 s for 0.2 s.',
    );
    expect(seen('a long press toggles D1', both)).toMatch(/^S1 is pressed for short and for long here\./);
  });
});
