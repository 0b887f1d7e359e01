import type { Token } from '../../../program/token';
import { closing, listNameBefore } from '../token-places';
import { isNumber } from '../what-names-hold';
import { isRepeated } from './lines';
import type { Form } from './form';
import { putIn, type Guess } from './guess';

const [WRAPPED, PLACES] = [1.5, 1.62];

/** How many entries each list has, and in which names it is looked into. */
function listsIn({ tokens, language }: Form): readonly { readonly name: string; readonly entries: number }[] {
  const [opener, closer] = language === 'python' ? ['[', ']'] : ['{', '}'];
  return tokens.flatMap(({ text }, index) => {
    if (text !== '=' || tokens[index + 1]?.text !== opener) return [];
    const close = closing(tokens, index + 1, opener!, closer!);
    const name = nameBefore(tokens, index);
    if (close === undefined || name === undefined) return [];
    let [depth, commas] = [0, 0];
    for (const { text: sign } of tokens.slice(index + 2, close)) {
      if (/^[([{]$/.test(sign)) depth += 1;
      if (/^[)\]}]$/.test(sign)) depth -= 1;
      if (sign === ',' && depth === 0) commas += 1;
    }
    const entries = close === index + 2 ? 0 : commas + (tokens[close - 1]!.text === ',' ? 0 : 1);
    return entries > 1 ? [{ name, entries }] : [];
  });
}

/** The name of a list before its sign of assignment, whatever brackets stand between. */
function nameBefore(tokens: readonly Token[], at: number): string | undefined {
  let end = at;
  while (tokens[end - 1]?.text === ']' && tokens[end - 2]?.text !== '[') end -= 3;
  return end === at
    ? listNameBefore(tokens, at)
    : tokens[end - 1]?.text === ']'
      ? tokens[end - 3]?.text
      : tokens[end - 1]?.text;
}

/** What is counted up to look into a list and never begun again, begun again behind the last entry. */
export function placesWrapped(form: Form): readonly Guess[] {
  const { tokens, blocks, holdings, language } = form;
  const lists = listsIn(form);
  if (lists.length === 0) return [];
  return blocks.filter(isRepeated).flatMap(({ statements }) =>
    statements.flatMap((statement): readonly Guess[] => {
      const [, name = ''] = /^(\w+) ?(?:\+\+|\+= ?1|= ?\1 ?\+ ?1);?$/.exec(statement.text) ?? [];
      const isSetBack = tokens.some(
        ({ text, startsLine, line }, index) =>
          text === name &&
          tokens[index + 1]?.text === '=' &&
          tokens[index + 2]?.text !== name &&
          (startsLine || tokens[index - 1]?.text !== undefined) &&
          line !== statement.first.line &&
          blocks.some(
            (block) => isRepeated(block) && block.statements.some(({ first }) => first.line === line),
          ),
      );
      if (name === '' || isSetBack || !isNumber(holdings.get(name))) return [];
      return [...new Set(lists.map(({ entries }) => entries))].map((entries) => {
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
export const placesExchanged = ({ tokens }: Form): readonly Guess[] =>
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
