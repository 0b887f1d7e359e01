export interface Token {
  readonly kind: 'word' | 'number' | 'text' | 'punctuation';
  readonly text: string;
  readonly line: number;
  readonly column: number;
  /** Column just behind the token, on the same line. */
  readonly endColumn: number;
  /** Whether nothing but space stands before it on its line. */
  readonly startsLine: boolean;
}

/** A quote that does not end on its line, or a quote character that no compiler takes. */
export interface QuoteProblem {
  readonly kind: 'open' | 'curly';
  readonly quote: string;
  readonly line: number;
  readonly column: number;
  /** Where the closing quote was most likely meant. */
  readonly closeColumn: number;
}

/** A character outside of texts and comments that no compiler takes, and the plain one for it. */
export interface StrayCharacter {
  readonly character: string;
  readonly plain: string | undefined;
  readonly line: number;
  readonly column: number;
}

/** The ASCII character that a look-alike stands for: full-width forms, odd spaces and dashes. */
export function plainFor(character: string): string | undefined {
  const code = character.charCodeAt(0);
  if (code >= 0xff01 && code <= 0xff5e) return String.fromCharCode(code - 0xfee0);
  if (/\s/.test(character)) return ' ';
  if ('‐‑‒–—−'.includes(character)) return '-';
  if (character === '\u037e') return ';';
  if ('\u200b\ufeff\u200e'.includes(character)) return '';
  return undefined;
}
