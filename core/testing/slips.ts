import { pick } from '../random';

/** Words and signs, with the space before them. */
export const tokensOf = (source: string): string[] => source.match(/\s*(?:\w+|"[^"\n]*"|[^\s\w])/g) ?? [];
const kindOf = (token: string): string =>
  /^\s*\d/.test(token)
    ? 'number'
    : /^\s*\w/.test(token)
      ? 'word'
      : /[-+*/%<>&|^=!]/.test(token)
        ? 'operator'
        : '';

const NUMBERS = ['0', '1', '-1', '2', '7', '255', '256', '32767', '65536', '1000000', '0.5', '4294967295'];

/** A program with one number, name or sign in the place of another: many of these still run. */
export function slipped(random: () => number, sources: readonly string[]): string {
  const tokens = [...tokensOf(pick(random, sources))];
  const places = tokens.flatMap((token, at) => (kindOf(token) === '' ? [] : [at]));
  const at = pick(random, places);
  const kind = kindOf(tokens[at]!);
  const alike = tokens.filter((token) => kindOf(token) === kind);
  tokens[at] = kind === 'number' ? ` ${pick(random, NUMBERS)}` : pick(random, alike);
  return tokens.join('');
}
