import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { closing } from './token-places';

/** What a name of a program holds, as far as what it is given tells. */
export type Holds = 'truth' | 'whole' | 'fraction' | 'pin' | 'moment' | 'text' | 'list' | 'object';

/** What each name holds; a name that is not in it may hold anything. */
export type Holdings = ReadonlyMap<string, Holds>;

const TRUTH = /^(?:true|false|True|False|HIGH|LOW)$/;
const ASKS = /^(?:==|!=|<|>|<=|>=|&&|\|\||!|not|and|or|in|is)$/;
const CLOCK = /^(?:millis|micros|monotonic|monotonic_ns)$/;
const WHOLE_TYPE = /^(?:int|long|short|byte|unsigned|word|char|size_t|u?int\d+_t)$/;
const FRACTION_TYPE = /^(?:float|double)$/;
/** Calls whose first value is a pin. */
const OF_PINS =
  /^(?:pinMode|digitalWrite|digitalRead|analogRead|analogWrite|tone|noTone|attach|attachInterrupt|pulseIn|shiftOut|shiftIn)$/;

/** What the names of a program hold, by their types, by what they are given, and by whether they are used as pins. */
export function holdingsOf(tokens: readonly Token[], language: Language): Holdings {
  const found = new Map<string, Holds>();
  tokens.forEach(({ text, kind }, index) => {
    const isAssigned = tokens[index + 1]?.text === '=' && tokens[index - 1]?.text !== '.';
    if (kind !== 'word') return;
    const typed = language === 'cpp' ? typedAs(tokens, index) : undefined;
    const given = isAssigned ? givenBy(valueAt(tokens, index + 2, language)) : undefined;
    const held = typed === 'whole' && (given === 'truth' || given === 'moment') ? given : (typed ?? given);
    if (held !== undefined) found.set(text, both(found.get(text), held));
  });
  tokens.forEach(({ text }, index) => {
    const first = tokens[index + 2];
    if (OF_PINS.test(text) && tokens[index + 1]?.text === '(' && first?.kind === 'word')
      found.set(first.text, 'pin');
  });
  return found;
}

/** Whether one name may stand where another does. */
export const areAlike = (one: Holds | undefined, other: Holds | undefined): boolean =>
  one === undefined || other === undefined || one === other || (isNumber(one) && isNumber(other));

export const isNumber = (held: Holds | undefined): boolean => held === 'whole' || held === 'fraction';

/** What a name holds that is given one thing and another. */
function both(one: Holds | undefined, other: Holds): Holds {
  if (one === undefined || one === other) return other;
  // What is set to 0 first and to true later is asked for a truth.
  if (one === 'fraction' || other === 'fraction') return 'fraction';
  return one === 'moment' || other === 'moment' ? 'moment' : one;
}

/** The type that stands before a name where it is declared. */
function typedAs(tokens: readonly Token[], index: number): Holds | undefined {
  const [before, after] = [tokens[index - 1], tokens[index + 1]?.text ?? ''];
  if (before?.kind !== 'word' || !/^[=;,)[]$/.test(after)) return undefined;
  if (after === '[') return 'list';
  if (/^bool(?:ean)?$/.test(before.text)) return 'truth';
  if (WHOLE_TYPE.test(before.text)) return 'whole';
  if (FRACTION_TYPE.test(before.text)) return 'fraction';
  if (before.text === 'String') return 'text';
  return /^[A-Z]/.test(before.text) && after === ';' ? 'object' : undefined;
}

/** The tokens of a value up to where its statement ends. */
function valueAt(tokens: readonly Token[], from: number, language: Language): readonly Token[] {
  const line = tokens[from - 1]!.line;
  let depth = 0;
  let to = from;
  for (; to < tokens.length; to += 1) {
    const token = tokens[to]!;
    if (depth === 0 && (/^[;,]$/.test(token.text) || (language === 'python' && token.line !== line))) break;
    if (/^[([{]$/.test(token.text)) depth += 1;
    if (/^[)\]}]$/.test(token.text) && (depth -= 1) < 0) break;
  }
  return tokens.slice(from, to);
}

/** What a value makes of the name that is given it; `undefined` where that is open. */
function givenBy(value: readonly Token[]): Holds | undefined {
  const [first] = value;
  if (!first) return undefined;
  if (first.kind === 'text') return 'text';
  if (/^[[{]$/.test(first.text)) return 'list';
  if (TRUTH.test(first.text) && value.length === 1) return 'truth';
  const isCall = value[1]?.text === '(' && closing(value, 1, '(', ')') === value.length - 1;
  if (isCall && first.text === 'digitalRead') return 'truth';
  if (isCall && first.text === 'analogRead') return 'whole';
  // The pins of a Python program are objects, made with a capital.
  if (
    /^(?:DigitalInOut|AnalogIn|PWMOut|Servo)$/.test(value.find(({ text }) => /^[A-Z]/.test(text))?.text ?? '')
  )
    return 'object';
  if (value.some(({ text }, at) => ASKS.test(text) && depthAt(value, at) === 0)) return 'truth';
  if (value.some(({ text }) => CLOCK.test(text)))
    return value.some(({ text }) => text === '-') ? 'whole' : 'moment';
  if (first.kind === 'number' && value.length === 1) return /[.eE]/.test(first.text) ? 'fraction' : 'whole';
  if (first.text === '-' && value[1]?.kind === 'number' && value.length === 2)
    return /\./.test(value[1].text) ? 'fraction' : 'whole';
  return undefined;
}

const depthAt = (tokens: readonly Token[], index: number): number =>
  tokens.slice(0, index).reduce((depth, { text }) => depth + (text === '(' ? 1 : text === ')' ? -1 : 0), 0);

/**
 * Whether a number in a program may be one with a point: it is one, it is waited for in seconds, or what it is given to or
 * compared with is no whole number. `index`: the place of the number among the tokens.
 */
export function mayBeFraction(
  tokens: readonly Token[],
  index: number,
  holdings: Holdings,
  language: Language,
): boolean {
  const token = tokens[index]!;
  if (/\./.test(token.text)) return true;
  const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
  if (
    before === '[' ||
    // What a function gives back in whole numbers it gives back in such.
    before === 'return' ||
    isInCall(tokens, index, IN_WHOLE_NUMBERS)
  )
    return false;
  if (isInCall(tokens, index, /^sleep$/)) return true;
  const beside = /^(?:[-+]?=|[<>]=?|[!=]=)$/.test(before)
    ? tokens[index - 2]
    : /^(?:[<>]=?|[!=]=)$/.test(after)
      ? tokens[index + 2]
      : undefined;
  const held = beside && holdings.get(beside.text);
  // Seconds are what Python's clock counts in; others count in whole milliseconds.
  if (held === 'moment') return language === 'python';
  return held === undefined || held === 'fraction' || (language === 'python' && isLength(tokens, index));
}

/** Whether a number is one that a Python program names once, in capitals, and counts no rounds and no places with. */
function isLength(tokens: readonly Token[], index: number): boolean {
  const name = tokens[index - 1]?.text === '=' ? (tokens[index - 2]?.text ?? '') : '';
  return (
    /^[A-Z][A-Z_]+$/.test(name) &&
    !tokens.some(
      ({ text }, at) =>
        text === name && (tokens[at - 1]?.text === '[' || isInCall(tokens, at, IN_WHOLE_NUMBERS)),
    )
  );
}

const IN_WHOLE_NUMBERS =
  /^(?:delay|delayMicroseconds|range|digitalWrite|analogWrite|pinMode|begin|min|max|len|constrain)$/;

/** Whether a token is a value of a call of such a name. */
export function isInCall(tokens: readonly Token[], index: number, name: RegExp): boolean {
  const called = callsAround(tokens)[index];
  return called !== undefined && name.test(called);
}

/** The name before the innermost bracket that is open at each token; walked once, since every number asks for its own. */
function callsAround(tokens: readonly Token[]): readonly (string | undefined)[] {
  const known = around.get(tokens);
  if (known) return known;
  let open: string[] = [];
  const names = tokens.map(({ text }, index) => {
    const name = open.at(-1);
    if (/^[;{}:]$/.test(text)) open = [];
    else if (text === '(') open.push(tokens[index - 1]?.text ?? '');
    else if (text === ')') open.pop();
    return name;
  });
  around.set(tokens, names);
  return names;
}

const around = new WeakMap<readonly Token[], readonly (string | undefined)[]>();
