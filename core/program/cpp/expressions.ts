import { askedByAssignment } from './asked-assignments';
import { bracesForBrackets, emptyBrackets } from './bracket-slips';
import { functionAsValue } from './function-as-value';
import { loudWord, wholeArray } from './object-slips';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { readBuiltin } from './arguments';
import { readBinary } from './binary';
import { readCall } from './calls';
import { unreadable, type Context } from './context';
import { convert, number, scalar, unfollowedUnlessFixed } from './conversions';
import { readDefinition, readExpanded } from './definitions';
import { binaryNamed, portBit } from './library';
import { constant, readCharacter, readNumber, textOf } from './literals';
import { describe, findPlace, loadOf, readPlace, reportConstant } from './places';
import { copied, scaled } from './pointers';
import { readRegister, writeRegister } from './registers';
import type { Variable } from './scope';
import { signOf } from './signs';
import type { BinaryOperator, ClockForm, Expression } from './tree';
import {
  BOOL,
  bytesOf,
  cellsOf,
  commonType,
  conversionTo,
  integer,
  isScalar,
  pointerTo,
  promoted,
  sameType,
  STRING,
  TEXT,
  typeNamed,
  VOID,
  type ScalarType,
} from './types';

/** Reads one expression of the grammar's tree into the typed tree; problems go to the context. */
export function readExpression(node: SyntaxNode, context: Context): Expression {
  return (
    context.nested(node, () => readExpanded(node, context, readExpression) ?? readKind(node, context)) ??
    unreadable(node)
  );
}

function readKind(node: SyntaxNode, context: Context): Expression {
  switch (node.type) {
    case 'parenthesized_expression':
    case 'condition_clause': {
      const [inner, ...more] = namedChildren(node);
      if (!inner || more.length > 0) break;
      return readExpression(inner, context);
    }
    case 'number_literal':
      return readNumber(node, context);
    case 'char_literal':
      return readCharacter(node, context);
    case 'string_literal':
    case 'concatenated_string':
      return { node: 'text', value: textOf(node), type: TEXT, span: spanOf(node), clock: 'fixed' };
    case 'true':
    case 'false': {
      const loud = loudWord(node);
      if (loud) context.report(loud);
      return constant(node, node.type === 'true' ? 1 : 0, BOOL);
    }
    case 'identifier':
    case 'qualified_identifier':
      return readName(node, context);
    case 'subscript_expression':
    case 'field_expression': {
      const empty = emptyBrackets(node);
      if (empty) {
        context.report(empty);
        return unreadable(node);
      }
      const letter = node.type === 'subscript_expression' ? readLetter(node, context) : undefined;
      if (letter) return letter;
      const method = context.library.get(node.text);
      if (method && node.type === 'field_expression') {
        context.report(functionAsValue(node.text, spanOf(node), method.parameters.length === 0));
        return unreadable(node);
      }
      const found = readPlace(node, context, readExpression);
      return found ? loadOf(node, found.place, found.type) : unreadable(node);
    }
    case 'compound_literal_expression': {
      const braces = bracesForBrackets(node, context);
      if (!braces) break;
      context.report(braces);
      return unreadable(node);
    }
    case 'pointer_expression':
      return readPointer(node, context);
    case 'sizeof_expression':
      return readSize(node, context);
    case 'this':
      if (!context.owner) break;
      return loadOf(node, context.owner.self, pointerTo(context.owner.type));
    case 'null':
      return constant(node, 0, pointerTo(VOID));
    case 'assignment_expression':
      return readAssignment(node, context);
    case 'update_expression':
      return readStep(node, context);
    case 'unary_expression':
      return readUnary(node, context);
    case 'binary_expression':
      return readBinary(node, context, readExpression);
    case 'conditional_expression':
      return readChoice(node, context);
    case 'cast_expression':
      return readCast(node, context);
    case 'call_expression':
      return readCall(node, context, readExpression);
    case 'comma_expression': {
      const first = readExpression(node.childForFieldName('left')!, context);
      const second = readExpression(node.childForFieldName('right')!, context);
      return { node: 'sequence', first, second, type: second.type, span: spanOf(node), clock: 'unfollowed' };
    }
  }
  context.unsupported(describe(node), node);
  return unreadable(node);
}

/** What a name stands for: a variable, a constant, a `#define`. */
export function readName(node: SyntaxNode, context: Context): Expression {
  const name = node.text.replace(/\s/g, '');
  const variable = context.scope.find(name);
  if (variable) {
    if (variable.known !== undefined) return constant(node, variable.known, variable.type as ScalarType);
    const { place, type } = findPlace(node, context, readExpression)!;
    const load = { ...loadOf(node, place, type), clock: clockOf(variable, context) };
    const loops = context.loopDepth - variable.loopDepth;
    const isOfClock = variable.clock === 'millis' || variable.clock === 'micros';
    return isOfClock && loops > 0 && load.node === 'load' ? { ...load, outside: loops } : load;
  }
  const register = readRegister(node, context);
  if (register) return register;
  const bit = portBit(name, context.board);
  if (bit !== undefined && !context.definitions.has(name))
    return constant(node, bit, integer(context.widths.intBits, true));
  const named = context.constants.get(name);
  const definition = context.definitions.get(name);
  if (definition) return readDefinition(node, definition.text, context, readExpression);
  if (named) return constant(node, named.value, named.type);
  const binary = binaryNamed(name);
  if (binary !== undefined) return constant(node, binary, integer(context.widths.intBits, true));
  const own = context.functions.get(name);
  if (own || context.library.has(name)) {
    const takesNothing = own
      ? own.parameters.length === 0
      : context.library.get(name)?.parameters.length === 0;
    context.report(functionAsValue(name, spanOf(node), takesNothing));
    return unreadable(node);
  }
  context.reportUnknown(name, node, 'value');
  return unreadable(node);
}

/** A local that follows the clock stands still as seen from a loop inside which it was not set. */
const clockOf = (variable: Variable, context: Context): ClockForm =>
  variable.clock !== 'fixed' && context.loopDepth > variable.loopDepth ? 'fixed' : variable.clock;

/** `text[2]`: a letter of a text that can grow; `undefined` when it is something else that has places. */
function readLetter(node: SyntaxNode, context: Context): Expression | undefined {
  const owner = node.childForFieldName('argument')!;
  const found = findPlace(owner, context, readExpression);
  const indices = node.childForFieldName('indices');
  const index = indices ? namedChildren(indices) : [];
  if (found?.type.kind !== 'string' || index.length !== 1) return undefined;
  const name = 'String.charAt';
  const before = [loadOf(owner, found.place, found.type)];
  return readBuiltin(
    { name, builtin: context.library.get(name)!, before },
    index,
    node,
    context,
    readExpression,
  );
}

/** `&x`, where it is, and `*p`, what lies there. */
function readPointer(node: SyntaxNode, context: Context): Expression {
  const argument = node.childForFieldName('argument')!;
  if (node.childForFieldName('operator')?.text === '&') {
    const found = readPlace(argument, context, readExpression);
    if (!found) return unreadable(node);
    const { place, type } = found;
    return { node: 'address', place, type: pointerTo(type), span: spanOf(node), clock: 'fixed' };
  }
  const found = readPlace(node, context, readExpression);
  return found ? loadOf(node, found.place, found.type) : unreadable(node);
}

function readSize(node: SyntaxNode, context: Context): Expression {
  const typeNode = node.childForFieldName('type');
  const value = node.childForFieldName('value');
  const inner = value?.type === 'parenthesized_expression' ? namedChildren(value)[0] : value;
  // A variable hides a type of the same name.
  const variable = context.scope.find((typeNode ?? inner)?.text ?? '');
  const type =
    variable?.type ??
    (typeNode && typeNamed(typeNode.text, context.widths, context.types)) ??
    (inner && typeNamed(inner.text, context.widths, context.types)) ??
    (inner && (findPlace(inner, context, readExpression)?.type ?? readExpression(inner, context).type));
  if (!type) {
    context.unsupported(describe(node), node);
    return unreadable(node);
  }
  return constant(node, bytesOf(type, context.widths), integer(context.widths.intBits, false));
}

/** Whether a name stands for a value that nothing can change. */
const isNamedValue = (name: string, { constants, definitions }: Context): boolean =>
  constants.has(name) || definitions.has(name);

/** What can be a condition without asking anything. */
const ALONE: ReadonlySet<string> = new Set(['identifier', 'number_literal']);

export function readAssignment(node: SyntaxNode, context: Context): Expression {
  const operator = node.childForFieldName('operator')?.text ?? '=';
  const left = node.childForFieldName('left')!;
  if (readRegister(left, context)) {
    const bits = readExpression(node.childForFieldName('right')!, context);
    return writeRegister(node, operator, bits, context) ?? unreadable(node);
  }
  if (left.type === 'identifier' && !context.scope.find(left.text) && isNamedValue(left.text, context)) {
    reportConstant(left, context, operator === '=' ? node : undefined);
    return unreadable(node);
  }
  const asked = askedByAssignment(node, (condition) => {
    const value = ALONE.has(condition.type) ? readExpression(condition, context) : undefined;
    // A name for yes or no may be a setting of the whole program.
    return value?.node === 'constant' && (condition.type === 'number_literal' || value.value > 1);
  });
  if (asked) {
    // A condition has told its assignments already.
    const isTold = context.problems.some(
      ({ code, line, column }) => code === asked.code && line === asked.line && column === asked.column,
    );
    if (!isTold) context.report(asked);
    if (asked.stopsCompiler) return unreadable(node);
  }
  const target = readPlace(left, context, readExpression);
  const given = node.childForFieldName('right')!;
  if (target?.type.kind === 'array' && (given.type === 'initializer_list' || !target.constant)) {
    context.report(wholeArray(node, target.place.name));
    return unreadable(node);
  }
  const right = readExpression(given, context);
  if (!target) return unreadable(node);
  if (target.constant) {
    reportConstant(left, context, operator === '=' ? node : undefined);
    return unreadable(node);
  }
  if (!isScalar(target.type))
    return operator === '=' ? copied(node, target, right, context) : unreadable(node);
  const base = { type: target.type, span: spanOf(node), clock: 'unfollowed' as const };
  if (operator === '=')
    return { ...base, node: 'store', place: target.place, value: convert(right, target.type, context) };
  if (target.type.kind === 'pointer' && (operator === '+=' || operator === '-='))
    return {
      ...base,
      node: 'update',
      place: target.place,
      operator: operator === '+=' ? '+' : '-',
      operationType: target.type,
      value: scaled(number(right, context), target.type, context),
      result: 'after',
    };
  if (target.type.kind === 'string') {
    if (operator !== '+=') {
      context.unsupported(`${operator} on a text`, node);
      return unreadable(node);
    }
    const value = convert(right, STRING, context);
    return {
      ...base,
      node: 'update',
      place: target.place,
      operator: '+',
      operationType: STRING,
      value,
      result: 'after',
    };
  }
  const operation = operator.slice(0, -1) as BinaryOperator;
  const shift = operation === '<<' || operation === '>>';
  const operationType = shift
    ? promoted(target.type, context.widths)
    : commonType(target.type, scalar(right), context.widths);
  return {
    ...base,
    node: 'update',
    place: target.place,
    operator: operation,
    operationType,
    value: shift ? right : convert(right, operationType, context),
    result: 'after',
  };
}

function readStep(node: SyntaxNode, context: Context): Expression {
  const argument = node.childForFieldName('argument')!;
  const target = readPlace(argument, context, readExpression);
  if (!target) return unreadable(node);
  if (target.constant) {
    reportConstant(argument, context);
    return unreadable(node);
  }
  if (!isScalar(target.type) || target.type.kind === 'string') {
    context.unsupported(describe(node), node);
    return unreadable(node);
  }
  const operationType = promoted(target.type, context.widths);
  const by = target.type.kind === 'pointer' ? cellsOf(target.type.to) : 1;
  return {
    node: 'update',
    place: target.place,
    operator: node.text.includes('++') ? '+' : '-',
    operationType,
    value: { node: 'constant', value: by, type: operationType, span: spanOf(node), clock: 'fixed' },
    result: node.text.startsWith('+') || node.text.startsWith('-') ? 'after' : 'before',
    type: target.type,
    span: spanOf(node),
    clock: 'unfollowed',
  };
}

function readUnary(node: SyntaxNode, context: Context): Expression {
  const operator = signOf(node);
  const operand = number(readExpression(node.childForFieldName('argument')!, context), context);
  const type = promoted(scalar(operand), context.widths);
  const base = { span: spanOf(node), clock: unfollowedUnlessFixed(operand) };
  if (operator === '!') return { ...base, node: 'not', operand, type: BOOL };
  if (operator === '+') return convert(operand, type, context);
  if (operator === '-' || (operator === '~' && type.kind === 'integer')) {
    const converted = convert(operand, type, context);
    if (operator === '-' && converted.node === 'constant')
      return { ...converted, value: conversionTo(type)(-converted.value), span: base.span };
    return { ...base, node: operator === '-' ? 'negate' : 'complement', operand: converted, type };
  }
  context.unsupported(`the sign ${operator ?? ''}`, node);
  return unreadable(node);
}

function readChoice(node: SyntaxNode, context: Context): Expression {
  const condition = readExpression(node.childForFieldName('condition')!, context);
  const yes = readExpression(node.childForFieldName('consequence')!, context);
  const no = readExpression(node.childForFieldName('alternative')!, context);
  const isText = [yes, no].some((value) => value.type.kind === 'string');
  const type = sameType(yes.type, no.type)
    ? yes.type
    : isText
      ? STRING
      : commonType(scalar(yes), scalar(no), context.widths);
  return {
    node: 'choose',
    condition,
    yes: convert(yes, type, context),
    no: convert(no, type, context),
    type,
    span: spanOf(node),
    clock: unfollowedUnlessFixed(condition, yes, no),
  };
}

function readCast(node: SyntaxNode, context: Context): Expression {
  const type = typeNamed(node.childForFieldName('type')?.text ?? '', context.widths, context.types);
  const value = number(readExpression(node.childForFieldName('value')!, context), context);
  if (type && isScalar(type)) return convert(value, type, context, 'asked');
  context.unsupported(`“${node.childForFieldName('type')?.text ?? ''}” as a type`, node);
  return unreadable(node);
}
