import { refusal, textRepair, type ProgramProblem } from '../problem';
import { namedChildren, nodesIn, spanOf, type Span, type SyntaxNode } from '../syntax';
import { functionAsValue } from './function-as-value';
import { parenthesesMissing } from '../syntax-wording';
import { withoutIf } from './slips';

/** Where a name stands that nobody knows, and in what. */
interface Use {
  readonly node: SyntaxNode;
  readonly parent: SyntaxNode;
  /** What the parent stands in. */
  readonly around: SyntaxNode | undefined;
}

const ORDERING: ReadonlySet<string> = new Set(['<', '>', '<=', '>=']);
const COMPARING: ReadonlySet<string> = new Set(['==', '!=']);

/**
 * What is wrong with a name that nothing declares and that is near to no other, by what is done with it: a counter that
 * gets a value, a letter without its quotes, a function with brackets for parentheses. `undefined` where that says
 * nothing. `isFunction`: whether there is a function of that name.
 */
export function byItsUse(name: string, root: SyntaxNode, isFunction: boolean): ProgramProblem | undefined {
  const uses = usesOf(name, root);
  const [first] = uses;
  if (!first) return undefined;
  const span = spanOf(first.node);
  if (isFunction) return bracketed(first) ?? functionAsValue(name, span, OF_NOTHING.has(name));
  if ([...name].length === 1 && (isCompared(first) || firstValueOf(first) === 'char'))
    return letter(name, span);
  return undeclared(name, uses) ?? (isTextWanted(first) ? textMeant(name, span) : undefined);
}

/**
 * What is wrong where a name stands like a type and is none: a function without its parentheses, as in
 * `digitalWrite LAMP, HIGH;`, or an `else` without an if. `undefined` for another name.
 */
export function asType(
  name: string,
  node: SyntaxNode,
  root: SyntaxNode,
  isFunction: boolean,
): ProgramProblem | undefined {
  const { line, column, endColumn } = spanOf(node);
  if (name === 'else') return withoutIf({ line, column });
  const statement = nodesIn(root).find(
    ({ type, startIndex }) => type === 'declaration' && startIndex === node.startIndex,
  );
  const given = statement?.text.slice(name.length).replace(/;$/, '').trim();
  if (!isFunction || given === undefined || given.includes('\n')) return undefined;
  const length = statement!.text.replace(/;$/, '').length - name.length;
  return parenthesesMissing({ name, given, length }, { line, column: endColumn });
}

/** The uses of a name in the order of the text. */
function usesOf(name: string, root: SyntaxNode): readonly Use[] {
  const uses: Use[] = [];
  const open: { readonly node: SyntaxNode; readonly around: SyntaxNode | undefined }[] = [
    { node: root, around: undefined },
  ];
  for (let next = open.pop(); next; next = open.pop()) {
    const { node: parent, around } = next;
    for (const child of namedChildren(parent)) {
      if (child.type === 'identifier' && child.text === name) uses.push({ node: child, parent, around });
      open.push({ node: child, around: parent });
    }
  }
  return uses.sort((one, other) => one.node.startIndex - other.node.startIndex);
}

/** `digitalWrite[13, HIGH]`. */
function bracketed({ node, parent }: Use): ProgramProblem | undefined {
  if (parent.type !== 'subscript_expression') return undefined;
  const { line, column } = spanOf(node);
  const inside = parent.text.slice(node.text.length).trim().replace(/^\[/, '(').replace(/\]$/, ')');
  const text = `Write ${node.text}${inside} in line ${line}.`;
  return refusal(
    'syntax-paren',
    { line, column },
    `Line ${line}: ${node.text} is a function. What it is given goes in round parentheses, not in brackets.`,
    [
      `Which signs stand round what a function is given?`,
      `In line ${line} there are brackets [ ] behind ${node.text}.`,
      text,
    ],
    textRepair(text, { line, column, length: parent.text.length, by: node.text + inside }),
  );
}

/** Functions that are given nothing. */
const OF_NOTHING: ReadonlySet<string> = new Set(['millis', 'micros']);

const isCompared = ({ parent }: Use): boolean =>
  parent.type === 'case_statement' || COMPARING.has(parent.childForFieldName('operator')?.text ?? '');

/** The type of a variable whose first value a name is. */
const firstValueOf = ({ node, parent, around }: Use): string | undefined =>
  parent.type === 'init_declarator' && parent.childForFieldName('value')?.startIndex === node.startIndex
    ? around?.childForFieldName('type')?.text
    : undefined;

/** `String name = Fox;`, `Serial.println(hello);`. */
const isTextWanted = (use: Use): boolean =>
  firstValueOf(use) === 'String' ||
  (use.parent.type === 'argument_list' &&
    /^Serial\.print(?:ln)?$/.test(use.around?.childForFieldName('function')?.text ?? ''));

function textMeant(name: string, { line, column }: Span): ProgramProblem {
  const by = `"${name}"`;
  const text = `Write ${by} instead of ${name} in line ${line}.`;
  return refusal(
    'name-unknown',
    { line, column },
    `Line ${line}: “${name}” is not known. If the word itself is meant, it goes in double quotes.`,
    [
      `Is ${name} in line ${line} a variable or a text?`,
      `No line declares ${name}. A text goes in double quotes.`,
      text,
    ],
    textRepair(text, { line, column, length: name.length, by }),
  );
}

/** `command == r`. */
function letter(name: string, span: Span): ProgramProblem {
  const text = `Write '${name}' instead of ${name} in line ${span.line}.`;
  return refusal(
    'name-unknown',
    span,
    `Line ${span.line}: “${name}” is not known. If the letter is meant, it goes in single quotes.`,
    [
      `Is ${name} in line ${span.line} a variable or a letter?`,
      `No line declares ${name}. A letter goes in single quotes.`,
      text,
    ],
    textRepair(text, { line: span.line, column: span.column, length: name.length, by: `'${name}'` }),
  );
}

/** `if (angle > 180) angle = 180;`. */
const isLimit = ({ parent: change }: Use, uses: readonly Use[]): boolean =>
  uses.some(
    ({ parent }) =>
      ORDERING.has(parent.childForFieldName('operator')?.text ?? '') &&
      parent.childForFieldName('right')?.text === change.childForFieldName('right')?.text,
  );

/** `for (i = 0; …)`, `count = 0;`: a variable that nothing declares. */
function undeclared(name: string, uses: readonly Use[]): ProgramProblem | undefined {
  const changes = uses.filter(
    ({ node, parent }) =>
      parent.type === 'update_expression' ||
      (parent.type === 'assignment_expression' && parent.startIndex === node.startIndex),
  );
  const [first] = changes;
  // What is only kept within its limits gets its value in a line that is not there.
  if (!first || changes.every((change) => isLimit(change, uses))) return undefined;
  const { line, column } = spanOf(uses[0]!.node);
  const type = typeFor(first.parent);
  const isHead = first.around?.type === 'for_statement';
  const at = spanOf(first.node);
  const text = isHead
    ? `Write ${type} ${name} instead of ${name} where the for begins in line ${at.line}.`
    : `Write ${type} ${name}; at the top of the program.`;
  return refusal(
    'name-unknown',
    { line, column },
    `Line ${line}: “${name}” is not known. A variable is declared with its type before it is used.`,
    [
      `Which line says that there is a variable ${name}, and of which type?`,
      `Line ${line} uses ${name}, but no line declares it.`,
      text,
    ],
    textRepair(
      text,
      isHead
        ? { line: at.line, column: at.column, length: 0, by: `${type} ` }
        : { line: 1, column: 1, length: 0, by: `${type} ${name};\n` },
    ),
  );
}

/** The type of a variable by the value that it gets first. */
function typeFor(assignment: SyntaxNode): string {
  const value = assignment.childForFieldName('right');
  switch (value?.type) {
    case 'string_literal':
      return 'String';
    case 'char_literal':
      return 'char';
    case 'true':
    case 'false':
      return 'bool';
    default:
      if (value && /^-?\d*\.\d+$/.test(value.text)) return 'float';
      return value && /^(?:millis|micros)\b/.test(value.text) ? 'unsigned long' : 'int';
  }
}

/** `lamp = 13;` outside of every function: a declaration without its type; `undefined` for another statement. */
export function typeForgotten(
  statement: SyntaxNode,
): { readonly name: string; readonly problem: ProgramProblem } | undefined {
  const [assignment] = namedChildren(statement);
  const target =
    assignment?.type === 'assignment_expression' ? assignment.childForFieldName('left') : undefined;
  if (!assignment || target?.type !== 'identifier') return undefined;
  const { line, column } = spanOf(statement);
  const [name, type] = [target.text, typeFor(assignment)];
  const text = `Write ${type} before ${name} in line ${line}.`;
  const problem = refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: the type of ${name} is missing. A variable is declared with its type, here ${type}.`,
    [
      `With which word does the declaration of a variable begin?`,
      `In line ${line} nothing stands before ${name}.`,
      text,
    ],
    textRepair(text, { line, column, length: 0, by: `${type} ` }),
  );
  return { name, problem };
}
