import { closing } from '../token-places';
import type { Form } from './form';
import type { Guess, Lacking, Rule } from './guess';

const COST = 1.5;
const OF_BOARD = /^(?:A?\d+|[DA]\d+)$/;

const CLOSES: Readonly<Record<string, string>> = { '[': ']', '(': ')', '{': '}' };

/** A list of pins that lacks one of those that hang on the board: put behind the others. */
function pinsAddedToLists({ tokens, language }: Form, _asked: Form, { unset }: Lacking): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!/^[[({]$/.test(token.text)) return [];
    const close = closing(tokens, index, token.text, CLOSES[token.text]!);
    const last = tokens[close ?? -1];
    const inside = tokens.slice(index + 1, close);
    const pins = inside.filter(({ text }) => OF_BOARD.test(text));
    const isOfPins = inside.every(({ text }) => OF_BOARD.test(text) || /^[,.]$|^board$/.test(text));
    // Two pins between parentheses are what a call is given.
    const isCall =
      token.text === '(' && tokens[index - 1]?.kind === 'word' && tokens[index - 1]!.text !== 'in';
    if (!last || pins.length < 2 || !isOfPins || isCall || last.line !== token.line) return [];
    return unset
      .map((pin) => (language === 'python' && /^\d+$/.test(pin) ? `board.D${pin}` : pin))
      .filter((pin) => !pins.some(({ text }) => text === pin.replace('board.', '')))
      .map((pin) => ({
        edits: [{ line: last.line, column: last.column, length: 0, by: `, ${pin}` }],
        text: `Add ${pin} at the end of the list in line ${token.line}.`,
        cost: COST,
        told: {
          why: `The list in line ${token.line} has no ${pin}.`,
          ask: `How many parts hang on the board, and how many pins are in the list?`,
        },
      }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofPinsListed: readonly Rule[] = [pinsAddedToLists];
