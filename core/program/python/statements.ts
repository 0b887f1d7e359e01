import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { describe, readExpression, readOwn, readTarget } from './expressions';
import { readImport } from './imports';
import { reportMatch, reportOutside, reportPrint } from './refused-statements';
import type { BinaryOperator, Handler, Statement } from './tree';

/** Reads the statements of a block. */
export const readBlock = (node: SyntaxNode, context: Context): readonly Statement[] =>
  namedChildren(node).flatMap((child) => readStatement(child, context));

/** Reads one statement, which may become several; problems go to the context. */
export function readStatement(node: SyntaxNode, context: Context): readonly Statement[] {
  return context.nested(node, () => readKind(node, context)) ?? [];
}

function readKind(node: SyntaxNode, context: Context): readonly Statement[] {
  const span = spanOf(node);
  switch (node.type) {
    case 'expression_statement':
      return namedChildren(node).flatMap((child) => readSimple(child, context));
    case 'if_statement':
      return [readIf(node, context)];
    case 'while_statement': {
      const condition = readExpression(node.childForFieldName('condition')!, context);
      return [{ node: 'while', condition, ...bodyOf(node, context), span }];
    }
    case 'for_statement': {
      const source = readExpression(node.childForFieldName('right')!, context);
      const target = readTarget(node.childForFieldName('left')!, context);
      return [{ node: 'for', target, source, ...bodyOf(node, context), span }];
    }
    case 'function_definition':
      return readFunction(node, context);
    case 'decorated_definition':
      return readDecorated(node, context);
    case 'return_statement': {
      const [value] = namedChildren(node);
      if (!context.locals) reportOutside(node, context);
      return [
        value ? { node: 'return', value: readExpression(value, context), span } : { node: 'return', span },
      ];
    }
    case 'pass_statement':
      return [{ node: 'pass', span }];
    case 'break_statement':
      return [{ node: 'break', span }];
    case 'continue_statement':
      return [{ node: 'continue', span }];
    case 'class_definition':
      return readClass(node, context);
    case 'with_statement':
      return readWith(node, context);
    case 'global_statement':
    case 'nonlocal_statement':
      return [];
    case 'import_statement':
    case 'import_from_statement':
      return readImport(node, context);
    case 'try_statement':
      return [readTry(node, context)];
    case 'raise_statement': {
      const [value] = namedChildren(node);
      return [
        value ? { node: 'raise', value: readExpression(value, context), span } : { node: 'raise', span },
      ];
    }
    case 'assert_statement': {
      const [condition, message] = namedChildren(node).map((child) => readExpression(child, context));
      return [{ node: 'assert', condition: condition!, ...(message ? { message } : {}), span }];
    }
    case 'delete_statement':
      return namedChildren(node).map((child) => ({
        node: 'delete',
        target: readTarget(child, context),
        span,
      }));
    case 'match_statement':
      reportMatch(node, context);
      return [];
    case 'print_statement':
      reportPrint(node, context);
      return [];
  }
  context.unsupported(describe(node), node);
  return [];
}

/** An assignment, or an expression alone. */
function readSimple(node: SyntaxNode, context: Context): readonly Statement[] {
  const span = spanOf(node);
  if (node.type === 'assignment') {
    const targets = [];
    let right: SyntaxNode | null = node;
    while (right?.type === 'assignment') {
      targets.push(right.childForFieldName('left')!);
      right = right.childForFieldName('right');
    }
    // With nothing behind it, `x: int` only says of which type a name is meant to be.
    if (!right) return [];
    const value = readExpression(right, context);
    return [{ node: 'assign', targets: targets.map((target) => readTarget(target, context)), value, span }];
  }
  if (node.type === 'augmented_assignment') {
    const operator = node.childForFieldName('operator')!.text.slice(0, -1) as BinaryOperator;
    const value = readExpression(node.childForFieldName('right')!, context);
    return [
      {
        node: 'augment',
        target: readTarget(node.childForFieldName('left')!, context),
        operator,
        value,
        span,
      },
    ];
  }
  return [{ node: 'expression', expression: readExpression(node, context), span }];
}

function readIf(node: SyntaxNode, context: Context): Statement {
  const condition = readExpression(node.childForFieldName('condition')!, context);
  const yes = readBlock(node.childForFieldName('consequence')!, context);
  const clauses = namedChildren(node).filter(({ type }) => type === 'elif_clause' || type === 'else_clause');
  const rest = (index: number): readonly Statement[] => {
    const clause = clauses[index];
    if (!clause) return [];
    if (clause.type === 'else_clause') return readBlock(clause.childForFieldName('body')!, context);
    const asked = readExpression(clause.childForFieldName('condition')!, context);
    const body = readBlock(clause.childForFieldName('consequence')!, context);
    return [{ node: 'if', condition: asked, yes: body, no: rest(index + 1), span: spanOf(clause) }];
  };
  return { node: 'if', condition, yes, no: rest(0), span: spanOf(node) };
}

function bodyOf(node: SyntaxNode, context: Context) {
  const body = readBlock(node.childForFieldName('body')!, context);
  const other = node.childForFieldName('alternative');
  return { body, otherwise: other ? readBlock(other.childForFieldName('body')!, context) : [] };
}

function readFunction(node: SyntaxNode, context: Context): readonly Statement[] {
  const nameNode = node.childForFieldName('name')!;
  const slot = context.slotOf(nameNode);
  const body = node.childForFieldName('body')!;
  const written = {
    name: nameNode.text,
    nameNode,
    parameters: namedChildren(node.childForFieldName('parameters')!),
    statements: namedChildren(body),
  };
  const { index, defaults } = readOwn(written, context, () => readBlock(body, context));
  return [{ node: 'function', index, slot, defaults, span: spanOf(node) }];
}

/** Decorators that make of a function of a class something else than a function. */
const OF_CLASSES = /^(?:property|staticmethod|classmethod)$|\.(?:setter|getter|deleter)$/;

/** A function or class with `@` above it: what stands there is called with it, the nearest first. */
function readDecorated(node: SyntaxNode, context: Context): readonly Statement[] {
  const definition = node.childForFieldName('definition')!;
  const decorators = namedChildren(node).filter(({ type }) => type === 'decorator');
  const other = decorators.find((one) => OF_CLASSES.test(namedChildren(one)[0]?.text ?? ''));
  if (other) {
    context.unsupported(`“${other.text.trim()}”`, other);
    return [];
  }
  const nameNode = definition.childForFieldName('name')!;
  const slot = context.slotOf(nameNode);
  const span = spanOf(nameNode);
  const name = nameNode.text;
  return [
    ...readStatement(definition, context),
    ...decorators.toReversed().map((decorator): Statement => ({
      node: 'assign',
      targets: [{ target: 'name', name, slot, span }],
      value: {
        node: 'call',
        callee: readExpression(namedChildren(decorator)[0]!, context),
        values: [{ node: 'name', name, slot, span }],
        spread: new Set(),
        named: [],
        span: spanOf(decorator),
      },
      span: spanOf(decorator),
    })),
  ];
}

/** A class, from one other at most. What its body gives a name to becomes its members. */
function readClass(node: SyntaxNode, context: Context): readonly Statement[] {
  const nameNode = node.childForFieldName('name')!;
  const body = node.childForFieldName('body')!;
  const above = node.childForFieldName('superclasses');
  const [base, ...more] = (above ? namedChildren(above) : []).filter(({ text }) => text !== 'object');
  if (more.length > 0 || (base && base.type !== 'identifier')) {
    context.unsupported(`a class made from ${above!.text}`, above!);
    return [];
  }
  const slot = context.slotOf(nameNode);
  const from = base && readExpression(base, context);
  const { owner } = context;
  context.owner = { base };
  const { index } = readOwn(
    { name: nameNode.text, nameNode, parameters: [], statements: namedChildren(body), isClass: true },
    context,
    () => readBlock(body, context),
  );
  context.owner = owner;
  return [
    { node: 'class', name: nameNode.text, index, slot, ...(from ? { base: from } : {}), span: spanOf(node) },
  ];
}

/** `with` one thing or several, each inside the one before. */
function readWith(node: SyntaxNode, context: Context): readonly Statement[] {
  const span = spanOf(node);
  const [clause] = namedChildren(node);
  const items = clause ? namedChildren(clause) : [];
  const inside = (at: number): readonly Statement[] => {
    const item = items[at];
    if (!item) return readBlock(node.childForFieldName('body')!, context);
    const thing = item.childForFieldName('value') ?? item;
    const isNamed = thing.type === 'as_pattern';
    const alias = isNamed ? thing.childForFieldName('alias') : null;
    const name = alias && (namedChildren(alias)[0] ?? alias);
    const value = readExpression(isNamed ? namedChildren(thing)[0]! : thing, context);
    const target = name ? readTarget(name, context) : undefined;
    return [{ node: 'with', value, ...(target ? { target } : {}), body: inside(at + 1), span }];
  };
  return inside(0);
}

function readTry(node: SyntaxNode, context: Context): Statement {
  const clauses = namedChildren(node);
  const block = (type: string): readonly Statement[] => {
    const clause = clauses.find((child) => child.type === type);
    const body = clause?.childForFieldName('body') ?? (clause && namedChildren(clause).at(-1));
    return body ? readBlock(body, context) : [];
  };
  const handlers = clauses
    .filter(({ type }) => type === 'except_clause')
    .map((clause): Handler => {
      const parts = namedChildren(clause);
      const body = readBlock(parts.at(-1)!, context);
      const [caught] = parts.length > 1 ? parts : [];
      if (!caught) return { kinds: [], body };
      const kind = caught.type === 'as_pattern' ? namedChildren(caught)[0]! : caught;
      const alias = caught.type === 'as_pattern' ? caught.childForFieldName('alias') : undefined;
      const kinds = (kind.type === 'tuple' ? namedChildren(kind) : [kind]).map((one) =>
        readExpression(one, context),
      );
      const name = alias && (namedChildren(alias)[0] ?? alias);
      return { kinds, ...(name ? { slot: context.slotOf(name) } : {}), body };
    });
  return {
    node: 'try',
    body: readBlock(node.childForFieldName('body')!, context),
    handlers,
    otherwise: block('else_clause'),
    last: block('finally_clause'),
    span: spanOf(node),
  };
}
