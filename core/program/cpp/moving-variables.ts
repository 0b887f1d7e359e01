import type { Counting } from './moving-cells';
import type { Expression, Place, ProgramTree } from './tree';
import { allExpressions, bare } from './walk';
import type { IntegerType } from './types';

/** A store that keeps a moment: `last = millis();`, `until = now + 3000;`, where other passes find it again. */
export type MomentStore = Extract<Expression, { node: 'store' }> & {
  readonly type: IntegerType;
};

/** Whether a store keeps a moment of the clock in a variable that is there in the next pass. */
export function keepsMoment(store: Extract<Expression, { node: 'store' }>): store is MomentStore {
  const { place, value, type } = store;
  const isLocal = place.area === 'frame' && !place.through;
  return !isLocal && isRunning(value) && type.kind === 'integer' && type.bits === 32;
}

/** The variable from which a store copies a whole number as long as the clock's to where other passes find it. */
export function copiedFrom({
  place,
  value,
  type,
}: Extract<Expression, { node: 'store' }>): Place | undefined {
  const isLocal = place.area === 'frame' && !place.through;
  const load = bare(value);
  const isWhole = (one: Expression['type']): boolean => one.kind === 'integer' && one.bits === 32;
  if (isLocal || load.node !== 'load' || !isWhole(type) || !isWhole(load.type)) return undefined;
  return load.place.through || load.place.steps.length > 0 ? undefined : load.place;
}

/** How an update counts: a whole number of a variable that is there in the next pass, by a fixed amount. */
export function countingOf({ place, operator, value, type }: Update): Counting | undefined {
  const isLocal = place.area === 'frame' && !place.through;
  const amount = bare(value);
  if (isLocal || type.kind !== 'integer' || amount.node !== 'constant' || !Number.isInteger(amount.value))
    return undefined;
  if ((operator !== '+' && operator !== '-') || amount.value === 0) return undefined;
  return { by: operator === '+' ? amount.value : -amount.value, type };
}

type Update = Extract<Expression, { node: 'update' }>;

/** Whether a program has variables that move by themselves: only then its reads have to look whether they read one. */
export const hasMovingVariables = ({ functions }: ProgramTree): boolean =>
  functions.some(({ body }) =>
    allExpressions(body).some(
      (expression) =>
        (expression.node === 'store' && keepsMoment(expression)) ||
        (expression.node === 'update' && countingOf(expression) !== undefined),
    ),
  );

/** Whether a program reads the clock in microseconds, whose counts are shorter than most passes. */
export const readsMicros = ({ functions }: ProgramTree): boolean =>
  functions.some(({ body }) =>
    allExpressions(body).some(
      (expression) => expression.node === 'builtin' && expression.builtin.clock === 'micros',
    ),
  );

const isRunning = ({ clock }: Expression): boolean => clock === 'millis' || clock === 'micros';

/** The local that a moment is taken from, as in `last = now;`; `undefined` where the clock itself is read. */
export const momentSource = (expression: Expression): Place | undefined => {
  if (expression.node === 'convert') return momentSource(expression.value);
  return expression.node === 'load' && isRunning(expression) ? expression.place : undefined;
};

/** A variable that stands in the difference of the two sides of a comparison. */
interface Load {
  readonly place: Place;
  readonly sign: 1 | -1;
  readonly side: 'left' | 'right';
}

/** What may move in the difference of the two sides of a comparison. */
interface Sum {
  /** The side on which the clock is read, 1 for the left one; `undefined` where it is not. */
  readonly running: 1 | -1 | undefined;
  /** The local from which the clock is read; `undefined` where it is read on the spot. */
  readonly local: Place | undefined;
  readonly loads: readonly Load[];
  /** Whether nothing of it is cut to a smaller type on the way. */
  readonly isWhole: boolean;
}

/** A sum in which the clock is read. */
export type Difference = Sum & { readonly running: 1 | -1 };

/**
 * The clock and the variables of a sum, or of a comparison whose sides are sums; `undefined` where the clock is not in them,
 * or something else that could move.
 */
export function differenceOf(left: Expression, right?: Expression): Difference | undefined {
  const sum = sumOf(left, right);
  return sum?.running === undefined ? undefined : { ...sum, running: sum.running };
}

/** The same, whether the clock is read in it or not. */
export function sumOf(left: Expression, right?: Expression): Sum | undefined {
  let running: 1 | -1 | undefined;
  let local: Place | undefined;
  const loads: Load[] = [];
  let side: Load['side'] = 'left';
  let isWhole = true;
  const add = (expression: Expression, sign: 1 | -1): boolean => {
    switch (expression.node) {
      case 'constant':
        return true;
      case 'convert':
        if (expression.value.type.kind !== 'integer' || expression.type.kind !== 'integer') return false;
        isWhole &&= expression.type.bits >= expression.value.type.bits;
        return add(expression.value, sign);
      case 'load':
        if (isRunning(expression)) {
          if (running !== undefined) return false;
          [running, local] = [sign, expression.place];
          return true;
        }
        loads.push({ place: expression.place, sign, side });
        return (
          expression.clock === 'fixed' && !expression.place.through && expression.place.steps.length === 0
        );
      case 'builtin':
        if (!isRunning(expression) || running !== undefined) return false;
        running = sign;
        return true;
      case 'binary':
        if (expression.operator === '+') return add(expression.left, sign) && add(expression.right, sign);
        if (expression.operator === '-')
          return add(expression.left, sign) && add(expression.right, sign === 1 ? -1 : 1);
        return false;
      default:
        return false;
    }
  };
  if (!add(left, 1)) return undefined;
  side = 'right';
  return right === undefined || add(right, -1) ? { running, local, loads, isWhole } : undefined;
}
