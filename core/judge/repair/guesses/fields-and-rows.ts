import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';

const [FIELD, ROWS] = [1.66, 1.66];
/** Rows of a list of which two are tried in each other’s places. */
const MOST_ROWS = 6;

/** `steps[i].pin` for `steps[i].time`: another field of the same struct. */
function otherFields({ tokens, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const structs = tokens.flatMap(({ text }, index) => {
    const open = text === 'struct' && tokens[index + 2]?.text === '{' ? index + 2 : undefined;
    const close = open === undefined ? undefined : closing(tokens, open, '{', '}');
    if (open === undefined || close === undefined) return [];
    const fields = tokens
      .slice(open + 1, close)
      .filter(({ kind }, at, inside) => kind === 'word' && inside[at + 1]?.text === ';');
    return [fields.map((field) => field.text)];
  });
  return tokens.flatMap((token, index): readonly Guess[] => {
    const fields =
      tokens[index - 1]?.text === '.' ? structs.find((one) => one.includes(token.text)) : undefined;
    return (fields ?? [])
      .filter((field) => field !== token.text)
      .map((field) => ({
        ...written(token, field, FIELD),
        told: {
          why: `Line ${token.line} takes ${token.text}, and ${field} is something else.`,
          ask: `What is in ${token.text}, and what is in ${field}?`,
        },
      }));
  });
}

/** Two rows of a list of rows, in each other’s places. */
function rowsExchanged({ tokens, source, language }: Form): readonly Guess[] {
  const [opener, closer] = language === 'python' ? ['[', ']'] : ['{', '}'];
  const inner = language === 'python' ? /^[[(]$/ : /^[{]$/;
  const lines = source.split('\n');
  return tokens.flatMap(({ text }, index): readonly Guess[] => {
    if (text !== opener || tokens[index - 1]?.text !== '=' || !inner.test(tokens[index + 1]?.text ?? ''))
      return [];
    const end = closing(tokens, index, opener, closer!) ?? index;
    const rows: { readonly first: Token; readonly last: Token; readonly text: string }[] = [];
    for (let at = index + 1; at < end; at += 1) {
      const open = tokens[at]!.text;
      if (!inner.test(open)) continue;
      const close = closing(tokens, at, open, open === '(' ? ')' : open === '[' ? ']' : '}');
      const [first, last] = [tokens[at]!, close === undefined ? undefined : tokens[close]];
      if (!last || first.line !== last.line) return [];
      rows.push({
        first,
        last,
        text: (lines[first.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1),
      });
      at = close!;
    }
    if (rows.length < 2 || rows.length > MOST_ROWS) return [];
    return rows.flatMap((one, at) =>
      rows.slice(at + 1).flatMap((other): readonly Guess[] =>
        one.text === other.text
          ? []
          : [
              {
                edits: [
                  {
                    line: other.first.line,
                    column: other.first.column,
                    length: other.text.length,
                    by: one.text,
                  },
                  { line: one.first.line, column: one.first.column, length: one.text.length, by: other.text },
                ],
                text:
                  one.first.line === other.first.line
                    ? `Exchange ${one.text} and ${other.text} in line ${one.first.line}.`
                    : `Exchange ${one.text} in line ${one.first.line} and ${other.text} in line ${other.first.line}.`,
                cost: ROWS,
                told: {
                  why: `${one.text} and ${other.text} are in each other’s places in the list.`,
                  ask: `In which order are the rows of the list gone through?`,
                },
              },
            ],
      ),
    );
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofFieldsAndRows: readonly Rule[] = [otherFields, rowsExchanged];
