import type { TextEdit } from '../../findings/finding';
import type { Program } from '../../program';

/** A line put in before another one, with its words for a person. */
export interface Declared {
  readonly edit: TextEdit;
  readonly text: string;
}

/** Calls that give a value, with the type that holds it. */
const GIVES = /\b(analogRead|digitalRead|pulseIn|millis|micros)\s*\(([^()]*)\)/g;
const TYPES: Readonly<Record<string, string>> = {
  pulseIn: 'long',
  millis: 'unsigned long',
  micros: 'unsigned long',
};

/**
 * Names that a program uses and never declares, given what the exercise's own program reads and this one does not: the line
 * `long t = pulseIn(echo, HIGH);` was left out. `asked`: the exercise's own program. In C++ only, where a name has to be declared.
 */
export function readingsDeclared(
  { source, language, problems }: Pick<Program, 'source' | 'language' | 'problems'>,
  asked: string,
): readonly Declared[] {
  if (language !== 'cpp') return [];
  const lines = source.split('\n');
  const missing = [...asked.matchAll(GIVES)].filter(
    ([, call]) => !new RegExp(`\\b${call}\\s*\\(`).test(source),
  );
  const unknown = new Map<string, number>();
  for (const { code, line, column } of problems) {
    const name = /^\w+/.exec((lines[line - 1] ?? '').slice(column - 1))?.[0];
    if (code === 'name-unknown' && name !== undefined && !unknown.has(name)) unknown.set(name, line);
  }
  return [...unknown].flatMap(([name, line]) =>
    missing.map(([, call = '', given = '']): Declared => {
      const statement = `${TYPES[call] ?? 'int'} ${name} = ${call}(${inOwnWords(given, asked, source)});`;
      const space = /^\s*/.exec(lines[line - 1] ?? '')![0];
      return {
        edit: { line, column: 1, length: 0, by: `${space}${statement}\n` },
        text: `Add ${statement} before line ${line}.`,
      };
    }),
  );
}

/** What a call is given, with its pin as this program calls it. */
function inOwnWords(given: string, asked: string, source: string): string {
  const [first = '', ...rest] = given.split(',').map((one) => one.trim());
  const value = new RegExp(`\\b${first}\\b\\s*=?\\s*(A?\\d+)\\b`).exec(asked)?.[1] ?? first;
  const own = new RegExp(
    `\\b([A-Za-z_]\\w*)\\s*=\\s*${value}\\s*(?=[,;])|#define\\s+(\\w+)\\s+${value}\\b`,
  ).exec(source);
  return [value === '' ? '' : (own?.[1] ?? own?.[2] ?? value), ...rest].join(', ');
}
