/** A word, number or mark of a line, with its columns. */
export interface Token {
  /** In lower case, with typographic signs replaced by plain ones. */
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** Signs that stand for words. */
const SAID: Readonly<Record<string, string>> = { '→': 'to', '->': 'to', '&': 'and', '+': 'and' };

// `pin9` is two words.
const PIECES = /[(),:;]|[→]|\bpins?(?=[ad]?\d{1,2}\b)|[^\s(),:;→]+/giu;

/**
 * Splits a line at spaces, commas, colons and brackets. Dashes of every kind read as `-`, an arrow as
 * `to`, an ampersand as `and`; a dash between spaces joins its neighbours as in `2 - 11`.
 */
export function tokensOf(line: string): readonly Token[] {
  const joined = line
    .replace(/[–—−]/g, '-')
    .replace(/[’]/g, "'")
    // `5/6/7` lists pins.
    .replace(/(?<=\b[ad]?\d{1,2})\/(?=[ad]?\d{1,2}\b)/gi, ',');
  const tokens: Token[] = [];
  for (const match of joined.matchAll(PIECES)) {
    const raw = match[0].toLowerCase();
    const from = match.index;
    tokens.push({ text: SAID[raw] ?? raw, from, to: from + raw.length });
  }
  return tokens.flatMap((token, index) => {
    const [previous, next] = [tokens[index - 1], tokens[index + 1]];
    if (token.text === '-' && previous && next) return [];
    // `2 - 11` becomes one range at its first number.
    if (next?.text === '-' && tokens[index + 2])
      return [
        { text: `${token.text}-${tokens[index + 2]!.text}`, from: token.from, to: tokens[index + 2]!.to },
      ];
    if (previous?.text === '-' && tokens[index - 2]) return [];
    return [token];
  });
}
