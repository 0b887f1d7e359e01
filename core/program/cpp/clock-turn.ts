import { conversionTo, type IntegerType } from './types';

export type ComparisonOperator = '<' | '<=' | '>' | '>=' | '==' | '!=';

export const comparators: Readonly<Record<ComparisonOperator, (left: number, right: number) => boolean>> = {
  '<': (left, right) => left < right,
  '<=': (left, right) => left <= right,
  '>': (left, right) => left > right,
  '>=': (left, right) => left >= right,
  '==': (left, right) => left === right,
  '!=': (left, right) => left !== right,
};

/**
 * After how many counts of the clock the comparison changes its answer, at the earliest: where the
 * running side meets the fixed one, passes it, or wraps round.
 */
export function countsUntilTurn(
  running: number,
  fixed: number,
  type: IntegerType,
  holds: (running: number, fixed: number) => boolean,
): number {
  const now = holds(running, fixed);
  const lowest = type.signed ? -(2 ** 31) : 0;
  const meets = countsTo(running, fixed);
  const passes = countsTo(running, fixed + 1);
  const wraps = countsTo(running, lowest);
  // Each of the three moments, in turn of time; the answer can change at no other.
  let turn = 2 ** 32;
  for (const counts of [meets, passes, wraps])
    if (counts < turn && holds(wrapped(running + counts, type), fixed) !== now) turn = counts;
  return turn;
}

/** Counts until a running number of 32 bits shows `value`, at least one. */
const countsTo = (running: number, value: number): number => {
  const counts = (value - running) >>> 0;
  return counts === 0 ? 2 ** 32 : counts;
};

const wrapped = (value: number, type: IntegerType): number => (type.signed ? value | 0 : value >>> 0);

/** Counts of the micros clock that come at once. */
export const MICROS_STEP = 4;

/**
 * Whether a comparison comes out the same wherever the two moments in it fall between two counts: its running side is one
 * count (or one `step` of counts) more or less then. A difference of 0 gets no smaller unless `mayWrap`, since the moment
 * that was kept is the earlier one.
 */
export function holdsEitherWay(
  running: number,
  fixed: number,
  {
    type,
    step,
    mayWrap,
    holds,
  }: {
    readonly type: IntegerType;
    readonly step: number;
    readonly mayWrap: boolean;
    readonly holds: (running: number, fixed: number) => boolean;
  },
): boolean {
  const fit = conversionTo(type);
  const now = holds(running, fixed);
  const isLeast = !type.signed && running < step;
  return (
    holds(fit(running + step), fixed) === now &&
    ((isLeast && !mayWrap) || holds(fit(running - step), fixed) === now)
  );
}
