import type { ProgramProblem } from '../problem';
import { writtenOtherwise } from '../syntax-wording';
import type { Token } from '../token';
import type { LogicalLine } from './lines';

/** Looks at a line by itself: what is written wrongly in it, of what no board takes. */
export type Detector = (line: LogicalLine) => ProgramProblem | undefined;

/** Tokens of a line that are written otherwise in this language, and what takes their place. */
export interface Exchange {
  readonly from: Token;
  readonly to: Token;
  readonly by: string;
  readonly why: string;
}

/** What stands from one token to another, what should, and why. */
export function exchange({ tokens }: LogicalLine, { from, to, by, why }: Exchange): ProgramProblem {
  const { line, column } = from;
  const there = textOf(tokens.slice(tokens.indexOf(from), tokens.indexOf(to) + 1));
  const isOneLine = line === to.line;
  const edit = isOneLine ? { line, column, length: to.endColumn - column, by } : undefined;
  return writtenOtherwise(from, there, by, why, edit);
}

/** Tokens with the spaces that stand between them in the text. */
export const textOf = (tokens: readonly Token[]): string =>
  tokens
    .map(({ text, column, line }, index) => {
      const before = tokens[index - 1];
      return before && (before.line !== line || before.endColumn < column) ? ` ${text}` : text;
    })
    .join('');
