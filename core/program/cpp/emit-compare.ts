import type { Comparison } from '../watching';
import { comparators, countsUntilTurn, holdsEitherWay, MICROS_STEP } from './clock-turn';
import type { Evaluate } from './evaluate';
import { differenceOf, sumOf, type Difference } from './moving-variables';
import { compareTexts } from './library/letters';
import type { CppMachine } from './machine';
import { numberText } from './names';
import type { Expression, Place } from './tree';
import type { IntegerType } from './types';
import { bare } from './walk';

type Compare = Extract<Expression, { node: 'compare' }>;

/** What a comparison is made with. */
export interface Emit {
  /** `watched`: the clock in it is followed. */
  readonly expression: (expression: Expression, watched?: boolean) => Evaluate;
  readonly address: (place: Place, line: number) => Evaluate;
  /** Whether the program has variables that move by themselves: moments of the clock, and counters. */
  readonly hasMoving: boolean;
}

/** A comparison; where one side runs with the clock, the moment at which it turns is told to the machine. */
export function emitCompare(expression: Compare, emit: Emit): Evaluate {
  if (expression.operandType.kind === 'string') return emitCompareTexts(expression, emit);
  const holds = comparators[expression.operator];
  const leftForm = expression.left.clock;
  const rightForm = expression.right.clock;
  const type = expression.operandType;
  const runsLeft = leftForm === 'millis' || leftForm === 'micros';
  const runsRight = rightForm === 'millis' || rightForm === 'micros';
  const follows =
    type.kind === 'integer' &&
    type.bits === 32 &&
    ((runsLeft && rightForm === 'fixed') || (runsRight && leftForm === 'fixed'));
  const left = emit.expression(expression.left, follows);
  const right = emit.expression(expression.right, follows);
  const comparison = comparisonOf(expression);
  if (!follows) {
    const follow = emit.hasMoving ? followMoving(expression, emit) : undefined;
    const followBoth = emit.hasMoving ? followSums(expression, emit) : undefined;
    return (machine) => {
      const a = machine.apart(left);
      const { hasMoved: leftMoves, hasMovedFreely: leftIsFree } = machine;
      const b = machine.apart(right);
      const { hasMoved: rightMoves, hasMovedFreely: rightIsFree } = machine;
      if (leftMoves || rightMoves) {
        const isFollowed =
          (leftMoves !== rightMoves && follow?.(machine, a, b, leftMoves) === true) ||
          followBoth?.(machine, a, b) === true;
        if (!isFollowed) machine.escape(!leftIsFree && !rightIsFree);
      }
      machine.watcher?.compared(comparison, a, b);
      return holds(a, b) ? 1 : 0;
    };
  }
  const unit = runsLeft ? leftForm : rightForm;
  const turned: (running: number, fixed: number) => boolean = runsLeft
    ? holds
    : (running, fixed) => holds(fixed, running);
  const isStill = emit.hasMoving ? standsStill(expression, { unit, type, turned }, emit) : undefined;
  return (machine) => {
    const { clockEscaped, countEscaped } = machine;
    const a = left(machine);
    const b = right(machine);
    machine.watcher?.compared(comparison, a, b);
    const [running, fixed] = runsLeft ? [a, b] : [b, a];
    // Moments that were read on the way move with the clock, and nothing else that was read does.
    const hasMoved = machine.clockEscaped || machine.countEscaped;
    if (hasMoved && !clockEscaped && !countEscaped && isStill?.(machine, running, fixed)) {
      machine.clockEscaped = false;
      machine.countEscaped = false;
      return holds(a, b) ? 1 : 0;
    }
    const counts = countsUntilTurn(running, fixed, type, turned);
    const cyclesPerCount = machine.clockHz / (unit === 'millis' ? 1e3 : 1e6);
    // The micros clock moves in steps of four; one step early is safe, since skipping stops before.
    const whole = unit === 'millis' ? counts : counts - MICROS_STEP;
    const { bootCycle } = machine;
    const begun = Math.floor((machine.passCycle - bootCycle) / cyclesPerCount);
    const turn = bootCycle + (begun + whole) * cyclesPerCount;
    if (turn < machine.turnCycle) machine.turnCycle = turn;
    return holds(a, b) ? 1 : 0;
  };
}

/**
 * Tells of a value in which the clock is whether it stands still, but for the rounding of counts: one moment in it moves
 * against the clock, and nothing else moves.
 */
export function standsBesideClock(
  value: Expression,
  emit: Emit,
): ((machine: CppMachine) => boolean) | undefined {
  const difference = differenceOf(value);
  if (!difference) return undefined;
  const { running, loads } = difference;
  const places = loads.map(({ place, sign }) => ({ at: emit.address(place, value.span.line), sign }));
  return (machine) => {
    const [only, more] = places.filter(({ at }) => machine.moving.isMoving(at(machine)));
    if (!only || more || only.sign === running || !machine.moving.isMoment(only.at(machine))) return false;
    machine.moving.keptIn(only.at(machine));
    return true;
  };
}

/**
 * Tells whether both sides of a comparison move alike while its moments are kept anew in every pass, so that it never
 * turns: the clock on one side, one moment that moves against it, and a difference that no rounding of counts decides.
 */
function standsStill(
  { left, right, span }: Compare,
  {
    unit,
    type,
    turned,
  }: {
    readonly unit: string;
    readonly type: IntegerType;
    readonly turned: (running: number, fixed: number) => boolean;
  },
  emit: Emit,
): ((machine: CppMachine, running: number, fixed: number) => boolean) | undefined {
  const difference: Difference | undefined = differenceOf(left, right);
  if (!difference) return undefined;
  const { running: side, local } = difference;
  const loads = difference.loads.map(({ place, sign }) => ({ at: emit.address(place, span.line), sign }));
  const localAt = local && emit.address(local, span.line);
  const step = unit === 'millis' ? 1 : MICROS_STEP;
  return (machine, running, fixed) => {
    const [only, more] = loads.filter(({ at }) => machine.moving.isMoving(at(machine)));
    if (!only && localAt && machine.moving.isRounded(localAt(machine)))
      return holdsEitherWay(running, fixed, { type, step, mayWrap: false, holds: turned });
    if (!only || more || only.sign === side || !machine.moving.isMoment(only.at(machine))) return false;
    const kept = machine.moving.keptIn(only.at(machine));
    const source = localAt?.(machine);
    // Two moments from one look at the clock differ by nothing, whatever the count.
    if (kept.isOfThisPass && kept.source === source && source !== undefined) return true;
    const mayWrap = kept.isOfThisPass && source !== undefined;
    return holdsEitherWay(running, fixed, { type, step, mayWrap, holds: turned });
  };
}

/**
 * Follows one side of a comparison that moves by itself while the other one stands still, as in `last > 0` and
 * `passes >= 500`; whether that can be done.
 */
function followMoving(
  { left, right, operator, span }: Compare,
  emit: Emit,
): (machine: CppMachine, a: number, b: number, leftMoves: boolean) => boolean {
  const holds = comparators[operator];
  const [leftAt, rightAt] = [left, right].map((side) => {
    const load = bare(side);
    // An element is found by its index, which may move itself, or move when it is looked at.
    const isPlain = load.node === 'load' && load.place.steps.length === 0;
    return isPlain ? emit.address(load.place, span.line) : undefined;
  });
  return (machine, a, b, leftMoves) => {
    const cell = (leftMoves ? leftAt : rightAt)?.(machine);
    if (cell === undefined) return false;
    return leftMoves
      ? machine.moving.follow(cell, a, b, holds)
      : machine.moving.follow(cell, b, a, (running, fixed) => holds(fixed, running));
  };
}

/**
 * Follows two sums of variables of which one is given the clock in every pass, as in `now - last >= 500` with a `now` of the
 * whole program; whether that can be done.
 */
function followSums(
  { left, right, operator, operandType, span }: Compare,
  emit: Emit,
): ((machine: CppMachine, a: number, b: number) => boolean) | undefined {
  if (operandType.kind !== 'integer' || operandType.bits !== 32) return undefined;
  const sum = sumOf(left, right);
  if (!sum?.isWhole || sum.running !== undefined) return undefined;
  const holds = comparators[operator];
  const turned = (running: number, fixed: number): boolean => holds(fixed, running);
  const loads = sum.loads.map(({ place, ...load }) => ({ ...load, at: emit.address(place, span.line) }));
  return (machine, a, b) => {
    const moving = loads
      .map(({ at, ...load }) => ({ ...load, cell: at(machine) }))
      .filter(({ cell }) => machine.moving.isMoving(cell));
    // The clock makes its own side larger; what stands against it is as old, or older.
    const grows = ({ sign, side }: (typeof moving)[number]): boolean => (sign === 1) === (side === 'left');
    const now = moving.find((load) => grows(load) && machine.moving.momentNow(load.cell));
    const [against, more] = moving.filter((load) => load !== now);
    if (!now || more || against?.sign === now.sign) return false;
    return machine.moving.followSum(
      { now: now.cell, against: against?.cell },
      now.side === 'left' ? [a, b] : [b, a],
      operandType,
      now.side === 'left' ? holds : turned,
    );
  };
}

function emitCompareTexts({ span, left, right, operator }: Compare, emit: Emit): Evaluate {
  const holds = comparators[operator];
  const [one, other] = [emit.expression(left), emit.expression(right)];
  const comparison = comparisonOf({ span, left, right });
  return (machine) => {
    const [a, b] = [machine.texts.at(one(machine)), machine.texts.at(other(machine))];
    machine.watcher?.compared(comparison, a, b);
    return holds(compareTexts(a, b), 0) ? 1 : 0;
  };
}

/** A comparison as it is watched: its sides as they are written, before they are brought to one type. */
function comparisonOf({ span, left, right }: Pick<Compare, 'span' | 'left' | 'right'>): Comparison {
  const [one, other] = [asWritten(left), asWritten(right)];
  const { type } = one.node === 'constant' ? other : one;
  return {
    span,
    shown: (value) => (typeof value === 'string' ? `"${value}"` : numberText(type, Number(value))),
  };
}

const asWritten = (expression: Expression): Expression =>
  expression.node === 'convert' ? asWritten(expression.value) : expression;
