import { refusal, textRepair, warning, type ProgramProblem } from '../problem';

/** A semicolon straight behind a head such as `if (…)`: what was meant to belong to it stands alone. */
export const emptyBody = (
  { line, column }: { readonly line: number; readonly column: number },
  word: string,
): ProgramProblem =>
  warning(
    'empty-body',
    'fault',
    { line, column },
    `Line ${line}: the semicolon after “${word} (…)” ends it right there. The block below no longer belongs to it and always runs.`,
    [
      `What belongs to the “${word}” in line ${line}?`,
      `There is a semicolon right after the parenthesis on line ${line}.`,
      `Remove the semicolon at column ${column} of line ${line}.`,
    ],
    textRepair(`Remove the semicolon in line ${line}.`, { line, column, length: 1, by: '' }),
  );

/** The same where no compiler takes what follows: an `else` whose `if` has ended, a counter that is gone. */
export const emptyBodyThatStops = (
  place: { readonly line: number; readonly column: number },
  word: string,
): ProgramProblem => ({ ...emptyBody(place, word), stopsCompiler: true });

/** `void loop(); {`: the semicolon ends the head, and the body belongs to nothing. */
export const cutOffBody = ({
  line,
  column,
}: {
  readonly line: number;
  readonly column: number;
}): ProgramProblem =>
  refusal(
    'syntax-semicolon',
    { line, column },
    `Line ${line}: the semicolon ends the function right there, and the block below belongs to nothing.`,
    [
      `Which lines end with a semicolon, and does the first line of a function?`,
      `There is a semicolon between the parentheses and the brace, at column ${column} of line ${line}.`,
      `Remove the semicolon in line ${line}.`,
    ],
    textRepair(`Remove the semicolon in line ${line}.`, { line, column, length: 1, by: '' }),
  );
