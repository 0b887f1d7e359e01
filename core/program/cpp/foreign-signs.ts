import type { ProgramProblem } from '../problem';
import { TURNED_SIGNS } from '../syntax-wording';
import type { Token } from '../token';
import { exchange, exchangeOf, textOf, touch, type Detector } from './rewriting';
import type { TokenMap } from './token-map';
import { typeWords } from './types';

/** Words with which other languages begin something, each with what is written here for what stands in its parentheses. */
const WORDS: Readonly<Record<string, (given: string) => string>> = {
  repeat: (given) => `for (int i = 0; i < ${given}; i++)`,
  forever: () => 'while (true)',
  when: (given) => `if (${given})`,
  unless: (given) => `if (!(${given}))`,
  until: (given) => `while (!(${given}))`,
};
const NEEDS_NOTHING = 'forever';

function sign({ tokens }: TokenMap, index: number): ProgramProblem | undefined {
  const [token, next, behind] = [tokens[index]!, tokens[index + 1], tokens[index + 2]];
  const found = TURNED_SIGNS.find(([[one, other]]) => token.text === one && next?.text === other);
  const before = tokens[index - 1];
  const isBetween = before !== undefined && before.kind !== 'punctuation' && behind?.kind !== 'punctuation';
  if (!found || !touch(token, next) || !isBetween) return undefined;
  const [written, meant, why] = found;
  const there = written.join('');
  return exchange({ place: token, length: there.length, by: meant, there, shown: meant, why });
}

/** `if (…) then`. */
function then({ tokens, opens }: TokenMap, index: number): ProgramProblem | undefined {
  const token = tokens[index]!;
  const head = tokens[(opens[index - 1] ?? 0) - 1];
  if (token.text.toLowerCase() !== 'then' || tokens[index - 1]?.text !== ')' || head?.text !== 'if')
    return undefined;
  const next = tokens[index + 1];
  const length = next?.line === token.line ? next.column - token.column : token.text.length;
  const why = 'What belongs to an if comes right after its parentheses.';
  return exchange({ place: token, length, by: '', there: token.text, shown: '', why });
}

/** `repeat (5) {`, `forever {`. */
function foreignWord(map: TokenMap, index: number): ProgramProblem | undefined {
  const { tokens } = map;
  const token = tokens[index]!;
  const meant = Object.hasOwn(WORDS, token.text) ? WORDS[token.text] : undefined;
  if (!meant || !['{', '}', ';', ')', 'else'].includes(tokens[index - 1]?.text ?? '')) return undefined;
  const close = tokens[index + 1]?.text === '(' ? map.partner(index + 1) : undefined;
  const last = tokens[close ?? index]!;
  if (tokens[(close ?? index) + 1]?.text !== '{' || last.line !== token.line) return undefined;
  const given = close === undefined ? '' : textOf(tokens.slice(index + 2, close));
  if (given === '' && token.text !== NEEDS_NOTHING) return undefined;
  return exchange({
    place: token,
    length: last.endColumn - token.column,
    by: meant(given),
    there: given === '' ? token.text : `${token.text} (${given})`,
    shown: meant(given),
    why: `This language has no word ${token.text}.`,
  });
}

/** `int steps[] = [1, 2, 3];` and `int steps[] = 1, 2, 3;`: the first values of a list stand in braces. */
function listInOtherBrackets(map: TokenMap, index: number): ProgramProblem | undefined {
  const { tokens } = map;
  const [equals, first] = [tokens[index]!, tokens[index + 1]];
  if (equals.text !== '=' || tokens[index - 1]?.text !== ']' || !first) return undefined;
  const isBracketed = first.text === '[';
  const end = tokens.findIndex(({ text }, at) => at > index && text === ';');
  const last = tokens[end - 1];
  if (!last || last.line !== first.line || first.text === '{') return undefined;
  const inside = isBracketed ? tokens.slice(index + 2, end - 1) : tokens.slice(index + 1, end);
  const isList = inside.length > 1 && inside.every(({ text }, at) => (at % 2 === 1) === (text === ','));
  if (!isList || (isBracketed && last.text !== ']')) return undefined;
  const by = `{${textOf(inside)}}`;
  return exchange({
    place: first,
    length: last.endColumn - first.column,
    by,
    there: textOf(tokens.slice(index + 1, end)),
    shown: by,
    why: 'The first values of a list stand in braces.',
  });
}

/** `int[] steps`: the brackets stand behind the name. */
function bracketsBehindType({ tokens }: TokenMap, index: number): ProgramProblem | undefined {
  const [type, open, close, name] = tokens.slice(index, index + 4);
  if (!type || !typeWords.has(type.text) || open?.text !== '[' || close?.text !== ']') return undefined;
  if (name?.kind !== 'word' || name.line !== type.line) return undefined;
  return exchange({
    place: open,
    length: name.endColumn - open.column,
    by: ` ${name.text}[]`,
    there: `${type.text}[] ${name.text}`,
    shown: `${type.text} ${name.text}[]`,
    why: 'The brackets of a list stand behind its name.',
  });
}

/** `case 'r', 'R':`: a case is for one value. */
function severalInCase({ tokens }: TokenMap, index: number): ProgramProblem | undefined {
  const [token, first, comma] = tokens.slice(index, index + 3);
  if (token?.text !== 'case' || comma?.text !== ',' || !first) return undefined;
  const end = tokens.findIndex(({ text }, at) => at > index && text === ':');
  const values = tokens.slice(index + 1, end);
  if (end < 0 || values.some(({ line }) => line !== token.line)) return undefined;
  const isList = values.every(({ text }, at) => (at % 2 === 1) === (text === ','));
  if (!isList || values.length % 2 === 0) return undefined;
  return casesOf(
    token,
    values[0]!,
    values.at(-1)!,
    textOf(values),
    values.filter((_, at) => at % 2 === 0),
  );
}

/** A case that is written for several values at once. */
export function casesOf(
  place: Token,
  { column }: Pick<Token, 'column'>,
  { endColumn }: Pick<Token, 'endColumn'>,
  there: string,
  values: readonly Pick<Token, 'text'>[],
): ProgramProblem {
  const by = values.map(({ text }) => text).join(': case ');
  return exchange({
    place: { ...place, column },
    length: endColumn - column,
    by,
    there,
    shown: by,
    why: 'A case is for one value; several cases may stand one after the other.',
  });
}

/** `int count == 0;`: a first value is given with one equals sign. */
function comparedFirstValue({ tokens }: TokenMap, index: number): ProgramProblem | undefined {
  const [type, name, equals] = tokens.slice(index, index + 3);
  if (!type || !typeWords.has(type.text) || name?.kind !== 'word' || equals?.text !== '==') return undefined;
  const why = 'A variable gets its first value with one equals sign; two compare.';
  return exchange({ place: equals, length: 2, by: '=', there: '==', shown: '=', why });
}

const FUNCTION_WORDS: ReadonlySet<string> = new Set(['function', 'def', 'func', 'fun', 'sub', 'proc']);

/** `function blink() {`, `def blink() {`. */
const foreignFunction: Detector = ({ tokens }, index) => {
  const [word, name, open] = tokens.slice(index, index + 3);
  if (!word || !FUNCTION_WORDS.has(word.text) || name?.kind !== 'word' || open?.text !== '(')
    return undefined;
  const why = 'A function begins with the type of what it gives back, void when that is nothing.';
  return exchangeOf([word, name], { by: `void ${name.text}`, why });
};

/** Words that begin a line of the language. */
const isOfLanguage = (token: Token): boolean =>
  typeWords.has(token.text) ||
  /^(?:else|return|case|goto|using|typedef|enum|struct|class|public|private|unsigned|extern|virtual|template|do)$/.test(
    token.text,
  );

/** `my first program`: a comment without its slashes. */
const bareComment: Detector = ({ tokens }, index) => {
  const first = tokens[index]!;
  const before = tokens[index - 1];
  if (!first.startsLine || isOfLanguage(first) || (before && !';}{'.includes(before.text))) return undefined;
  const end = tokens.findIndex((token, at) => at > index && token.startsLine);
  const line = tokens.slice(index, end < 0 ? tokens.length : end);
  if (line.length < 3 || line.some((token) => token.kind !== 'word' || isOfLanguage(token))) return undefined;
  const there = textOf(line);
  return exchange({
    place: first,
    length: 0,
    by: '// ',
    there,
    shown: `// ${there}`,
    why: 'A comment begins with two slashes.',
  });
};

/** Signs and words that come from other languages. */
export const foreignSigns: readonly Detector[] = [
  sign,
  then,
  foreignWord,
  listInOtherBrackets,
  bracketsBehindType,
  severalInCase,
  comparedFirstValue,
  foreignFunction,
  bareComment,
];
