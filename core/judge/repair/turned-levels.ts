import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';

/** A level that is turned before it is written. */
export interface TurnedLevel {
  readonly edit: TextEdit;
  readonly text: string;
}

/** A level that is kept in a variable, and where the statement begins that writes it to a pin. */
interface Kept {
  readonly name: string;
  readonly line: number;
  readonly column: number;
  readonly space: string;
}

/** Levels that are kept in a variable, written to a pin and never changed, each turned before it is written. */
export function turnedLevels(source: string, language: Language): readonly TurnedLevel[] {
  return (language === 'python' ? inPython(source) : inCpp(source)).map(({ name, line, column, space }) => {
    const turn = language === 'python' ? `${name} = not ${name}` : `${name} = !${name};`;
    const by = language === 'python' ? `${turn}\n${space}` : `${turn} `;
    return { edit: { line, column, length: 0, by }, text: `Add ${turn} before line ${line}.` };
  });
}

function inCpp(source: string): readonly Kept[] {
  const { tokens } = tokenize(source);
  return tokens.flatMap((token, index) => {
    const [, , , level, shut] = tokens.slice(index + 1, index + 6);
    const isWritten = token.text === 'digitalWrite' && level?.kind === 'word' && shut?.text === ')';
    return isWritten && staysAsItIs(level.text, tokens)
      ? [{ name: level.text, line: token.line, column: token.column, space: '' }]
      : [];
  });
}

function inPython(source: string): readonly Kept[] {
  const { lines } = pythonLines(source);
  const all = lines.flatMap(({ tokens }) => tokens);
  return lines.flatMap(({ tokens, indent, space }) => {
    const [value, sign, level] = tokens.slice(-3);
    const isWritten = indent > 0 && value?.text === 'value' && sign?.text === '=' && level?.kind === 'word';
    return isWritten && staysAsItIs(level.text, all)
      ? [{ name: level.text, line: tokens[0]!.line, column: tokens[0]!.column, space }]
      : [];
  });
}

/** How a level is given to a variable. */
const LEVEL = /^(?:true|false|HIGH|LOW|True|False)$/;

/** Whether a variable is given a level once, and nothing else ever. */
function staysAsItIs(name: string, tokens: readonly Token[]): boolean {
  const given = tokens.flatMap(({ text }, index) =>
    text === name && tokens[index + 1]?.text === '=' ? (tokens[index + 2] ?? []) : [],
  );
  const isFixed = tokens.some(({ text }, index) => text === name && tokens[index - 2]?.text === 'const');
  return given.length === 1 && LEVEL.test(given[0]!.text) && !isFixed;
}
