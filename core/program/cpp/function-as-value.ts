import { refusal, textRepair, type ProgramProblem } from '../problem';
import type { Span } from '../syntax';

/** `blink;`, `x = millis;`: a function without its parentheses. `isOfNothing`: whether it is given nothing. */
export function functionAsValue(
  name: string,
  { line, column }: Pick<Span, 'line' | 'column'>,
  isOfNothing: boolean,
): ProgramProblem {
  const text = isOfNothing ? `Write ${name}() instead of ${name} in line ${line}.` : undefined;
  return refusal(
    'arguments',
    { line, column },
    `Line ${line}: ${name} is a function; without parentheses it does nothing.`,
    [
      `How is ${name} called elsewhere?`,
      `In line ${line} nothing stands behind ${name}.`,
      text ?? `Write ${name}( ) with what it is given in line ${line}.`,
    ],
    text ? textRepair(text, { line, column, length: name.length, by: `${name}()` }) : undefined,
  );
}
