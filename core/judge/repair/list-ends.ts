import type { Language } from '../../program';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { closing, listNameBefore, tokensOf } from './token-places';

/** A number or sign that says where a loop over a list begins or ends, and what it is where the loop takes the whole list. */
export interface ListEnd {
  readonly token: Token;
  readonly by: string;
}

/** Where a loop begins and ends, and with which name it counts. */
interface Head {
  readonly counter: string;
  readonly first: Token | undefined;
  readonly end: Token | undefined;
  /** The sign with which the end is counted too; `undefined` where it is not. */
  readonly inclusive: Token | undefined;
  readonly body: readonly Token[];
}

/** Numbers by which loops leave out the first or the last entries of a list that they go through, or go beyond it. */
export function listEnds(source: string, language: Language): readonly ListEnd[] {
  const tokens = tokensOf(source, language);
  const lengths = lengthsIn(tokens, language === 'python' ? ['[', ']'] : ['{', '}']);
  const heads = language === 'python' ? headsInPython(source) : headsInCpp(tokens);
  const found = heads.flatMap(({ counter, first, end, inclusive, body }): readonly ListEnd[] => {
    const over = [
      ...new Set(body.flatMap((_, index) => lengths.get(indexedBy(counter, body, index) ?? '') ?? [])),
    ];
    if (over.length !== 1) return [];
    const last = over[0]! - (inclusive ? 1 : 0);
    const number = end?.kind === 'word' ? numberOf(end.text, tokens) : end;
    return [
      // A list of three has no place 3: the sign is what is one too far, and not the number.
      ...(inclusive && number?.kind === 'number' && Number(number.text) === over[0]
        ? [{ token: inclusive, by: '<' }]
        : []),
      ...(number?.kind === 'number' && Number(number.text) !== last
        ? [{ token: number, by: String(last) }]
        : []),
      ...(first?.kind === 'number' && Number(first.text) !== 0 ? [{ token: first, by: '0' }] : []),
    ];
  });
  return found.filter(({ token }, index) => found.findIndex((other) => other.token === token) === index);
}

/** How many entries the lists have that are given a name. */
export function lengthsIn(
  tokens: readonly Token[],
  brackets: readonly [string, string],
): ReadonlyMap<string, number> {
  const [opener, closer] = brackets;
  const lengths = new Map<string, number>();
  tokens.forEach(({ text }, index) => {
    if (text !== opener || tokens[index - 1]?.text !== '=') return;
    const close = closing(tokens, index, opener, closer);
    const name = listNameBefore(tokens, index - 1);
    if (close === undefined || name === undefined) return;
    let [depth, commas] = [0, 0];
    for (const { text: sign } of tokens.slice(index + 1, close)) {
      if (/^[([{]$/.test(sign)) depth += 1;
      if (/^[)\]}]$/.test(sign)) depth -= 1;
      if (sign === ',' && depth === 0) commas += 1;
    }
    const isEmpty = close === index + 1;
    // A comma may stand behind the last one.
    const entries = isEmpty ? 0 : commas + (tokens[close - 1]!.text === ',' ? 0 : 1);
    if (entries > 1) lengths.set(name, entries);
  });
  return lengths;
}

/** The list of which a counter is the index at a token: `times` where `times[i]` begins. */
const indexedBy = (counter: string, tokens: readonly Token[], at: number): string | undefined =>
  tokens[at]!.kind === 'word' &&
  tokens[at + 1]?.text === '[' &&
  tokens[at + 2]?.text === counter &&
  tokens[at + 3]?.text === ']'
    ? tokens[at]!.text
    : undefined;

/** The number that a name stands for from its only assignment on. */
function numberOf(name: string, tokens: readonly Token[]): Token | undefined {
  const given = tokens.flatMap((token, index) =>
    token.text === name && tokens[index + 1]?.text === '=' ? [tokens[index + 2]!] : [],
  );
  return given.length === 1 ? given[0] : undefined;
}

/** `for (int i = 0; i < 9; i++) …` */
function headsInCpp(tokens: readonly Token[]): readonly Head[] {
  return tokens.flatMap(({ text }, index): readonly Head[] => {
    const close = text === 'for' ? closing(tokens, index + 1, '(', ')') : undefined;
    if (close === undefined) return [];
    const head = tokens.slice(index + 2, close);
    const [begin, ask] = [
      head.findIndex((token) => token.text === '='),
      head.findIndex((token) => token.text === ';'),
    ];
    const counter = head[begin - 1]?.text;
    const [asked, sign, end, over] = head.slice(ask + 1);
    if (
      counter === undefined ||
      asked?.text !== counter ||
      !/^(?:<=?|!=)$/.test(sign?.text ?? '') ||
      over?.text !== ';'
    )
      return [];
    const bodyEnd =
      tokens[close + 1]?.text === '{'
        ? closing(tokens, close + 1, '{', '}')
        : tokens.findIndex((token, at) => at > close && token.text === ';');
    return [
      {
        counter,
        first: ask === begin + 2 ? head[begin + 1] : undefined,
        end,
        inclusive: sign!.text === '<=' ? sign : undefined,
        body: tokens.slice(close + 1, bodyEnd),
      },
    ];
  });
}

/** `for i in range(9):` */
function headsInPython(source: string): readonly Head[] {
  const { lines } = pythonLines(source);
  return lines.flatMap(({ tokens, indent }, index): readonly Head[] => {
    const [word, counter, within, range, open, ...rest] = tokens;
    if (word?.text !== 'for' || within?.text !== 'in' || range?.text !== 'range' || open?.text !== '(')
      return [];
    const [one, comma, other, close] = rest;
    const ends =
      comma?.text === ')'
        ? { first: undefined, end: one }
        : close?.text === ')'
          ? { first: one, end: other }
          : undefined;
    if (!ends) return [];
    const over = lines.findIndex((line, at) => at > index && line.indent <= indent);
    const body = lines.slice(index + 1, over < 0 ? undefined : over);
    return [
      { counter: counter!.text, ...ends, inclusive: undefined, body: body.flatMap((line) => line.tokens) },
    ];
  });
}
