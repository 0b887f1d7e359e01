import { editDistance, unknownName } from '../names';
import type { ProgramProblem } from '../problem';
import type { Token } from '../token';
import type { LogicalLine } from './lines';

/** A word in its line: with what stands around it, it is a word of the language and no name. */
interface Place {
  readonly isStart: boolean;
  readonly before: Token | undefined;
  readonly next: Token | undefined;
  readonly line: readonly Token[];
}

const isOperand = (token: Token | undefined): boolean =>
  token !== undefined && (token.kind !== 'punctuation' || /^[)\]}]$/.test(token.text));
const beginsOperand = (token: Token | undefined): boolean =>
  token !== undefined && (token.kind !== 'punctuation' || /^[([{~-]$/.test(token.text));
const isWord = (token: Token | undefined): boolean => token?.kind === 'word';

const isHead = ({ isStart, next, line }: Place): boolean =>
  isStart && next !== undefined && next.text !== '=' && line.at(-1)?.text === ':' && line.length > 2;
const isBareHead = ({ isStart, next, line }: Place): boolean =>
  isStart && next?.text === ':' && line.length === 2;
const isAlone = ({ line }: Place): boolean => line.length === 1;
const isBetween = ({ before, next }: Place): boolean =>
  isOperand(before) && beginsOperand(next) && !isNewWord(before);
/** Whether a word leads on to what follows, so that nothing stands between the two. */
const isNewWord = (token: Token | undefined): boolean =>
  token !== undefined &&
  /^(?:return|if|elif|while|and|or|not|in|is|import|from|as|else|lambda|yield|del)$/.test(token.text);
const has = (line: readonly Token[], word: string): boolean =>
  line.some(({ text }) => text.toLowerCase() === word);

/** Words of the language, each with where it may stand. */
const KEYWORDS: Readonly<Record<string, (place: Place) => boolean>> = {
  import: (place) =>
    (place.isStart && isWord(place.next)) ||
    (isWord(place.before) && isWord(place.line[0]) && has(place.line.slice(0, 1), 'from')),
  from: ({ isStart, next, line }) => isStart && isWord(next) && has(line, 'import'),
  if: (place) => isHead(place) || (isBetween(place) && (has(place.line, 'else') || has(place.line, 'for'))),
  elif: isHead,
  while: isHead,
  with: isHead,
  for: (place) => (isHead(place) && has(place.line, 'in')) || (isBetween(place) && has(place.line, 'in')),
  def: (place) => isHead(place) && isWord(place.next),
  class: (place) => isHead(place) && isWord(place.next),
  else: (place) => isBareHead(place) || isBetween(place),
  try: isBareHead,
  finally: isBareHead,
  except: (place) => isBareHead(place) || isHead(place),
  return: (place) => isAlone(place) || (place.isStart && beginsOperand(place.next) && !isHead(place)),
  pass: isAlone,
  break: isAlone,
  continue: isAlone,
  global: ({ isStart, next, line }) =>
    isStart && isWord(next) && line.length >= 2 && !line.some(({ text }) => text === '='),
  lambda: ({ before, line }) =>
    before !== undefined && !isOperand(before) && line.some(({ text }) => text === ':'),
  in: (place) => isBetween(place) || place.before?.text === 'not',
  and: isBetween,
  or: isBetween,
  is: isBetween,
  as: isBetween,
  not: ({ before, next }) =>
    next?.text.toLowerCase() === 'in' ||
    before?.text === 'is' ||
    ((isNewWord(before) || !isOperand(before)) && beginsOperand(next) && next?.text !== '('),
};

/** Shorter words are near to too many others: of these only exchanged letters and capitals count. */
const SHORT = 3;

/**
 * Words of the language with a capital, as tablets write them, or with a slip of the keyboard: `Import`, `hwile`. Only
 * where such a word may stand, and only of names that the program makes nowhere.
 */
export function pythonKeywordSlips(lines: readonly LogicalLine[]): readonly ProgramProblem[] {
  const made = namesMade(lines);
  const near = new Map<string, readonly string[]>();
  /** Words of the language that a word may be meant as, wherever it stands; a program has few words, many times each. */
  const nearTo = (text: string): readonly string[] => {
    const known = near.get(text) ?? Object.keys(KEYWORDS).filter((keyword) => isNear(text, keyword));
    near.set(text, known);
    return known;
  };
  return lines.flatMap(({ tokens }) =>
    tokens.flatMap((token, index): readonly ProgramProblem[] => {
      const { kind, text, line, column, endColumn } = token;
      if (kind !== 'word' || text in KEYWORDS || made.has(text) || tokens[index - 1]?.text === '.') return [];
      const place: Place = {
        isStart: index === 0,
        before: tokens[index - 1],
        next: tokens[index + 1],
        line: tokens,
      };
      const meant = nearTo(text).find((keyword) => KEYWORDS[keyword]!(place));
      if (meant === undefined) return [];
      const span = { line, column, endLine: line, endColumn };
      return [
        unknownName(text, [span], {
          likely: [meant],
          all: [meant],
          elsewhere: undefined,
          language: 'python',
        }),
      ];
    }),
  );
}

function isNear(written: string, keyword: string): boolean {
  if (Math.abs(written.length - keyword.length) > 1) return false;
  const plain = written.toLowerCase();
  if (plain === keyword) return true;
  const isAsLong = plain.length === keyword.length;
  const isExchanged = isAsLong && [...plain].sort().join('') === [...keyword].sort().join('');
  return (keyword.length > SHORT || isExchanged) && editDistance(plain, keyword, 1) <= 1;
}

/** Names that a program gives to something anywhere, and those of what it imports. */
const namesMade = (lines: readonly LogicalLine[]): ReadonlySet<string> =>
  new Set(
    lines.flatMap(({ tokens }) =>
      tokens.flatMap(({ kind, text }, index) => {
        const [before, next] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
        const isMade =
          next === '=' ||
          (next === ',' && index === 0) ||
          /^(?:def|class|import|as|for|global|from)$/.test(before) ||
          tokens[0]?.text === 'def';
        return kind === 'word' && isMade ? [text] : [];
      }),
    ),
  );
