import { refusal, type ProgramProblem } from '../problem';
import type { Token } from '../token';
import { exchangeOf, isValue, touch, type Detector } from './rewriting';
import type { TokenMap } from './token-map';
import { typeWords } from './types';

const isType = (token: Token | undefined): boolean => token !== undefined && typeWords.has(token.text);

/** `const lamp = 13;`: a constant without its type. */
const constantWithoutType: Detector = ({ tokens }, index) => {
  const [word, name, equals, value] = tokens.slice(index, index + 4);
  if (word?.text !== 'const' || name?.kind !== 'word' || isType(name)) return undefined;
  if (equals?.text !== '=' || !isValue(value) || isType(tokens[index - 1])) return undefined;
  const by = `const ${typeOf(value)} ${name.text}`;
  return exchangeOf([word, name], { by, why: 'A constant has a type too.' });
};

function typeOf({ text }: Token): string {
  if (text.startsWith('"')) return 'String';
  if (text.startsWith("'")) return 'char';
  if (text === 'true' || text === 'false') return 'bool';
  return /^\d*\.\d/.test(text) ? 'float' : 'int';
}

/** `int lamp := 13;`, `int lamp -> 13;`: another sign before the first value. */
const otherSignForFirstValue: Detector = ({ tokens }, index) => {
  const [type, name, ...rest] = tokens.slice(index, index + 5);
  if (!isType(type) || name?.kind !== 'word' || isType(name)) return undefined;
  const sign = rest[0]?.text === ':' && rest[1]?.text === '=' ? rest.slice(0, 2) : rest.slice(0, 1);
  const isOther = sign.length === 2 || ['->', '<-', '=:'].includes(sign[0]?.text ?? '');
  if (!isOther || !isValue(rest[sign.length])) return undefined;
  return exchangeOf(sign, { by: '=', why: 'A variable gets its first value with one equals sign.' });
};

/** `int lamp 13;`: a first value without any sign. */
const signOfFirstValueMissing: Detector = ({ tokens }, index) => {
  const [type, name, value, end] = tokens.slice(index, index + 4);
  if (!isType(type) || name?.kind !== 'word' || isType(name) || touch(name, value)) return undefined;
  if (value?.kind !== 'number' || end?.text !== ';') return undefined;
  const by = `${name.text} = ${value.text}`;
  return exchangeOf([name, value], { by, why: 'A variable gets its first value with an equals sign.' });
};

/** A name that is none, in the places where it stands: what it is written as, and how it can be called. */
function named(
  first: Token,
  { there, by, why }: { readonly there: string; readonly by: string; readonly why: string },
  places: readonly (readonly [Token, Token])[],
): ProgramProblem {
  const { line, column } = first;
  const text = `Write ${by} instead of ${there} in line ${line}${places.length > 1 ? ' and wherever else it stands' : ''}.`;
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: “${there}” cannot be a name. ${why}`,
    [`Which signs may a name be made of?`, `Look at “${there}” in line ${line}. ${why}`, text],
    {
      text,
      edits: places.toReversed().map(([from, to]) => ({
        replace: { line: from.line, column: from.column, length: to.endColumn - from.column, by },
      })),
    },
  );
}

/** Where these tokens stand side by side with nothing between them. */
const placesOf = ({ tokens }: TokenMap, parts: readonly string[]): readonly (readonly [Token, Token])[] =>
  tokens.flatMap((token, at) => {
    const here = tokens.slice(at, at + parts.length);
    const isHere =
      here.length === parts.length &&
      here.every(
        ({ text }, part) => text === parts[part] && (part === 0 || touch(here[part - 1], here[part])),
      );
    return isHere ? [[token, here.at(-1)!] as const] : [];
  });

/** `int 2lamp = 13;`: a name that begins with a digit. */
const nameFromDigit: Detector = (map, index) => {
  const [type, number, word, behind] = map.tokens.slice(index, index + 4);
  if (!isType(type) || number?.kind !== 'number' || word?.kind !== 'word' || !touch(number, word))
    return undefined;
  if (!['=', ';', '[', ',', '('].includes(behind?.text ?? '')) return undefined;
  const there = number.text + word.text;
  const by = there.replace(/^(\d+)_?(.*)$/, '$2$1');
  const why = 'A name does not begin with a digit.';
  return named(number, { there, by, why }, placesOf(map, [number.text, word.text]));
};

/** `int my-lamp = 13;`: a name with a minus in it. */
const nameWithMinus: Detector = (map, index) => {
  const [type, first, minus, second, behind] = map.tokens.slice(index, index + 5);
  if (!isType(type) || first?.kind !== 'word' || isType(first) || minus?.text !== '-') return undefined;
  if (!isValue(second) || !touch(first, minus) || !touch(minus, second)) return undefined;
  if (!['=', ';', '['].includes(behind?.text ?? '')) return undefined;
  const parts = [first.text, '-', second.text];
  const why = 'The sign - takes one number away from another, so no name has it.';
  return named(
    first,
    { there: parts.join(''), by: `${first.text}_${second.text}`, why },
    placesOf(map, parts),
  );
};

/** `int a = 1, int b = 2;`: the type is said once. */
const typeTwice: Detector = (map, index) => {
  const { tokens } = map;
  const [comma, type, name] = tokens.slice(index, index + 3);
  if (comma?.text !== ',' || !type || !isType(type) || name?.kind !== 'word' || isType(name))
    return undefined;
  const start = map.statementStart(index);
  const before = tokens.slice(start, index);
  if (!isType(before[0]) || before.some(({ text }) => text === '(' || text === '{')) return undefined;
  const why = 'The type stands once before the first name; after a comma comes only the next name.';
  return exchangeOf([comma, type, name], { by: `, ${name.text}`, why });
};

const LIST_WORDS: ReadonlySet<string> = new Set(['array', 'Array', 'list', 'List']);

/** `array leds = {2, 3};`: a list is one of values of a type. */
const listWord: Detector = ({ tokens }, index) => {
  const [word, name, ...rest] = tokens.slice(index, index + 8);
  if (!word || !LIST_WORDS.has(word.text) || name?.kind !== 'word' || word.line !== name.line)
    return undefined;
  const hasBrackets = rest[0]?.text === '[';
  if (!hasBrackets && !(rest[0]?.text === '=' && ['{', '['].includes(rest[1]?.text ?? ''))) return undefined;
  return exchangeOf([word, name], {
    by: `int ${name.text}${hasBrackets ? '' : '[]'}`,
    why: 'A list is declared with the type of its values, and brackets behind its name.',
  });
};

/** `void blink(int pin; int times) {`: what a function is given is separated by commas. */
const semicolonInHead: Detector = ({ tokens }, index) => {
  const [type, name, semicolon, next] = tokens.slice(index, index + 4);
  if (!isType(type) || name?.kind !== 'word' || semicolon?.text !== ';' || !isType(next)) return undefined;
  const before = tokens[index - 1];
  const called = tokens[index - 2];
  if (before?.text !== '(' || called?.kind !== 'word' || called.text === 'for') return undefined;
  return exchangeOf([semicolon], { by: ',', why: 'What a function is given is separated by commas.' });
};

/** `blink(int 13);`, `digitalWrite(int lamp, HIGH);`: a call says no types. */
const typeInCall: Detector = (map, index) => {
  const { tokens } = map;
  const [type, value, behind] = tokens.slice(index, index + 3);
  if (!type || !isType(type) || !isValue(value) || isType(value) || !/^[,)]$/.test(behind?.text ?? ''))
    return undefined;
  const start = map.statementStart(index);
  const isCall = tokens[start]?.kind === 'word' && !isType(tokens[start]) && tokens[start + 1]?.text === '(';
  const close = isCall ? map.partner(start + 1) : undefined;
  if (close === undefined || tokens[close + 1]?.text !== ';' || tokens[start]!.text === 'for')
    return undefined;
  return exchangeOf([type, value], {
    by: value.text,
    why: 'Where a function is called, only the values stand.',
  });
};

/** `void blink(13);`: a call says no type either. */
const typeBeforeCall: Detector = (map, index) => {
  const { tokens } = map;
  const [type, name, open, first] = tokens.slice(index, index + 4);
  if (type?.text !== 'void' || name?.kind !== 'word' || open?.text !== '(' || !first || isType(first))
    return undefined;
  const close = map.partner(index + 2);
  if (close === undefined || tokens[close + 1]?.text !== ';' || !isValue(first)) return undefined;
  const why = 'The type stands where a function is written, not where it is called.';
  return exchangeOf([type, name], { by: name.text, why });
};

/** Declarations that are not written as such: types, names and first values. */
export const declarationSlips: readonly Detector[] = [
  constantWithoutType,
  otherSignForFirstValue,
  signOfFirstValueMissing,
  nameFromDigit,
  nameWithMinus,
  typeTwice,
  listWord,
  semicolonInHead,
  typeInCall,
  typeBeforeCall,
];
