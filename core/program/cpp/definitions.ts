import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { LONGEST_TEXT, MOST_EXPANSIONS, unreadable, type Context, type Macro } from './context';
import type { ReadExpression } from './places';
import type { Expression } from './tree';

/** Reads the text of a `#define` where its name is used; every place in it is the place of use. */
export function readDefinition(
  node: SyntaxNode,
  text: string,
  context: Context,
  read: ReadExpression,
): Expression {
  return readAs(node, text, context, read);
}

/**
 * A `#define` puts text in place of a name, not a value: `100 / TWICE` with `#define TWICE 5 * 2` is
 * `100 / 5 * 2`. Reads an expression in which that can matter as the text that it becomes, at the place
 * where it stands; `undefined` when it cannot matter.
 */
export function readExpanded(
  node: SyntaxNode,
  context: Context,
  read: ReadExpression,
): Expression | undefined {
  if (node.type === 'identifier' || node.type === 'parenthesized_expression') return undefined;
  const names = namesIn(node, context);
  if (names.length === 0) return undefined;
  let text = node.text;
  for (const name of [...names].reverse()) {
    const at = name.startIndex - node.startIndex;
    text = `${text.slice(0, at)}${context.definitions.get(name.text)!.text}${text.slice(at + name.text.length)}`;
  }
  return readAs(node, text, context, read);
}

/** A call of a `#define` with parameters: its text with what was given in their places. */
export function readMacro(
  node: SyntaxNode,
  { parameters, text }: Macro,
  given: readonly SyntaxNode[],
  context: Context,
  read: ReadExpression,
): Expression {
  return readAs(node, filledIn(parameters, text, given), context, read);
}

/** Whether a `#define` with parameters stands for statements, and not for a value. */
export const isOfStatements = ({ text }: Macro): boolean => /^\s*\{|;|^\s*do\b/.test(text);

/** A call of a `#define` that stands for statements: what they are, handed to `read` as one block. */
export function readStatements<Read>(
  node: SyntaxNode,
  { parameters, text }: Macro,
  given: readonly SyntaxNode[],
  context: Context,
  read: (block: SyntaxNode) => Read,
): Read | undefined {
  const filled = filledIn(parameters, text, given);
  const found = context.mayExpand(filled)
    ? context.parse(`${leadTo(node, 'void expanded() {')}${filled};}`, (root) => {
        const block = root.hasError ? undefined : find(root, 'compound_statement');
        return block && { value: read(block) };
      })
    : undefined;
  if (!found) context.unsupported(`“${text}”, which “${node.text}” stands for,`, node);
  return found?.value;
}

const filledIn = (parameters: readonly string[], text: string, given: readonly SyntaxNode[]): string => {
  const values = new Map(parameters.map((name, index) => [name, given[index]?.text ?? '']));
  return text.replace(/[A-Za-z_]\w*/g, (word) => values.get(word) ?? word);
};

/** Reads a text in the place of a node. */
function readAs(node: SyntaxNode, text: string, context: Context, read: ReadExpression): Expression {
  if (!context.mayExpand(text)) {
    context.unsupported(
      text.length > LONGEST_TEXT
        ? `a #define that becomes more than ${LONGEST_TEXT.toLocaleString('en')} characters`
        : `using a #define more than ${MOST_EXPANSIONS.toLocaleString('en')} times, those inside of others included,`,
      node,
    );
    return unreadable(node);
  }
  return context.parse(`${leadTo(node)}${text});`, (root) => {
    const value = root.hasError ? undefined : find(root, 'parenthesized_expression');
    if (!value) {
      context.unsupported(`“${text}”, which “${node.text}” stands for,`, node);
      return unreadable(node);
    }
    return { ...read(value, context), span: spanOf(node) };
  });
}

/** The beginning of a program whose next character stands where the node begins. */
function leadTo(node: SyntaxNode, begin = 'int expanded = ('): string {
  const { row, column } = node.startPosition;
  return row === 0 ? begin : `${'\n'.repeat(row - 1)}${begin}\n${' '.repeat(column)}`;
}

/** Names in an expression that stand for a text with a sign outside of its parentheses. */
function namesIn(node: SyntaxNode, context: Context): readonly SyntaxNode[] {
  if (![...context.definitions.values()].some(({ text }) => isCompound(text))) return [];
  const found: SyntaxNode[] = [];
  const look = (one: SyntaxNode): void => {
    const definition = one.type === 'identifier' ? context.definitions.get(one.text) : undefined;
    if (definition && isCompound(definition.text) && !context.scope.find(one.text)) found.push(one);
    for (const child of namedChildren(one)) look(child);
  };
  look(node);
  return found;
}

function isCompound(text: string): boolean {
  let bare = text.replace(/"(\\.|[^"])*"|'(\\.|[^'])*'/g, '0').replace(/^\s*[-+]\s*(?=[\w.])/, '');
  for (let before = ''; before !== bare;) {
    before = bare;
    bare = bare.replace(/\([^()]*\)/g, '');
  }
  return /[-+*/%<>&|^?=!,]/.test(bare);
}

function find(root: SyntaxNode, type: string): SyntaxNode | undefined {
  if (root.type === type) return root;
  for (const child of namedChildren(root)) {
    const found = find(child, type);
    if (found) return found;
  }
  return undefined;
}
