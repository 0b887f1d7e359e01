import type { Token } from '../../program/token';
import { TAKES_PIN } from './pin-functions';

/** Where a program gives a pin the place of it in a list, with what stands at that place. */
export interface PlaceAsPin {
  readonly token: Token;
  readonly by: string;
}

/** Functions that take a pin first and are given what a loop counts with, where there is a list that has the pins. */
export function placesAsPins(tokens: readonly Token[]): readonly PlaceAsPin[] {
  const counters = new Set(
    tokens.flatMap(({ text }, index) =>
      text === 'for' && tokens[index + 1]?.text === '(' && tokens[index + 2]?.kind === 'word'
        ? [tokens[index + (tokens[index + 3]?.kind === 'word' ? 3 : 2)]!.text]
        : [],
    ),
  );
  // So are the names that places of a list are looked up with: `states[which]`.
  for (const [index, { kind, text }] of tokens.entries())
    if (kind === 'word' && tokens[index - 1]?.text === '[' && tokens[index + 1]?.text === ']')
      counters.add(text);
  const lists = [
    ...new Set(
      tokens.flatMap(({ kind, text }, index) =>
        kind === 'word' && tokens[index + 1]?.text === '[' && isFilled(tokens, index + 1) ? [text] : [],
      ),
    ),
  ];
  return tokens.flatMap((token, index) =>
    counters.has(token.text) &&
    tokens[index - 1]?.text === '(' &&
    TAKES_PIN.test(tokens[index - 2]?.text ?? '') &&
    /^[,)]$/.test(tokens[index + 1]?.text ?? '')
      ? lists.map((list) => ({ token, by: `${list}[${token.text}]` }))
      : [],
  );
}

/** Whether the brackets at a place are those of a list that is given its numbers there: `pins[] = {4, 5}`. */
function isFilled(tokens: readonly Token[], open: number): boolean {
  const close = tokens.findIndex(({ text }, index) => index > open && text === ']');
  return tokens[close + 1]?.text === '=' && tokens[close + 2]?.text === '{';
}
