import { refusal, textRepair } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import type { ComparisonOperator } from './clock-turn';
import { unreadable, type Context } from './context';
import { convert, number, scalar, unfollowedUnlessFixed } from './conversions';
import { pointerSum } from './pointers';
import { signOf } from './signs';
import type { BinaryOperator, ClockForm, Expression } from './tree';
import { BOOL, commonType, promoted, STRING, type PointerType, type ScalarType } from './types';

const comparisons: ReadonlySet<string> = new Set(['<', '<=', '>', '>=', '==', '!=']);
const arithmetic: ReadonlySet<string> = new Set(['+', '-', '*', '/', '%', '<<', '>>', '&', '|', '^']);

/** Two values with a sign between them, each read by `read`. */
export function readBinary(
  node: SyntaxNode,
  context: Context,
  read: (node: SyntaxNode, context: Context) => Expression,
): Expression {
  const operator = signOf(node);
  const [first, second] = ['left', 'right'].map((side) => read(node.childForFieldName(side)!, context)) as [
    Expression,
    Expression,
  ];
  const span = spanOf(node);
  if (first.type.kind === 'string' || second.type.kind === 'string') {
    const texts = readTexts(operator, first, second, node, context);
    if (texts) return texts;
  }
  if (operator === '+' && [first, second].some(({ node: kind }) => kind === 'text'))
    return addedToText(first, second, node, context);
  const left = number(first, context);
  const right = number(second, context);
  if (operator === '&&' || operator === '||')
    return {
      node: operator === '&&' ? 'both' : 'either',
      left,
      right,
      type: BOOL,
      span,
      clock: unfollowedUnlessFixed(left, right),
    };
  if (comparisons.has(operator)) {
    const pointer = [left, right].find((side) => side.type.kind === 'pointer');
    const operandType = pointer
      ? (pointer.type as PointerType)
      : commonType(scalar(left), scalar(right), context.widths);
    return {
      node: 'compare',
      operator: operator as ComparisonOperator,
      operandType,
      left: convert(left, operandType, context),
      right: convert(right, operandType, context),
      type: BOOL,
      span,
      clock: unfollowedUnlessFixed(left, right),
    };
  }
  if (arithmetic.has(operator)) return readArithmetic(operator as BinaryOperator, left, right, node, context);
  context.unsupported(`the sign ${operator}`, node);
  return unreadable(node);
}

/** `"x" + 5`: a text between quotes does not grow; a String does. */
function addedToText(first: Expression, second: Expression, node: SyntaxNode, context: Context): Expression {
  const text = first.node === 'text' ? first : second;
  const { line, column } = text.span;
  const written = `"${text.node === 'text' ? text.value : ''}"`;
  const remedy = `Write String(${written}) instead of ${written} in line ${line}.`;
  context.report(
    refusal(
      'arguments',
      text.span,
      `Line ${line}: nothing can be added to the text ${written}. A String grows, a text in quotes alone does not.`,
      [
        `Which of the two things that + joins in line ${line} is a String?`,
        `${written} in line ${line} is a text of a fixed length. Print both, one after the other, or make it a String.`,
        remedy,
      ],
      textRepair(remedy, { line, column, length: written.length, by: `String(${written})` }),
    ),
  );
  return unreadable(node);
}

/** `+` and comparisons with a text that can grow on one side; `undefined` for another sign. */
function readTexts(
  operator: string,
  first: Expression,
  second: Expression,
  node: SyntaxNode,
  context: Context,
): Expression | undefined {
  const base = { span: spanOf(node), clock: unfollowedUnlessFixed(first, second) };
  const [left, right] = [convert(first, STRING, context), convert(second, STRING, context)];
  if (operator === '+') return { ...base, node: 'binary', operator, left, right, type: STRING };
  if (!comparisons.has(operator)) return undefined;
  return {
    ...base,
    node: 'compare',
    operator: operator as ComparisonOperator,
    operandType: STRING,
    left,
    right,
    type: BOOL,
  };
}

function readArithmetic(
  operator: BinaryOperator,
  left: Expression,
  right: Expression,
  node: SyntaxNode,
  context: Context,
): Expression {
  if (left.type.kind === 'pointer' || right.type.kind === 'pointer')
    return pointerSum(operator, left, right, node, context);
  const shift = operator === '<<' || operator === '>>';
  const type = shift
    ? promoted(scalar(left), context.widths)
    : commonType(scalar(left), scalar(right), context.widths);
  const integral = shift || operator === '%' || operator === '&' || operator === '|' || operator === '^';
  if (integral && (type.kind === 'float' || right.type.kind === 'float')) {
    const span = spanOf(node);
    context.report(
      refusal('arguments', span, `Line ${span.line}: ${operator} works on whole numbers only.`, [
        `Are the numbers on both sides of ${operator} in line ${span.line} whole numbers?`,
        `${operator} works only on whole numbers.`,
        `Use whole numbers on both sides of ${operator} in line ${span.line}.`,
      ]),
    );
    return unreadable(node);
  }
  const base = { span: spanOf(node), type };
  const first = convert(left, type, context);
  const second = shift ? right : convert(right, type, context);
  return {
    ...base,
    node: 'binary',
    operator,
    left: first,
    right: second,
    clock: clockOfSum(operator, first, second, type),
  };
}

/** The clock plus or minus something fixed still runs with the clock, as long as 32 bits hold it. */
function clockOfSum(
  operator: BinaryOperator,
  left: Expression,
  right: Expression,
  type: ScalarType,
): ClockForm {
  if (left.clock === 'fixed' && right.clock === 'fixed') return 'fixed';
  if (type.kind !== 'integer' || type.bits !== 32) return 'unfollowed';
  if ((operator === '+' || operator === '-') && right.clock === 'fixed') return left.clock;
  if (operator === '+' && left.clock === 'fixed') return right.clock;
  return 'unfollowed';
}
