import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import type { Form } from './form';
import { written, type Guess } from './guess';

const [FIELD, ROWS, SIDES] = [1.66, 1.66, 1.605];
/** Rows of a list of which two are tried in each other’s places. */
const MOST_ROWS = 6;

/** `steps[i].pin` for `steps[i].time`: another field of the same struct. */
export function otherFields({ tokens, language }: Form): readonly Guess[] {
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
export function rowsExchanged({ tokens, source, language }: Form): readonly Guess[] {
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

/** `on ? LOW : HIGH`: both sides of a choice in each other’s places. */
export const sidesExchanged = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const [one, colon, other] = tokens.slice(index + 1, index + 4);
    const isPlain = one && other && colon?.text === ':' && /^(?:word|number)$/.test(one.kind);
    if (token.text !== '?' || !isPlain || one.text === other.text || one.line !== other.line) return [];
    return [
      {
        edits: [written(other, one.text, 0).edits[0]!, written(one, other.text, 0).edits[0]!],
        text: `Exchange ${one.text} and ${other.text} in line ${one.line}.`,
        cost: SIDES,
        told: {
          why: `Line ${one.line} gives ${one.text} where the answer is yes, and ${other.text} where it is no; it is the other way round.`,
          ask: `Which of ${one.text} and ${other.text} does line ${one.line} give when the answer is yes?`,
        },
      },
    ];
  });

/** `micros()` in a program that reckons in `millis()`, and the other way round. */
export function clocksAlike({ tokens }: Form): readonly Guess[] {
  const read = tokens.filter(
    ({ text }, index) => /^(?:millis|micros)$/.test(text) && tokens[index + 1]?.text === '(',
  );
  const sorts = new Set(read.map(({ text }) => text));
  return sorts.size < 2
    ? []
    : read.map((token) => ({
        ...written(token, token.text === 'millis' ? 'micros' : 'millis', CLOCK),
        told: {
          why: `Line ${token.line} counts in ${token.text === 'millis' ? 'milliseconds' : 'millionths of a second'}, and the moment beside it is taken in other units.`,
          ask: `In which units does each clock of the program count?`,
        },
      }));
}
const CLOCK = 1.3;
