import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { apart, effort, effortLeft, measured, OutOfEffort, within } from './effort';

describe('a bound on work', () => {
  test('lets work through that stays below it, and gives its value', () => {
    expect(
      within(10, () => {
        effort(10);
        return 'done';
      }),
    ).toEqual({ ended: true, value: 'done' });
  });

  test('ends work that goes beyond it', () => {
    expect(within(10, () => effort(11))).toEqual({ ended: false });
  });

  test('takes the same for the same work, however much was done before', () => {
    const work = (): number => measured(() => [0.1, 0.2, 1 / 3].forEach(effort)).units;
    const first = work();
    effort(2 ** 45 + 0.7);
    expect([first, work()]).toEqual([3, 3]);
  });

  test('lets other errors through', () => {
    expect(() =>
      within(10, () => {
        throw new RangeError('of another kind');
      }),
    ).toThrow(RangeError);
  });

  test('inside another one ends alone, and what it took counts outside', () => {
    const outer = within(100, () => {
      const inner = within(10, () => {
        for (;;) effort(1);
      });
      return { inner, left: effortLeft() };
    });
    expect(outer).toEqual({ ended: true, value: { inner: { ended: false }, left: 90 } });
  });

  test('ends both when the outer one is the nearer', () => {
    let reached = 'inner';
    const outer = within(10, () => {
      within(100, () => effort(11));
      reached = 'outer';
    });
    expect([outer.ended, reached]).toEqual([false, 'inner']);
  });

  test('is gone when the work is over', () => {
    within(1, () => undefined);
    expect(effortLeft()).toBe(Number.POSITIVE_INFINITY);
    expect(() => effort(1e12)).not.toThrow(OutOfEffort);
  });

  test('is never passed by more than the last piece of work, however deep it is nested', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(50), fc.nat(60)), { maxLength: 8 }),
        fc.nat(200),
        (levels, whole) => {
          let spent = 0;
          const go = (index: number): void => {
            const level = levels[index];
            if (!level) return;
            within(level[0], () => {
              spent += level[1];
              effort(level[1]);
              go(index + 1);
            });
          };
          within(whole, () => go(0));
          const largest = Math.max(0, ...levels.map(([, units]) => units));
          expect(spent).toBeLessThanOrEqual(whole + largest * levels.length);
        },
      ),
    );
  });
});

describe('work that is kept for later questions', () => {
  test('is measured, bounded or not', () => {
    const work = (): string => {
      effort(30);
      within(20, () => effort(12));
      return 'done';
    };
    expect(measured(work)).toEqual({ value: 'done', units: 42 });
    expect(within(100, () => measured(work))).toEqual({
      ended: true,
      value: { value: 'done', units: 42 },
    });
  });

  test('is not charged to whoever asks first, and has a bound of its own', () => {
    const outer = within(100, () => {
      effort(10);
      const done = apart(1000, () => {
        effort(500);
        return 'kept';
      });
      const endless = apart(1000, () => {
        for (;;) effort(1);
      });
      return { done, endless, left: effortLeft() };
    });
    expect(outer).toEqual({
      ended: true,
      value: { done: { ended: true, value: 'kept' }, endless: { ended: false }, left: 90 },
    });
  });

  test('lets the errors of the work through, with the bound of whoever asked in force again', () => {
    const outer = within(100, () => {
      expect(() =>
        apart(10, () => {
          throw new RangeError('of another kind');
        }),
      ).toThrow(RangeError);
      effort(101);
    });
    expect(outer).toEqual({ ended: false });
  });
});
