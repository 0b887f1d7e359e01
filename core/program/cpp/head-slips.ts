import { refusal } from '../problem';
import type { Token } from '../token';
import { exchange, exchangeOf, isValue, textOf, type Detector } from './rewriting';

const ASKING: ReadonlySet<string> = new Set(['if', 'while']);
const JOINING: ReadonlySet<string> = new Set(['&&', '||', 'and', 'or']);
const COMPARING: ReadonlySet<string> = new Set(['==', '!=', '<', '>', '<=', '>=']);

/** Index of the token that closes the bracket at `open`, with brackets of its own kind inside. */
function closing(tokens: readonly Token[], open: number): number | undefined {
  const [opens, closes] = [tokens[open]!.text, { '(': ')', '[': ']', '{': '}' }[tokens[open]!.text]];
  for (let at = open, depth = 0; at < tokens.length; at += 1) {
    if (tokens[at]!.text === opens) depth += 1;
    if (tokens[at]!.text === closes && (depth -= 1) === 0) return at;
  }
  return undefined;
}

/** `if (i % 3 = 2)`: what is reckoned cannot be set. A name by itself can, and is told of where the program is read. */
const reckonedAndSet: Detector = ({ tokens }, index) => {
  if (tokens[index]!.text !== '=') return undefined;
  let depth = 0;
  let isReckoned = false;
  let asking = index - 1;
  for (; asking >= 0; asking -= 1) {
    const { text } = tokens[asking]!;
    if (/^[;{}]$/.test(text)) return undefined;
    if (text === ')' || text === ']') depth += 1;
    if (text === '(' || text === '[') depth -= 1;
    if (depth < 0 || (depth === 0 && JOINING.has(text))) break;
    if (depth === 0 && /^[-+*/%]$/.test(text)) isReckoned = true;
  }
  const [sign, word] = [tokens[asking]?.text ?? '', tokens[asking - 1]?.text ?? ''];
  if (!isReckoned || !(JOINING.has(sign) || (sign === '(' && ASKING.has(word)))) return undefined;
  const why = 'One = sets a value; comparing takes two.';
  return isReckoned
    ? exchangeOf([tokens[index]!], { by: '==', why, code: 'assign-in-condition' })
    : undefined;
};

/** How other languages count, each with how it is written here. */
const COUNTS: readonly (readonly [pattern: RegExp, written: (found: readonly string[]) => string])[] = [
  [
    /^\(?(?:int |auto )?(\w+) in range\((?:(\w+), )?(\w+)\)\)?$/,
    ([, name = '', from = '0', to = '']) => `(int ${name} = ${from || '0'}; ${name} < ${to}; ${name}++)`,
  ],
  [
    /^\(?(?:int |auto )?(\w+) in (\d+)\)?$/,
    ([, name = '', to = '']) => `(int ${name} = 0; ${name} < ${to}; ${name}++)`,
  ],
  [/^\(?(?:int |auto )?(\w+) in (\w+)\)?$/, ([, name = '', list = '']) => `(int ${name} : ${list})`],
  [
    /^\(?(?:int )?(\w+) = (\w+) (?:to|until|through) (\w+)\)?$/,
    ([, name = '', from = '', to = '']) => `(int ${name} = ${from}; ${name} <= ${to}; ${name}++)`,
  ],
];

/** `for i in range(3) {`, `for (int i = 0 to 3) {`. */
const foreignLoop: Detector = ({ tokens }, index) => {
  if (tokens[index]!.text !== 'for') return undefined;
  const brace = tokens.findIndex(({ text }, at) => at > index && text === '{');
  const head = tokens.slice(index + 1, Math.max(index + 1, brace));
  const written = textOf(head);
  for (const [pattern, mended] of COUNTS) {
    const found = pattern.exec(written);
    if (found)
      return exchangeOf(head, {
        by: mended(found),
        why: 'In the parentheses of a for stand where it begins, how long it goes on, and what changes each time.',
      });
  }
  return undefined;
};

/** `loop(3) {` in a function: the name of a function, for something done over and over. */
const countedLoop: Detector = ({ tokens }, index) => {
  const [word, open, count, close, brace] = tokens.slice(index, index + 5);
  if (word?.text !== 'loop' || open?.text !== '(' || close?.text !== ')' || brace?.text !== '{')
    return undefined;
  if (count?.kind !== 'number' || tokens[index - 1]?.kind !== 'punctuation') return undefined;
  return exchangeOf([word, open, count, close], {
    by: `for (int i = 0; i < ${count.text}; i++)`,
    why: 'loop is the function that repeats for ever; what repeats a few times is a for.',
  });
};

/** `else (count < 3) {`: a question that no if stands before. */
const elseWithQuestion: Detector = (map, index) => {
  const [word, open] = [map.tokens[index]!, map.tokens[index + 1]];
  const close = word.text === 'else' && open?.text === '(' ? map.partner(index + 1) : undefined;
  if (close === undefined || map.tokens[close + 1]?.text !== '{') return undefined;
  return exchange({
    place: word,
    length: word.text.length,
    by: 'else if',
    there: textOf(map.tokens.slice(index, close + 1)),
    shown: `else if ${textOf(map.tokens.slice(index + 1, close + 1))}`,
    why: 'An else alone asks nothing. What asks once more is else if.',
  });
};

/** `else if {`: an if that asks nothing. */
const ifWithoutQuestion: Detector = ({ tokens }, index) => {
  const [word, then, brace] = tokens.slice(index, index + 3);
  if (word?.text !== 'else' || then?.text !== 'if' || brace?.text !== '{') return undefined;
  return exchangeOf([word, then], {
    by: 'else',
    why: 'An if asks a question in parentheses. For all other cases it is else alone.',
  });
};

/** `count > 3 && < 5`: the second question lacks what it asks about. */
const halfQuestion: Detector = ({ tokens }, index) => {
  const [joining, comparing] = [tokens[index]!, tokens[index + 1]];
  if (!JOINING.has(joining.text) || !comparing || !COMPARING.has(comparing.text)) return undefined;
  if (!COMPARING.has(tokens[index - 2]?.text ?? '')) return undefined;
  const end = index - 2;
  const open = tokens[end - 1]?.text === ')' ? openerOf(tokens, end - 1) : undefined;
  const asked = tokens.slice(open === undefined ? end - 1 : open - 1, end);
  if (!isValue(asked[0])) return undefined;
  const by = `${joining.text} ${textOf(asked)} ${comparing.text}`;
  return exchangeOf([joining, comparing], {
    by,
    why: `Each side of ${joining.text} is a question of its own, with what it asks about.`,
  });
};

/** Index of the parenthesis that one closes. */
function openerOf(tokens: readonly Token[], close: number): number | undefined {
  for (let at = close, depth = 0; at >= 0; at -= 1) {
    if (tokens[at]!.text === ')') depth += 1;
    if (tokens[at]!.text === '(' && (depth -= 1) === 0) return at;
  }
  return undefined;
}

/** `count is 3`, `count equals 3`, `count is not 3`. */
const comparedByWord: Detector = ({ tokens }, index) => {
  const word = tokens[index]!;
  if (!['is', 'equals'].includes(word.text) || tokens[index + 1]?.line !== word.line) return undefined;
  const isNot = tokens[index + 1]?.text === 'not';
  const [before, value] = [tokens[index - 1], tokens[index + (isNot ? 2 : 1)]];
  if (before?.text !== ')' && !isValue(before)) return undefined;
  if (!isValue(value)) return undefined;
  const sign = isNot ? '!=' : '==';
  return exchangeOf(tokens.slice(index, index + (isNot ? 2 : 1)), {
    by: sign,
    why: isNot ? '“Not equal” is an exclamation mark and an equals sign.' : '“Equal” has two equals signs.',
  });
};

/** `if [count == 3] {`, `if {count == 3} {`. */
const questionInOtherBrackets: Detector = ({ tokens }, index) => {
  const open = tokens[index + 1];
  if (!ASKING.has(tokens[index]!.text) || !open || !'[{'.includes(open.text)) return undefined;
  const close = closing(tokens, index + 1);
  if (close === undefined || tokens[close + 1]?.text !== '{') return undefined;
  const inner = tokens.slice(index + 2, close);
  if (inner.length === 0 || inner.some(({ text }) => text === ';')) return undefined;
  return exchangeOf(tokens.slice(index + 1, close + 1), {
    by: `(${textOf(inner)})`,
    why: `After ${tokens[index]!.text} comes a condition in round parentheses.`,
    code: 'syntax-paren',
  });
};

/** `if (count == 3) ( count = 0; )`: what belongs together in other brackets. */
const bodyInOtherBrackets: Detector = ({ tokens, opens }, index) => {
  const open = tokens[index]!;
  const head = tokens[(opens[index - 1] ?? 0) - 1]?.text ?? '';
  const isBody = ASKING.has(head) || head === 'for';
  if (!'(['.includes(open.text) || tokens[index - 1]?.text !== ')' || !isBody) return undefined;
  const close = closing(tokens, index);
  if (close === undefined || !tokens.slice(index, close).some(({ text }) => text === ';')) return undefined;
  const last = tokens[close]!;
  const text = `Write { and } instead of ${open.text} and ${last.text} from line ${open.line} on.`;
  return refusal(
    'syntax-brace',
    open,
    `Line ${open.line}: what belongs to ${head} stands between braces { }, not between ${open.text} and ${last.text}.`,
    [
      `Which brackets stand round several instructions?`,
      `In line ${open.line} there is a ${open.text} behind the parentheses of ${head}.`,
      text,
    ],
    {
      text,
      edits: [last, open].map(({ line, column }, at) => ({
        replace: { line, column, length: 1, by: at === 0 ? '}' : '{' },
      })),
    },
  );
};

/** `case > 5:`: a question where one value belongs. */
const questionInCase: Detector = ({ tokens }, index) => {
  const [word, sign, value] = tokens.slice(index, index + 3);
  if (word?.text !== 'case' || !sign || !COMPARING.has(sign.text) || !isValue(value)) return undefined;
  const there = textOf([word, sign, value]);
  return refusal(
    'syntax-other',
    sign,
    `Line ${word.line}: “${there}” is not understood here. A case is for one value and asks nothing.`,
    [
      `What stands behind case in an example?`,
      `In line ${word.line} a ${sign.text} stands behind case.`,
      `Ask with if and else if where more than one value counts.`,
    ],
  );
};

/** Questions, loops and cases that are not written as such. */
export const headSlips: readonly Detector[] = [
  foreignLoop,
  countedLoop,
  elseWithQuestion,
  ifWithoutQuestion,
  halfQuestion,
  reckonedAndSet,
  comparedByWord,
  questionInOtherBrackets,
  bodyInOtherBrackets,
  questionInCase,
];
