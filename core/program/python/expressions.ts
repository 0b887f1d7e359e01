import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { assignedNames, type Names } from './scopes';
import { constantText, decoded } from './texts';
import type { BinaryOperator, ComparisonOperator, Expression, JoinedPiece, Statement, Target } from './tree';
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
    case 'set':
      return { node: node.type, items: all(), span };
    case 'lambda':
      return readLambda(node, context);
    case 'named_expression':
      return {
        node: 'named',
        target: readTarget(node.childForFieldName('name')!, context),
        value: field(node, 'value', context),
        span,
      };
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
    case 'set_comprehension':
    case 'dictionary_comprehension':
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
  const spread = new Set<number>();
  const named: { name: string; value: Expression }[] = [];
  const called = node.childForFieldName('function')!;
  if (called.type === 'identifier' && called.text === 'super' && given.length === 0) {
    const above = readSuper(node, context);
    if (above) return above;
  }
  for (const argument of given) {
    if (argument.type === 'keyword_argument')
      named.push({
        name: argument.childForFieldName('name')!.text,
        value: field(argument, 'value', context),
      });
    else if (argument.type === 'list_splat') {
      spread.add(values.length);
      values.push(readExpression(namedChildren(argument)[0]!, context));
    } else values.push(readExpression(argument, context));
  }
  return {
    node: 'call',
    callee: field(node, 'function', context),
    values,
    spread,
    named,
    span: spanOf(node),
  };
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
  const body = node.childForFieldName('body')!;
  const isDict = node.type === 'dictionary_comprehension';
  return {
    node: 'comprehension',
    makes: isDict ? 'dict' : node.type === 'set_comprehension' ? 'set' : 'list',
    item: isDict ? field(body, 'value', context) : readExpression(body, context),
    ...(isDict ? { key: field(body, 'key', context) } : {}),
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
    case 'expression_list': {
      const children = namedChildren(node);
      const rest = children.findIndex(({ type }) => type === 'list_splat_pattern' || type === 'list_splat');
      return {
        target: 'several',
        targets: children.map((child, index) =>
          readTarget(index === rest ? namedChildren(child)[0]! : child, context),
        ),
        ...(rest < 0 ? {} : { rest }),
        span,
      };
    }
    case 'parenthesized_expression':
      return readTarget(namedChildren(node)[0]!, context);
  }
  context.unsupported(`${describe(node)} on the left of =`, node);
  return { target: 'several', targets: [], span };
}

/** `lambda x: x + 1`: a function that gives one value. */
function readLambda(node: SyntaxNode, context: Context): Expression {
  const span = spanOf(node);
  const body = node.childForFieldName('body')!;
  const list = node.childForFieldName('parameters');
  const { defaults, index } = readOwn(
    { name: '<lambda>', nameNode: node, parameters: list ? namedChildren(list) : [], statements: [body] },
    context,
    () => [{ node: 'return', value: readExpression(body, context), span: spanOf(body) }],
  );
  return { node: 'lambda', index, defaults, span };
}

/** A function of the program as it is written. */
interface Written {
  readonly name: string;
  readonly nameNode: SyntaxNode;
  readonly parameters: readonly SyntaxNode[];
  /** What gives its names their values. */
  readonly statements: readonly SyntaxNode[];
  readonly isClass?: true;
}

/** Reads a function with names of its own; `read` reads what it does while these are known. */
export function readOwn(
  { name, nameNode, parameters: list, statements, isClass }: Written,
  context: Context,
  read: () => readonly Statement[],
): { readonly index: number; readonly defaults: readonly (Expression | undefined)[] } {
  const parameters: string[] = [];
  const defaults: (Expression | undefined)[] = [];
  let [byPlace, rest]: [number | undefined, string | undefined] = [undefined, undefined];
  for (const child of list) {
    const inner = child.type === 'typed_parameter' ? namedChildren(child)[0]! : child;
    if (inner.type === 'identifier') {
      parameters.push(inner.text);
      defaults.push(undefined);
    } else if (child.type === 'default_parameter' || child.type === 'typed_default_parameter') {
      parameters.push(child.childForFieldName('name')!.text);
      defaults.push(readExpression(child.childForFieldName('value')!, context));
    } else if (inner.type === 'list_splat_pattern' && byPlace === undefined) {
      byPlace = parameters.length;
      rest = namedChildren(inner)[0]!.text;
      parameters.push(rest);
      defaults.push(undefined);
    } else if (inner.type === 'keyword_separator' && byPlace === undefined) byPlace = parameters.length;
    else context.unsupported(`the parameter ${describe(child)}`, child);
  }
  const names: Names = { ...assignedNames(statements, parameters), ...(isClass ? { isClass } : {}) };
  const { locals } = context;
  if (locals) context.outer.push(locals);
  context.locals = names;
  const index = context.functions.length;
  const tree = {
    name,
    parameters,
    byPlace: byPlace ?? parameters.length,
    ...(rest === undefined ? {} : { rest }),
    locals: names.all,
    body: [] as readonly Statement[],
    span: spanOf(nameNode),
  };
  context.functions.push(tree);
  context.functions[index] = { ...tree, body: read() };
  context.locals = locals;
  if (locals) context.outer.pop();
  return { index, defaults };
}

/** `super()` in a method: what its class is made from, for the object. */
function readSuper(node: SyntaxNode, context: Context): Expression | undefined {
  const span = spanOf(node);
  const { owner, locals } = context;
  if (!owner || !locals) return undefined;
  if (!owner.base) {
    context.unsupported('super() in a class that is made from no other', node);
    return none(node);
  }
  const self: Expression = {
    node: 'name',
    name: locals.all[0] ?? '',
    slot: { area: 'local', index: 0 },
    span,
  };
  return { node: 'super', base: readExpression(owner.base, context), self, span };
}

export const describe = (node: SyntaxNode): string => `“${node.text.split('\n')[0]!.slice(0, 30)}”`;
