import type { ProgramProblem } from '../problem';
import type { Token } from '../token';
import type { LogicalLine } from './lines';

const KEYWORDS: ReadonlySet<string> = new Set([
  ...['and', 'or', 'not', 'in', 'is', 'if', 'elif', 'else', 'for', 'while', 'lambda', 'as', 'from', 'import'],
  ...[
    'def',
    'class',
    'return',
    'yield',
    'await',
    'async',
    'with',
    'try',
    'except',
    'finally',
    'raise',
    'del',
  ],
  ...['global', 'nonlocal', 'assert', 'pass', 'break', 'continue', 'print', 'match', 'case'],
]);
export const COMPARING: ReadonlySet<string> = new Set(['==', '!=', '<', '>', '<=', '>=']);

export const isWord = (token: Token | undefined): boolean =>
  token?.kind === 'word' && !KEYWORDS.has(token.text);

/** Whether a token is a value or a name by itself. */
export const isValue = (token: Token | undefined): boolean =>
  token !== undefined && (token.kind === 'number' || token.kind === 'text' || isWord(token));

/** Whether a token ends a value that is more than a name. */
export const endsValue = (token: Token | undefined): boolean =>
  token !== undefined &&
  (token.kind === 'number' || token.kind === 'text' || /^(?:True|False|None|\)|\])$/.test(token.text));

/** The bracket that is open before each token of a line; `undefined` outside of all. */
export function brackets({ tokens }: LogicalLine): readonly (string | undefined)[] {
  const open: string[] = [];
  return tokens.map(({ kind, text }) => {
    const before = open.at(-1);
    if (kind === 'punctuation' && '([{'.includes(text)) open.push(text);
    if (kind === 'punctuation' && ')]}'.includes(text)) open.pop();
    return before;
  });
}

/** The first problem that some place in a line gives. */
export const first = (
  line: LogicalLine,
  look: (index: number) => ProgramProblem | undefined,
): ProgramProblem | undefined => {
  for (const index of line.tokens.keys()) {
    const found = look(index);
    if (found) return found;
  }
  return undefined;
};
