import { editDistance, unknownName } from '../names';
import type { ProgramProblem } from '../problem';
import type { Token } from '../token';
import { TokenMap } from './token-map';
import { typeWords } from './types';

/** Where a word of the language may stand: with what around it it is one, and no name. */
interface Place {
  readonly before: string | undefined;
  readonly isStart: boolean;
  /** The tokens behind it. */
  readonly next: readonly Token[];
  /** What stands behind the parentheses that follow it, and whether semicolons are in them. */
  readonly behind: Token | undefined;
  readonly hasSemicolons: boolean;
  /** Whether they begin as those of a loop over a list: `(int pin : pins)`. */
  readonly isOverList: boolean;
  /** Whether something is compared in them. */
  readonly isAsking: boolean;
}

/** Signs that ask something. */
const COMPARES = /^(?:[=!<>]=|[<>!]|&&|\|\|)$/;

const condition = ({ isStart, next, behind, hasSemicolons }: Place): boolean =>
  isStart && next[0]?.text === '(' && behind !== undefined && behind.text !== ';' && !hasSemicolons;
const word = ({ isStart, next }: Place): boolean => isStart && next[0]?.text === ';';
const label = ({ isStart, next }: Place): boolean =>
  isStart && next.some(({ text }, index) => text === ':' && index > 0);
const qualifier = ({ isStart, before, next }: Place): boolean =>
  (isStart || before === '(' || before === ',') &&
  next[0]?.kind === 'word' &&
  (next[1]?.kind === 'word' || next[1]?.text === '*' || next[1]?.text === '&');
const type = ({ isStart, next }: Place): boolean => {
  const brace = next.findIndex(({ text }) => text === '{');
  return isStart && brace >= 0 && !next.slice(0, brace).some(({ text }) => /^[(;=]$/.test(text));
};

/** The second word of a type: `unsigned Long`. */
const furtherWord = ({ before, next }: Place): boolean =>
  before !== undefined && typeWords.has(before) && next[0]?.kind === 'word';

/** The words of the language that begin something, each with where it may stand. */
const KEYWORDS: Readonly<Record<string, (place: Place) => boolean>> = {
  if: (place) => condition(place) || (place.before === 'else' && place.next[0]?.text === '('),
  // With nothing to do but wait, too.
  while: (place) =>
    condition(place) ||
    (place.isStart && place.isAsking) ||
    (place.before === '}' && place.next[0]?.text === '('),
  switch: (place) => condition(place) && place.behind?.text === '{',
  for: ({ isStart, next, hasSemicolons, isOverList }) =>
    isStart && next[0]?.text === '(' && (hasSemicolons || isOverList),
  else: ({ before, next }) =>
    (before === '}' || before === ';') &&
    (['{', 'if'].includes(next[0]?.text ?? '') || next[0]?.kind === 'word'),
  return: (place) =>
    word(place) || (place.isStart && ['word', 'number', 'text'].includes(place.next[0]?.kind ?? '')),
  break: word,
  continue: word,
  case: label,
  default: ({ isStart, next }) => isStart && next[0]?.text === ':',
  const: (place) =>
    qualifier(place) || (place.before === ')' && ['{', ';'].includes(place.next[0]?.text ?? '')),
  static: qualifier,
  volatile: qualifier,
  unsigned: qualifier,
  ...Object.fromEntries(['int', 'long', 'char', 'short'].map((name) => [name, furtherWord])),
  enum: type,
  struct: type,
  class: type,
};

/** Shorter words are near to too many others: of these only exchanged letters and capitals count. */
const SHORT = 3;

/**
 * Words of the language with a capital, as tablets write them, or with a slip of the keyboard: `If`, `swich`, `esle`.
 * Only where such a word may stand, and only of names that the program declares nowhere.
 */
export function keywordSlips(tokens: readonly Token[]): readonly ProgramProblem[] {
  const map = new TokenMap(tokens);
  const declared = declaredNames(map);
  return tokens.flatMap((token, index): readonly ProgramProblem[] => {
    if (
      token.kind !== 'word' ||
      token.text in KEYWORDS ||
      typeWords.has(token.text) ||
      declared.has(token.text)
    )
      return [];
    const place = placeOf(map, index);
    const meant = Object.keys(KEYWORDS).find(
      (keyword) => isNear(token.text, keyword) && KEYWORDS[keyword]!(place),
    );
    if (meant === undefined) return [];
    const { line, column, endColumn, text } = token;
    const span = { line, column, endLine: line, endColumn };
    return [
      unknownName(text, [span], { likely: [meant], all: [meant], elsewhere: undefined, language: 'cpp' }),
    ];
  });
}

function isNear(written: string, keyword: string): boolean {
  if (written.toLowerCase() === keyword) return true;
  const isExchanged = [...written.toLowerCase()].sort().join('') === [...keyword].sort().join('');
  return (keyword.length > SHORT || isExchanged) && editDistance(written.toLowerCase(), keyword, 1) <= 1;
}

function placeOf(map: TokenMap, index: number): Place {
  const before = map.tokens[index - 1]?.text;
  const close = map.tokens[index + 1]?.text === '(' ? map.partner(index + 1) : undefined;
  const inside = close === undefined ? [] : map.tokens.slice(index + 2, close);
  return {
    before,
    isStart: before === undefined || [';', '{', '}', ':', 'else', ')'].includes(before),
    next: map.tokens.slice(index + 1, index + 7),
    behind: close === undefined ? undefined : map.tokens[close + 1],
    hasSemicolons: inside.some(({ text }) => text === ';'),
    isOverList: inside[0]?.kind === 'word' && inside.slice(2, 4).some(({ text }) => text === ':'),
    isAsking: inside.some(({ text }) => COMPARES.test(text)),
  };
}

/** Names that stand behind a type somewhere, and those of types. */
const declaredNames = ({ tokens, ownTypes }: TokenMap): ReadonlySet<string> =>
  new Set([
    ...ownTypes,
    ...tokens.flatMap(({ kind, text }, index) => {
      const before = tokens[index - 1];
      return kind === 'word' && before && (typeWords.has(before.text) || ownTypes.has(before.text))
        ? [text]
        : [];
    }),
  ]);
