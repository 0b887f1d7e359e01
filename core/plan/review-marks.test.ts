import { describe, expect, test } from 'vitest';
import { marksAfter } from './review-marks';
import { remarksLike } from './remarks';

const decided = (outcome: 'accepted' | 'returned' | null, marks: number | null = null, reason = '') => ({
  outcome,
  marks,
  reason,
});
const half = { earned: 2, of: 4 };

describe('marks', () => {
  test.each([
    ['are those of the scenarios', half, [], false, { earned: 2, of: 4, reason: '' }],
    [
      'are all when it was accepted',
      half,
      [decided('accepted')],
      false,
      { earned: 4, of: 4, reason: 'accepted as it is' },
    ],
    ['are all when its circuit is', half, [], true, { earned: 4, of: 4, reason: 'accepted as it is' }],
    [
      'are as given when it was sent back all the same',
      half,
      [decided('returned')],
      true,
      { earned: 2, of: 4, reason: '' },
    ],
    [
      'are what the last override says',
      half,
      [decided(null, 1, 'late'), decided(null, 3, 'explained'), decided('accepted')],
      false,
      { earned: 3, of: 4, reason: 'explained' },
    ],
    [
      'can be given where nothing could be judged',
      undefined,
      [decided(null, 3, 'seen on the bench')],
      false,
      { earned: 3, of: 3, reason: 'seen on the bench' },
    ],
    ['are none as long as nothing is judged', undefined, [decided(null)], false, undefined],
  ] as const)('%s', (_, given, decisions, isAccepted, marks) => {
    expect(marksAfter(given, decisions, isAccepted)).toEqual(marks);
  });
});

describe('remarks made before', () => {
  const known = [
    { text: 'Turn the LED round.', times: 3 },
    { text: 'Look at the LED again: which leg is longer?', times: 9 },
    { text: 'Good. Now try it with two LEDs.', times: 1 },
    { text: 'Well done', times: 20 },
  ];

  test('are found by their words in any order, the most used first', () => {
    expect(remarksLike('led', known).map(({ times }) => times)).toEqual([9, 3, 1]);
    expect(remarksLike('round led', known).map(({ text }) => text)).toEqual(['Turn the LED round.']);
    expect(remarksLike('turn', known)[0]!.text).toBe('Turn the LED round.');
  });

  test('are all there before anything is typed, and not what is typed already', () => {
    expect(remarksLike('', known)[0]!.text).toBe('Well done');
    expect(remarksLike('well done', known)).toEqual([]);
  });

  test.each([
    ['from those of the report', undefined, { earned: 2.5, of: 4, reason: '1 day late: −0.5' }],
    [
      'from all of them when it is accepted',
      'accepted',
      { earned: 3.5, of: 4, reason: 'accepted as it is; 1 day late: −0.5' },
    ],
  ] as const)('are less what the rubric takes off, %s', (_, outcome, expected) => {
    const late = [{ points: 0.5, why: '1 day late' }];
    const decisions = outcome === undefined ? [] : [decided(outcome)];
    expect(marksAfter({ earned: 3, of: 4 }, decisions, false, late)).toEqual(expected);
  });

  test('are never less than none, and an override takes nothing more off', () => {
    const late = [{ points: 9, why: '18 days late' }];
    expect(marksAfter({ earned: 3, of: 4 }, [], false, late)?.earned).toBe(0);
    expect(marksAfter({ earned: 3, of: 4 }, [decided(null, 2, 'was ill')], false, late)).toEqual({
      earned: 2,
      of: 4,
      reason: 'was ill',
    });
  });
});
