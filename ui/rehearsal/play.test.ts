import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ref } from '@/core/brand';
import {
  BY_HAND,
  isOver,
  MOST_BY_HAND,
  playAfter,
  playOf,
  SPEEDS,
  speedBeside,
  speedText,
  type Play,
  type PlayAction,
} from './play';

const button = ref('S1');
const scenario = { scenario: 'a visitor rings', seconds: 4, stimuli: [{ at: 1, press: 'S1', for: 1 }] };
const after = (play: Play, ...actions: readonly PlayAction[]): Play => actions.reduce(playAfter, play);
const frame = (elapsed: number, known = 1000): PlayAction => ({ type: 'frame', elapsed, known });

describe('a written run', () => {
  test('goes on by the clock at its speed, and stands still at its end', () => {
    const half = after(
      playOf(scenario),
      { type: 'go on' },
      frame(1),
      { type: 'at speed', speed: 2 },
      frame(0.5),
    );
    expect(half.at).toBe(2);
    const over = after(half, frame(5));
    expect(over).toMatchObject({ at: 4, going: 'off' });
    expect(isOver(over)).toBe(true);
    expect(after(over, { type: 'go on' })).toMatchObject({ at: 0, going: 'on' });
  });

  test('never shows what is not worked out', () => {
    expect(after(playOf(scenario), { type: 'go on' }, frame(3, 1.5)).at).toBe(1.5);
  });

  test('stands still where it is taken to', () => {
    expect(after(playOf(scenario), { type: 'go on' }, { type: 'seek', at: 99 })).toMatchObject({
      at: 4,
      going: 'off',
    });
  });

  test('becomes one by hand with the first touch, with what was done until then', () => {
    const touch: PlayAction = { type: 'touch', touch: { touch: 'hold', how: 'press', ref: button } };
    const early = after(playOf(scenario), { type: 'seek', at: 0.5 }, touch);
    expect(early).toMatchObject({ scenario: undefined, stimuli: [{ at: 0.5, press: 'S1' }] });
    const late = after(playOf(scenario), { type: 'seek', at: 3 }, touch);
    expect(late.stimuli).toEqual([scenario.stimuli[0], { at: 3, press: 'S1' }]);
  });
});

describe('a run by hand', () => {
  test('is worked out further before its end is reached, and not for ever', () => {
    let play = after(playOf(BY_HAND), { type: 'go on' });
    for (let second = 0; second < 700; second += 1) {
      play = after(play, frame(1));
      if (play.at < MOST_BY_HAND) expect(play.seconds).toBeGreaterThan(play.at);
    }
    expect(play).toMatchObject({ at: MOST_BY_HAND, seconds: MOST_BY_HAND, going: 'off' });
  });

  test('begins again with nothing done', () => {
    const play = after(
      playOf(BY_HAND),
      { type: 'go on' },
      frame(1),
      { type: 'touch', touch: { touch: 'type', text: 'on\n' } },
      { type: 'begin again' },
    );
    expect(play).toMatchObject({ at: 0, stimuli: [] });
  });

  test('stays a run, whatever is done to it', () => {
    const actions = fc.oneof<fc.Arbitrary<PlayAction>[]>(
      fc.record({
        type: fc.constant('frame' as const),
        elapsed: fc.double({ min: 0, max: 2, noNaN: true }),
        known: fc.constant(1e9),
      }),
      fc.constantFrom<PlayAction>({ type: 'go on' }, { type: 'stand still' }, { type: 'begin again' }),
      fc.record({ type: fc.constant('seek' as const), at: fc.double({ min: -5, max: 900, noNaN: true }) }),
      fc.record({ type: fc.constant('at speed' as const), speed: fc.constantFrom(...SPEEDS) }),
      fc.constantFrom<PlayAction>(
        { type: 'touch', touch: { touch: 'hold', how: 'press', ref: button } },
        { type: 'touch', touch: { touch: 'let go', ref: button } },
        { type: 'touch', touch: { touch: 'bring', how: 'turn', ref: ref('P1'), to: 0.3 } },
      ),
      fc.constant<PlayAction>({ type: 'play', script: scenario }),
    );
    fc.assert(
      fc.property(fc.array(actions, { maxLength: 60 }), (done) => {
        const play = after(playOf(BY_HAND), ...done);
        expect(play.at).toBeGreaterThanOrEqual(0);
        expect(play.at).toBeLessThanOrEqual(play.seconds);
        expect(play.seconds).toBeLessThanOrEqual(MOST_BY_HAND);
        for (const stimulus of play.stimuli) {
          expect(stimulus.at).toBeGreaterThanOrEqual(0);
          if ('for' in stimulus && stimulus.for !== undefined) expect(stimulus.for).toBeGreaterThan(0);
        }
      }),
    );
  });
});

test('speeds go from a hundredth to twenty times, a step at a time', () => {
  expect(SPEEDS.map(speedText)).toEqual(['1/100', '1/20', '1/5', '1/2', '1 ×', '2 ×', '5 ×', '20 ×']);
  expect(speedBeside(1, 'faster')).toBe(2);
  expect(speedBeside(1, 'slower')).toBe(0.5);
  expect(speedBeside(20, 'faster')).toBe(20);
  expect(speedBeside(0.01, 'slower')).toBe(0.01);
});
