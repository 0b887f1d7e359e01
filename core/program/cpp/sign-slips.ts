import { refusal } from '../problem';
import type { Token } from '../token';
import { exchange, exchangeOf, isValue, textOf, touch, type Detector } from './rewriting';
import { typeWords } from './types';

/** Signs of two characters that are written apart. */
const SPLIT: ReadonlySet<string> = new Set([
  ...['==', '!=', '<=', '>=', '+=', '-=', '*=', '/='],
  ...['&&', '||'],
]);

/** `count + = 1`, `count = = 3`: one sign in two. */
const splitSign: Detector = ({ tokens }, index) => {
  const [one, other, behind] = tokens.slice(index, index + 3);
  const before = tokens[index - 1];
  if (!one || !other || one.line !== other.line || touch(one, other)) return undefined;
  const whole = one.text + other.text;
  // A sign before a value may stand alone, as in `a - -b`.
  const isStep = (whole === '++' || whole === '--') && [';', ')'].includes(behind?.text ?? '');
  const isJoined =
    SPLIT.has(whole) && (')]'.includes(before?.text ?? ' ') || isValue(before)) && isOperand(behind);
  if (!isStep && !isJoined) return undefined;
  return exchangeOf([one, other], { by: whole, why: `The sign ${whole} has no space in it.` });
};

const isOperand = (token: Token | undefined): boolean =>
  ['(', '-', '!'].includes(token?.text ?? '') || isValue(token);

/** Words in capitals for what joins questions, each with its sign. */
const LOUD: Readonly<Record<string, string>> = { AND: '&&', OR: '||', NOT: '!' };

/** `a AND b`, `NOT a`. */
const loudOperator: Detector = ({ tokens }, index) => {
  const [before, word, next] = [tokens[index - 1], tokens[index]!, tokens[index + 1]];
  const sign = Object.hasOwn(LOUD, word.text) ? LOUD[word.text] : undefined;
  if (sign === undefined || !next || next.line !== word.line) return undefined;
  const isBefore = sign === '!' && !isValue(before) && (next.text === '(' || isValue(next));
  const isBetween = sign !== '!' && (before?.text === ')' || isValue(before)) && isOperand(next);
  if (!isBefore && !isBetween) return undefined;
  const length = sign === '!' ? next.column - word.column : word.text.length;
  return exchange({
    place: word,
    length,
    by: sign,
    there: word.text,
    shown: sign,
    why: `In this language it is written ${sign}.`,
  });
};

/** `3 x 4`: the letter for the sign that multiplies. */
const letterForTimes: Detector = ({ tokens }, index) => {
  const [one, letter, other] = tokens.slice(index, index + 3);
  if (one?.kind !== 'number' || !letter || !/^[xX×]$/.test(letter.text) || !isOperand(other))
    return undefined;
  return exchangeOf([letter], { by: '*', why: 'The sign that multiplies is a star.' });
};

/** `float share = 1,5;`: a decimal comma. */
const decimalComma: Detector = ({ tokens }, index) => {
  const [type, name, equals, whole, comma, part, end] = tokens.slice(index, index + 7);
  if (!type || !typeWords.has(type.text) || name?.kind !== 'word' || equals?.text !== '=') return undefined;
  if (whole?.kind !== 'number' || comma?.text !== ',' || part?.kind !== 'number' || end?.text !== ';')
    return undefined;
  const by = `${whole.text}.${part.text}`;
  return exchangeOf([whole, comma, part], {
    by,
    why: 'A number has a point before its decimals, not a comma.',
  });
};

/** `int steps[] = {12; 13};`. */
const semicolonInList: Detector = ({ tokens }, index) => {
  if (tokens[index]!.text !== '{' || !['=', ']'].includes(tokens[index - 1]?.text ?? '')) return undefined;
  const close = tokens.findIndex(({ text }, at) => at > index && text === '}');
  const inside = tokens.slice(index + 1, Math.max(index + 1, close));
  const isList = inside.every((token, at) => (at % 2 === 0 ? isValue(token) : ',;'.includes(token.text)));
  if (!isList || !inside.some(({ text }) => text === ';')) return undefined;
  const by = textOf(inside.map((token) => (token.text === ';' ? { ...token, text: ',' } : token)));
  return exchangeOf(inside, { by, why: 'The values of a list are separated by commas.' });
};

/** `digitalWrite(13,, HIGH)`, `digitalWrite(, HIGH)`, `digitalWrite(13, )`: a comma without a value. */
const loneComma: Detector = ({ tokens }, index) => {
  const [one, other] = [tokens[index]!, tokens[index + 1]];
  if (!other || one.line !== other.line) return undefined;
  if (other.text === ',' && ',('.includes(one.text))
    return exchangeOf([one, other], {
      by: one.text,
      why: 'A comma stands between two values, and only one.',
    });
  if (one.text !== ',' || other.text !== ')') return undefined;
  return refusal(
    'syntax-other',
    one,
    `Line ${one.line}: a value is missing between the comma and the parenthesis.`,
    [
      `Which values belong between the parentheses in line ${one.line}?`,
      `Nothing stands behind the comma in line ${one.line}.`,
      `Write the value that is missing, or remove the comma in line ${one.line}.`,
    ],
  );
};

/** `{{1, 2} {3, 4}}`: two lists in a list with nothing between them. */
const commaBetweenLists: Detector = ({ tokens }, index) => {
  const [end, next] = [tokens[index]!, tokens[index + 1]];
  if (end.text !== '}' || next?.text !== '{') return undefined;
  let depth = 0;
  let open = index;
  for (; open >= 0; open -= 1) {
    if (tokens[open]!.text === '}') depth += 1;
    if (tokens[open]!.text === '{' && (depth -= 1) === 0) break;
  }
  if (!/^[{,]$/.test(tokens[open - 1]?.text ?? '')) return undefined;
  return exchangeOf([end], { by: '},', why: 'The values of a list are separated by commas.' });
};

/** `return = x`: a word that is given nothing. */
const setReturn: Detector = ({ tokens }, index) => {
  const [word, equals, value] = tokens.slice(index, index + 3);
  if (word?.text !== 'return' || equals?.text !== '=' || !isOperand(value)) return undefined;
  if (word.line !== equals.line) return undefined;
  return exchangeOf([word, equals], { by: 'return', why: 'What return gives back stands right behind it.' });
};

const HEADS: ReadonlySet<string> = new Set(['if', 'else', 'for', 'while', 'switch', 'case', 'default', 'do']);

/** `delay(500):` and `delay(500).` at the end of a line. */
const otherEnd: Detector = (map, index) => {
  const { tokens } = map;
  const [before, sign, next] = [tokens[index - 1], tokens[index]!, tokens[index + 1]];
  if (!':.'.includes(sign.text) || before?.text !== ')' || before.line !== sign.line) return undefined;
  if (next && !next.startsLine && next.text !== '}') return undefined;
  const statement = tokens.slice(map.statementStart(index), index);
  if (statement.some(({ text }) => HEADS.has(text) || typeWords.has(text) || text === '?')) return undefined;
  return {
    ...exchangeOf([sign], { by: ';', why: 'Every instruction ends with a semicolon.' })!,
    code: 'syntax-semicolon',
  };
};

/** `switch (count) { 1: … }`: a value without its word. */
const caseMissing: Detector = (map, index) => {
  const { tokens } = map;
  const [value, colon] = [tokens[index]!, tokens[index + 1]];
  const isConstant = value.kind === 'number' || value.text.startsWith("'");
  if (!isConstant || colon?.text !== ':' || !['{', ';', '}'].includes(tokens[index - 1]?.text ?? ''))
    return undefined;
  return exchangeOf([value, colon], {
    by: `case ${value.text}:`,
    why: 'Before what a case is for stands the word case.',
  });
};

/** Signs that stand in another's place, or in two pieces. */
export const signSlips: readonly Detector[] = [
  splitSign,
  loudOperator,
  letterForTimes,
  decimalComma,
  semicolonInList,
  loneComma,
  setReturn,
  commaBetweenLists,
  otherEnd,
  caseMissing,
];
