import { BRANCH_CYCLES, INDEX_CYCLES, libraryCycles, moveCycles, operationCycles } from '../costs';
import type { Expression, Place } from './tree';
import { isScalar, isTextual, type CType, type ScalarType } from './types';

/** Cycles of an expression without what its calls take; branches inside count as taken. */
export function costOf(expression: Expression): number {
  const own = (type: CType, place?: Place): number => {
    const cycles = isScalar(type) && !isTextual(type) ? moveCycles(type) : 2;
    // The compiler keeps what is local in registers.
    return place?.area === 'frame' && !place.through && place.steps.length === 0 ? cycles / 4 : cycles;
  };
  const reach = ({ through, steps }: Place): number =>
    (through ? costOf(through) : 0) + steps.reduce((sum, { index }) => sum + costOf(index) + INDEX_CYCLES, 0);
  switch (expression.node) {
    // A constant is part of the instruction that uses it, or one that loads it.
    case 'constant':
      return 1;
    case 'text':
      return 2;
    case 'load':
      return own(expression.type, expression.place) + reach(expression.place);
    case 'address':
      return 2 + reach(expression.place);
    case 'copy':
      return 4 * expression.cells + costOf(expression.from) + reach(expression.to);
    case 'store':
      return own(expression.type, expression.place) + costOf(expression.value) + reach(expression.place);
    case 'update':
      return (
        2 * own(expression.type, expression.place) +
        reach(expression.place) +
        costOf(expression.value) +
        operationCycles(expression.operator, expression.operationType)
      );
    case 'negate':
    case 'complement':
    case 'not':
      return 2 + costOf(expression.operand);
    case 'binary':
      return (
        costOf(expression.left) +
        costOf(expression.right) +
        operationCycles(expression.operator, expression.type as ScalarType)
      );
    case 'compare':
      return (
        costOf(expression.left) + costOf(expression.right) + operationCycles('-', expression.operandType)
      );
    case 'both':
    case 'either':
      return costOf(expression.left) + costOf(expression.right) + BRANCH_CYCLES;
    case 'choose':
      return costOf(expression.condition) + costOf(expression.yes) + BRANCH_CYCLES;
    case 'convert':
      return 2 + costOf(expression.value);
    case 'call':
    case 'builtin':
      return expression.arguments.reduce<number>(
        (sum, argument) => sum + costOf(argument),
        libraryCycles.small,
      );
    case 'sequence':
      return costOf(expression.first) + costOf(expression.second);
  }
}
