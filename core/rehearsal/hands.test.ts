import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { partKinds } from '../parts';
import { stimulusSchema, type Stimulus } from '../stimuli';
import { isHeld, stateAt, touchables, touched, type Touch } from './hands';

const button = ref('S1');
const hold: Touch = { touch: 'hold', how: 'press', ref: button };
const letGo: Touch = { touch: 'let go', ref: button };
const none: readonly Stimulus[] = [];

describe('a hand', () => {
  test('holds a button until it lets go', () => {
    const held = touched(none, hold, 1.23456);
    expect(held).toEqual([{ at: 1.235, press: 'S1' }]);
    expect(isHeld(held, button, 2)).toBe(true);
    expect(stateAt(held, button, 2).pressed).toBe(true);
    const over = touched(held, letGo, 2);
    expect(over).toEqual([{ at: 1.235, press: 'S1', for: 0.765 }]);
    expect(isHeld(over, button, 2.1)).toBe(false);
    expect(stateAt(over, button, 2.1).pressed).toBe(false);
  });

  test('cannot hold what it holds, nor let go of what it does not', () => {
    const held = touched(none, hold, 1);
    expect(touched(held, hold, 1.5)).toEqual(held);
    expect(touched(none, letGo, 1)).toEqual(none);
  });

  test('presses for a moment at the least, however slow the screen', () => {
    expect(touched(touched(none, hold, 1), letGo, 1)).toEqual([{ at: 1, press: 'S1', for: 0.03 }]);
  });

  test('turns to one place at a time', () => {
    const to = (place: number): Touch => ({ touch: 'bring', how: 'turn', ref: ref('P1'), to: place });
    const turned = touched(touched(touched(none, to(0.2), 1), to(0.4), 1), to(0.9), 2);
    expect(turned).toEqual([
      { at: 1, turn: 'P1', to: 0.4 },
      { at: 2, turn: 'P1', to: 0.9 },
    ]);
    expect(stateAt(turned, ref('P1'), 1.5).position).toBe(0.4);
  });

  test('leaves nothing of what was to come behind it', () => {
    const done: readonly Stimulus[] = [
      { at: 1, press: 'S1', for: 0.5 },
      { at: 5, press: 'S1', for: 0.5 },
    ];
    expect(touched(done, { touch: 'reset' }, 3)).toEqual([done[0], { at: 3, reset: true }]);
  });

  test('does nothing that could not be written down', () => {
    const touches = fc.oneof(
      fc.constantFrom<Touch>(hold, letGo, { touch: 'reset' }, { touch: 'type', text: 'a\n' }),
      fc.constantFrom<Touch>(
        { touch: 'hold', how: 'motion', ref: ref('X1') },
        { touch: 'let go', ref: ref('X1') },
      ),
      fc
        .double({ min: 0, max: 1, noNaN: true })
        .map((to): Touch => ({ touch: 'bring', how: 'light', ref: ref('L1'), to })),
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(touches, fc.double({ min: 0, max: 30, noNaN: true })), { maxLength: 30 }),
        (all) => {
          const done = all.reduce((before, [touch, at]) => touched(before, touch, at), none);
          for (const stimulus of done) expect(stimulusSchema.safeParse(stimulus).success).toBe(true);
        },
      ),
    );
  });
});

test('every kind that a scenario can touch can be touched by hand', () => {
  const parts = partKinds.map(({ kind, prefix }) => ({ ref: ref(`${prefix}1`), kind }));
  const kinds = touchables(parts).map(({ kind }) => kind);
  expect(kinds).toEqual(partKinds.filter(({ stimulus }) => stimulus).map(({ kind }) => kind));
  expect(kinds.length).toBeGreaterThan(6);
});
