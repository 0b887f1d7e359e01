import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';

/** The tokens of a program, one after the other. */
export const tokensOf = (source: string, language: Language): readonly Token[] =>
  language === 'python' ? pythonLines(source).lines.flatMap((line) => line.tokens) : tokenize(source).tokens;

/** Words and signs of a program in which nothing is tried any more that is tried at each of them. */
export const LONGEST = 4000;

/** The name that stands before a sign of assignment, with or without the brackets of a list, or of a list of lists. */
export function listNameBefore(tokens: readonly Token[], at: number): string | undefined {
  let end = at;
  while (end > 0 && tokens[end - 1]?.text === ']')
    end = tokens.slice(0, end).findLastIndex(({ text }) => text === '[');
  const name = tokens[end - 1];
  return name?.kind === 'word' ? name.text : undefined;
}

/** Whether a token stands inside of a function. */
export const declaresInside = (tokens: readonly Token[], index: number): boolean =>
  tokens.slice(0, index).reduce((depth, { text }) => depth + (text === '{' ? 1 : text === '}' ? -1 : 0), 0) >
  0;

/** The numbers of the list in braces that a token stands in; empty when it stands in none. */
export function listAround(tokens: readonly Token[], index: number): readonly Token[] {
  const isInside = ({ kind, text }: Token): boolean => kind === 'number' || text === ',';
  let [first, last] = [index, index];
  while (first > 0 && isInside(tokens[first - 1]!)) first -= 1;
  while (last < tokens.length - 1 && isInside(tokens[last + 1]!)) last += 1;
  if (tokens[first - 1]?.text !== '{' || tokens[last + 1]?.text !== '}') return [];
  return tokens.slice(first, last + 1).filter(({ kind }) => kind === 'number');
}

/** Lists of numbers long enough to have an order. */
export function listsIn(tokens: readonly Token[]): readonly (readonly Token[])[] {
  return tokens.flatMap((token, index) => {
    if (token.text !== '{' || tokens[index + 1]?.kind !== 'number') return [];
    const list = listAround(tokens, index + 1);
    return list.length >= 3 ? [list] : [];
  });
}

/** Whether a sign belongs to the head of a counting loop, whose end is no question of direction. */
export const isInLoopHead = (tokens: readonly Token[], index: number): boolean =>
  tokens.slice(Math.max(0, index - 9), index).some(({ text }) => text === 'for');

/** Whether a sign stands where something is asked: in parentheses, or before the question mark of a choice. */
export function isAsked(tokens: readonly Token[], index: number): boolean {
  const end = tokens.findIndex(({ text }, at) => at > index && /^[;{}]$/.test(text));
  const begin = tokens.slice(0, index).findLastIndex(({ text }) => /^[;{}]$/.test(text));
  const depth = tokens
    .slice(begin + 1, index)
    .reduce((sum, { text }) => sum + (text === '(' ? 1 : text === ')' ? -1 : 0), 0);
  const isChoice = tokens.slice(index, Math.max(index, end)).some(({ text }) => text === '?');
  return (depth > 0 || isChoice) && !isInLoopHead(tokens, index);
}

/** Where a case goes on into the next one: the last sign of its last statement. */
export const openCases = (tokens: readonly Token[]): readonly Token[] =>
  tokens.flatMap((token, index) => {
    if (token.text !== 'case' && token.text !== 'default') return [];
    const end = tokens[index - 1];
    if (end?.text !== ';') return [];
    const before = tokens
      .slice(0, index - 1)
      .findLastIndex(({ text }) => text === ';' || text === ':' || text === '{' || text === '}');
    return ['break', 'return', 'continue'].includes(tokens[before + 1]?.text ?? '') ? [] : [end];
  });

/** The loops that begin in a line, from their word to the end of their body, as stretches of the source. */
export function loopsAt(
  source: string,
  tokens: readonly Token[],
  line: number,
): readonly Omit<TextEdit, 'by'>[] {
  return tokens.flatMap((token, index) => {
    if (token.line !== line || (token.text !== 'while' && token.text !== 'for')) return [];
    const head = closing(tokens, index + 1, '(', ')');
    const body = head === undefined ? undefined : tokens[head + 1];
    if (head === undefined || !body) return [];
    const end =
      body.text === '{'
        ? closing(tokens, head + 1, '{', '}')
        : tokens.findIndex((candidate, at) => at > head && candidate.text === ';');
    const last = end === undefined || end < 0 ? undefined : tokens[end];
    return last
      ? [
          {
            line: token.line,
            column: token.column,
            length: offsetOf(source, last.line, last.endColumn) - offsetOf(source, token.line, token.column),
          },
        ]
      : [];
  });
}

/** Whether a variable is written in these tokens. */
export const isWritten = (name: string, tokens: readonly Token[]): boolean =>
  tokens.some(
    ({ text }, index) =>
      text === name &&
      (/^(?:[-+*/%&|^]?=|\+\+|--)$/.test(tokens[index + 1]?.text ?? '') ||
        /^(?:\+\+|--)$/.test(tokens[index - 1]?.text ?? '')),
  );

/** Where the bracket is closed that is opened at an index or behind it; `undefined` where it is not. */
export function closing(
  tokens: readonly Token[],
  from: number,
  opener: string,
  closer: string,
): number | undefined {
  let depth = 0;
  for (let at = from; at < tokens.length; at += 1) {
    if (tokens[at]!.text === opener) depth += 1;
    if (tokens[at]!.text === closer && (depth -= 1) === 0) return at;
  }
  return undefined;
}

const offsetOf = (source: string, line: number, column: number): number =>
  source
    .split('\n')
    .slice(0, line - 1)
    .reduce((sum, text) => sum + text.length + 1, 0) +
  column -
  1;

/** The brace that opens the body of a function; `undefined` where there is none of that name. */
export function bodyStart(tokens: readonly Token[], name: string): Token | undefined {
  const at = tokens.findIndex((token, index) => token.text === name && tokens[index + 1]?.text === '(');
  return at < 0 ? undefined : tokens.slice(at).find((token) => token.text === '{');
}

/** Whether a word is what `pinMode` makes of a pin that the program reads: `pinMode(BUTTON, OUTPUT)`, `digitalRead(BUTTON)`. */
export function isOfPinRead(tokens: readonly Token[], index: number): boolean {
  const [call, open, pin, comma] = tokens.slice(index - 4, index).map(({ text }) => text);
  return (
    call === 'pinMode' &&
    open === '(' &&
    comma === ',' &&
    tokens.some(
      ({ text }, at) =>
        text === 'digitalRead' && tokens[at + 2]?.text === pin && tokens[at + 3]?.text === ')',
    )
  );
}
