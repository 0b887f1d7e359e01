import { describe, expect, test } from 'vitest';
import { readExpectation, type Expectation } from '../../expectations';
import type { Scenario } from '../../formats/scenario';
import { readStimulus, type Stimulus } from '../../stimuli';
import { variationsOf } from './variations';

const said = <Value>(read: { readonly ok: boolean; readonly value?: Value }): Value => read.value!;
const scenario = (lasts: number, done: readonly string[], seen: readonly string[]): Scenario => ({
  name: 'one',
  for: lasts,
  stimuli: done.map((text): Stimulus => said(readStimulus(text))),
  expect: seen.map((text): Expectation => said(readExpectation(text))),
});

describe('the scenarios a little otherwise', () => {
  test('come later, press longer, and turn a little aside', () => {
    const [later, longer] = variationsOf([
      scenario(
        5,
        ['press S1 at 1 s for 1 s'],
        ['D1 is on from 1.1 s to 1.9 s', 'D1 goes on within 0.1 s of S1'],
      ),
    ]);
    expect(later).toMatchObject({
      for: 5.37,
      stimuli: [{ at: 1.37, for: 1 }],
      expect: [{ from: 1.47, to: 2.27 }, {}],
    });
    expect(later!.expect[1]).toMatchObject({ responds: 'D1', to: 'S1' });
    expect(longer).toMatchObject({ for: 5, stimuli: [{ at: 1, for: 1.3 }] });
    expect(
      variationsOf([scenario(3, ['turn P1 to 30 % at 1 s', 'turn P1 to 100 % at 2 s'], ['D1 is on'])])[1],
    ).toMatchObject({ stimuli: [{ to: 0.36 }, { to: 1 }] });
  });

  test('go on for longer where nothing is done', () => {
    const left = scenario(4, [], ['D1 is on']);
    expect(variationsOf([left])).toEqual([{ ...left, for: 10 }]);
    expect(variationsOf([scenario(60, [], ['D1 is on'])])).toEqual([]);
  });
});
