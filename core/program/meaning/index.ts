import { diffArrays } from 'diff';
import type { Language } from '../index';
import { statementsOf, type PlainStatement } from './statements';

/** Lines of two programs that do what the other does not, counted from 1. */
export interface MeaningDifference {
  readonly asked: readonly number[];
  readonly built: readonly number[];
}

/** Longest programs that are compared, in statements of both. */
const MOST_STATEMENTS = 4000;

/**
 * Which lines of two programs mean something else: names, numbers that have a name, remarks, space, braces that change
 * nothing, the order of functions and of pins that are set up do not count; nor does another pin, when the wiring has
 * what belongs to it there: `pins` has the pins of the first program with those of the second. Programs that do not
 * compile are compared as far as they can be read.
 */
export function meaningDifference(
  asked: string,
  built: string,
  language: Language,
  pins: ReadonlyMap<string, string> = new Map(),
): MeaningDifference {
  const pinOf = new Map([...pins].map(([own, other]) => [other, own] as const));
  const [wanted, own] = [
    meant(asked, language, (pin) => pin),
    meant(built, language, (pin) => pinOf.get(pin) ?? pin),
  ];
  if (wanted.length + own.length > MOST_STATEMENTS) return { asked: [], built: [] };
  const names = namesBetween(wanted, own);
  const renamed = own.map((statement) => ({
    ...statement,
    words: statement.words.map((word) => names.get(word) ?? word),
    within: names.get(statement.within ?? '') ?? statement.within,
  }));
  const order = [...new Set(wanted.map(({ within }) => within))];
  const differing = difference(inOrder(wanted, order), inOrder(renamed, order), keyOf);
  return { asked: linesOf(differing.asked), built: linesOf(differing.built) };
}

const linesOf = (statements: readonly PlainStatement[]): readonly number[] =>
  [...new Set(statements.flatMap(({ lines }) => lines))].sort((one, other) => one - other);

const keyOf = ({ depth, words }: PlainStatement): string => `${depth} ${words.join(' ')}`;

interface Differing {
  readonly asked: readonly PlainStatement[];
  readonly built: readonly PlainStatement[];
  /** Statements that are the same, in pairs. */
  readonly same: readonly (readonly [asked: PlainStatement, built: PlainStatement])[];
}

function difference(
  asked: readonly PlainStatement[],
  built: readonly PlainStatement[],
  key: (statement: PlainStatement) => string,
): Differing {
  const found = { asked: [] as PlainStatement[], built: [] as PlainStatement[] };
  const same: (readonly [PlainStatement, PlainStatement])[] = [];
  let [mine, theirs] = [0, 0];
  for (const { added, removed, count } of diffArrays(asked.map(key), built.map(key))) {
    if (removed) found.asked.push(...asked.slice(mine, mine + count));
    else if (added) found.built.push(...built.slice(theirs, theirs + count));
    else for (let step = 0; step < count; step += 1) same.push([asked[mine + step]!, built[theirs + step]!]);
    if (!added) mine += count;
    if (!removed) theirs += count;
  }
  return { ...found, same };
}

/** What is outside of functions first, then the functions in an order, with pins that are set up side by side in theirs. */
function inOrder(
  statements: readonly PlainStatement[],
  order: readonly (string | undefined)[],
): readonly PlainStatement[] {
  const place = (within: string | undefined): number => {
    const found = order.indexOf(within);
    return within === undefined ? -1 : found < 0 ? order.length : found;
  };
  const sorted = statements.toSorted((one, other) => place(one.within) - place(other.within));
  const isLoose = ({ words, within, depth }: PlainStatement): boolean =>
    words[0] === 'pinMode' ||
    words[0] === '#include' ||
    (isDeclaration(words) && within === undefined && depth === 0);
  const result: PlainStatement[] = [];
  for (let from = 0; from < sorted.length;) {
    let to = from;
    while (to < sorted.length && isLoose(sorted[to]!) && sorted[to]!.depth === sorted[from]!.depth) to += 1;
    if (to === from) to = from + 1;
    result.push(...sorted.slice(from, to).toSorted((one, other) => (keyOf(one) < keyOf(other) ? -1 : 1)));
    from = to;
  }
  return result;
}

const NAME = /^[A-Za-z_]\w*$/;
const TYPES: ReadonlySet<string> = new Set(
  'const constexpr static volatile unsigned signed int long short char byte bool boolean float double word auto String size_t int8_t uint8_t int16_t uint16_t int32_t uint32_t'.split(
    ' ',
  ),
);
const isDeclaration = (words: readonly string[]): boolean => TYPES.has(words[0]!) && !words.includes('(');

/** The statements of a program in their plainest form: numbers in place of their names, updates written out. */
function meant(source: string, language: Language, pin: (name: string) => string): readonly PlainStatement[] {
  const statements = statementsOf(source, language).map((statement) => ({
    ...statement,
    words: writtenOut(statement.words.map(plainWord)),
  }));
  const constants = constantsOf(statements, language);
  return statements
    .filter(({ words }) => !constants.has(constantIn(words, language)?.name ?? ''))
    .map((statement) => ({
      ...statement,
      words: withPins(
        statement.words.map((word) => constants.get(word) ?? word),
        pin,
      ),
    }));
}

const LEVELS: Readonly<Record<string, string>> = {
  HIGH: '1',
  LOW: '0',
  true: '1',
  false: '0',
  True: '1',
  False: '0',
};

/** A word as all ways to write it: a level as its number, a number by its amount, a text in one kind of quotes. */
function plainWord(word: string): string {
  const level = Object.hasOwn(LEVELS, word) ? LEVELS[word] : undefined;
  if (level !== undefined) return level;
  if (/^'.*'$/s.test(word) && word.length !== 3) return `"${word.slice(1, -1)}"`;
  const number = /^(0[xX][\da-fA-F]+|0[bB][01]+|\d+(?:\.\d+)?(?:[eE]\d+)?)[uUlLfF]*$/.exec(word)?.[1];
  return number === undefined ? word : String(Number(number));
}

/** `x++`, `++x` and `x += 2` as `x = x + 1` and `x = x + 2`. */
function writtenOut(words: readonly string[]): readonly string[] {
  const result: string[] = [];
  for (let at = 0; at < words.length; at += 1) {
    const [word, second, third] = [words[at]!, words[at + 1], words[at + 2]];
    const before = words[at - 1];
    if (
      NAME.test(word) &&
      (second === '+' || second === '-') &&
      third === second &&
      !NAME.test(words[at + 3] ?? '')
    ) {
      result.push(word, '=', word, second, '1');
      at += 2;
    } else if (
      (word === '+' || word === '-') &&
      second === word &&
      NAME.test(third ?? '') &&
      !(before !== undefined && (/^\w+$/.test(before) || before === ')'))
    ) {
      result.push(third!, '=', third!, word, '1');
      at += 2;
    } else if (NAME.test(word) && /^[-+*/%]=$/.test(second ?? '')) {
      result.push(word, '=', word, second![0]!);
      at += 1;
    } else result.push(word);
  }
  return result;
}

/** The name that a statement gives to one word, where it does no more than that. */
function constantIn(
  words: readonly string[],
  language: Language,
): { readonly name: string; readonly value: string } | undefined {
  if (words[0] === '#define' && words.length === 3 && NAME.test(words[1]!))
    return { name: words[1]!, value: words[2]! };
  const [sign, value] = words.slice(-2);
  const name = words.at(-3);
  if (sign !== '=' || name === undefined || value === undefined || !/^\w+(?:\.\d+)?$|^".*"$/s.test(value))
    return undefined;
  const isBare = words.length === 3 && language === 'python';
  const isDeclared = words.length > 3 && words.slice(0, -3).every((word) => TYPES.has(word));
  return NAME.test(name) && (isBare || isDeclared) ? { name, value } : undefined;
}

/** Names that stand for one value all the time. */
function constantsOf(statements: readonly PlainStatement[], language: Language): ReadonlyMap<string, string> {
  const values = new Map<string, string>();
  const set = new Map<string, number>();
  for (const { words } of statements) {
    for (const [index, word] of words.entries())
      if (words[index + 1] === '=' || words[0] === '#define') set.set(word, (set.get(word) ?? 0) + 1);
    // What a pointer or a reference is made of, or a loop or a parameter sets, is no constant.
    for (const [index, word] of words.entries())
      if (
        words[index - 1] === '&' ||
        (words[0] === 'for' && words[index + 1] === 'in') ||
        words[0] === 'global'
      )
        set.set(word, (set.get(word) ?? 0) + 2);
  }
  for (const { words, depth } of statements) {
    const constant = constantIn(words, language);
    if (!constant || (set.get(constant.name) ?? 0) > 1) continue;
    if (depth > 0 && words[0] !== 'const' && words[0] !== 'constexpr') continue;
    values.set(constant.name, constant.value);
  }
  // One constant may be made of another.
  for (const [name, value] of values) if (values.has(value)) values.set(name, values.get(value)!);
  return values;
}

/** Functions of the board whose first argument is a pin. */
const OF_PINS: ReadonlySet<string> = new Set(
  'pinMode digitalWrite digitalRead analogWrite analogRead tone noTone pulseIn attach attachInterrupt digitalPinToInterrupt touchRead'.split(
    ' ',
  ),
);

/** Pins where a word must be one, as the reference has them. */
const withPins = (words: readonly string[], pin: (name: string) => string): readonly string[] =>
  words.map((word, index) => {
    const isFirst =
      words[index - 1] === '(' && OF_PINS.has(words[index - 2] ?? '') && /^[A-Z]?\d+$/.test(word);
    const isOfBoard = words[index - 1] === '.' && words[index - 2] === 'board';
    return isFirst || isOfBoard ? `pin ${pin(word)}` : word;
  });

/** Names of the second program with those of the first that stand in their place. */
function namesBetween(
  asked: readonly PlainStatement[],
  built: readonly PlainStatement[],
): ReadonlyMap<string, string> {
  const namesIn = (statements: readonly PlainStatement[]): ReadonlySet<string> =>
    new Set(statements.flatMap(({ words }) => words.filter((word) => NAME.test(word))));
  const [theirs, own] = [namesIn(asked), namesIn(built)];
  const isFree = (word: string): boolean => NAME.test(word) && theirs.has(word) !== own.has(word);
  const shape = ({ depth, words }: PlainStatement): string =>
    `${depth} ${words.map((word) => (isFree(word) ? '·' : word)).join(' ')}`;
  const votes = new Map<string, number>();
  for (const [one, other] of difference(asked, built, shape).same)
    for (const [index, word] of other.words.entries()) {
      const wanted = one.words[index]!;
      if (word === wanted || !isFree(word) || !isFree(wanted)) continue;
      const pair = `${word} ${wanted}`;
      votes.set(pair, (votes.get(pair) ?? 0) + 1);
    }
  const names = new Map<string, string>();
  const taken = new Set<string>();
  for (const [pair] of [...votes].sort((one, other) => other[1] - one[1])) {
    const [word, wanted] = pair.split(' ') as [string, string];
    if (names.has(word) || taken.has(wanted)) continue;
    names.set(word, wanted);
    taken.add(wanted);
  }
  return names;
}
