import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { isWord } from '../../program/python/line-tokens';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { ORDINAL_WORDS } from '../../words/words';
import { closing } from './token-places';

/** One side of a question, or a level that is given to a pin, turned round. */
export interface Negation {
  readonly edit: TextEdit;
  readonly text: string;
  /** Whether the program turns the same name round elsewhere, or it is no mere name. */
  readonly isUsual: boolean;
}

/** What stands before and behind a side of a question, and what turns it round. */
interface Signs {
  readonly joints: ReadonlySet<string>;
  readonly heads: ReadonlySet<string>;
  readonly ends: ReadonlySet<string | undefined>;
  readonly negation: string;
}

const CPP: Signs = {
  joints: new Set(['&&', '||']),
  heads: new Set(['if', 'while']),
  ends: new Set(['&&', '||', ')', ';', '?']),
  negation: '!',
};
const PYTHON: Signs = {
  joints: new Set(['and', 'or']),
  heads: new Set(['if', 'elif', 'while']),
  ends: new Set(['and', 'or', ':', undefined]),
  negation: 'not',
};
/** Words of C++ that are no side of a question. */
const FIXED = /^(?:true|false|HIGH|LOW|\d+)$/;

/**
 * Every side of a question, and every level that is given to a pin, that is a name or a call by itself, turned round:
 * with a negation, or without the one that it has.
 */
export const negationsIn = (source: string, language: Language): readonly Negation[] =>
  language === 'python'
    ? pythonLines(source).lines.flatMap(({ tokens }) => negationsOf(tokens, PYTHON, isWord))
    : negationsOf(tokenize(source).tokens, CPP, ({ kind, text }) => kind === 'word' && !FIXED.test(text));

function negationsOf(
  tokens: readonly Token[],
  { joints, heads, ends, negation }: Signs,
  isName: (token: Token) => boolean,
): readonly Negation[] {
  return tokens.flatMap((token, index): readonly Negation[] => {
    if (!isName(token)) return [];
    const last = endOfSide(tokens, index);
    const isNegated = tokens[index - 1]?.text === negation;
    const before = isNegated ? index - 2 : index - 1;
    const sign = tokens[before]?.text ?? '';
    const isHead = heads.has(sign) || (sign === '(' && heads.has(tokens[before - 1]?.text ?? ''));
    const goesOn = tokens[last + 1]?.text;
    // A variable that is given itself is meant to be turned round.
    const isItself =
      sign === '=' &&
      last === index &&
      tokens[before - 1]?.text === token.text &&
      (goesOn === ';' || goesOn === undefined);
    const isGiven = (sign === '=' || sign === 'return') && joints.has(goesOn ?? '');
    const isKept =
      sign === '=' &&
      (goesOn === ';' || goesOn === undefined) &&
      isReadingKept(tokens, before - 1, index, last, isNegated);
    const isLevel = isGivenToPin(tokens, before, last, negation);
    if (!isLevel && !isItself && !isKept && (!(isHead || isGiven || joints.has(sign)) || !ends.has(goesOn)))
      return [];
    const { line, column } = token;
    const named = tokens
      .slice(index, last + 1)
      .map(({ text }) => text)
      .join('');
    const which = placeAmong(tokens, index);
    if (!isNegated)
      return [
        {
          edit: { line, column, length: 0, by: negation === '!' ? '!' : `${negation} ` },
          text: `Put ${negation} before ${which}${named} in line ${line}.`,
          isUsual:
            isItself ||
            (last > index && !isLevel) ||
            tokens.some(({ text }, at) => text === token.text && tokens[at - 1]?.text === negation),
        },
      ];
    const from = tokens[index - 1]!;
    if (from.line !== line) return [];
    return [
      {
        edit: { line, column: from.column, length: column - from.column, by: '' },
        text: `Remove the ${negation} before ${which}${named} in line ${line}.`,
        isUsual: true,
      },
    ];
  });
}

/** Whether what is read of a button is kept as a yes or a no: `bool down = digitalRead(2);`, `down = button.value`. */
function isReadingKept(
  tokens: readonly Token[],
  name: number,
  from: number,
  last: number,
  isNegated: boolean,
): boolean {
  const isRead = tokens[from]?.text === 'digitalRead' || (last > from && tokens[last]?.text === 'value');
  const type = tokens[name - 1];
  const isPython = tokens[last]?.text === 'value';
  return (
    isRead &&
    (isNegated || /^bool(?:ean)?$/.test(type?.text ?? '') || (isPython && tokens[name - 1] === undefined))
  );
}

/** Whether a name is the level of `digitalWrite(8, on);`, or of `led.value = on` in a line of its own. */
function isGivenToPin(tokens: readonly Token[], before: number, last: number, negation: string): boolean {
  if (negation === 'not')
    return (
      tokens[before]?.text === '=' && tokens[before - 1]?.text === 'value' && tokens[last + 1] === undefined
    );
  if (tokens[before]?.text !== ',' || tokens[last + 1]?.text !== ')') return false;
  const opener = tokens.slice(0, before).findLastIndex(({ text }) => text === '(');
  return tokens[opener - 1]?.text === 'digitalWrite';
}

/** The last token of a name with what belongs to it: `button.value`, `digitalRead(2)`. */
function endOfSide(tokens: readonly Token[], index: number): number {
  let last = index;
  while (tokens[last + 1]?.text === '.' && tokens[last + 2]?.kind === 'word') last += 2;
  return tokens[last + 1]?.text === '(' ? (closing(tokens, last + 1, '(', ')') ?? last) : last;
}

/** `the second `, of a name that its line has several times. */
function placeAmong(tokens: readonly Token[], index: number): string {
  const { line, text } = tokens[index]!;
  const alike = tokens.filter((token) => token.line === line && token.text === text);
  const place = ORDINAL_WORDS[alike.indexOf(tokens[index]!)];
  return alike.length > 1 && place !== undefined ? `the ${place} ` : '';
}
