import type { Language } from './index';

/** A word or sign of a program, by where it stands in its text. */
export interface Piece {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** The words and signs of a program without its remarks; of Python, also what sets its lines in. */
export function piecesOf(source: string, language: Language): readonly Piece[] {
  const pattern =
    language === 'python'
      ? /(?<remark>#[^\n]*)|(?:\n[ \t]*)+(?=[^\s#])|\d+\.\d+(?:e[-+]?\d+)?|\w+|"[^"\n]*"|'[^'\n]*'|[-+*/%<>=!&|^]=?|[^\s\w]/gi
      : /(?<remark>\/\/[^\n]*|\/\*[\s\S]*?\*\/)|\d+\.\d+(?:e[-+]?\d+)?f?|#?\w+|"[^"\n]*"|'[^'\n]*'|&&|\|\||[-+*/%<>=!&|^]=?|[^\s\w]/gi;
  return [...source.matchAll(pattern)].flatMap((found): Piece[] =>
    found.groups?.['remark'] === undefined
      ? [
          {
            text: found[0].replace(/^\s*\n/s, '\n'),
            from: found.index,
            to: found.index + found[0].length,
          },
        ]
      : [],
  );
}
