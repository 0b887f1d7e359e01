import type { Edit, Observation } from '../../findings/finding';

const WHOLE = /^(?:unsigned )?(?:int|long|short|byte|char|word|u?int\d+_t)$/;

/** The finding that a number with decimals in the place of a whole one is evidence of, in a variable or what a function gives. */
export function findingOfType(edit: Edit, source: string): Observation | undefined {
  if (!('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const text = source.split('\n')[line - 1] ?? '';
  const word = text.slice(column - 1, column - 1 + length);
  const [, name, bracket] = /^\s*(\w+)\s*(\(?)/.exec(text.slice(column - 1 + length)) ?? [];
  if (!WHOLE.test(word) || !/^(?:float|double)$/.test(by) || name === undefined) return undefined;
  const makes = bracket === '(' ? `lets ${name} give back whole numbers` : `makes ${name} a whole number`;
  return {
    code: 'integer-division',
    severity: 'fault',
    line,
    column,
    message: `Line ${line} ${makes} (${word}), so whatever is behind the point is lost.`,
    hints: [
      `Which numbers can ${bracket === '(' ? `${name} give back` : `${name} hold`}?`,
      `${word} in line ${line} only keeps whole numbers.`,
      `Write ${by} instead of ${word} in line ${line}.`,
    ],
  };
}
