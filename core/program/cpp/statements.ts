import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { assignmentsIn, callSet, singleEquals } from './asked-assignments';
import { declaredAgain } from './bracket-slips';
import type { Context } from './context';
import { countFits } from './arguments';
import { emptyBody } from './empty-body';
import { declareEach, readDeclaration } from './declarations';
import { convert, quoted } from './conversions';
import { beforeEveryCase, caseTwice, functionInside, leavesNothing, textInSwitch } from './slips';
import { joinedInCase, oddQuestions, withoutEffect } from './questions';
import { textForNumber } from './quote-slips';
import { isOfStatements, readStatements } from './definitions';
import { readExpression } from './expressions';
import { readPlace } from './places';
import { copied } from './pointers';
import type { Expression, Statement } from './tree';
import { RANGE_SIGN } from './prepared';
import { readTypeSpecifier } from './type-specifiers';
import { BOOL, cellsOf, integer } from './types';

const empty = (node: SyntaxNode): Statement => ({ node: 'empty', span: spanOf(node) });

/** Reads one statement into the typed tree; problems go to the context. */
export function readStatement(node: SyntaxNode, context: Context): Statement {
  return context.nested(node, () => readKind(node, context)) ?? empty(node);
}

function readKind(node: SyntaxNode, context: Context): Statement {
  const span = spanOf(node);
  switch (node.type) {
    case 'compound_statement':
      return context.scoped(() => readBlock(node, context));
    case 'expression_statement': {
      const [inner] = namedChildren(node);
      const expanded = inner && readExpanded(inner, context);
      if (expanded) return expanded;
      const isOwn = (name: string): boolean => context.functions.has(name);
      const idle = inner && withoutEffect(inner, isOwn);
      if (idle) context.report(idle);
      const set = inner && callSet(inner);
      if (set) {
        context.report(set);
        return empty(node);
      }
      return inner
        ? { node: 'expression', expression: readExpression(inner, context), span }
        : { node: 'empty', span };
    }
    case 'declaration': {
      const again = declaredAgain(node, context);
      if (!again) return readDeclaration(node, context);
      context.report(again);
      return { node: 'empty', span };
    }
    case 'if_statement':
      return readIf(node, context);
    case 'while_statement':
      return readLoop(node, 'while', context);
    case 'do_statement':
      return readLoop(node, 'do', context);
    case 'for_statement':
      return context.scoped(() => readLoop(node, 'for', context));
    case 'for_range_loop':
      return context.scoped(() => readRange(node, context));
    case 'switch_statement':
      return readSwitch(node, context);
    case 'return_statement':
      return readReturn(node, context);
    case 'break_statement':
      if (context.loopDepth + context.switchDepth === 0) context.report(leavesNothing('break', span));
      return { node: 'break', span };
    case 'continue_statement':
      if (context.loopDepth === 0) context.report(leavesNothing('continue', span));
      return { node: 'continue', span };
    case 'function_definition':
      context.report(functionInside(node));
      return empty(node);
    case 'struct_specifier':
    case 'enum_specifier':
    case 'type_definition':
    case 'alias_declaration':
      readTypeSpecifier(node, context);
      return { node: 'empty', span };
    case ';':
    case 'static_assert_declaration':
      return { node: 'empty', span };
  }
  context.unsupported(`“${node.text.split('\n')[0]!.slice(0, 30)}”`, node);
  return { node: 'empty', span };
}

/** The statements that a `#define` with parameters stands for; `undefined` for any other expression. */
function readExpanded(node: SyntaxNode, context: Context): Statement | undefined {
  if (node.type !== 'call_expression') return undefined;
  const name = node.childForFieldName('function')!.text;
  const macro = context.macros.get(name);
  if (!macro || !isOfStatements(macro)) return undefined;
  const given = namedChildren(node.childForFieldName('arguments')!);
  if (!countFits(given.length, macro.parameters.length, macro.parameters.length, name, node, context))
    return empty(node);
  const read = (block: SyntaxNode): Statement => context.scoped(() => readBlock(block, context));
  return readStatements(node, macro, given, context, read) ?? empty(node);
}

function readReturn(node: SyntaxNode, context: Context): Statement {
  const span = spanOf(node);
  const [valueNode] = namedChildren(node);
  const { result, resultPlace } = context;
  if (!valueNode || result.kind === 'void') return { node: 'return', span };
  const value = readExpression(valueNode, context);
  if (!resultPlace) return { node: 'return', value: convert(value, result, context), span };
  const target = { place: resultPlace, type: result, constant: false };
  const expression = copied(valueNode, target, value, context);
  return {
    node: 'block',
    statements: [
      { node: 'expression', expression, span },
      { node: 'return', span },
    ],
    span,
  };
}

/** The statements of a block in the scope that is open already. */
export function readBlock(node: SyntaxNode, context: Context): Statement {
  return {
    node: 'block',
    statements: namedChildren(node).map((child) => readStatement(child, context)),
    span: spanOf(node),
  };
}

/** A semicolon straight behind a head ends it; what was meant to belong to it stands alone. */
function checkBody(node: SyntaxNode, body: SyntaxNode, word: 'if' | 'for' | 'while', context: Context): void {
  const isEmpty = body.type === 'expression_statement' && body.text === ';';
  const behind = node.nextNamedSibling;
  if (!isEmpty) return;
  // A loop without a body may wait for something; with a block behind it that is not what was meant.
  if (word !== 'if' && behind?.type !== 'compound_statement') return;
  context.report(emptyBody(spanOf(body), word));
  if (word === 'for') context.cutOff.push({ semicolon: spanOf(body), block: spanOf(behind!) });
}

function readIf(node: SyntaxNode, context: Context): Statement {
  checkBody(node, node.childForFieldName('consequence')!, 'if', context);
  const condition = readCondition(node.childForFieldName('condition')!, context);
  const yes = readStatement(node.childForFieldName('consequence')!, context);
  const alternative = node.childForFieldName('alternative');
  const other = alternative?.type === 'else_clause' ? namedChildren(alternative)[0] : alternative;
  return {
    node: 'if',
    condition,
    yes,
    ...(other ? { no: readStatement(other, context) } : {}),
    span: spanOf(node),
  };
}

/**
 * A condition; an assignment that is asked like a question is a fault. It compiles where something can be set: a
 * variable, and not what a function returns.
 */
export function readCondition(node: SyntaxNode, context: Context): Expression {
  const assignments = assignmentsIn(node);
  for (const assignment of assignments) context.report(singleEquals(assignment));
  for (const problem of oddQuestions(node)) context.report(problem);
  const refused = assignments.find(({ isSettable }) => !isSettable);
  return readExpression(refused ? refused.node.childForFieldName('right')! : node, context);
}

function readLoop(node: SyntaxNode, kind: 'for' | 'while' | 'do', context: Context): Statement {
  if (kind !== 'do') checkBody(node, node.childForFieldName('body')!, kind, context);
  const initializer = node.childForFieldName('initializer');
  const start = initializer
    ? initializer.type === 'declaration'
      ? readDeclaration(initializer, context)
      : ({
          node: 'expression',
          expression: readExpression(initializer, context),
          span: spanOf(initializer),
        } as const)
    : undefined;
  context.loopDepth += 1;
  const conditionNode = node.childForFieldName('condition');
  const condition = conditionNode ? readCondition(conditionNode, context) : undefined;
  const update = node.childForFieldName('update');
  const step = update ? readExpression(update, context) : undefined;
  const idle = update && withoutEffect(update, (name) => context.functions.has(name));
  if (idle) context.report(idle);
  const body = readStatement(node.childForFieldName('body')!, context);
  context.loopDepth -= 1;
  return { node: 'loop', kind, start, condition, step, body, span: spanOf(node) };
}

/** `for (int pin : pins)`: the same as counting through the array, each of its values under that name in turn. */
function readRange(node: SyntaxNode, context: Context): Statement {
  const span = spanOf(node);
  const right = node.childForFieldName('right')!;
  const listed = readPlace(right, context, readExpression);
  if (!listed) return empty(node);
  if (listed.type.kind !== 'array') {
    context.unsupported(`a loop over “${right.text}”, which is no array,`, right);
    return empty(node);
  }
  const { of, length } = listed.type;
  const type = integer(context.widths.intBits, true);
  const at = context.frame.take('', type);
  const base = { type, span, clock: 'fixed' as const };
  const index: Expression = { ...base, node: 'load', place: at };
  const number = (value: number): Expression => ({ ...base, node: 'constant', value });
  const element = {
    ...listed,
    place: { ...listed.place, steps: [...listed.place.steps, { index, length, cells: cellsOf(of) }] },
    type: of,
  };
  context.loopDepth += 1;
  const taken = declareEach(node, element, context);
  const body = readStatement(node.childForFieldName('body')!, context);
  context.loopDepth -= 1;
  return {
    node: 'loop',
    kind: 'for',
    start: { node: 'expression', expression: { ...base, node: 'store', place: at, value: number(0) }, span },
    condition: {
      ...base,
      node: 'compare',
      operator: '<',
      operandType: type,
      left: index,
      right: number(length),
      type: BOOL,
    },
    step: {
      ...base,
      node: 'update',
      place: at,
      operator: '+',
      operationType: type,
      value: number(1),
      result: 'after',
    },
    body: { node: 'block', statements: [{ node: 'initialize', stores: taken, span }, body], span },
    span,
  };
}

function readSwitch(node: SyntaxNode, context: Context): Statement {
  const asked = node.childForFieldName('condition')!;
  const subject = readExpression(asked, context);
  if (subject.type.kind === 'string' || subject.type.kind === 'text')
    context.report(textInSwitch(spanOf(asked)));
  const body = node.childForFieldName('body')!;
  context.switchDepth += 1;
  /** The line of each value that has its case. */
  const taken = new Map<number, number>();
  const children = namedChildren(body);
  const first = children.findIndex(({ type }) => type === 'case_statement');
  const cases = context.scoped(() =>
    children.flatMap((child, index) => {
      if (child.type !== 'case_statement') {
        // It is read for its own sake, and for what it declares.
        readStatement(child, context);
        // Behind a case it is what an error there has cut off.
        if (child.type !== 'declaration' && !(first >= 0 && index > first))
          context.report(beforeEveryCase(spanOf(child)));
        return [];
      }
      const valueNode = child.childForFieldName('value');
      const statements = namedChildren(child)
        .filter((inner) => inner.startIndex !== valueNode?.startIndex)
        .map((inner) => readStatement(inner, context));
      if (!valueNode) return [{ statements }];
      const values = caseValues(valueNode, context);
      if (!values) {
        reportCase(valueNode, context);
        return [];
      }
      const { line } = spanOf(child);
      const again = values.find((value) => taken.has(value));
      if (again !== undefined) context.report(caseTwice(spanOf(valueNode), again, taken.get(again)!));
      for (const value of values) if (!taken.has(value)) taken.set(value, line);
      // Of a range, each falls through to the next, and the last does what is to be done.
      return values.map((value, index) => ({
        value,
        statements: index === values.length - 1 ? statements : [],
      }));
    }),
  );
  context.switchDepth -= 1;
  return { node: 'switch', subject, cases, span: spanOf(node) };
}

/** Numbers that a range of cases may hold. */
const LONGEST_RANGE = 1000;

/** The numbers of a case, of a range all of them; `undefined` where they are not known before the program runs. */
/** Why what a case is for is no fixed number. */
function reportCase(node: SyntaxNode, context: Context): void {
  const value = readExpression(node, context);
  if (value.node === 'text')
    context.report(textForNumber(quoted(value), (name) => context.constants.has(name)));
  else {
    const several = joinedInCase(node);
    if (several) context.report(several);
    else context.unsupported('a case that is no fixed number', node);
  }
}

function caseValues(node: SyntaxNode, context: Context): readonly number[] | undefined {
  const isRange =
    node.type === 'binary_expression' && node.childForFieldName('operator')?.text === RANGE_SIGN;
  const ends = isRange ? [node.childForFieldName('left')!, node.childForFieldName('right')!] : [node];
  const values = ends.flatMap((end) => {
    const value = readExpression(end, context);
    return value.node === 'constant' ? [value.value] : [];
  });
  const [first, last = first] = values;
  if (values.length < ends.length || first === undefined || last === undefined) return undefined;
  const length = last - first + 1;
  if (length < 1 || length > LONGEST_RANGE) return undefined;
  return Array.from({ length }, (_, index) => first + index);
}
