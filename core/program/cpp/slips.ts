import { refusal, textRepair, type ProgramProblem, warning } from '../problem';
import { spanOf, type Span, type SyntaxNode } from '../syntax';
import { parenthesesMissing } from '../syntax-wording';
import type { Token } from '../token';
import { typeWords } from './types';

/** Names of the board that have a line between their words, which is forgotten or left as a space. */
const JOINED: ReadonlySet<string> = new Set(['INPUT_PULLUP', 'LED_BUILTIN']);

/** `INPUT PULLUP`: one name of the board in two words. */
export function splitName(before: Token, token: Token): ProgramProblem | undefined {
  const whole = `${before.text}_${token.text}`;
  if (!JOINED.has(whole) || before.line !== token.line) return undefined;
  const { line } = before;
  return refusal(
    'syntax-other',
    { line, column: before.endColumn },
    `Line ${line}: “${before.text} ${token.text}” is one name, and a name has no space in it. It is written ${whole}.`,
    [
      `How is ${whole} written in an example?`,
      `Between ${before.text} and ${token.text} in line ${line} there is a space.`,
      `Write ${whole} in line ${line}.`,
    ],
    textRepair(`Write ${whole} in line ${line}.`, {
      line,
      column: before.endColumn,
      length: token.column - before.endColumn,
      by: '_',
    }),
  );
}

/** `int my lamp = 13;`: a name of two words; `start` is the first token of the statement. */
export function nameInTwo(
  tokens: readonly Token[],
  start: number,
  index: number,
): ProgramProblem | undefined {
  const [type, first, second, behind] = [tokens[start], tokens[index - 1], tokens[index], tokens[index + 1]];
  const isDeclared = type && typeWords.has(type.text) && start < index - 1 && first?.line === second?.line;
  if (!isDeclared || first?.kind !== 'word' || second?.kind !== 'word') return undefined;
  if (typeWords.has(first.text) || !['=', ';', '['].includes(behind?.text ?? '')) return undefined;
  return twoWords(first, second);
}

/** A name that is written in two words. */
export function twoWords(
  first: Pick<Token, 'text' | 'line' | 'endColumn'>,
  second: Pick<Token, 'text' | 'column'>,
): ProgramProblem {
  const { line } = first;
  const name = `${first.text}_${second.text}`;
  return refusal(
    'syntax-other',
    { line, column: first.endColumn },
    `Line ${line}: “${first.text} ${second.text}” is meant as one name, and a name has no space in it.`,
    [
      `How many words may a name have?`,
      `In line ${line} there is a space between ${first.text} and ${second.text}.`,
      `Write ${name} in line ${line}, and wherever else it stands.`,
    ],
    textRepair(`Write ${name} in line ${line}.`, {
      line,
      column: first.endColumn,
      length: second.column - first.endColumn,
      by: '_',
    }),
  );
}

/** `delay 500;`: what a function is given without its parentheses; `start` is the first token of the statement. */
export function bareCall(tokens: readonly Token[], start: number, index: number): ProgramProblem | undefined {
  const [called, given] = [tokens[start], tokens[index]];
  if (start !== index - 1 || called?.kind !== 'word' || given?.kind === 'punctuation' || !given)
    return undefined;
  const end = tokens.findIndex(({ text, line }, at) => at > index && (text === ';' || line !== called.line));
  const values = tokens.slice(index, Math.max(index, end));
  const isList = values.every(({ text }, at) => (at % 2 === 1) === (text === ','));
  // A name before a name is a type and what is declared, but for what is written in capitals.
  const isValue = given.kind === 'number' || /^[A-Z][A-Z\d_]*$/.test(given.text);
  if (tokens[end]?.text !== ';' || !isList || !isValue || typeWords.has(called.text)) return undefined;
  const last = values.at(-1)!;
  const { line } = called;
  const shown = values
    .map(({ text }) => text)
    .join(' ')
    .replaceAll(' ,', ',');
  return parenthesesMissing(
    { name: called.text, given: shown, length: last.endColumn - called.endColumn },
    { line, column: called.endColumn },
  );
}

/** `digitalWrite(13. HIGH)`: a dot that was to be a comma. */
function dotForComma({ kind, text, line, endColumn }: Token): ProgramProblem | undefined {
  if (kind !== 'number' || !text.endsWith('.')) return undefined;
  const repair = `Write a comma instead of the dot after ${text.slice(0, -1)} in line ${line}.`;
  return refusal(
    'syntax-other',
    { line, column: endColumn - 1 },
    `Line ${line}: there is a dot after ${text.slice(0, -1)} where a comma should be.`,
    [
      `What separates two values in line ${line}?`,
      `Look closely at the sign after ${text.slice(0, -1)}.`,
      repair,
    ],
    textRepair(repair, { line, column: endColumn - 1, length: 1, by: ',' }),
  );
}

/** Two values side by side in a list or in a call. */
export const commaMissing = (
  before: Token,
  token: Token,
  between: 'braces' | 'parentheses',
): ProgramProblem =>
  dotForComma(before) ??
  refusal(
    'syntax-other',
    { line: before.line, column: before.endColumn },
    `Line ${before.line}: something is missing between “${before.text}” and “${token.text}”, most likely a comma.`,
    [
      `What separates the values in the ${between} in line ${before.line}?`,
      `Look between “${before.text}” and “${token.text}” in line ${before.line}.`,
      `Write a comma after “${before.text}” in line ${before.line}.`,
    ],
    textRepair(`Write a comma after “${before.text}” in line ${before.line}.`, {
      line: before.line,
      column: before.endColumn,
      length: 0,
      by: ',',
    }),
  );

/** An `else` that no `if` stands before. */
export const withoutIf = ({ line, column }: Pick<Token, 'line' | 'column'>): ProgramProblem =>
  refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: this else has no if straight before it. Without braces, one instruction belongs to an if, and no more.`,
    [
      `Which if does the else in line ${line} belong to?`,
      `Between that if and the else in line ${line} there is more than one instruction, or there is no if.`,
      `Put braces round all that belongs to the if before line ${line}.`,
    ],
  );

/** `if (digitalRead(2) HIGH)`: two values side by side in a question. */
export function comparisonMissing(before: Token, token: Token): ProgramProblem {
  const { line, endColumn } = before;
  const text = `Write == between “${before.text}” and “${token.text}” in line ${line}.`;
  return refusal(
    'syntax-other',
    { line, column: endColumn },
    `Line ${line}: nothing says how “${before.text}” and “${token.text}” are compared, most likely ==.`,
    [
      `What does the question in line ${line} ask?`,
      `Look between “${before.text}” and “${token.text}” in line ${line}.`,
      text,
    ],
    textRepair(text, { line, column: endColumn, length: 0, by: ' ==' }),
  );
}

/** A comment that begins with one slash. */
export const oneSlash = ({ line, column }: Token): ProgramProblem =>
  refusal(
    'syntax-other',
    { line, column },
    `Line ${line} begins with one slash. A comment begins with two.`,
    [
      `How does a comment begin?`,
      `There is only one slash at the beginning of line ${line}.`,
      `Write // at the beginning of line ${line}.`,
    ],
    textRepair(`Write // at the beginning of line ${line}.`, { line, column, length: 0, by: '/' }),
  );

/** `setup() {`: a function without the word that says what it gives; `type` is that word. */
export const typeMissing = (
  { line, column }: Pick<Token, 'line' | 'column'>,
  name: string,
  type: string,
): ProgramProblem =>
  refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: the word ${type} is missing before ${name}. It says ${type === 'void' ? `that ${name} gives nothing back` : `what ${name} gives back`}.`,
    [
      `With which word does the head of a function begin?`,
      `In line ${line} nothing stands before ${name}.`,
      `Write ${type} before ${name} in line ${line}.`,
    ],
    textRepair(`Write ${type} before ${name} in line ${line}.`, { line, column, length: 0, by: `${type} ` }),
  );

/** What other languages write for `else if`. */
const ELSE_IN_ONE: ReadonlySet<string> = new Set(['elseif', 'elsif', 'elif']);

/** `elseif (…)`: two words written as one, which the compiler takes for a name. */
export const elseInOne = (tokens: readonly Token[]): readonly ProgramProblem[] =>
  tokens.flatMap(({ kind, text, line, column }, index) =>
    kind === 'word' && ELSE_IN_ONE.has(text) && tokens[index + 1]?.text === '('
      ? refusal(
          'syntax-other',
          { line, column },
          `Line ${line}: “${text}” is no word of this language; it is written else if, in two words.`,
          [
            `How is the second question of an if written in this language?`,
            `“${text}” in line ${line} is taken for a name that nobody knows.`,
            `Write else if instead of ${text} in line ${line}.`,
          ],
          textRepair(`Write else if instead of ${text} in line ${line}.`, {
            line,
            column,
            length: text.length,
            by: 'else if',
          }),
        )
      : [],
  );

/** `lamp isOn = true;`, where lamp is a struct with that field. */
export function dotMissing(
  object: string,
  field: string,
  { line, endColumn }: Span,
  { column }: Span,
): ProgramProblem {
  return refusal(
    'syntax-other',
    { line, column: endColumn },
    `Line ${line}: a dot is missing between ${object} and ${field}. ${field} is a field of ${object}.`,
    [
      `How do you write a field of ${object}?`,
      `In line ${line}, ${object} and ${field} stand side by side with nothing between them.`,
      `Write ${object}.${field} in line ${line}.`,
    ],
    textRepair(`Write ${object}.${field} in line ${line}.`, {
      line,
      column: endColumn,
      length: Math.max(0, column - endColumn),
      by: '.',
    }),
  );
}

/** `case 1:` in a switch that has one: two names may stand for the same number. */
export const caseTwice = ({ line, column }: Span, value: number, before: number): ProgramProblem =>
  refusal(
    'name-redeclared',
    { line, column },
    `Line ${line}: this switch has a case for ${value} already, in line ${before}.`,
    [
      `Which number does the case in line ${line} stand for, and which one that in line ${before}?`,
      `The cases in lines ${before} and ${line} are both for ${value}, and there can be only one.`,
      `Give one of the two cases another number than ${value}.`,
    ],
  );

/** What stands in a switch before its first case, where nothing leads to it. */
export const beforeEveryCase = ({ line, column }: Span): ProgramProblem =>
  warning(
    'no-effect',
    'fault',
    { line, column },
    `Line ${line} stands in the switch before its first case, so it never runs.`,
    [
      `For which case is line ${line} meant?`,
      `A switch goes straight to one of its cases. Line ${line} is above all of them.`,
      `Put the right case before line ${line}, or move the line into its case.`,
    ],
  );

/** A `break` outside of loops and switches, a `continue` outside of loops. */
export function leavesNothing(word: 'break' | 'continue', { line, column }: Span): ProgramProblem {
  const what = word === 'break' ? 'a loop or a switch' : 'a loop';
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: ${word} belongs inside ${what} with its own braces, and line ${line} is in none. The function loop is none.`,
    [
      `Which for, while${word === 'break' ? ' or switch' : ''} does line ${line} belong to?`,
      `Between the braces around line ${line} there is no ${what.replace('a ', '')}.`,
      word === 'break'
        ? `Write return instead of break in line ${line}, or remove it.`
        : `Remove line ${line}, or put it into a loop.`,
    ],
  );
}

/** A function that begins inside another one. */
export function functionInside(node: SyntaxNode): ProgramProblem {
  const { line, column } = spanOf(node);
  const head = node.text.split(/[{\n]/)[0]!.trim().slice(0, 40);
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: “${head}” begins a function inside another one. Functions stand side by side, one after the other ends.`,
    [
      `Which brace ends the function before line ${line}?`,
      `Line ${line} is still inside a function.`,
      `Move the function from line ${line} out of the one that it is in.`,
    ],
  );
}

/** `void blink(pin) {`: a parameter without its type; `undefined` where there is one. */
export function parameterWithoutType(parameter: SyntaxNode): ProgramProblem | undefined {
  const name = parameter.text;
  if (!/^[a-z]\w*$/.test(name)) return undefined;
  const { line, column } = spanOf(parameter);
  const text = `Write int ${name} instead of ${name} in line ${line}.`;
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: what a function is given has a type too, and ${name} has none.`,
    [
      `What stands before the name of a variable where it is declared?`,
      `In line ${line} nothing stands before ${name}.`,
      text,
    ],
    textRepair(text, { line, column, length: 0, by: 'int ' }),
  );
}

/** `switch (word)` of a text: a switch tells numbers and letters apart. */
export const textInSwitch = ({ line, column }: Span): ProgramProblem =>
  refusal(
    'arguments',
    { line, column },
    `Line ${line}: a switch can only tell numbers and single letters apart, and this is a text.`,
    [
      `What can stand behind a case: a number, a letter, or a text?`,
      `What line ${line} switches by is a text.`,
      `Read one letter, char c = Serial.read(), or ask with if and == instead.`,
    ],
  );
