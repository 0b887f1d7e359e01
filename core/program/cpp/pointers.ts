import { spanOf, type SyntaxNode } from '../syntax';
import { unreadable, type Context } from './context';
import { convert, unfollowedUnlessFixed } from './conversions';
import { wholeSet } from './object-slips';
import { describe, type Found } from './places';
import type { BinaryOperator, Expression } from './tree';
import { cellsOf, integer, sameType, VOID, type PointerType } from './types';

/** A struct put whole into another of its kind; an array cannot be. */
export function copied(node: SyntaxNode, target: Found, value: Expression, context: Context): Expression {
  const isOther = value.type.kind !== 'struct' && value.type.kind !== 'array';
  if (isOther && (target.type.kind === 'struct' || target.type.kind === 'array')) {
    context.report(wholeSet(node, target.place.name, target.type, context.library));
    return unreadable(node);
  }
  if (target.type.kind !== 'struct' || !sameType(target.type, value.type)) {
    context.unsupported(`changing the whole of “${target.place.name}” at once`, node);
    return unreadable(node);
  }
  return {
    node: 'copy',
    from: value,
    to: target.place,
    cells: cellsOf(target.type),
    type: VOID,
    span: spanOf(node),
    clock: 'unfollowed',
  };
}

/** A number of elements as a number of cells, for a pointer that is moved by it. */
export function scaled(count: Expression, { to }: PointerType, context: Context): Expression {
  const cells = cellsOf(to);
  const int = integer(context.widths.intBits, true);
  if (count.node === 'constant') return { ...count, value: count.value * cells, type: int };
  if (cells === 1) return count;
  const right = { node: 'constant', value: cells, type: int, span: count.span, clock: 'fixed' } as const;
  return {
    node: 'binary',
    operator: '*',
    left: convert(count, int, context),
    right,
    type: int,
    span: count.span,
    clock: count.clock === 'fixed' ? 'fixed' : 'unfollowed',
  };
}

/** A pointer moved by a number of elements, or the number of elements between two. */
export function pointerSum(
  operator: BinaryOperator,
  left: Expression,
  right: Expression,
  node: SyntaxNode,
  context: Context,
): Expression {
  const base = { node: 'binary', span: spanOf(node), clock: unfollowedUnlessFixed(left, right) } as const;
  if (left.type.kind === 'pointer' && right.type.kind !== 'pointer' && (operator === '+' || operator === '-'))
    return { ...base, operator, left, right: scaled(right, left.type, context), type: left.type };
  if (right.type.kind === 'pointer' && left.type.kind !== 'pointer' && operator === '+')
    return { ...base, operator, left: right, right: scaled(left, right.type, context), type: right.type };
  if (left.type.kind === 'pointer' && sameType(left.type, right.type) && operator === '-') {
    const int = integer(context.widths.intBits, true);
    const cells = {
      node: 'constant',
      value: cellsOf(left.type.to),
      type: int,
      span: base.span,
      clock: 'fixed',
    } as const;
    return {
      ...base,
      operator: '/',
      left: { ...base, operator, left, right, type: int },
      right: cells,
      type: int,
    };
  }
  context.unsupported(describe(node), node);
  return unreadable(node);
}
