import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { areNearlySame } from './guesses/numbers';
import { tokensOf } from './token-places';

/** A number of a program, and one that the exercise's own program has instead. */
export interface AskedNumber {
  readonly token: Token;
  readonly by: string;
}

/** Numbers that are tried in a program; where more are otherwise, it is another program. */
const MOST = 48;

/** Numbers that only the program has, each with those that only the exercise's own program has. */
export function askedNumbers(source: string, asked: string, language: Language): readonly AskedNumber[] {
  const own = numbersIn(tokensOf(source, language));
  const wanted = numbersIn(tokensOf(asked, language));
  const [has, wants] = [textsOf(own), textsOf(wanted)];
  const missing = [...wants].filter((text) => !has.has(text));
  const found = own
    .filter(({ text }) => !wants.has(text))
    .flatMap((token) =>
      // One that looks like it is the likelier one.
      [...missing]
        .sort((a, b) => Number(areNearlySame(token.text, b)) - Number(areNearlySame(token.text, a)))
        .map((by) => ({ token, by })),
    );
  return found.length > MOST ? [] : found;
}

const numbersIn = (tokens: readonly Token[]): readonly Token[] =>
  tokens.filter(({ kind }) => kind === 'number');
const textsOf = (tokens: readonly Token[]): ReadonlySet<string> => new Set(tokens.map(({ text }) => text));
