import type { Token } from '../../../program/token';
import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { numbersIn } from './numbers';

const [COMMA, SUMMAND] = [0.9, 1.45];
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

/** The rules of this subject that something in a program speaks for. */
export const ofFormulaParts: readonly Rule[] = [decimalCommas, summandsLeftOut];
