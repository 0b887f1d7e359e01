import type { Form } from './form';
import type { Guess, Rule } from './guess';

const COST = 1.66;

/** An expression that a variable was given already and that is worked out once more, by its name: what is read from a line is read once. */
function readOnceOnly({ tokens, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [sign, first] = [tokens[index + 1], tokens[index + 2]];
    if (token.kind !== 'word' || sign?.text !== '=' || first?.kind !== 'word') return [];
    const stop = tokens.findIndex(({ text }, at) => at > index && text === ';');
    const value = tokens.slice(index + 2, stop);
    const isCall = value.at(-1)?.text === ')' && value.some(({ text }) => text === '(');
    if (!isCall || value.some(({ line }) => line !== token.line)) return [];
    const words = value.map(({ text }) => text).join(' ');
    return tokens.flatMap((other, at): readonly Guess[] => {
      const again = tokens.slice(at, at + value.length);
      const last = again.at(-1);
      if (
        at <= stop ||
        !last ||
        last.line !== other.line ||
        again.map(({ text }) => text).join(' ') !== words
      )
        return [];
      const length = last.endColumn - other.column;
      return [
        {
          edits: [{ line: other.line, column: other.column, length, by: token.text }],
          text: `Write ${token.text} instead of ${words.replace(/ /g, '')} in line ${other.line}.`,
          cost: COST,
        },
      ];
    });
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofReadTwice: readonly Rule[] = [readOnceOnly];
