import type { Form } from './form';
import type { Guess, Rule } from './guess';

const COST = 1.2;

/** `n =+ 5`, which is `n = 5` with a sign before the number, where `n += 5` is meant; the same of `=-`. */
function addedToItself({ tokens }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [name, sign, value] = [tokens[index - 1], tokens[index + 1], tokens[index + 2]];
    const isOneSign =
      token.text === '=' &&
      /^[+-]$/.test(sign?.text ?? '') &&
      sign!.line === token.line &&
      sign!.column === token.endColumn;
    // A number may be below zero; none is written with a plus sign.
    const isNegative = sign?.text === '-' && value?.column === sign.endColumn;
    if (!isOneSign || name?.kind !== 'word' || !value || isNegative) return [];
    const meant = `${sign!.text}=`;
    return [
      {
        edits: [{ line: token.line, column: token.column, length: 2, by: meant }],
        text: `Write ${meant} instead of =${sign!.text} in line ${token.line}.`,
        cost: COST,
        told: {
          why: `Line ${token.line} gives ${name.text} a new value: =${sign!.text} is = and then a sign before the number. What ${sign!.text === '+' ? 'adds to' : 'takes from'} ${name.text} is ${meant}.`,
          ask: `What does =${sign!.text} in line ${token.line} do to ${name.text}?`,
        },
      },
    ];
  });
}

/** The rule of this subject that something in a program speaks for. */
export const ofSignsTurned: readonly Rule[] = [addedToItself];
