import { lengthsIn } from '../list-ends';
import { isNumber } from '../what-names-hold';
import { isRepeated } from './lines';
import type { Form } from './form';
import { putIn, type Guess, type Rule } from './guess';

const [WRAPPED, PLACES] = [1.5, 1.62];

/** What is counted up to look into a list and never begun again, begun again behind the last entry. */
function placesWrapped(form: Form): readonly Guess[] {
  const { tokens, blocks, holdings, language } = form;
  const lengths = new Set(lengthsIn(tokens, language === 'python' ? ['[', ']'] : ['{', '}']).values());
  if (lengths.size === 0) return [];
  return blocks.filter(isRepeated).flatMap(({ statements }) =>
    statements.flatMap((statement): readonly Guess[] => {
      const [, name = ''] = /^(\w+) ?(?:\+\+|\+= ?1|= ?\1 ?\+ ?1);?$/.exec(statement.text) ?? [];
      const isSetBack = tokens.some(
        ({ text, line }, index) =>
          text === name &&
          tokens[index + 1]?.text === '=' &&
          tokens[index + 2]?.text !== name &&
          line !== statement.first.line &&
          blocks.some(
            (block) => isRepeated(block) && block.statements.some(({ first }) => first.line === line),
          ),
      );
      if (name === '' || isSetBack || !isNumber(holdings.get(name))) return [];
      return [...lengths].map((entries) => {
        const clause =
          language === 'python'
            ? `if ${name} >= ${entries}: ${name} = 0`
            : `if (${name} >= ${entries}) ${name} = 0;`;
        return {
          ...putIn(form, statement, clause, WRAPPED),
          told: {
            why: `Line ${statement.first.line} counts ${name} up and up, and the list ends at place ${entries - 1}.`,
            ask: `What is ${name} after ${entries} rounds, and which places does the list have?`,
          },
        };
      });
    }),
  );
}

/** `rows[i][j]` for `rows[j][i]`. */
const placesExchanged = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const [open, one, shut, next, other, end] = tokens.slice(index + 1, index + 7);
    const isPair =
      token.kind === 'word' &&
      open?.text === '[' &&
      shut?.text === ']' &&
      next?.text === '[' &&
      end?.text === ']';
    if (!isPair || !one || !other || one.text === other.text || end.line !== token.line) return [];
    return [
      {
        edits: [
          { line: other.line, column: other.column, length: other.text.length, by: one.text },
          { line: one.line, column: one.column, length: one.text.length, by: other.text },
        ],
        text: `Exchange ${one.text} and ${other.text} in line ${token.line}.`,
        cost: PLACES,
        told: {
          why: `Line ${token.line} looks for row ${one.text} and place ${other.text} in ${token.text}; it is the other way round.`,
          ask: `What comes first in ${token.text}: which row, or which place in it?`,
        },
      },
    ];
  });

/** The rules of this subject that something in a program speaks for. */
export const ofListsAndPlaces: readonly Rule[] = [placesWrapped, placesExchanged];
