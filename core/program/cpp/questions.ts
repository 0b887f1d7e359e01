import { textRepair, warning, type ProgramProblem } from '../problem';
import { namedChildren, nodesIn, spanOf, type SyntaxNode } from '../syntax';

const JOINING: ReadonlySet<string> = new Set(['||', '&&', 'or', 'and']);
const ORDERING: ReadonlySet<string> = new Set(['<', '<=', '>', '>=']);
const COMPARING: ReadonlySet<string> = new Set([...ORDERING, '==', '!=']);
const LITERALS: ReadonlySet<string> = new Set(['number_literal', 'char_literal']);

const signOf = (node: SyntaxNode): string =>
  node.type === 'binary_expression' ? (node.childForFieldName('operator')?.text ?? '') : '';
const left = (node: SyntaxNode): SyntaxNode => node.childForFieldName('left')!;
const right = (node: SyntaxNode): SyntaxNode => node.childForFieldName('right')!;

/** Questions that compile and do not ask what they seem to: `x == 1 || 2`, `0 < x < 9`, `x == 1, 2`. */
export const oddQuestions = (condition: SyntaxNode): readonly ProgramProblem[] =>
  nodesIn(condition).flatMap((node) => {
    const found = loneValue(node) ?? chained(node) ?? separated(node) ?? comparedInside(node);
    return found ? [found] : [];
  });

/** The comparison that stands last in front of a value that is compared with nothing. */
function lastComparison(node: SyntaxNode): SyntaxNode | undefined {
  if (COMPARING.has(signOf(node))) return node;
  if (!JOINING.has(signOf(node))) return undefined;
  return lastComparison(right(node)) ?? lastComparison(left(node));
}

/** `x == 1 || 2`: what is not 0 is true. */
function loneValue(node: SyntaxNode): ProgramProblem | undefined {
  if (!JOINING.has(signOf(node)) || !LITERALS.has(right(node).type)) return undefined;
  const comparison = lastComparison(left(node));
  if (!comparison) return undefined;
  const value = right(node);
  const [asked, sign] = [left(comparison).text, signOf(comparison)];
  const { line, column } = spanOf(value);
  const by = `${asked} ${sign} `;
  // Of two that it must not be, it always is not the one or the other.
  const operator = node.childForFieldName('operator')!;
  const isOther = sign === '!=' && ['||', 'or'].includes(operator.text);
  const joining = isOther ? '&&' : operator.text;
  const text = `Write ${joining} ${by}${value.text} instead of ${operator.text} ${value.text} in line ${line}.`;
  const place = spanOf(operator);
  return warning(
    'always-true',
    'fault',
    { line, column },
    `Line ${line}: ${value.text} is compared with nothing here, and a number that is not 0 counts as true.`,
    [
      `What is asked of ${value.text} in line ${line}?`,
      `Each side of ${operator.text} is a question of its own; ${value.text} alone is none.`,
      text,
    ],
    textRepair(text, {
      line: place.line,
      column: place.column,
      length: value.startIndex + value.text.length - operator.startIndex,
      by: `${joining} ${by}${value.text}`,
    }),
  );
}

/** `0 < x < 9`: the first answer, 0 or 1, is compared with 9. */
function chained(node: SyntaxNode): ProgramProblem | undefined {
  const sign = signOf(node);
  const first = COMPARING.has(sign) ? left(node) : undefined;
  const isChain = first && (ORDERING.has(sign) ? ORDERING.has(signOf(first)) : signOf(first) === sign);
  if (!isChain) return undefined;
  const middle = right(first).text;
  const { endLine: line, endColumn: column } = spanOf(first);
  const text = `Write ${first.text} && ${middle} ${sign} ${right(node).text} in line ${line}.`;
  return warning(
    'always-true',
    'fault',
    spanOf(node),
    `Line ${line}: ${middle} is not compared with both. “${first.text}” gives 0 or 1, and that is compared with ${right(node).text}.`,
    [
      `How many questions are asked about ${middle} in line ${line}?`,
      `Two questions are joined by &&; line ${line} asks them in one go.`,
      text,
    ],
    textRepair(text, { line, column, length: 0, by: ` && ${middle}` }),
  );
}

/** `x == 1, 2`: only what stands behind the comma counts. */
function separated(node: SyntaxNode): ProgramProblem | undefined {
  if (node.type !== 'comma_expression') return undefined;
  const comparison = lastComparison(left(node));
  const value = right(node);
  if (!comparison) return undefined;
  const isLone = LITERALS.has(value.type);
  const by = isLone ? ` || ${left(comparison).text} ${signOf(comparison)} ` : ' && ';
  const from = spanOf(left(node));
  const { line } = spanOf(value);
  const text = `Write${by}${value.text} instead of , ${value.text} in line ${line}.`;
  return warning(
    'always-true',
    'fault',
    { line: from.endLine, column: from.endColumn },
    `Line ${line}: a comma joins no questions. Only what stands behind it counts, here ${value.text}.`,
    [
      `Which sign means “or”, and which means “and”?`,
      `In line ${line} there is a comma between two questions.`,
      text,
    ],
    textRepair(text, {
      line: from.endLine,
      column: from.endColumn,
      length: value.startIndex - left(node).endIndex,
      by,
    }),
  );
}

/** `digitalRead(2 == HIGH)`: the pin that is read is the answer to a question. */
function comparedInside(node: SyntaxNode): ProgramProblem | undefined {
  const called = node.type === 'call_expression' ? node.childForFieldName('function')!.text : '';
  if (called !== 'digitalRead' && called !== 'analogRead') return undefined;
  const [question] = namedChildren(node.childForFieldName('arguments')!);
  const sign = question ? signOf(question) : '';
  if (!question || !COMPARING.has(sign)) return undefined;
  const { line, column } = spanOf(node);
  const by = `${called}(${left(question).text}) ${sign} ${right(question).text}`;
  const text = `Write ${by} instead of ${node.text} in line ${line}.`;
  return warning(
    'always-true',
    'fault',
    { line, column },
    `Line ${line}: “${question.text}” stands inside the parentheses of ${called}, so the pin that is read is 0 or 1, its answer.`,
    [
      `What belongs between the parentheses of ${called}?`,
      `In line ${line} the whole question is between them; only the pin belongs there.`,
      text,
    ],
    textRepair(text, { line, column, length: node.text.length, by }),
  );
}

/** `case 'r' || 'R':`: a case for 1, which is what two values that are not 0 come to. */
export function joinedInCase(node: SyntaxNode): ProgramProblem | undefined {
  const values = nodesIn(node)
    .filter(({ type }) => LITERALS.has(type))
    .map(({ text }) => text);
  if (!JOINING.has(signOf(node)) || values.length < 2) return undefined;
  const { line, column } = spanOf(node);
  const by = values.join(': case ');
  const text = `Write ${by} instead of ${node.text} in line ${line}.`;
  return warning(
    'always-true',
    'fault',
    { line, column },
    `Line ${line}: a case is for one value, and ${node.text} comes to 1. Several cases may stand one after the other.`,
    [
      `For which values is the case in line ${line}?`,
      `${node.text} is a question, and its answer is 1.`,
      text,
    ],
    textRepair(text, { line, column, length: node.text.length, by }),
  );
}

const CALCULATING: ReadonlySet<string> = new Set(['+', '-', '*', '/', '%', '<<', '>>']);

/** `i + 1` as a step, `x == 5;` as an instruction: nothing comes of it. `isOwn`: whether the program has such a function itself. */
export function withoutEffect(
  expression: SyntaxNode,
  isOwn: (name: string) => boolean,
): ProgramProblem | undefined {
  if (expression.type === 'assignment_expression') return nothingAdded(expression);
  if (expression.type === 'call_expression') return thrownAway(expression, isOwn);
  const sign = signOf(expression);
  const isComparison = sign === '==';
  if (!isComparison && !CALCULATING.has(sign)) return undefined;
  const [target, value] = [left(expression), right(expression)];
  if (target.type !== 'identifier' || namedChildren(value).some(({ type }) => type === 'call_expression'))
    return undefined;
  const { line, column } = spanOf(expression);
  const isStep = value.text === '1' && (sign === '+' || sign === '-');
  const isLevel = isComparison && /^(?:HIGH|LOW)$/.test(value.text);
  const by = isLevel
    ? `digitalWrite(${target.text}, ${value.text})`
    : isComparison
      ? `${target.text} = ${value.text}`
      : isStep
        ? `${target.text}${sign}${sign}`
        : `${target.text} ${sign}= ${value.text}`;
  const text = `Write ${by} instead of ${expression.text} in line ${line}.`;
  return warning(
    'no-effect',
    'fault',
    { line, column },
    isComparison
      ? `Line ${line}: two equals signs compare, and nothing is done with the answer. ${target.text} stays as it is.`
      : `Line ${line}: ${expression.text} is worked out and thrown away. ${target.text} stays as it is.`,
    [
      `Does line ${line} change ${target.text}?`,
      isComparison
        ? `Line ${line} asks whether ${target.text} is ${value.text}${isLevel ? '; a pin is switched by digitalWrite' : '; giving it that value takes one ='}.`
        : `Line ${line} works out ${expression.text} but keeps it nowhere.`,
      text,
    ],
    textRepair(text, { line, column, length: expression.text.length, by }),
  );
}

/** Functions that only give something back. */
const GIVES_BACK: ReadonlySet<string> = new Set(
  'digitalRead map constrain abs min max sq sqrt pow millis micros bitRead isDigit'.split(' '),
);

/** `digitalRead(BUTTON);`, `map(level, 0, 1023, 0, 255);`: what is given back is kept nowhere. */
function thrownAway(call: SyntaxNode, isOwn: (name: string) => boolean): ProgramProblem | undefined {
  const called = call.childForFieldName('function')!.text;
  if (!GIVES_BACK.has(called) || isOwn(called)) return undefined;
  const [first] = namedChildren(call.childForFieldName('arguments')!);
  const { line, column } = spanOf(call);
  const isChanged = called !== 'digitalRead' && first?.type === 'identifier';
  const by = `${first?.text} = `;
  const text = isChanged
    ? `Write ${by}${called}(… in line ${line}.`
    : `Keep what ${called} gives in a variable, and use that.`;
  return warning(
    'no-effect',
    'fault',
    { line, column },
    isChanged
      ? `Line ${line}: ${called} gives a new number back and leaves ${first.text} as it is. The new number is kept nowhere.`
      : `Line ${line}: what ${called} gives back is kept nowhere, so the line changes nothing.`,
    [
      `Where does what ${called} gives back go in line ${line}?`,
      `${called} changes no variable by itself.`,
      text,
    ],
    isChanged ? textRepair(text, { line, column, length: 0, by }) : undefined,
  );
}

/** `count =+ 1;`, `count = count++;`: something is added, and lost again. */
function nothingAdded(assignment: SyntaxNode): ProgramProblem | undefined {
  const { text: written } = assignment;
  const [, turned, sign, value] = /^(\w+)\s*=(\+\s*|-\s+)(\w+)$/.exec(written) ?? [];
  const [, stepped, step] = /^(\w+)\s*=\s*(?:\1\s*(\+\+|--))$/.exec(written) ?? [];
  const name = turned ?? stepped;
  if (name === undefined) return undefined;
  const { line, column } = spanOf(assignment);
  const by = step === undefined ? `${name} ${sign!.trim()}= ${value}` : `${name}${step}`;
  const text = `Write ${by} instead of ${written} in line ${line}.`;
  return warning(
    'no-effect',
    'fault',
    { line, column },
    step === undefined
      ? `Line ${line}: “${written}” gives ${name} the same value each time; nothing is ${sign!.startsWith('+') ? 'added' : 'taken away'}.`
      : `Line ${line}: ${name}${step} changes ${name}, and then the = gives it its old value back.`,
    [
      `Which value has ${name} after line ${line}, the first time and the second time?`,
      step === undefined
        ? `In line ${line} the = stands before the ${sign!.trim()}.`
        : `${name}${step} alone is the whole instruction.`,
      text,
    ],
    textRepair(text, { line, column, length: written.length, by }),
  );
}
