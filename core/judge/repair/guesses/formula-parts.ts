import type { Token } from '../../../program/token';
import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { numbersIn } from './numbers';

const [COMMA, SUMMAND, RANGES] = [0.9, 1.45, 1.6];
/** Places in which a summand is tried. */
const MOST = 10;

/** `volts - 0,5`: a comma in a number. */
function decimalCommas({ tokens, language, source }: Form): readonly Guess[] {
  const lines = source.split('\n');
  return tokens.flatMap((comma, index): readonly Guess[] => {
    const [before, after] = [tokens[index - 1], tokens[index + 1]];
    const isWithin =
      comma.text === ',' &&
      /^\d+$/.test(before?.text ?? '') &&
      /^\d+$/.test(after?.text ?? '') &&
      before!.endColumn === comma.column &&
      after!.column === comma.endColumn;
    // Where numbers stand in a row, a comma parts them.
    if (!isWithin || /^[,{[]$/.test(tokens[index - 2]?.text ?? '') || tokens[index + 2]?.text === ',')
      return [];
    const by = `${before!.text}.${after!.text}`;
    const is = (lines[comma.line - 1] ?? '').slice(before!.column - 1, after!.endColumn - 1);
    return [
      {
        edits: [{ line: comma.line, column: before!.column, length: is.length, by }],
        text: `Write ${by} instead of ${is} in line ${comma.line}.`,
        cost: COMMA,
        told: {
          why: `Line ${comma.line}: ${language === 'python' ? 'Python' : 'C++'} writes ${by} with a point. After a comma something new begins.`,
          ask: `How is a number with places behind the point written in a program?`,
        },
      },
    ];
  });
}

/** `- 0.5` in the exercise's own program and nowhere in this one: taken off, or put to, what is multiplied. */
function summandsLeftOut(form: Form, asked: Form): readonly Guess[] {
  const own = new Set(numbersIn(form).map(Number));
  const summands = asked.tokens.flatMap((token, index) => {
    const [sign, number] = [token.text, asked.tokens[index + 1]];
    const isSummand = /^[-+]$/.test(sign) && number?.kind === 'number' && !own.has(Number(number.text));
    const isBehind = /^(?:\)|\w+(?:\.\w+)?)$/.test(asked.tokens[index - 1]?.text ?? '');
    return isSummand && isBehind ? [`${sign} ${number.text}`] : [];
  });
  if (summands.length === 0) return [];
  const places = form.tokens.filter((token, index) =>
    isFactor(token, form.tokens[index - 1], form.tokens[index + 1]),
  );
  return [...new Set(summands)].flatMap((summand) =>
    places.slice(0, MOST).map((token) => written(token, `(${token.text} ${summand})`, SUMMAND)),
  );
}

const isFactor = (token: Token, before: Token | undefined, after: Token | undefined): boolean =>
  token.kind === 'word' && /^(?:[=(]|return)$/.test(before?.text ?? '') && /^[*/]$/.test(after?.text ?? '');

/** `map(x, 0, 40, 0, 1023)`: from what the reading goes, and to what it should, in each other's places. */
function rangesExchanged({ tokens, language, source }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const lines = source.split('\n');
  return tokens.flatMap((close, index): readonly Guess[] => {
    const [one, , two, comma, three, , four] = tokens.slice(index - 7, index);
    const commas = [tokens[index - 8], tokens[index - 6], comma, tokens[index - 2]];
    const isFour =
      close.text === ')' &&
      commas.every((token) => token?.text === ',') &&
      [one, two, three, four].every(
        (token) => token?.line === close.line && /^(?:word|number)$/.test(token.kind),
      );
    const line = lines[close.line - 1] ?? '';
    if (!isFour || !/\bmap\s*\(/.test(line)) return [];
    const is = line.slice(one!.column - 1, four!.endColumn - 1);
    const by = [three, four, one, two].map((token) => token!.text).join(', ');
    return [
      {
        edits: [{ line: close.line, column: one!.column, length: is.length, by }],
        text: `Write ${by} instead of ${is} in line ${close.line}.`,
        cost: RANGES,
        told: {
          why: `Line ${close.line}: map takes first from which number to which the reading goes, and then to which it should be brought.`,
          ask: `Which two of the four numbers belong to the reading?`,
        },
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofFormulaParts: readonly Rule[] = [decimalCommas, summandsLeftOut, rangesExchanged];
