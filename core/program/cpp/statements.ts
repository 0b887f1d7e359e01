import { refusal, textRepair, warning } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { readDeclaration } from './declarations';
import { convert } from './conversions';
import { readExpression } from './expressions';
import { copied } from './pointers';
import type { Expression, Statement } from './tree';
import { readTypeSpecifier } from './type-specifiers';

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
    case 'return_statement':
      return readReturn(node, context);
    case 'break_statement':
      return { node: 'break', span };
    case 'continue_statement':
      return { node: 'continue', span };
    case 'struct_specifier':
    case 'enum_specifier':
    case 'type_definition':
      readTypeSpecifier(node, context);
      return { node: 'empty', span };
    case ';':
      return { node: 'empty', span };
  }
  context.unsupported(`“${node.text.split('\n')[0]!.slice(0, 30)}”`, node);
  return { node: 'empty', span };
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
  const place = spanOf(body);
  context.report(
    warning(
      'empty-body',
      'fault',
      place,
      `Line ${place.line}: the semicolon after “${word} (…)” ends it right there. The block below no longer belongs to it and always runs.`,
      [
        `What belongs to the “${word}” in line ${place.line}?`,
        `There is a semicolon right after the parenthesis on line ${place.line}.`,
        `Remove the semicolon at column ${place.column} of line ${place.line}.`,
      ],
      textRepair(`Remove the semicolon in line ${place.line}.`, {
        line: place.line,
        column: place.column,
        length: 1,
        by: '',
      }),
    ),
  );
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
        `Line ${sign.line}: one = sets ${left} to ${right} instead of comparing them, so the condition asks nothing.`,
        [
          `Does line ${sign.line} compare something, or does it set something?`,
          `At column ${sign.column} of line ${sign.line} there is one =; comparing takes two.`,
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
