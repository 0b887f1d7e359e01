import type { Token } from '../token';
import { exchangeOf, isValue, textOf, type Detector } from './rewriting';
import type { TokenMap } from './token-map';

/** Functions that are given a pin and what it is to do, and those that are given one value. */
const OF_TWO: ReadonlySet<string> = new Set(['digitalWrite', 'pinMode', 'analogWrite']);
const READING: ReadonlySet<string> = new Set(['digitalRead', 'analogRead']);
const WAITING: ReadonlySet<string> = new Set(['delay', 'delayMicroseconds']);
const KNOWN: ReadonlySet<string> = new Set([...OF_TWO, ...READING, ...WAITING, 'tone', 'noTone']);
const SERIAL: ReadonlySet<string> = new Set(['begin', 'print', 'println', 'write', 'available', 'read']);

const IN_PARENTHESES = 'What a function is given goes in parentheses.';
const BY_COMMAS = 'The values that a function is given are separated by commas.';

/** Signs that stand where a comma should. */
const FOR_COMMA = /^(?:==?|=>|->|[.;:])$/;

const isForComma = (tokens: readonly Token[]): boolean =>
  tokens.length > 0 && FOR_COMMA.test(tokens.map(({ text }) => text).join(''));

/** Whether a statement begins at a token. */
const begins = ({ tokens }: TokenMap, index: number): boolean =>
  [undefined, ';', '{', '}', ')', 'else'].includes(tokens[index - 1]?.text);

/** The tokens between a parenthesis and the one that closes it. */
function inside(map: TokenMap, open: number): readonly Token[] | undefined {
  const close = map.tokens[open]?.text === '(' ? map.partner(open) : undefined;
  return close === undefined ? undefined : map.tokens.slice(open + 1, close);
}

/** `digitalWrite(13 = HIGH)`, `pinMode(13; OUTPUT)`: another sign where a comma should be. */
const otherSignForComma: Detector = (map, index) => {
  const given = OF_TWO.has(map.tokens[index]!.text) ? inside(map, index + 1) : undefined;
  const [first, last] = [given?.[0], given?.at(-1)];
  if (!given || !isValue(first) || !isValue(last) || !isForComma(given.slice(1, -1))) return undefined;
  return exchangeOf(given, { by: `${first.text}, ${last.text}`, why: BY_COMMAS });
};

/** `digitalWrite(13) = HIGH;`: what a pin is to do stands behind the parentheses. */
const secondValueBehind: Detector = (map, index) => {
  const { tokens } = map;
  const given = OF_TWO.has(tokens[index]!.text) ? inside(map, index + 1) : undefined;
  const end = index + 3 + (given?.length ?? 0);
  const [sign, value, semicolon] = [tokens[end], tokens[end + 1], tokens[end + 2]];
  if (given?.length !== 1 || !sign || !isForComma([sign]) || !isValue(value) || semicolon?.text !== ';')
    return undefined;
  const by = `${tokens[index]!.text}(${given[0]!.text}, ${value.text})`;
  return exchangeOf(tokens.slice(index, end + 2), { by, why: IN_PARENTHESES });
};

/** `pinMode 13 OUTPUT;`, `digitalWrite LAMP = HIGH;`. */
const twoWithoutParentheses: Detector = (map, index) => {
  const { tokens } = map;
  if (!OF_TWO.has(tokens[index]!.text) || !begins(map, index) || !isValue(tokens[index + 1]))
    return undefined;
  const end = tokens.findIndex(({ text }, at) => at > index && text === ';');
  const given = tokens.slice(index + 1, end);
  const [first, last] = [given[0], given.at(-1)];
  if (end < 0 || given.length < 2 || !first || !isValue(last)) return undefined;
  const between = given.slice(1, -1);
  // Divided by a comma they are told as what lacks only its parentheses.
  if (between.length > 0 && !isForComma(between)) return undefined;
  const by = `${tokens[index]!.text}(${first.text}, ${last.text})`;
  return exchangeOf(tokens.slice(index, end), { by, why: IN_PARENTHESES, code: 'syntax-paren' });
};

/** `digitalRead 2 == LOW`. */
const readingWithoutParentheses: Detector = ({ tokens }, index) => {
  const [name, pin] = [tokens[index]!, tokens[index + 1]];
  if (!READING.has(name.text) || !isValue(pin)) return undefined;
  return exchangeOf([name, pin], {
    by: `${name.text}(${pin.text})`,
    why: IN_PARENTHESES,
    code: 'syntax-paren',
  });
};

/** `delay = 500;`: a function that is given its value like a variable. */
const valueForFunction: Detector = (map, index) => {
  const [name, equals, value, semicolon] = map.tokens.slice(index, index + 4);
  if (!name || !WAITING.has(name.text) || !begins(map, index)) return undefined;
  if (equals?.text !== '=' || !isValue(value) || semicolon?.text !== ';') return undefined;
  const why = `${name.text} is a function, no variable. ${IN_PARENTHESES}`;
  return exchangeOf([name, equals, value], { by: `${name.text}(${value.text})`, why });
};

/** `digitalWrite{13, HIGH};`. */
const bracesForParentheses: Detector = ({ tokens }, index) => {
  const name = tokens[index]!;
  if (!KNOWN.has(name.text) || tokens[index + 1]?.text !== '{') return undefined;
  const close = tokens.findIndex(({ text }, at) => at > index + 1 && (text === '}' || text === '{'));
  if (tokens[close]?.text !== '}') return undefined;
  const by = `${name.text}(${textOf(tokens.slice(index + 2, close))})`;
  return exchangeOf(tokens.slice(index, close + 1), {
    by,
    why: 'What a function is given goes in round parentheses, not in braces.',
    code: 'syntax-paren',
  });
};

/** `Serial.print "x";`, `Serial println(count);`, `Serial:println(count);`. */
const ofSerial: Detector = ({ tokens }, index) => {
  if (tokens[index]!.text !== 'Serial') return undefined;
  const [sign, method, value] = tokens.slice(index + 1, index + 4);
  if (sign && SERIAL.has(sign.text) && method?.text === '(')
    return exchangeOf([tokens[index]!, sign], {
      by: `Serial.${sign.text}`,
      why: 'A dot stands between Serial and what it is to do.',
    });
  if (!method || !SERIAL.has(method.text)) return undefined;
  if (sign && /^(?:,|:|;|->|::)$/.test(sign.text) && value?.text === '(')
    return exchangeOf([tokens[index]!, sign, method], {
      by: `Serial.${method.text}`,
      why: 'A dot stands between Serial and what it is to do.',
    });
  if (sign?.text !== '.' || !isValue(value)) return undefined;
  const end = tokens.findIndex(({ text }, at) => at > index && text === ';');
  const given = tokens.slice(index + 3, Math.max(index + 3, end));
  // Where a parenthesis is there, only the other one is missing.
  if (given.some(({ text }) => '(){}'.includes(text))) return undefined;
  return exchangeOf(given, { by: `(${textOf(given)})`, why: IN_PARENTHESES, code: 'syntax-paren' });
};

/** What a number in a unit is in the one that is counted in, by the function that it is given to. */
const IN_MILLISECONDS: Readonly<Record<string, number>> = {
  ms: 1,
  msec: 1,
  millis: 1,
  milliseconds: 1,
  s: 1000,
  sec: 1000,
  second: 1000,
  seconds: 1000,
  min: 60_000,
  minute: 60_000,
  minutes: 60_000,
};
const IN_MICROSECONDS: Readonly<Record<string, number>> = {
  us: 1,
  microseconds: 1,
  ms: 1000,
  milliseconds: 1000,
};
const UNIT = /^(?:Hz|hz|kHz|V|v|mA|cm|mm|m|deg|degrees|percent|pins?|times|x)$/;

/** `delay(500ms)`, `delay(0.5 s)`, `analogWrite(9, 50%)`: a program holds plain numbers. */
const unit: Detector = ({ tokens }, index) => {
  const [number, named, behind] = tokens.slice(index, index + 3);
  if (number?.kind !== 'number' || !named || named.line !== number.line) return undefined;
  if (!/^[),;]$/.test(behind?.text ?? '')) return undefined;
  // The u of us is taken for a part of the number.
  const [, digits = number.text, letter = ''] = /^([\d.]+)([a-zA-Z])$/.exec(number.text) ?? [];
  const name = letter + named.text;
  const callee = tokens[index - 1]?.text === '(' ? tokens[index - 2]?.text : undefined;
  const factor =
    callee === 'delay'
      ? IN_MILLISECONDS[name]
      : callee === 'delayMicroseconds'
        ? IN_MICROSECONDS[name]
        : undefined;
  const isPlain = UNIT.test(name) || name in IN_MILLISECONDS || name in IN_MICROSECONDS;
  if (factor === undefined && !isPlain && name !== '%') return undefined;
  const amount = Number.parseFloat(digits);
  const isLevel = name === '%' && tokens[index - 4]?.text === 'analogWrite';
  const by =
    factor !== undefined
      ? String(Math.round(amount * factor))
      : isLevel
        ? String(Math.round((amount * 255) / 100))
        : digits;
  const counted =
    callee === 'delay'
      ? ' delay counts milliseconds.'
      : callee === 'delayMicroseconds'
        ? ' delayMicroseconds counts microseconds.'
        : isLevel
          ? ' analogWrite goes from 0 to 255.'
          : '';
  return exchangeOf([number, named], {
    by,
    why: `A program holds plain numbers, without units.${counted}`,
  });
};

/** `if (digitalRead(2 = HIGH))`. */
const comparedInside: Detector = (map, index) => {
  const name = map.tokens[index]!;
  const given = READING.has(name.text) ? inside(map, index + 1) : undefined;
  const [pin, sign, value] = given ?? [];
  if (given?.length !== 3 || !isValue(pin) || !isValue(value) || !/^(?:=|==|!=)$/.test(sign?.text ?? ''))
    return undefined;
  const by = `${name.text}(${pin.text}) ${sign!.text === '!=' ? '!=' : '=='} ${value.text}`;
  return exchangeOf(map.tokens.slice(index, index + 6), {
    by,
    why: `The parentheses of ${name.text} hold the pin alone. What it is compared with stands behind them.`,
  });
};

/** Calls that are not written as such: their parentheses, commas and dots, and numbers with units. */
export const callSlips: readonly Detector[] = [
  otherSignForComma,
  secondValueBehind,
  twoWithoutParentheses,
  comparedInside,
  readingWithoutParentheses,
  valueForFunction,
  bracesForParentheses,
  ofSerial,
  unit,
];
