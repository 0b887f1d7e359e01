import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { NOTHING_DONE, stepOn, withStep, type Undo } from './undo';

/** Undo as anyone would write it down: all values there have been, and which of them is there now. */
interface Naive {
  readonly values: readonly number[];
  readonly at: number;
}

interface Change {
  readonly from: number;
  readonly to: number;
}

describe('undo', () => {
  test('takes back and makes again as a list of all values would, whatever is done in between', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.nat(99), fc.constantFrom('undo', 'redo')), { maxLength: 60 }),
        (acts) => {
          let naive: Naive = { values: [0], at: 0 };
          let steps: Undo<Change> = NOTHING_DONE;
          let value = 0;
          for (const act of acts) {
            if (typeof act === 'number') {
              naive = { values: [...naive.values.slice(0, naive.at + 1), act], at: naive.at + 1 };
              steps = withStep(steps, { from: value, to: act });
              value = act;
            } else {
              const at = Math.min(naive.values.length - 1, Math.max(0, naive.at + (act === 'undo' ? -1 : 1)));
              naive = { ...naive, at };
              const on = stepOn(steps, act as 'undo' | 'redo');
              if (on) {
                steps = on.left;
                value = act === 'undo' ? on.step.from : on.step.to;
              }
            }
            expect(value).toBe(naive.values[naive.at]);
          }
        },
      ),
    );
  });

  test('goes two hundred steps back and no further', () => {
    let steps: Undo<number> = NOTHING_DONE;
    for (let step = 1; step <= 250; step += 1) steps = withStep(steps, step);
    expect(steps.done).toHaveLength(200);
    expect(steps.done[0]).toBe(51);
  });

  test('takes what goes on with the last step for one with it', () => {
    const steps = withStep(withStep(NOTHING_DONE as Undo<string>, 'r'), 're', 'the last');
    expect(steps.done).toEqual(['re']);
  });
});
