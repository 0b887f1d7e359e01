import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { benchStates, standingOf, type BenchEvent, type BenchFacts } from './room';

const facts = (more: Partial<BenchFacts> = {}): BenchFacts => ({
  isSignedIn: true,
  changedSecondsAgo: 20,
  events: [],
  calledSecondsAgo: null,
  ...more,
});
const check = (
  secondsAgo: number,
  cause: BenchEvent['cause'],
  more: Partial<BenchEvent> = {},
): BenchEvent => ({
  kind: 'check',
  secondsAgo,
  passed: cause === null,
  cause,
  note: '',
  ...more,
});

describe('a bench', () => {
  test.each([
    ['away', 'nobody is signed in', facts({ isSignedIn: false })],
    ['help', 'they call, signed in or not', facts({ isSignedIn: false, calledSecondsAgo: 5 })],
    ['begins', 'nothing has happened', facts({ changedSecondsAgo: null })],
    ['building', 'something was changed lately', facts()],
    ['checking', 'a check has just been made', facts({ events: [check(5, 'off-by-one')] })],
    [
      'stuck',
      'three checks in a row say the same',
      facts({ events: [60, 120, 180].map((ago) => check(ago, 'off-by-one')) }),
    ],
    [
      'building',
      'three checks say different things',
      facts({ events: [check(60, 'off-by-one'), check(120, 'leg-open'), check(180, 'off-by-one')] }),
    ],
    ['stuck', 'nothing has changed for eight minutes', facts({ changedSecondsAgo: 480 })],
    [
      'building',
      'a check said something new within eight minutes',
      facts({ changedSecondsAgo: 700, events: [check(300, 'leg-open'), check(800, 'off-by-one')] }),
    ],
    [
      'stuck',
      'the last check said the same as the one before',
      facts({ changedSecondsAgo: 700, events: [check(300, 'leg-open'), check(800, 'leg-open')] }),
    ],
    [
      'done',
      'the last hand-in passed',
      facts({ changedSecondsAgo: 90, events: [check(60, null, { kind: 'hand-in' })] }),
    ],
    [
      'building',
      'the hand-in passed and work goes on',
      facts({ changedSecondsAgo: 30, events: [check(60, null, { kind: 'hand-in' })] }),
    ],
  ] as const)('is %s where %s', (state, _, given) => {
    expect(standingOf(given).state).toBe(state);
  });

  test('says since when it is stuck, and what to look at', () => {
    const events = [60, 120, 200].map((ago) => check(ago, 'off-by-one', { note: 'W1 is one row off.' }));
    expect(standingOf(facts({ events }))).toMatchObject({ forSeconds: 200, lookAt: 'W1 is one row off.' });
    expect(standingOf(facts({ changedSecondsAgo: 600 })).lookAt).toContain('Ask what the next step is');
    expect(standingOf(facts({ events: [check(90, null)] })).lookAt).toBe('Passes, and is not handed in yet.');
  });

  test('always stands somehow, and for no time that is less than nothing', () => {
    const seconds = fc.nat(5000);
    const event = fc.record({
      kind: fc.constantFrom('check' as const, 'hand-in' as const),
      secondsAgo: seconds,
      passed: fc.boolean(),
      cause: fc.constantFrom(null, 'off-by-one' as const, 'leg-open' as const),
      note: fc.constant(''),
    });
    fc.assert(
      fc.property(
        fc.record({
          isSignedIn: fc.boolean(),
          changedSecondsAgo: fc.option(seconds),
          events: fc.array(event, { maxLength: 6 }),
          calledSecondsAgo: fc.option(seconds),
        }),
        (given) => {
          const standing = standingOf(given);
          expect(benchStates).toContain(standing.state);
          expect(standing.forSeconds ?? 0).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});
