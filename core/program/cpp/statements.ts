import { refusal, textRepair } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { convert, readExpression } from './expressions';
import type { Variable } from './scope';
import type { ClockForm, Expression, Place, Statement } from './tree';
import { typeNamed, type CType, type ScalarType } from './types';

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
      return inner
        ? { node: 'expression', expression: readExpression(inner, context), span }
        : { node: 'empty', span };
    }
    case 'declaration':
      return readDeclaration(node, context);
    case 'if_statement':
      return readIf(node, context);
    case 'while_statement':
      return readLoop(node, 'while', context);
    case 'do_statement':
      return readLoop(node, 'do', context);
    case 'for_statement':
      return context.scoped(() => readLoop(node, 'for', context));
    case 'switch_statement':
      return readSwitch(node, context);
    case 'return_statement': {
      const [value] = namedChildren(node);
      return value && context.result.kind !== 'void'
        ? { node: 'return', value: convert(readExpression(value, context), context.result, context), span }
        : { node: 'return', span };
    }
    case 'break_statement':
      return { node: 'break', span };
    case 'continue_statement':
      return { node: 'continue', span };
    case ';':
      return { node: 'empty', span };
  }
  context.unsupported(`“${node.text.split('\n')[0]!.slice(0, 30)}”`, node);
  return { node: 'empty', span };
}

/** The statements of a block in the scope that is open already. */
export function readBlock(node: SyntaxNode, context: Context): Statement {
  return {
    node: 'block',
    statements: namedChildren(node).map((child) => readStatement(child, context)),
    span: spanOf(node),
  };
}

function readIf(node: SyntaxNode, context: Context): Statement {
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

/** A condition; an assignment right inside it is a fault that compiles. */
export function readCondition(node: SyntaxNode, context: Context): Expression {
  let inner: SyntaxNode = node;
  while (inner.type === 'condition_clause' || inner.type === 'parenthesized_expression')
    inner = namedChildren(inner)[0] ?? inner;
  if (inner.type === 'assignment_expression' && inner.childForFieldName('operator')?.text === '=') {
    const sign = spanOf(inner.childForFieldName('operator')!);
    const left = inner.childForFieldName('left')!.text;
    const right = inner.childForFieldName('right')!.text;
    context.report({
      ...refusal(
        'assign-in-condition',
        sign,
        `Line ${sign.line}: one = gives ${left} the value ${right}, it does not compare. The condition no longer asks anything.`,
        [
          `Does line ${sign.line} ask something, or does it set something?`,
          `At column ${sign.column} of line ${sign.line} stands one =; comparing takes two.`,
          `Write ${left} == ${right} in line ${sign.line}.`,
        ],
        textRepair(`Write == instead of = in line ${sign.line}.`, {
          line: sign.line,
          column: sign.column,
          length: 1,
          by: '==',
        }),
      ),
      stopsCompiler: false,
    });
  }
  return readExpression(node, context);
}

function readLoop(node: SyntaxNode, kind: 'for' | 'while' | 'do', context: Context): Statement {
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
  const body = readStatement(node.childForFieldName('body')!, context);
  context.loopDepth -= 1;
  return { node: 'loop', kind, start, condition, step, body, span: spanOf(node) };
}

function readSwitch(node: SyntaxNode, context: Context): Statement {
  const subject = readExpression(node.childForFieldName('condition')!, context);
  const body = node.childForFieldName('body')!;
  const cases = context.scoped(() =>
    namedChildren(body).flatMap((child) => {
      if (child.type !== 'case_statement') {
        context.unsupported('a statement before the first case', child);
        return [];
      }
      const valueNode = child.childForFieldName('value');
      const statements = namedChildren(child)
        .filter((inner) => inner.startIndex !== valueNode?.startIndex)
        .map((inner) => readStatement(inner, context));
      if (!valueNode) return [{ statements }];
      const value = readExpression(valueNode, context);
      if (value.node !== 'constant') {
        context.unsupported('a case that is no fixed number', valueNode);
        return [];
      }
      return [{ value: value.value, statements }];
    }),
  );
  return { node: 'switch', subject, cases, span: spanOf(node) };
}

/** Reads a declaration of variables, global or local, with their first values. */
export function readDeclaration(node: SyntaxNode, context: Context): Statement {
  const span = spanOf(node);
  const words = namedChildren(node).filter((child) =>
    [
      'primitive_type',
      'sized_type_specifier',
      'type_identifier',
      'storage_class_specifier',
      'type_qualifier',
    ].includes(child.type),
  );
  const type = typeNamed(words.map((word) => word.text).join(' '), context.widths);
  const isStatic = words.some((word) => word.text === 'static');
  const isConstant = words.some((word) => word.text === 'const' || word.text === 'constexpr');
  if (!type || type.kind === 'void') {
    const unknown = words.find((word) => word.type === 'type_identifier');
    if (unknown) context.reportUnknown(unknown.text, unknown, 'type');
    else context.unsupported(`“${words.map((word) => word.text).join(' ')}” as a type`, node);
    return { node: 'empty', span };
  }
  const stores = namedChildren(node)
    .filter((child) => !words.includes(child))
    .flatMap((child) => readDeclarator(child, type, { isStatic, isConstant }, context));
  return { node: 'initialize', stores, span };
}

interface Storage {
  readonly isStatic: boolean;
  readonly isConstant: boolean;
}

function readDeclarator(
  node: SyntaxNode,
  type: ScalarType,
  storage: Storage,
  context: Context,
): readonly Expression[] {
  const isInit = node.type === 'init_declarator';
  const declarator = isInit ? node.childForFieldName('declarator')! : node;
  const valueNode = isInit ? node.childForFieldName('value') : null;
  if (declarator.type === 'array_declarator') return readArray(declarator, valueNode, type, storage, context);
  if (
    declarator.type !== 'identifier' ||
    valueNode?.type === 'initializer_list' ||
    valueNode?.type === 'argument_list'
  ) {
    context.unsupported(`“${node.text.slice(0, 30)}”`, node);
    return [];
  }
  const value = valueNode ? convert(readExpression(valueNode, context), type, context) : undefined;
  const name = declarator.text;
  const isGlobal = context.scope.parent === undefined;
  const followed = !isGlobal && !storage.isStatic && !context.reassigned.has(name);
  const known = storage.isConstant && value?.node === 'constant' ? value.value : undefined;
  const variable = declare(declarator, type, storage, context, {
    clock: value && value.clock !== 'fixed' ? (followed ? value.clock : 'unfollowed') : 'fixed',
    ...(known === undefined ? {} : { known }),
  });
  if (!variable) return [];
  return [storeTo(variable.place, type, value ?? zero(declarator, type), declarator)];
}

function readArray(
  declarator: SyntaxNode,
  valueNode: SyntaxNode | null,
  of: ScalarType,
  storage: Storage,
  context: Context,
): readonly Expression[] {
  const name = declarator.childForFieldName('declarator')!;
  const sizeNode = declarator.childForFieldName('size');
  const size = sizeNode ? readExpression(sizeNode, context) : undefined;
  const values =
    valueNode?.type === 'initializer_list'
      ? namedChildren(valueNode).map((child) => convert(readExpression(child, context), of, context))
      : [];
  const length = size ? (size.node === 'constant' ? size.value : 0) : values.length;
  if (
    name.type !== 'identifier' ||
    (valueNode && valueNode.type !== 'initializer_list') ||
    length < 1 ||
    length > 10_000
  ) {
    context.unsupported(`“${declarator.text.slice(0, 30)}”`, declarator);
    return [];
  }
  const type: CType = { kind: 'array', of, length };
  const variable = declare(name, type, storage, context, { clock: 'fixed' });
  if (!variable) return [];
  return Array.from({ length }, (_, index) => {
    const place: Place = { ...variable.place, address: variable.place.address + index };
    return storeTo(place, of, values[index] ?? zero(name, of), name);
  });
}

const zero = (node: SyntaxNode, type: ScalarType): Expression => ({
  node: 'constant',
  value: 0,
  type,
  span: spanOf(node),
  clock: 'fixed',
});

const storeTo = (place: Place, type: ScalarType, value: Expression, node: SyntaxNode): Expression => ({
  node: 'store',
  place,
  value,
  type,
  span: spanOf(node),
  clock: 'unfollowed',
});

function declare(
  node: SyntaxNode,
  type: CType,
  storage: Storage,
  context: Context,
  more: { readonly clock: ClockForm; readonly known?: number },
): Variable | undefined {
  const name = node.text;
  const earlier = context.scope.here(name);
  const span = spanOf(node);
  if (earlier) {
    context.report(
      refusal(
        'name-redeclared',
        span,
        `Line ${span.line}: “${name}” is declared again; line ${earlier.span.line} did it already.`,
        [
          `How often is “${name}” declared with a type before it?`,
          `“${name}” is declared in line ${earlier.span.line} and once more in line ${span.line}.`,
          `Take the type away in line ${span.line}, or choose another name there.`,
        ],
      ),
    );
    return undefined;
  }
  const isGlobal = context.scope.parent === undefined;
  const layout = isGlobal || storage.isStatic ? context.globals : context.frame;
  const variable: Variable = {
    name,
    type,
    constant: storage.isConstant,
    place: layout.take(name, type),
    span,
    loopDepth: context.loopDepth,
    ...more,
  };
  context.scope.declare(variable);
  return variable;
}

/** Declares a parameter of the function that is being read. */
export function declareParameter(node: SyntaxNode, type: ScalarType, context: Context): Variable | undefined {
  return declare(node, type, { isStatic: false, isConstant: false }, context, { clock: 'fixed' });
}
