import type { FindingCode, TextEdit } from '../findings/finding';
import { withArticle } from '../words/words';
import { MOST_PROBLEMS, refusal, textRepair, type ProgramProblem } from './problem';
import type { QuoteProblem, StrayCharacter, Token } from './token';

/** What is wrong with the quotes of a program. */
export const quoteProblems = (quotes: readonly QuoteProblem[]): readonly ProgramProblem[] =>
  quotes.slice(0, MOST_PROBLEMS).map(quoteProblem);

function quoteProblem(quote: QuoteProblem): ProgramProblem {
  const name = quote.quote === "'" ? 'single quote' : 'quote';
  if (quote.kind === 'curly')
    return refusal(
      'syntax-quote',
      quote,
      `Line ${quote.line} has a curly quote ${quote.quote}. A program only knows the straight one.`,
      [
        `Look closely at the quotes in line ${quote.line}. Are they straight?`,
        `The ${quote.quote} in column ${quote.column} probably came from a word processor.`,
        `Type it again as " in line ${quote.line}.`,
      ],
      textRepair(`Type " instead of ${quote.quote} in line ${quote.line}.`, {
        line: quote.line,
        column: quote.column,
        length: 1,
        by: '"',
      }),
    );
  return refusal(
    'syntax-quote',
    { line: quote.line, column: quote.closeColumn },
    `In line ${quote.line} a text begins at column ${quote.column} and never ends: its closing ${name} is missing.`,
    [
      `Every text has two quotes. How many do you count in line ${quote.line}?`,
      `The text that starts at column ${quote.column} of line ${quote.line} has no end.`,
      `Add ${quote.quote} at column ${quote.closeColumn} of line ${quote.line}.`,
    ],
    textRepair(`Add ${quote.quote} at the end of the text in line ${quote.line}.`, {
      line: quote.line,
      column: quote.closeColumn,
      length: 0,
      by: quote.quote,
    }),
  );
}

/** Characters that a program cannot hold outside of texts. */
export const strayProblems = (strays: readonly StrayCharacter[]): readonly ProgramProblem[] =>
  strays.slice(0, MOST_PROBLEMS).map(strayProblem);

function strayProblem({ character, plain, line, column }: StrayCharacter): ProgramProblem {
  const isSpace = /\s|[\u200b\ufeff\u200e]/.test(character);
  const name = isSpace ? 'an odd space, which looks like a usual one' : `the character ${character}`;
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line} has ${name} at column ${column}. A program only knows plain characters outside of texts.`,
    [
      `Was line ${line} pasted from a slide or a text program?`,
      `The trouble is at column ${column} of line ${line}: ${name}.`,
      plain === undefined
        ? `Take it away in line ${line}.`
        : `Type it again in line ${line}, as a plain ${isSpace ? 'space' : plain}.`,
    ],
    textRepair(`Type column ${column} of line ${line} again.`, { line, column, length: 1, by: plain ?? '' }),
  );
}

/** Signs that other languages have, or that a hand turns round, each with what is written here. */
export const TURNED_SIGNS: readonly (readonly [
  written: readonly [string, string],
  meant: string,
  why: string,
])[] = [
  [['=', '>'], '>=', 'In “greater or equal” the = comes last.'],
  [['=', '<'], '<=', 'In “less or equal” the = comes last.'],
  [['<', '>'], '!=', '“Not equal” is an exclamation mark and an equals sign.'],
  [['==', '='], '==', '“Equal” has two equals signs.'],
  [['!=', '='], '!=', '“Not equal” has one equals sign.'],
];

/**
 * What another language writes so, or a hand has turned round: what stands there, what is written here, nothing for what
 * is left out, and why. Without an edit where it runs over several lines.
 */
export function writtenOtherwise(
  { line, column }: Pick<Token, 'line' | 'column'>,
  there: string,
  meant: string,
  why: string,
  edit: TextEdit | undefined,
): ProgramProblem {
  const text =
    meant === '' ? `Remove ${there} in line ${line}.` : `Write ${meant} instead of ${there} in line ${line}.`;
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: “${there}” is not understood here. ${why}`,
    [`How is this written in an example?`, `Look at “${there}” in line ${line}. ${why}`, text],
    edit && textRepair(text, edit),
  );
}

/**
 * `delay 500`, `time.sleep 0.5`: what a function is given without its parentheses. `name` ends where `behind` says, and
 * what it is given with the space before it is `length` long.
 */
export function parenthesesMissing(
  { name, given, length }: { readonly name: string; readonly given: string; readonly length: number },
  behind: { readonly line: number; readonly column: number },
): ProgramProblem {
  const { line } = behind;
  const text = `Write ${name}(${given}) in line ${line}.`;
  return refusal(
    'syntax-paren',
    behind,
    `Line ${line}: the parentheses around ${given} are missing. What a function is given goes in parentheses.`,
    [
      `How are other functions called in the program?`,
      `In line ${line} ${given} stands behind ${name} without parentheses.`,
      text,
    ],
    textRepair(text, { ...behind, length, by: `(${given})` }),
  );
}

/** A missing character, which stands at the end of the token before it. */
export function missing(
  code: FindingCode,
  after: Pick<Token, 'text' | 'line' | 'endColumn'>,
  by: string,
  why: string,
): ProgramProblem {
  const name =
    {
      ';': 'semicolon',
      '(': 'opening parenthesis',
      ')': 'closing parenthesis',
      '{': 'opening brace',
      '}': 'closing brace',
      '()': 'pair of parentheses',
      ':': 'colon',
      '[': 'opening bracket',
      ']': 'closing bracket',
    }[by] ?? by;
  const place = { line: after.line, column: after.endColumn };
  const insertion = by === '}' ? '\n}' : by === '{' ? ' {' : by;
  return refusal(
    code,
    place,
    `Line ${after.line}: ${withArticle(`${name} ${by}`)} is missing after “${after.text}”. ${why}`,
    [
      `Read line ${after.line} aloud to its end. Is something missing?`,
      `Look behind “${after.text}” in line ${after.line}: ${why.charAt(0).toLowerCase()}${why.slice(1)}`,
      `Add ${by} behind “${after.text}” in line ${after.line}.`,
    ],
    textRepair(`Add ${by} behind “${after.text}” in line ${after.line}.`, {
      ...place,
      length: 0,
      by: insertion,
    }),
  );
}

/** A character that is one too many. */
export function surplus(code: FindingCode, token: Token, why: string): ProgramProblem {
  return refusal(
    code,
    token,
    `Line ${token.line}: the ${token.text} at column ${token.column} is one too many. ${why}`,
    [
      `Count the brackets in and around line ${token.line}. Does each one have a partner?`,
      `The ${token.text} at column ${token.column} of line ${token.line} has no partner.`,
      `Remove the ${token.text} at column ${token.column} of line ${token.line}.`,
    ],
    textRepair(`Remove the ${token.text} in line ${token.line}.`, {
      line: token.line,
      column: token.column,
      length: token.text.length,
      by: '',
    }),
  );
}
