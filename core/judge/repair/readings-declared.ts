import type { TextEdit } from '../../findings/finding';
import type { Program } from '../../program';

/** A line put in before another one, with its words for a person. */
export interface Declared {
  readonly edit: TextEdit;
  readonly text: string;
}

/** Calls that give a value, with the type that holds it. */
const GIVES = /\b(analogRead|digitalRead|pulseIn|millis|micros|Serial\.read)\s*\(([^()]*)\)/g;
/** What holds what they give, the usual one first. A reading that is multiplied needs room for what comes of it. */
const TYPES: Readonly<Record<string, readonly string[]>> = {
  analogRead: ['int', 'long'],
  pulseIn: ['long'],
  millis: ['unsigned long'],
  micros: ['unsigned long'],
  'Serial.read': ['char'],
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
  const read = new Set([...source.matchAll(GIVES)].map(([, call]) => call));
  const missing = [...asked.matchAll(GIVES)].filter(([, call]) => !read.has(call));

  const unknown = new Map<string, number>();
  for (const { code, line, column } of problems) {
    const name = /^\w+/.exec((lines[line - 1] ?? '').slice(column - 1))?.[0];
    if (code === 'name-unknown' && name !== undefined && !unknown.has(name)) unknown.set(name, line);
  }
  const declared = (name: string, line: number, type: string, value: string): Declared => {
    const statement = `${type} ${name} = ${value};`;
    const space = /^\s*/.exec(lines[line - 1] ?? '')![0];
    return {
      edit: { line, column: 1, length: 0, by: `${space}${statement}\n` },
      text: `Add ${statement} before line ${line}.`,
    };
  };
  return [...unknown].flatMap(([name, line]) => [
    ...idleIn(source).map(({ type, value }) => declared(name, line, type, value)),
    ...missing.flatMap(([, call = '', given = '']) => {
      const own = inOwnWords(given, asked, source);
      const ways = (TYPES[call] ?? ['int']).map((type) => declared(name, line, type, `${call}(${own})`));
      return call === 'digitalRead'
        ? [...ways, declared(name, line, 'bool', `digitalRead(${own}) == ${levelOf(own, source)}`)]
        : ways;
    }),
    ...workedOut(asked).flatMap(({ type, value, of }) =>
      numbersBefore(source, line)
        .filter((own) => own !== name)
        .map((own) => declared(name, line, type, value.replace(new RegExp(`\\b${of}\\b`, 'g'), own))),
    ),
  ]);
}

interface WorkedOut {
  readonly type: string;
  readonly value: string;
  /** The variable that it is worked out from. */
  readonly of: string;
}

/** What the exercise's own program works out of one variable, with a number of its own: `raw * 5.0 / 1024`. */
function workedOut(asked: string): readonly WorkedOut[] {
  return [...asked.matchAll(/\b(int|long|float|double)\s+\w+\s*=\s*([^;=]+);/g)].flatMap(
    ([, type = '', value = '']): readonly WorkedOut[] => {
      const names = [...value.matchAll(/\b([A-Za-z_]\w*)\b(?!\s*\()/g)].map(([, name]) => name!);
      const [of] = names;
      const isOfOne = of !== undefined && names.every((name) => name === of);
      const isReading = new RegExp(GIVES.source).test(value);
      return isOfOne && /\d/.test(value) && !isReading ? [{ type, value: value.trim(), of }] : [];
    },
  );
}

/** The numbers that a line may use: those declared last before it first, as many as are tried. */
const numbersBefore = (source: string, line: number): readonly string[] =>
  [
    ...source
      .split('\n')
      .slice(0, line - 1)
      .join('\n')
      .matchAll(/(?<!\bconst )\b(?:int|long|float|double)\s+(\w+)\s*[=;,)]/g),
  ]
    .map(([, name]) => name!)
    .reverse()
    .slice(0, MOST_NUMBERS);
const MOST_NUMBERS = 3;

/** The level of a pin whose button is held. */
const levelOf = (pin: string, source: string): string =>
  source.replace(/\s+/g, '').includes(`pinMode(${pin},INPUT_PULLUP)`) ? 'LOW' : 'HIGH';

/** What a program has and does nothing with: a function that gives something, a pin that is only set up as an input. */
function idleIn(source: string): readonly { readonly type: string; readonly value: string }[] {
  const uses = (name: string): number => (source.match(new RegExp(`\\b${name}\\b`, 'g')) ?? []).length;
  const functions = [...source.matchAll(/^(bool|boolean|int|long|float)\s+(\w+)\s*\(\s*\)\s*\{/gm)]
    .filter(([, , name]) => uses(name!) === 1)
    .map(([, type, name]) => ({ type: type!, value: `${name}()` }));
  const inputs = [...source.matchAll(/pinMode\(\s*(\w+)\s*,\s*INPUT(_PULLUP)?\s*\)/g)]
    // Where it is given its number, and where it is set up.
    .filter(([, name]) => uses(name!) <= 2 && /^[A-Za-z]/.test(name!))
    .flatMap(([, name, pull]) => [
      { type: 'int', value: `digitalRead(${name})` },
      { type: 'bool', value: `digitalRead(${name}) == ${pull === undefined ? 'HIGH' : 'LOW'}` },
    ]);
  return [...functions, ...inputs];
}

/** What a call is given, with its pin as this program calls it. */
function inOwnWords(given: string, asked: string, source: string): string {
  const [first = '', ...rest] = given.split(',').map((one) => one.trim());
  // What is worked out, like `pins[n - 1]`, goes by no one name.
  if (!/^\w+$/.test(first)) return given;
  const value = new RegExp(`\\b${first}\\b\\s*=?\\s*(A?\\d+)\\b`).exec(asked)?.[1] ?? first;
  const own = new RegExp(
    `\\b([A-Za-z_]\\w*)\\s*=\\s*${value}\\s*(?=[,;])|#define\\s+(\\w+)\\s+${value}\\b`,
  ).exec(source);
  return [own?.[1] ?? own?.[2] ?? value, ...rest].join(', ');
}
