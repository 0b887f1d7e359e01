import type { FindingCode } from '../../findings/finding';
import type { ProgramProblem } from '../problem';
import { writtenOtherwise } from '../syntax-wording';
import type { Token } from '../token';
import type { TokenMap } from './token-map';

/** Looks at the tokens of a program from one of them on: what is written wrongly there, of what no compiler takes. */
export type Detector = (map: TokenMap, index: number) => ProgramProblem | undefined;

/** Something that is written otherwise in this language, and what takes its place. */
export interface Exchange {
  readonly place: Token;
  readonly length: number;
  readonly by: string;
  /** What is written there, as it is told. */
  readonly there: string;
  readonly shown: string;
  readonly why: string;
}

export const exchange = ({ place, length, by, there, shown, why }: Exchange): ProgramProblem =>
  writtenOtherwise(place, there, shown, why, { line: place.line, column: place.column, length, by });

/** Whether nothing stands between two tokens. */
export const touch = (one: Token | undefined, other: Token | undefined): boolean =>
  one !== undefined && other !== undefined && one.line === other.line && one.endColumn === other.column;

/** Whether a token is a value or a name by itself. */
export const isValue = (token: Token | undefined): token is Token =>
  token !== undefined && token.kind !== 'punctuation';

/** Tokens of one line exchanged for something else; `undefined` where they are on several. */
export function exchangeOf(
  tokens: readonly Token[],
  { by, why, code = 'syntax-other' }: Pick<Exchange, 'by' | 'why'> & { readonly code?: FindingCode },
): ProgramProblem | undefined {
  const [first, last] = [tokens[0], tokens.at(-1)];
  if (!first || !last || first.line !== last.line) return undefined;
  const length = last.endColumn - first.column;
  return { ...exchange({ place: first, length, by, there: asWritten(tokens), shown: by, why }), code };
}

/** Tokens of one line with a space where there are some. */
const asWritten = (tokens: readonly Token[]): string =>
  tokens
    .map((token, at) => (at === 0 || touch(tokens[at - 1], token) ? token.text : ` ${token.text}`))
    .join('');

/** Tokens as they are usually written. */
export const textOf = (tokens: readonly Token[]): string =>
  tokens
    .map(({ text }) => text)
    .join(' ')
    .replace(/ ([,;)\]])/g, '$1')
    .replace(/([([]) /g, '$1')
    .replace(/(\w) \(/g, '$1(');
