import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { convert, scalar } from './conversions';
import { portRegister } from './library';
import type { BinaryOperator, Expression } from './tree';
import { commonType, integer, promoted } from './types';

const BYTE = integer(8, false);

/** The name of a register of the chip, whatever parentheses stand around it; `undefined` for anything else. */
function registerAt(node: SyntaxNode, context: Context): string | undefined {
  if (node.type === 'parenthesized_expression') {
    const [inner, ...more] = namedChildren(node);
    return inner && more.length === 0 ? registerAt(inner, context) : undefined;
  }
  const isName = node.type === 'identifier' && !context.scope.find(node.text);
  return isName && portRegister(node.text, context.board) ? node.text : undefined;
}

/** What a register of the chip holds; `undefined` where the node names none. */
export function readRegister(node: SyntaxNode, context: Context): Expression | undefined {
  const name = registerAt(node, context);
  if (name === undefined) return undefined;
  const builtin = portRegister(name, context.board)!.read;
  return {
    node: 'builtin',
    name,
    builtin,
    arguments: [],
    type: BYTE,
    span: spanOf(node),
    clock: 'unfollowed',
  };
}

/** `PORTB |= bits`: a register of the chip is written; `undefined` where something else is. */
export function writeRegister(
  node: SyntaxNode,
  operator: string,
  right: Expression,
  context: Context,
): Expression | undefined {
  const left = node.childForFieldName('left')!;
  const name = registerAt(left, context);
  const before = name === undefined ? undefined : readRegister(left, context);
  if (name === undefined || !before) return undefined;
  const bits =
    operator === '=' ? right : combined(operator.slice(0, -1) as BinaryOperator, before, right, context);
  const builtin = portRegister(name, context.board)!.write;
  return {
    node: 'builtin',
    name,
    builtin,
    arguments: [convert(bits, BYTE, context)],
    type: BYTE,
    span: spanOf(node),
    clock: 'unfollowed',
  };
}

/** What was there and what is put to it, worked out as the processor does. */
function combined(
  operator: BinaryOperator,
  left: Expression,
  right: Expression,
  context: Context,
): Expression {
  const isShift = operator === '<<' || operator === '>>';
  const type = isShift ? promoted(BYTE, context.widths) : commonType(BYTE, scalar(right), context.widths);
  return {
    node: 'binary',
    operator,
    left: convert(left, type, context),
    right: isShift ? right : convert(right, type, context),
    type,
    span: left.span,
    clock: 'unfollowed',
  };
}
