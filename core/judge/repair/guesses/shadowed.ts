import type { Form } from './form';
import type { Guess, Rule } from './guess';

const COST = 1.58;
const QUALIFIER = /^(?:const|static|volatile|unsigned|signed)$/;
const TYPE =
  /^(?:int|long|short|byte|word|char|float|double|bool|boolean|String|u?int\d+_t|size_t|unsigned)$/;

/** `int position = …;` in a block, where the program has a `position` already: without its type it is that one. */
function shadowsLeftOut({ tokens, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const outer = new Set<string>();
  let depth = 0;
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.text === '{') depth += 1;
    if (token.text === '}') depth -= 1;
    const after = tokens[index + 1]?.text ?? '';
    const type = tokens[index - 1];
    if (token.kind !== 'word' || !type || !TYPE.test(type.text) || !/^(?:=|;|\[)$/.test(after)) return [];
    if (depth === 0) {
      outer.add(token.text);
      return [];
    }
    if (after !== '=' || !outer.has(token.text)) return [];
    let first = index - 1;
    while (QUALIFIER.test(tokens[first - 1]?.text ?? '')) first -= 1;
    const from = tokens[first]!;
    // The counter of a loop is its own.
    if (tokens[first - 1]?.text === '(' || from.line !== token.line) return [];
    const { line } = token;
    const declared = tokens
      .slice(first, index)
      .map(({ text }) => text)
      .join(' ');
    return [
      {
        edits: [{ line, column: from.column, length: token.column - from.column, by: '' }],
        text: `Remove ${declared} from line ${line}.`,
        cost: COST,
        told: {
          why: `Line ${line} makes a new ${token.text} that is gone at the end of its block; the ${token.text} at the top of the program stays as it is.`,
          ask: `How many variables called ${token.text} are there, and which of them does line ${line} set?`,
        },
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofShadowed: readonly Rule[] = [shadowsLeftOut];
