import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { exchangeText } from './exchange-text';

/** A change of what a program prints, towards what has to be read. */
export interface PrintedEdit {
  /** From the end, so that the places before stay what they are. */
  readonly edits: readonly TextEdit[];
  readonly text: string;
}

/** A line of a program that prints a text or a number as it is written there. */
interface Print {
  readonly written: Token;
  /** What it says, without quotes. */
  readonly says: string;
  /** The whole statement, and the pause behind it; as it is written. */
  readonly statement: string;
  readonly pause: string;
  /** Behind both of them. */
  readonly line: number;
  readonly column: number;
  readonly space: string;
}

/**
 * Changes of a program that prints texts as they are written: two in each other's places, one that is another than wanted,
 * and one that is missing behind the one that comes before it. `wanted`: what has to be read, in order.
 */
export function printedTexts(
  source: string,
  language: Language,
  wanted: readonly (readonly string[])[],
): readonly PrintedEdit[] {
  if (wanted.length === 0) return [];
  const prints = printsIn(source, language);
  const said = new Set(prints.map(({ says }) => says));
  const asked = [...new Set(wanted.flat())];
  return [
    ...prints.flatMap((one, index) =>
      prints
        .slice(index + 1)
        .filter((other) => other.says !== one.says && asked.includes(one.says) && asked.includes(other.says))
        .map((other) => ({
          edits: [put(other.written, one.written.text), put(one.written, other.written.text)],
          text: exchangeText(one.written.text, one.written.line, other.written.text, other.written.line),
        })),
    ),
    ...prints
      .filter(({ says }) => !asked.includes(says))
      .flatMap(({ written }) =>
        asked
          .filter((text) => !said.has(text))
          .map((text) => {
            const by = likeWritten(written, text);
            return {
              edits: [put(written, by)],
              text: `Write ${by} instead of ${written.text} in line ${written.line}.`,
            };
          }),
      ),
    ...wanted.flatMap((lines) =>
      lines.flatMap((text, at): readonly PrintedEdit[] => {
        const before = prints.find(({ says }) => says === lines[at - 1]);
        if (said.has(text) || !before) return [];
        const statement = before.statement.replace(before.written.text, likeWritten(before.written, text));
        const gap = language === 'python' ? `\n${before.space}` : ' ';
        const by = [statement, before.pause].filter((part) => part !== '').join(gap);
        return [
          {
            edits: [{ line: before.line, column: before.column, length: 0, by: gap + by }],
            text: `Add ${by.replace(/\n\s*/g, ' and ')} after line ${before.line}.`,
          },
        ];
      }),
    ),
  ];
}

const put = ({ line, column, text }: Token, by: string): TextEdit => ({
  line,
  column,
  length: text.length,
  by,
});

/** A text as another one is written: in quotes where that is, unless it has to be. */
const likeWritten = ({ kind, text }: Token, says: string): string =>
  kind === 'number' && /^-?\d+(?:\.\d+)?$/.test(says)
    ? says
    : `${kind === 'text' ? text[0] : '"'}${says}${kind === 'text' ? text[0] : '"'}`;

function printsIn(source: string, language: Language): readonly Print[] {
  const texts = source.split('\n');
  if (language === 'python') {
    const { lines } = pythonLines(source);
    return lines.flatMap(({ tokens, space, indent }, index): readonly Print[] => {
      const [call, open, written, shut, more] = tokens;
      if (call?.text !== 'print' || open?.text !== '(' || shut?.text !== ')' || more || !isWritten(written))
        return [];
      const next = lines[index + 1];
      const isPause =
        next?.indent === indent &&
        /^time \. sleep \(|^sleep \(/.test(next.tokens.map(({ text }) => text).join(' '));
      const end = isPause ? next.tokens.at(-1)! : shut;
      return [
        {
          written,
          says: saysOf(written),
          statement: `print(${written.text})`,
          pause: isPause ? (texts[end.line - 1] ?? '').trim() : '',
          line: end.line,
          column: end.endColumn,
          space,
        },
      ];
    });
  }
  const { tokens } = tokenize(source);
  return tokens.flatMap((token, index): readonly Print[] => {
    const [open, written, shut, end] = tokens.slice(index + 1, index + 5);
    const isPrint = token.text === 'println' && open?.text === '(' && shut?.text === ')' && end?.text === ';';
    if (!isPrint || !isWritten(written)) return [];
    const isPause = tokens[index + 5]?.text === 'delay';
    const last = isPause ? tokens.slice(index + 5).find(({ text }) => text === ';') : end;
    if (!last) return [];
    const pause = isPause
      ? tokens
          .slice(index + 5, tokens.indexOf(last) + 1)
          .map(({ text }) => text)
          .join('')
      : '';
    return [
      {
        written,
        says: saysOf(written),
        statement: `Serial.println(${written.text});`,
        pause,
        line: last.line,
        column: last.endColumn,
        space: '',
      },
    ];
  });
}

const isWritten = (token: Token | undefined): token is Token =>
  token?.kind === 'text' || token?.kind === 'number';
const saysOf = ({ kind, text }: Token): string => (kind === 'text' ? text.slice(1, -1) : text);
