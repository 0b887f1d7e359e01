import { describe, expect, test } from 'vitest';
import { courseExercises } from '@/core/testing/course';
import { actionOfKey, choosable, DRAWING_AT_REST, drawingAfter, type DrawingAction } from './drawing-state';

const wirings = courseExercises.map(({ name, exercise }) => [name, exercise.reference] as const);
const beacon = wirings.find(([name]) => name === 'beacon')![1];
const after = (...actions: readonly DrawingAction[]) =>
  actions.reduce((state, action) => drawingAfter(state, action, beacon), DRAWING_AT_REST);

describe('on the drawing', () => {
  test.each(wirings)('of %s, the next part goes through all parts once, and back again', (_, wiring) => {
    const refs = choosable(wiring).map(({ ref }) => ref);
    let state = DRAWING_AT_REST;
    const there = refs.map(() => {
      state = drawingAfter(state, { type: 'next part', by: 1 }, wiring);
      return state.chosen?.ref;
    });
    expect(there).toEqual(refs);
    let other = DRAWING_AT_REST;
    const back = refs.map(() => {
      other = drawingAfter(other, { type: 'next part', by: -1 }, wiring);
      return other.chosen?.ref;
    });
    expect(back).toEqual([...refs].reverse());
  });

  test.each(wirings)(
    'of %s, the next leg goes through the legs of a part and comes back to it',
    (_, wiring) => {
      for (const { ref, legs } of choosable(wiring)) {
        let state = drawingAfter(DRAWING_AT_REST, { type: 'choose', chosen: { ref, leg: null } }, wiring);
        for (const { leg } of legs) {
          state = drawingAfter(state, { type: 'next leg' }, wiring);
          expect(state.chosen).toEqual({ ref, leg });
        }
        expect(drawingAfter(state, { type: 'next leg' }, wiring).chosen).toEqual({ ref, leg: null });
      }
    },
  );

  test('an arrow moves as it looks on the turned drawing', () => {
    const { turns } = after({ type: 'turn drawing' });
    expect(actionOfKey('ArrowUp', DRAWING_AT_REST)).toEqual({ type: 'nudge', by: { rows: -1, columns: 0 } });
    const turned = actionOfKey('ArrowUp', { ...DRAWING_AT_REST, turns });
    expect(turned).not.toEqual(actionOfKey('ArrowUp', DRAWING_AT_REST));
    const four = Array.from({ length: 4 }, (): DrawingAction => ({ type: 'turn drawing' }));
    expect(after(...four).turns).toBe(0);
  });

  test('letting go leaves nothing chosen, traced or followed, and the drawing as it lies', () => {
    const state = after(
      { type: 'next part', by: 1 },
      { type: 'trace chosen' },
      { type: 'follow current' },
      { type: 'turn drawing' },
      { type: 'let go' },
    );
    expect(state).toEqual({ ...DRAWING_AT_REST, turns: 1 });
  });

  test('letting go of nothing gives the width back, and not before', () => {
    const chosen = after({ type: 'widen' }, { type: 'next part', by: 1 });
    expect(chosen.isWide).toBe(true);
    const letGo = drawingAfter(chosen, { type: 'let go' }, beacon);
    expect(letGo).toEqual({ ...DRAWING_AT_REST, isWide: true });
    expect(drawingAfter(letGo, { type: 'let go' }, beacon)).toEqual(DRAWING_AT_REST);
  });

  test('another way begins at its beginning, and comes round to the first', () => {
    const following: readonly DrawingAction[] = [
      { type: 'follow current' },
      { type: 'go to step', step: 4 },
      { type: 'another way', of: 2 },
    ];
    expect(after(...following).following).toEqual({ way: 1, step: 0 });
    expect(after(...following, { type: 'another way', of: 2 }).following).toEqual({ way: 0, step: 0 });
    expect(after({ type: 'another way', of: 2 }).following).toBeUndefined();
  });

  test.each(['n', 'N', 'l', 't', 'f', 'r', 'h', 'Escape'])('the key %s does something', (key) => {
    expect(actionOfKey(key, DRAWING_AT_REST)).toBeDefined();
  });

  test.each(['a', 'Enter', 'Tab', ' '])('the key %s is left to the browser', (key) => {
    expect(actionOfKey(key, DRAWING_AT_REST)).toBeUndefined();
  });
});
