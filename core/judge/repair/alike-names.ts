import type { Edit, Observation } from '../../findings/finding';
import type { Language } from '../../program';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { definitionsIn } from './definitions';
import { closing, LONGEST, tokensOf } from './token-places';
import { holdingsOf, isNumber, type Holdings } from './what-names-hold';

/** A name that stands where one like it may belong. */
export interface OtherName {
  readonly token: Token;
  readonly by: string;
  /** Whether the other one is given and nothing is done with it, which speaks for it. */
  readonly isIdle: boolean;
}

/** A name that a program gives, and what it is the name of, as a text that is the same for what is alike. */
interface Given {
  readonly name: string;
  readonly sort: string;
  /** The token that gives it. */
  readonly token: Token;
  /** Whether only what is done with it tells what it is: a number may be a pin, a time or a count. */
  readonly isPlain: boolean;
}

/** Exchanges of names that are tried in a program; one with more is not mended by trying. */
const MOST_EXCHANGES = 80;
/** Functions that no line calls by their names. */
const ENTRIES = /^(?:setup|loop|main)$/;

/**
 * Each use of a variable, an object or a function, with each other name that the program gives to something of the same
 * sort: another pin that is read, another object that was made in the same way, another function that takes as much.
 */
export function otherNames(source: string, language: Language): readonly OtherName[] {
  const tokens = tokensOf(source, language);
  if (tokens.length > LONGEST) return [];
  const holdings = holdingsOf(tokens, language);
  const given =
    language === 'python'
      ? givenInPython(source, holdings)
      : [...givenInCpp(tokens, holdings), ...givenByDirectives(source, holdings)];
  // What nothing is done with may be the one that is missing, whatever it is.
  const isIdle = ({ name, isPlain, token: own }: Given): boolean =>
    isPlain &&
    tokens.every(({ text, line, column }) => text !== name || (line === own.line && column === own.column));
  // So may one that is only set up.
  const isUnused = ({ name }: Given): boolean =>
    tokens.filter(({ text }, index) => text === name && !isSetUpAt(tokens, index)).length === 1;
  const sorts = [...new Set(given.filter((one) => !isIdle(one)).map(({ sort }) => sort))];
  const uses = usesOf(tokens);
  const found = sorts.flatMap((sort) => {
    const alike = given.filter((one) => one.sort === sort || isIdle(one));
    return alike.length < 2
      ? []
      : tokens.flatMap((token, index): readonly OtherName[] => {
          const own = alike.find(({ name }) => name === token.text);
          if (token.kind !== 'word' || !own || tokens[index - 1]?.text === '.' || isGivenBy(token, given))
            return [];
          // What is given a number is seldom another than meant; what is asked for is.
          const isSet = tokens[index + 1]?.text === '=' && tokens[index + 2]?.kind === 'number';
          const beside = [tokens[index - 2]?.text, tokens[index + 2]?.text];
          return alike
            .filter(({ name }) => name !== own.name && !isSet && !(own.isPlain && beside.includes(name)))
            .filter(
              (other) =>
                !own.isPlain ||
                // What a pin is set up for says nothing of what is done with it.
                tokens[index - 2]?.text === 'pinMode' ||
                areUsedAlike(uses.get(own.name), uses.get(other.name)),
            )
            .map((other) => ({ token, by: other.name, isIdle: isUnused(other) }));
        });
  });
  return found.length > MOST_EXCHANGES ? [] : [...found, ...switchedBy(tokens, given)];
}

/** Whether a name stands where a pin is set up: `pinMode(GREEN, OUTPUT)`, `green.direction = …`. */
const isSetUpAt = (tokens: readonly Token[], index: number): boolean =>
  (tokens[index - 1]?.text === '(' && tokens[index - 2]?.text === 'pinMode') ||
  (tokens[index + 1]?.text === '.' &&
    /^(?:direction|pull|drive_mode|switch_to_\w+)$/.test(tokens[index + 2]?.text ?? ''));

/** What a `switch` goes by, with each other variable: what its cases name is of another sort than what is wrong there. */
const switchedBy = (tokens: readonly Token[], given: readonly Given[]): readonly OtherName[] =>
  tokens.flatMap((token, index) => {
    if (tokens[index - 1]?.text !== '(' || tokens[index - 2]?.text !== 'switch') return [];
    const own = given.find(({ name }) => name === token.text);
    return given
      .filter(({ name, sort }) => own && name !== token.text && sort !== own.sort && !/^enum |\(/.test(sort))
      .map(({ name }) => ({ token, by: name, isIdle: false }));
  });

const isGivenBy = (token: Token, given: readonly Given[]): boolean =>
  given.some((one) => one.token.line === token.line && one.token.column === token.column);

/** What is done with each name: the functions that it is handed to, and what is asked of it. */
function usesOf(tokens: readonly Token[]): ReadonlyMap<string, ReadonlySet<string>> {
  const uses = new Map<string, Set<string>>();
  tokens.forEach((token, index) => {
    if (token.kind !== 'word') return;
    const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
    const use =
      before === '(' && tokens[index - 2]?.kind === 'word'
        ? tokens[index - 2]!.text
        : after === '.'
          ? `.${tokens[index + 2]?.text}`
          : /^(?:[<>]=?|[!=]=)$/.test(after) || /^(?:[<>]=?|[!=]=)$/.test(before)
            ? 'compared'
            : /^(?:\+\+|--|[-+*/%]=?)$/.test(after)
              ? 'reckoned'
              : undefined;
    if (use === undefined || use === 'pinMode') return;
    uses.set(token.text, (uses.get(token.text) ?? new Set()).add(use));
  });
  return uses;
}

/** Whether something is done with both alike; what nothing is done with may be the one that is missing. */
const areUsedAlike = (
  one: ReadonlySet<string> | undefined,
  other: ReadonlySet<string> | undefined,
): boolean => one === undefined || other === undefined || [...one].some((use) => other.has(use));

/** What a value is made by: the function that gives it, or what it is asked of; `undefined` for a number or a sum. */
function makerOf(value: readonly Token[]): string | undefined {
  const rest = value[0]?.text === '!' || value[0]?.text === 'not' ? value.slice(1) : value;
  if (rest[0]?.text === '{' || rest[0]?.text === '[') return 'list';
  const open = rest.findIndex(({ kind, text }) => kind !== 'word' && text !== '.');
  if (rest[0]?.kind !== 'word') return undefined;
  const path = rest.slice(0, open < 0 ? undefined : open).map(({ text }) => text);
  if (open >= 0 && rest[open]!.text === '(') return path.join('');
  return path.length === 3 && open < 0 ? `.${path[2]}` : undefined;
}

const NO_TYPE =
  /^(?:return|else|case|goto|new|delete|throw|using|namespace|class|struct|enum|break|continue)$/;
const QUALIFIER = /^(?:const|static|volatile|constexpr|unsigned)$/;

/** `const int RED = 8;`, `bool a = …, b = …;`, `Servo left;`, `int next(int now) {` */
function givenInCpp(tokens: readonly Token[], holdings: Holdings): readonly Given[] {
  return tokens.flatMap((token, index): readonly Given[] => {
    const before = tokens[index - 1]?.text;
    const taken = takenAt(tokens, index, holdings);
    if (taken) return [taken];
    const named = namedIn(tokens, index);
    if (named.length > 0) return named;
    if (token.kind !== 'word' || NO_TYPE.test(token.text)) return [];
    if (before !== undefined && !/^[;{})]$/.test(before)) return [];
    let at = index;
    while (QUALIFIER.test(tokens[at]?.text ?? '')) at += 1;
    const type = tokens[at];
    const name = tokens[at + 1];
    if (type?.kind !== 'word' || name?.kind !== 'word') return [];
    if (tokens[at + 2]?.text === '(') return functionAt(tokens, at);
    return variablesAt(tokens, at, holdings);
  });
}

/** `bool sound` in the head of a function. */
function takenAt(tokens: readonly Token[], index: number, holdings: Holdings): Given | undefined {
  const [before, type, name, after] = [-1, 0, 1, 2].map((by) => tokens[index + by]);
  const isTaken =
    /^(?:int|long|byte|float|double|bool|boolean|u?int\d+_t|String)$/.test(type!.text) &&
    /^[(,]$/.test(before?.text ?? '') &&
    name?.kind === 'word' &&
    /^[,)]$/.test(after?.text ?? '');
  if (!isTaken) return undefined;
  const sort = isTruth(type!)
    ? 'truth'
    : isNumber(holdings.get(name!.text))
      ? 'number'
      : `${type!.text} ${holdings.get(name!.text) ?? ''}`;
  return { name: name!.text, token: name!, sort, isPlain: true };
}

/** `#define LED 9` */
const givenByDirectives = (source: string, holdings: Holdings): readonly Given[] =>
  definitionsIn(source).map(({ name }) => ({
    name: name.text,
    token: name,
    sort: `#define ${holdings.get(name.text) ?? ''}`,
    isPlain: true,
  }));

/** Whether a type is that of yes and no, which may be made of anything. */
const isTruth = ({ text }: Token): boolean => text === 'bool' || text === 'boolean';

/** `enum State { OFF, ON };` */
function namedIn(tokens: readonly Token[], index: number): readonly Given[] {
  if (tokens[index]!.text !== 'enum') return [];
  const open = tokens.findIndex(({ text }, at) => at > index && text === '{');
  const close = open < 0 || open > index + 3 ? undefined : closing(tokens, open, '{', '}');
  if (close === undefined) return [];
  return tokens
    .slice(open + 1, close)
    .filter(({ kind }, at) => kind === 'word' && /^[{,]$/.test(tokens[open + at]!.text))
    .map((token) => ({ name: token.text, token, sort: `enum ${index}`, isPlain: false }));
}

function functionAt(tokens: readonly Token[], type: number): readonly Given[] {
  const name = tokens[type + 1]!;
  const close = closing(tokens, type + 2, '(', ')');
  if (close === undefined || tokens[close + 1]?.text !== '{' || ENTRIES.test(name.text)) return [];
  const takes = tokens.slice(type + 3, close);
  const count = takes.length === 0 ? 0 : takes.filter(({ text }) => text === ',').length + 1;
  return [{ name: name.text, token: name, sort: `${tokens[type]!.text}(${count})`, isPlain: false }];
}

/** The variables of a declaration whose type stands at an index. */
function variablesAt(tokens: readonly Token[], type: number, holdings: Holdings): readonly Given[] {
  const found: Given[] = [];
  let at = type + 1;
  for (;;) {
    const name = tokens[at];
    const isList = tokens[at + 1]?.text === '[';
    const after = isList ? (closing(tokens, at + 1, '[', ']') ?? at) + 1 : at + 1;
    if (name?.kind !== 'word' || !/^[=,;]$/.test(tokens[after]?.text ?? '')) return found;
    let end = after;
    let depth = 0;
    while (end < tokens.length && !(depth === 0 && /^[,;]$/.test(tokens[end]!.text))) {
      if (/^[([{]$/.test(tokens[end]!.text)) depth += 1;
      if (/^[)\]}]$/.test(tokens[end]!.text)) depth -= 1;
      end += 1;
    }
    const maker = isList ? 'list' : makerOf(tokens.slice(after + 1, end));
    const isPlain =
      maker === undefined &&
      /^(?:int|long|byte|char|float|double|short|bool|boolean|u?int\d+_t|String)$/.test(tokens[type]!.text);
    const held = holdings.get(name.text);
    // A reading may stand where the voltage that is made of it belongs.
    const sort =
      isPlain && isNumber(held)
        ? 'number'
        : isTruth(tokens[type]!)
          ? 'truth'
          : `${tokens[type]!.text} ${held === 'pin' ? held : (maker ?? '')}`;
    found.push({ name: name.text, token: name, sort, isPlain: isPlain || sort === 'truth' });
    if (tokens[end]?.text !== ',') return found;
    at = end + 1;
  }
}

/** `red = digitalio.DigitalInOut(board.D5)`, `a = left.value`, `def next(now):` */
function givenInPython(source: string, holdings: Holdings): readonly Given[] {
  const found: Given[] = [];
  for (const { tokens } of pythonLines(source).lines) {
    const [first, second, third] = tokens;
    if (first?.text === 'def' && second && third?.text === '(') {
      const close = closing(tokens, 2, '(', ')') ?? tokens.length;
      const takes = tokens.slice(3, close);
      const count = takes.length === 0 ? 0 : takes.filter(({ text }) => text === ',').length + 1;
      found.push({ name: second.text, token: second, sort: `def(${count})`, isPlain: false });
    }
    if (first?.kind !== 'word' || second?.text !== '=' || found.some(({ name }) => name === first.text))
      continue;
    const maker = makerOf(tokens.slice(2));
    const held = holdings.get(first.text);
    const sort = maker ?? (isNumber(held) ? 'number' : held);
    found.push({ name: first.text, token: first, sort: `= ${sort ?? ''}`, isPlain: maker === undefined });
  }
  return found;
}

/** What was seen of a build in whose program a name stands in another's place, where a repair writes the other. */
export function ofOtherName(
  seen: Observation | undefined,
  edits: readonly Edit[],
  source: string,
): Observation | undefined {
  const [edit, more] = edits;
  if (!seen || !edit || more || !('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const was = (source.split('\n')[line - 1] ?? '').slice(column - 1, column - 1 + length);
  const isKnown = (['cpp', 'python'] as const).some((language) =>
    otherNames(source, language).some(
      ({ token, by: other }) =>
        token.line === line && token.column === column && token.text === was && other === by,
    ),
  );
  if (!isKnown) return undefined;
  return {
    ...seen,
    line,
    column,
    message: `${seen.message} Line ${line} says “${was}” where “${by}” belongs.`,
    hints: [
      `Which names stand in line ${line}, and what is each of them the name of?`,
      `Line ${line} says “${was}”. Is that the one that is meant?`,
      `Write ${by} instead of ${was} in line ${line}.`,
    ],
  };
}
