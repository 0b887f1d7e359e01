import { refusal, type ProgramProblem } from '../problem';
import type { Span } from '../syntax';

/** Names that other languages and other boards have, each with what is written here. */
const NAMES: Readonly<Record<string, string>> = {
  wait: 'delay',
  sleep: 'delay',
  pause: 'delay',
  println: 'Serial.println',
  print: 'Serial.print',
  integer: 'int',
  var: 'int',
  let: 'int',
  ON: 'HIGH',
  OFF: 'LOW',
  OUT: 'OUTPUT',
  IN: 'INPUT',
  PULLUP: 'INPUT_PULLUP',
  yes: 'true',
  no: 'false',
};

/**
 * What is written here for a name that is known elsewhere, as a problem at its first use; none for other names.
 * `isPin`: whether the board has a pin of that number, which other boards write with a D before it.
 */
export function otherName(
  name: string,
  uses: readonly Span[],
  isPin: (number: string) => boolean,
): ProgramProblem | undefined {
  const number = /^D(\d{1,2})$/.exec(name)?.[1];
  // Of functions the capitals may be others too.
  const known = [name, name.toLowerCase()].find((one) => Object.hasOwn(NAMES, one));
  const meant =
    number !== undefined && isPin(number) ? number : known === undefined ? undefined : NAMES[known];
  const [first] = uses;
  if (meant === undefined || !first) return undefined;
  const { line, column } = first;
  const text = `Write ${meant} instead of ${name} in line ${line}${uses.length > 1 ? ' and wherever else it stands' : ''}.`;
  return refusal(
    'name-unknown',
    { line, column },
    `Line ${line}: “${name}” is not known here. It is written ${meant}.`,
    [
      `How is ${name} written in an example for this board?`,
      `This board does not know ${name}; it knows ${meant}.`,
      text,
    ],
    {
      text,
      edits: uses
        .toSorted((a, b) => b.line - a.line || b.column - a.column)
        .map((use) => ({ replace: { line: use.line, column: use.column, length: name.length, by: meant } })),
    },
  );
}
