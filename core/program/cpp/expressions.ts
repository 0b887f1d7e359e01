import { refusal, textRepair } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { unreadable, type Context, type FunctionSignature } from './context';
import { constant, readCharacter, readNumber, textOf } from './literals';
import type { BuiltinName, BuiltinSignature } from './library';
import { readDefinition, readExpanded, readMacro } from './definitions';
import { findPlace, loadOf, type Found } from './places';
import type { Variable } from './scope';
import type { BinaryOperator, ClockForm, ComparisonOperator, Expression } from './tree';
import {
  BOOL,
  bytesOf,
  cellsOf,
  commonType,
  conversionTo,
  cut,
  integer,
  isScalar,
  pointerTo,
  promoted,
  sameType,
  TEXT,
  typeNamed,
  typeText,
  typeWords,
  VOID,
  type CType,
  type PointerType,
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
    case 'false':
      return constant(node, node.type === 'true' ? 1 : 0, BOOL);
    case 'identifier':
      return readName(node, context);
    case 'subscript_expression':
    case 'field_expression': {
      const found = readPlace(node, context);
      return found ? loadOf(node, found.place, found.type) : unreadable(node);
    }
    case 'pointer_expression':
      return readPointer(node, context);
    case 'sizeof_expression':
      return readSize(node, context);
    case 'null':
      return constant(node, 0, pointerTo(VOID));
    case 'assignment_expression':
      return readAssignment(node, context);
    case 'update_expression':
      return readStep(node, context);
    case 'unary_expression':
      return readUnary(node, context);
    case 'binary_expression':
      return readBinary(node, context);
    case 'conditional_expression':
      return readChoice(node, context);
    case 'cast_expression':
      return readCast(node, context);
    case 'call_expression':
      return readCall(node, context);
    case 'comma_expression': {
      const first = readExpression(node.childForFieldName('left')!, context);
      const second = readExpression(node.childForFieldName('right')!, context);
      return { node: 'sequence', first, second, type: second.type, span: spanOf(node), clock: 'unfollowed' };
    }
  }
  context.unsupported(describe(node), node);
  return unreadable(node);
}

const describe = (node: SyntaxNode): string => `“${node.text.split('\n')[0]!.slice(0, 30)}”`;

function readName(node: SyntaxNode, context: Context): Expression {
  const name = node.text;
  const variable = context.scope.find(name);
  if (variable) {
    if (variable.known !== undefined) return constant(node, variable.known, variable.type as ScalarType);
    const { place, type } = findPlace(node, context, readExpression)!;
    return { ...loadOf(node, place, type), clock: clockOf(variable, context) };
  }
  const named = context.constants.get(name);
  const definition = context.definitions.get(name);
  if (definition) return readDefinition(node, definition.text, context, readExpression);
  if (named) return constant(node, named.value, named.type);
  if (context.functions.has(name) || context.library.has(name as BuiltinName)) {
    const span = spanOf(node);
    context.report(
      refusal(
        'arguments',
        span,
        `Line ${span.line}: ${name} is a function; without parentheses it does nothing.`,
        [
          `How is ${name} written in the other lines?`,
          `A function runs only when parentheses follow its name.`,
          `Write ${name}() in line ${span.line}, with what it needs between the parentheses.`,
        ],
      ),
    );
    return unreadable(node);
  }
  context.reportUnknown(name, node, 'value');
  return unreadable(node);
}

/** A local that follows the clock stands still as seen from a loop inside which it was not set. */
const clockOf = (variable: Variable, context: Context): ClockForm =>
  variable.clock !== 'fixed' && context.loopDepth > variable.loopDepth ? 'fixed' : variable.clock;

/** The place that is to be changed or pointed to; says what is wrong when there is none. */
function readPlace(node: SyntaxNode, context: Context): Found | undefined {
  const before = context.problems.length;
  const found = findPlace(node, context, readExpression);
  if (found || context.problems.length > before) return found;
  let root = node;
  while (root.type === 'subscript_expression' || root.type === 'parenthesized_expression')
    root = root.childForFieldName('argument') ?? namedChildren(root)[0]!;
  const isName = root.type === 'identifier' && !context.scope.find(root.text);
  if (!isName) context.unsupported(describe(node), node);
  else if (context.constants.has(root.text) || context.definitions.has(root.text))
    reportConstant(root, context);
  else context.reportUnknown(root.text, root, 'value');
  return undefined;
}

/** `&x`, where it is, and `*p`, what lies there. */
function readPointer(node: SyntaxNode, context: Context): Expression {
  const argument = node.childForFieldName('argument')!;
  if (node.childForFieldName('operator')?.text === '&') {
    const found = readPlace(argument, context);
    if (!found) return unreadable(node);
    const { place, type } = found;
    return { node: 'address', place, type: pointerTo(type), span: spanOf(node), clock: 'fixed' };
  }
  const found = readPlace(node, context);
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

function reportConstant(node: SyntaxNode, context: Context): void {
  const span = spanOf(node);
  context.report(
    refusal('syntax-other', span, `Line ${span.line}: “${node.text}” is a constant and cannot be changed.`, [
      `Is “${node.text}” meant to change while the program runs?`,
      `“${node.text}” is fixed; line ${span.line} gives it a new value.`,
      `Use a variable of its own in line ${span.line}, or take const away from the declaration of ${node.text}.`,
    ]),
  );
}

/** The same value as another type; nothing is done when it has that type already. */
export function convert(value: Expression, type: CType, context: Context): Expression {
  if (sameType(value.type, type) || type.kind === 'void') return value;
  if (type.kind === 'pointer') {
    if (value.node === 'text' && isLetters(type)) return storedText(value, context);
    const isNone = value.node === 'constant' && value.value === 0;
    const isVoid =
      value.type.kind === 'pointer' && (value.type.to.kind === 'void' || type.to.kind === 'void');
    if (isNone || isVoid || (isLetters(type) && isLetters(value.type))) return { ...value, type };
  }
  if (type.kind === 'bool' && value.type.kind === 'pointer')
    return { node: 'convert', value, type, span: value.span, clock: value.clock };
  if (type.kind === 'pointer' || value.type.kind === 'pointer' || !isScalar(value.type)) {
    if (value.type.kind !== 'void') {
      reportKind(value, type, context);
      return { node: 'constant', value: 0, type, span: value.span, clock: 'fixed' };
    }
  }
  if ((type.kind === 'text') !== (value.type.kind === 'text') || value.type.kind === 'void') {
    const given = value.type.kind === 'void' ? 'nothing' : value.type.kind === 'text' ? 'a text' : 'a number';
    context.report(
      refusal(
        'arguments',
        value.span,
        `Line ${value.span.line}: ${type.kind === 'text' ? 'a text' : 'a number'} is wanted here, and this gives ${given}.`,
        [
          `What does line ${value.span.line} hand over: a number, a text, or nothing?`,
          `At column ${value.span.column} of line ${value.span.line} stands something that gives ${given}.`,
          `Put ${type.kind === 'text' ? 'a text' : 'a number'} at column ${value.span.column} of line ${value.span.line}.`,
        ],
      ),
    );
    return { node: 'constant', value: 0, type, span: value.span, clock: 'fixed' };
  }
  if (value.node === 'constant') return { ...value, value: conversionTo(type)(cut(value.value, type)), type };
  const keeps =
    type.kind === 'integer' && type.bits === 32 && value.type.kind === 'integer' && value.type.bits === 32;
  return {
    node: 'convert',
    value,
    type,
    span: value.span,
    clock: keeps || value.clock === 'fixed' ? value.clock : 'unfollowed',
  };
}

/** Whether a type is a pointer to letters, as text in memory is. */
const isLetters = (type: CType): boolean =>
  type.kind === 'pointer' && type.to.kind === 'integer' && type.to.bits === 8;

/** A text that stands in the program, as a pointer to where the board keeps it. */
function storedText(value: Extract<Expression, { node: 'text' }>, context: Context): Expression {
  const char = integer(8, context.widths.charSigned);
  return {
    node: 'constant',
    value: context.storeText(value.value, value.span),
    type: pointerTo(char),
    span: value.span,
    clock: 'fixed',
  };
}

function reportKind({ type: given, span }: Expression, wanted: CType, context: Context): void {
  const [here, there] = [kindText(wanted), kindText(given)];
  context.report(
    refusal('arguments', span, `Line ${span.line}: ${here} is wanted here, and this gives ${there}.`, [
      `What does line ${span.line} hand over at column ${span.column}?`,
      `At column ${span.column} of line ${span.line} stands ${there}, where ${here} is wanted.`,
      `Put ${here} at column ${span.column} of line ${span.line}.`,
    ]),
  );
}

/** What a type is, in words for a beginner. */
function kindText(type: CType): string {
  if (type.kind === 'pointer') return `a pointer to ${typeText(type.to)}`;
  if (type.kind === 'struct') return `a whole ${type.name}`;
  return type.kind === 'text' ? 'a text' : type.kind === 'void' ? 'nothing' : 'a number';
}

export function readAssignment(node: SyntaxNode, context: Context): Expression {
  const target = readPlace(node.childForFieldName('left')!, context);
  const right = readExpression(node.childForFieldName('right')!, context);
  const operator = node.childForFieldName('operator')?.text ?? '=';
  if (!target) return unreadable(node);
  if (target.constant) {
    reportConstant(node.childForFieldName('left')!, context);
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

/** A struct put whole into another of its kind; an array cannot be. */
export function copied(node: SyntaxNode, target: Found, value: Expression, context: Context): Expression {
  if (target.type.kind !== 'struct' || value.node !== 'address' || !sameType(target.type, value.type)) {
    context.unsupported(`changing the whole of “${target.place.name}” at once`, node);
    return unreadable(node);
  }
  return {
    node: 'copy',
    from: value.place,
    to: target.place,
    cells: cellsOf(target.type),
    type: VOID,
    span: spanOf(node),
    clock: 'unfollowed',
  };
}

/** A number of elements as a number of cells, for a pointer that is moved by it. */
function scaled(count: Expression, { to }: PointerType, context: Context): Expression {
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

function readStep(node: SyntaxNode, context: Context): Expression {
  const argument = node.childForFieldName('argument')!;
  const target = readPlace(argument, context);
  if (!target) return unreadable(node);
  if (target.constant) {
    reportConstant(argument, context);
    return unreadable(node);
  }
  if (!isScalar(target.type)) {
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

/** The scalar type of a value; text and nothing have none and count as `int` after a report. */
const scalar = (value: Expression): ScalarType => (isScalar(value.type) ? value.type : integer(16, true));

function number(value: Expression, context: Context): Expression {
  return value.type.kind === 'text' || value.type.kind === 'void'
    ? convert(value, integer(context.widths.intBits, true), context)
    : value;
}

function readUnary(node: SyntaxNode, context: Context): Expression {
  const operator = node.childForFieldName('operator')?.text;
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

const unfollowedUnlessFixed = (...values: readonly Expression[]): ClockForm =>
  values.every((value) => value.clock === 'fixed') ? 'fixed' : 'unfollowed';

const comparisons: ReadonlySet<string> = new Set(['<', '<=', '>', '>=', '==', '!=']);
const arithmetic: ReadonlySet<string> = new Set(['+', '-', '*', '/', '%', '<<', '>>', '&', '|', '^']);

function readBinary(node: SyntaxNode, context: Context): Expression {
  const operator = node.childForFieldName('operator')!.text;
  const left = number(readExpression(node.childForFieldName('left')!, context), context);
  const right = number(readExpression(node.childForFieldName('right')!, context), context);
  const span = spanOf(node);
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
        `Are both numbers beside ${operator} in line ${span.line} whole?`,
        `${operator} cannot take a number with a point.`,
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

/** A pointer moved by a number of elements, or the number of elements between two. */
function pointerSum(
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

function readChoice(node: SyntaxNode, context: Context): Expression {
  const condition = readExpression(node.childForFieldName('condition')!, context);
  const yes = readExpression(node.childForFieldName('consequence')!, context);
  const no = readExpression(node.childForFieldName('alternative')!, context);
  const type = sameType(yes.type, no.type) ? yes.type : commonType(scalar(yes), scalar(no), context.widths);
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
  if (type && isScalar(type)) return convert(value, type, context);
  context.unsupported(`“${node.childForFieldName('type')?.text ?? ''}” as a type`, node);
  return unreadable(node);
}

function readCall(node: SyntaxNode, context: Context): Expression {
  const callee = node.childForFieldName('function')!;
  const given = namedChildren(node.childForFieldName('arguments')!);
  if (callee.type === 'primitive_type' || (callee.type === 'identifier' && typeWords.has(callee.text))) {
    const type = typeNamed(callee.text, context.widths);
    if (type && type.kind !== 'void' && given.length === 1)
      return convert(number(readExpression(given[0]!, context), context), type, context);
  }
  const name = calleeName(callee, context);
  if (name === undefined) return unreadable(node);
  const signature = context.functions.get(name);
  if (signature) {
    if (
      !countFits(given.length, signature.parameters.length, signature.parameters.length, name, node, context)
    )
      return unreadable(node);
    const values = given.map((argument, index) =>
      readArgument(argument, signature.parameters[index]!, context),
    );
    return {
      node: 'call',
      target: signature.index,
      arguments: values,
      type: signature.result,
      span: spanOf(node),
      clock: 'unfollowed',
    };
  }
  const macro = context.macros.get(name);
  if (macro) {
    const { length } = macro.parameters;
    return countFits(given.length, length, length, name, node, context)
      ? readMacro(node, macro, given, context, readExpression)
      : unreadable(node);
  }
  const builtin = context.library.get(name as BuiltinName);
  if (builtin) return readBuiltin(name as BuiltinName, builtin, given, node, context);
  context.reportUnknown(name, callee, 'function');
  for (const argument of given) readExpression(argument, context);
  return unreadable(node);
}

/** A value handed to a function: for a reference, where it is. */
function readArgument(
  node: SyntaxNode,
  { type, refers }: FunctionSignature['parameters'][number],
  context: Context,
): Expression {
  if (!refers) return convert(readExpression(node, context), type, context);
  const found = readPlace(node, context);
  if (!found) return unreadable(node);
  if (!sameType(found.type, type)) reportKind({ ...unreadable(node), type: found.type }, type, context);
  return { node: 'address', place: found.place, type: pointerTo(type), span: spanOf(node), clock: 'fixed' };
}

/** `digitalWrite`, `Serial.print`; reports what is no callable name. */
function calleeName(callee: SyntaxNode, context: Context): string | undefined {
  if (callee.type === 'identifier') return callee.text;
  if (callee.type !== 'field_expression') {
    context.unsupported(describe(callee), callee);
    return undefined;
  }
  const object = callee.childForFieldName('argument')!;
  const member = callee.childForFieldName('field')!;
  const full = `${object.text}.${member.text}`;
  if (context.library.has(full as BuiltinName)) return full;
  if (object.text !== 'Serial' && object.text.toLowerCase() !== 'serial') {
    if (context.scope.find(object.text)) context.unsupported(describe(callee), callee);
    else context.reportUnknown(object.text, object, 'object');
    return undefined;
  }
  if (object.text !== 'Serial') context.reportUnknown(object.text, object, 'object');
  else {
    const known = [...context.library.keys()]
      .filter((key) => key.startsWith('Serial.'))
      .map((key) => key.slice(7));
    const match = known.find((candidate) => candidate.toLowerCase() === member.text.toLowerCase());
    if (match === undefined) context.unsupported(`“${full}”`, callee);
    else {
      const span = spanOf(member);
      context.report(
        refusal(
          'name-case',
          span,
          `Line ${span.line}: “${member.text}” is not known; “${match}” is. Capitals count.`,
          [
            `Compare the capitals of “${full}” in line ${span.line} with an example. Are they the same?`,
            `The board knows “${match}”, not “${member.text}”.`,
            `Write Serial.${match} in line ${span.line}.`,
          ],
          textRepair(`Write ${match} instead of ${member.text} in line ${span.line}.`, {
            line: span.line,
            column: span.column,
            length: member.text.length,
            by: match,
          }),
        ),
      );
    }
  }
  return undefined;
}

function countFits(
  given: number,
  least: number,
  most: number,
  name: string,
  node: SyntaxNode,
  context: Context,
): boolean {
  if (given >= least && given <= most) return true;
  const span = spanOf(node);
  const wanted = least === most ? String(least) : `${least} to ${most}`;
  context.report(
    refusal(
      'arguments',
      span,
      `Line ${span.line}: ${name} takes ${wanted} ${most === 1 ? 'value' : 'values'} and is given ${given}.`,
      [
        `How many values stand between the parentheses of ${name} in line ${span.line}?`,
        `${name} takes ${wanted}; line ${span.line} gives ${given}.`,
        given < least
          ? `Add the missing ${least - given === 1 ? 'value' : 'values'} to ${name} in line ${span.line}.`
          : `Take ${given - most} of the values away from ${name} in line ${span.line}.`,
      ],
    ),
  );
  return false;
}

function readBuiltin(
  name: BuiltinName,
  signature: BuiltinSignature,
  given: readonly SyntaxNode[],
  node: SyntaxNode,
  context: Context,
): Expression {
  const span = spanOf(node);
  if (!countFits(given.length, signature.required, signature.parameters.length, name, node, context))
    return unreadable(node);
  const values = given.map((argument) => readExpression(argument, context));
  if (signature.result === 'common') {
    const types = values.map(scalar);
    const type = promoted(
      types.reduce((left, right) => commonType(left, right, context.widths)),
      context.widths,
    );
    return {
      node: 'builtin',
      name,
      arguments: values.map((value) => convert(value, type, context)),
      type,
      span,
      clock: unfollowedUnlessFixed(...values),
    };
  }
  const converted = values.map((value, index) => {
    const wanted = signature.parameters[index]!.type;
    if (wanted !== 'any') return convert(value, wanted, context);
    return value.type.kind === 'void' ? number(value, context) : value;
  });
  const clock: ClockForm =
    name === 'millis' ? 'millis' : name === 'micros' ? 'micros' : unfollowedUnlessFixed(...converted);
  return { node: 'builtin', name, arguments: converted, type: signature.result, span, clock };
}
