import type { Token } from '../../program/token';

/** A token that makes a calculation wide enough, with what stands in its place then. */
export interface Widening {
  readonly token: Token;
  readonly by: string;
}

/** Types that are made wider by one word, and the one that is. */
const NARROW = /^(?:int|short|byte|uint8_t|int16_t)$/;
const WIDE = 'long';

/**
 * Changes that make a number fit that was too large for its type in one of these lines: a factor that is told to be
 * long, so that the product is, and the type of a variable that the line names.
 */
export function widenings(tokens: readonly Token[], lines: readonly number[]): readonly Widening[] {
  const inLines = tokens.filter(({ line }) => lines.includes(line));
  if (inLines.length === 0) return [];
  const factors = tokens.filter(
    ({ kind, line, text }, index) =>
      kind === 'number' &&
      lines.includes(line) &&
      /^\d+$/.test(text) &&
      (tokens[index - 1]?.text === '*' || tokens[index + 1]?.text === '*'),
  );
  const names = new Set(inLines.flatMap(({ kind, text }) => (kind === 'word' ? [text] : [])));
  const types = tokens.filter(
    ({ text }, index) => NARROW.test(text) && names.has(tokens[index + 1]?.text ?? ''),
  );
  return [
    ...factors.map((token) => ({ token, by: `${token.text}L` })),
    // What is too large for eight bits seldom is for sixteen.
    ...types.map((token) => ({ token, by: /^(?:byte|uint8_t)$/.test(token.text) ? 'int' : WIDE })),
  ];
}
