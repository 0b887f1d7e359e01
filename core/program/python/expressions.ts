import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { constantText, decoded } from './texts';
import type { BinaryOperator, ComparisonOperator, Expression, JoinedPiece, Target } from './tree';
import { PyFloat, whole } from './values';

const none = (node: SyntaxNode): Expression => ({ node: 'constant', value: null, span: spanOf(node) });

/** Reads one expression of the grammar's tree; problems go to the context. */
export function readExpression(node: SyntaxNode, context: Context): Expression {
  return context.nested(node, () => readKind(node, context)) ?? none(node);
}

const field = (node: SyntaxNode, name: string, context: Context): Expression =>
  readExpression(node.childForFieldName(name)!, context);

function readKind(node: SyntaxNode, context: Context): Expression {
  const span = spanOf(node);
  const all = (of = node): readonly Expression[] =>
    namedChildren(of).map((child) => readExpression(child, context));
  switch (node.type) {
    case 'integer':
      return { node: 'constant', value: readInteger(node.text), span };
    case 'float':
      return { node: 'constant', value: new PyFloat(Number(node.text.replace(/_/g, ''))), span };
    case 'true':
    case 'false':
      return { node: 'constant', value: node.type === 'true', span };
    case 'none':
      return none(node);
    case 'string':
      return readText(node, context);
    case 'concatenated_string':
      return {
        node: 'joined',
        pieces: namedChildren(node).flatMap((child) => piecesOf(child, context)),
        span,
      };
    case 'identifier':
      return { node: 'name', name: node.text, slot: context.slotOf(node), span };
    case 'parenthesized_expression': {
      const [inner] = namedChildren(node);
      return inner ? readExpression(inner, context) : none(node);
    }
    case 'attribute':
      return readAttribute(node, context);
    case 'subscript':
      return readSubscript(node, context);
    case 'call':
      return readCall(node, context);
    case 'binary_operator':
      return {
        node: 'binary',
        operator: node.childForFieldName('operator')!.text as BinaryOperator,
        left: field(node, 'left', context),
        right: field(node, 'right', context),
        span,
      };
    case 'unary_operator': {
      const operand = field(node, 'argument', context);
      const operator = node.childForFieldName('operator')!.text as '-' | '+' | '~';
      if (operator === '-' && operand.node === 'constant' && typeof operand.value === 'number')
        return { ...operand, value: 0 - operand.value, span };
      return { node: 'unary', operator, operand, span };
    }
    case 'not_operator':
      return { node: 'unary', operator: 'not', operand: field(node, 'argument', context), span };
    case 'boolean_operator':
      return {
        node: node.childForFieldName('operator')!.text === 'and' ? 'both' : 'either',
        left: field(node, 'left', context),
        right: field(node, 'right', context),
        span,
      };
    case 'comparison_operator':
      return readComparison(node, context);
    case 'conditional_expression': {
      const [yes, condition, no] = all() as [Expression, Expression, Expression];
      return { node: 'choose', condition, yes, no, span };
    }
    case 'list':
      return { node: 'list', items: all(), span };
    case 'tuple':
    case 'expression_list':
      return { node: 'tuple', items: all(), span };
    case 'dictionary':
      return {
        node: 'dict',
        pairs: namedChildren(node)
          .filter((child) => child.type === 'pair')
          .map((pair) => [field(pair, 'key', context), field(pair, 'value', context)]),
        span,
      };
    case 'list_comprehension':
    case 'generator_expression':
      return readComprehension(node, context);
  }
  context.unsupported(describe(node), node);
  return none(node);
}

/** A whole number as it is written, in any base. */
const readInteger = (text: string): number | bigint => whole(BigInt(text.replace(/_/g, '').toLowerCase()));

function readText(node: SyntaxNode, context: Context): Expression {
  const pieces = piecesOf(node, context);
  const span = spanOf(node);
  const texts = pieces.filter((piece) => typeof piece === 'string');
  return texts.length === pieces.length
    ? { node: 'constant', value: texts.join(''), span }
    : { node: 'joined', pieces, span };
}

function piecesOf(node: SyntaxNode, context: Context): readonly (string | JoinedPiece)[] {
  const start =
    namedChildren(node)
      .find(({ type }) => type === 'string_start')
      ?.text.toLowerCase() ?? '"';
  if (/^b/.test(start)) context.unsupported('a text of bytes', node);
  const isRaw = start.includes('r');
  if (!start.includes('f')) return [constantText(node, isRaw)];
  return namedChildren(node).flatMap((child): readonly (string | JoinedPiece)[] => {
    if (child.type === 'string_content')
      return [(isRaw ? child.text : decoded(child.text)).replace(/\{\{/g, '{').replace(/\}\}/g, '}')];
    if (child.type === 'escape_interpolation') return [child.text[0]!];
    if (child.type !== 'interpolation') return [];
    const value = child.childForFieldName('expression') ?? namedChildren(child)[0]!;
    const format = namedChildren(child).find(({ type }) => type === 'format_specifier');
    if (format && namedChildren(format).length > 0) context.unsupported('a format with values in it', format);
    const way = namedChildren(child).some(({ type, text }) => type === 'type_conversion' && text === '!r');
    return [
      {
        value: readExpression(value, context),
        format: format?.text.slice(1) ?? '',
        way: way ? 'repr' : 'text',
      },
    ];
  });
}

function readAttribute(node: SyntaxNode, context: Context): Expression {
  const owner = node.childForFieldName('object')!;
  const name = node.childForFieldName('attribute')!;
  const value = readExpression(owner, context);
  context.checkAttribute(name, ownerOf(owner, context));
  return { node: 'attribute', owner: value, name: name.text, span: spanOf(name) };
}

/** The module or class that an expression is known to be, `board` or `digitalio.Pull`. */
function ownerOf(node: SyntaxNode, context: Context) {
  if (node.type === 'identifier') return context.moduleNamed(node.text);
  if (node.type !== 'attribute') return undefined;
  const module = context.moduleNamed(node.childForFieldName('object')!.text);
  const member = module?.members.get(node.childForFieldName('attribute')!.text);
  return member && typeof member === 'object' && 'members' in member && member.members.size > 0
    ? member
    : undefined;
}

function readSubscript(node: SyntaxNode, context: Context): Expression {
  const owner = field(node, 'value', context);
  const index = node.childForFieldName('subscript')!;
  const span = spanOf(node);
  if (index.type !== 'slice') return { node: 'index', owner, index: readExpression(index, context), span };
  const bounds: [Expression | undefined, Expression | undefined, Expression | undefined] = [
    undefined,
    undefined,
    undefined,
  ];
  let place = 0;
  for (const child of index.children) {
    if (!child) continue;
    if (child.text === ':' && !child.isNamed) place += 1;
    else if (child.isNamed) bounds[place] = readExpression(child, context);
  }
  return { node: 'slice', owner, bounds, span };
}

function readCall(node: SyntaxNode, context: Context): Expression {
  const list = node.childForFieldName('arguments')!;
  const given = list.type === 'generator_expression' ? [list] : namedChildren(list);
  const values: Expression[] = [];
  const named: { name: string; value: Expression }[] = [];
  for (const argument of given) {
    if (argument.type === 'keyword_argument')
      named.push({
        name: argument.childForFieldName('name')!.text,
        value: field(argument, 'value', context),
      });
    else values.push(readExpression(argument, context));
  }
  return { node: 'call', callee: field(node, 'function', context), values, named, span: spanOf(node) };
}

function readComparison(node: SyntaxNode, context: Context): Expression {
  const values = namedChildren(node).map((child) => readExpression(child, context));
  const operators = node.children
    .filter((child): child is SyntaxNode => child !== null && !child.isNamed)
    .map(({ text }) => text.replace(/\s+/g, ' '));
  // `not in` and `is not` may come as two signs.
  const joined: string[] = [];
  for (const sign of operators) {
    const last = joined.at(-1);
    if ((last === 'not' && sign === 'in') || (last === 'is' && sign === 'not'))
      joined[joined.length - 1] = `${last} ${sign}`;
    else joined.push(sign === '<>' ? '!=' : sign);
  }
  return {
    node: 'compare',
    first: values[0]!,
    rest: joined.map((operator, index) => ({
      operator: operator as ComparisonOperator,
      value: values[index + 1]!,
    })),
    span: spanOf(node),
  };
}

function readComprehension(node: SyntaxNode, context: Context): Expression {
  const clauses = namedChildren(node).filter(({ type }) => type === 'for_in_clause' || type === 'if_clause');
  const [loop, condition, ...more] = clauses;
  if (loop?.type !== 'for_in_clause' || more.length > 0 || (condition && condition.type !== 'if_clause')) {
    context.unsupported('a list with several loops in it', node);
    return none(node);
  }
  const source = field(loop, 'right', context);
  const target = readTarget(loop.childForFieldName('left')!, context);
  return {
    node: 'comprehension',
    item: field(node, 'body', context),
    target,
    source,
    ...(condition ? { condition: readExpression(namedChildren(condition)[0]!, context) } : {}),
    span: spanOf(node),
  };
}

/** Reads what a value can be put into. */
export function readTarget(node: SyntaxNode, context: Context): Target {
  const span = spanOf(node);
  switch (node.type) {
    case 'identifier':
      return { target: 'name', name: node.text, slot: context.slotOf(node), span };
    case 'attribute': {
      const read = readAttribute(node, context) as Extract<Expression, { node: 'attribute' }>;
      return { target: 'attribute', owner: read.owner, name: read.name, span: read.span };
    }
    case 'subscript': {
      const read = readSubscript(node, context);
      if (read.node === 'index') return { target: 'index', owner: read.owner, index: read.index, span };
      break;
    }
    case 'pattern_list':
    case 'tuple_pattern':
    case 'list_pattern':
    case 'tuple':
    case 'expression_list':
      return {
        target: 'several',
        targets: namedChildren(node).map((child) => readTarget(child, context)),
        span,
      };
    case 'parenthesized_expression':
      return readTarget(namedChildren(node)[0]!, context);
  }
  context.unsupported(`${describe(node)} on the left of =`, node);
  return { target: 'several', targets: [], span };
}

export const describe = (node: SyntaxNode): string => `“${node.text.split('\n')[0]!.slice(0, 30)}”`;
