import { tokenize } from '../../program/cpp/tokens';
import type { Token } from '../../program/token';
import { closing } from './token-places';

/**
 * The ends of a range that a call of `map` names, each with numbers that the exercise's own program works with: it may come
 * to the same by a division.
 */
export function mappedEnds(
  tokens: readonly Token[],
  asked: string,
): readonly { readonly token: Token; readonly by: string }[] {
  const wanted = new Set(
    tokenize(asked).tokens.flatMap(({ kind, text }) =>
      kind === 'number' && Number.isInteger(Number(text)) ? [String(Number(text))] : [],
    ),
  );
  return tokens.flatMap((call, index) => {
    const end = call.text === 'map' ? closing(tokens, index + 1, '(', ')') : undefined;
    return tokens
      .slice(index + 1, end ?? index + 1)
      .filter(({ kind }, at, all) => kind === 'number' && all[at - 1]?.text === ',')
      .flatMap((token) => [...wanted].filter((number) => number !== token.text).map((by) => ({ token, by })));
  });
}
