import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { piecesOf } from '../../program/pieces';

/** What is printed, multiplied or divided as the exercise's own program does it last. */
export interface ScaledPrint {
  readonly edit: TextEdit;
  readonly text: string;
}

const CALLS = { cpp: /^(?:print|println)$/, python: /^print$/ } as const;
const SCALES = /^(?:\*|\/|\/\/)$/;
const NUMBER = /^\d+(?:\.\d+)?$/;

/** Each print of a program that scales nothing, with the scale that the exercise's own prints have at their end. */
export function scaledPrints(source: string, asked: string, language: Language): readonly ScaledPrint[] {
  const scales = new Set(
    printsIn(asked, language).flatMap(({ words }) => {
      const [number, sign, before] = words.toReversed();
      // Python's // is two signs.
      const isWhole = sign === '/' && before === '/';
      return number && NUMBER.test(number) && sign && SCALES.test(sign)
        ? [`${isWhole ? '//' : sign} ${number}`]
        : [];
    }),
  );
  return printsIn(source, language).flatMap(({ words, from, to }) => {
    const isText = words.length === 1 && /^["']/.test(words[0]!);
    if (words.length === 0 || isText || words.some((word) => SCALES.test(word) || word === ',')) return [];
    const isSum = words.some((word) => word === '+' || word === '-');
    const printed = source.slice(from, to);
    const inside = isSum ? `(${printed})` : printed;
    const before = source.slice(0, from).split('\n');
    const place = { line: before.length, column: before.at(-1)!.length + 1 };
    if (printed.includes('\n')) return [];
    return [...scales].map((scale) => ({
      edit: { ...place, length: printed.length, by: `${inside} ${scale}` },
      text: `Write ${inside} ${scale} instead of ${printed} in line ${place.line}.`,
    }));
  });
}

interface Printed {
  readonly words: readonly string[];
  /** Where what is printed begins and ends in the source. */
  readonly from: number;
  readonly to: number;
}

function printsIn(source: string, language: Language): readonly Printed[] {
  const pieces = piecesOf(source, language);
  return pieces.flatMap(({ text }, index): readonly Printed[] => {
    if (!CALLS[language].test(text) || pieces[index + 1]?.text !== '(') return [];
    let depth = 0;
    const end = pieces.findIndex(({ text: one }, at) => {
      if (at <= index) return false;
      if (one === '(') depth += 1;
      if (one === ')') depth -= 1;
      return depth === 0;
    });
    const inside = pieces.slice(index + 2, end);
    return end < 0 || inside.length === 0
      ? []
      : [{ words: inside.map((piece) => piece.text), from: inside[0]!.from, to: inside.at(-1)!.to }];
  });
}
