import { refusal, textRepair } from '../problem';
import type { LogicalLine } from './lines';
import { brackets, endsValue, first, isValue, isWord } from './line-tokens';
import { exchange, textOf, type Detector } from './rewriting';

/** Whether a line is the head of a loop as another language has it, which is told as a whole. */
const isForeignLoop = ({ tokens }: LogicalLine): boolean =>
  tokens[0]?.text === 'for' && tokens[1]?.text === '(';

const SPLIT: ReadonlySet<string> = new Set(['==', '!=', '<=', '>=', '+=', '-=', '*=', '/=']);

/** `count + = 1`, `count = = 3`: one sign in two. */
const splitSign: Detector = (line) =>
  first(line, (index) => {
    const [one, other] = line.tokens.slice(index, index + 2);
    if (!one || !other || one.line !== other.line || one.endColumn === other.column) return undefined;
    const by = one.text + other.text;
    return SPLIT.has(by)
      ? exchange(line, { from: one, to: other, by, why: `The sign ${by} has no space in it.` })
      : undefined;
  });

/** `5 x 3`: the letter for the sign that multiplies. */
const letterForTimes: Detector = (line) =>
  first(line, (index) => {
    const [before, letter, behind] = line.tokens.slice(index, index + 3);
    if (before?.kind !== 'number' || !/^[xX]$/.test(letter?.text ?? '') || !isValue(behind)) return undefined;
    return exchange(line, {
      from: letter!,
      to: letter!,
      by: '*',
      why: 'The sign that multiplies is a star.',
    });
  });

/** `x := 5` as a line of its own. */
const colonBeforeEquals: Detector = (line) => {
  const [name, sign] = line.tokens;
  if (!isWord(name) || sign?.text !== ':=') return undefined;
  return exchange(line, {
    from: sign,
    to: sign,
    by: '=',
    why: 'A name gets its value with an equals sign alone.',
  });
};

const JOINING: ReadonlySet<string> = new Set(['and', 'or', 'not', 'in', 'is']);
const OPERATORS = /^(?:[-+*/%]|\/\/|[-+*/]?=|[=!<>]=|[<>])$/;

/** `count +=`, `if count >:`: a sign behind which nothing stands. */
const valueMissing: Detector = ({ tokens }) => {
  const last = tokens.at(-1)?.text === ':' ? tokens.at(-2) : tokens.at(-1);
  if (!last || tokens.length < 2) return undefined;
  const before = tokens[tokens.indexOf(last) - 1];
  if (!isValue(before) && !endsValue(before)) return undefined;
  const isSign = last.kind === 'punctuation' ? OPERATORS.test(last.text) : JOINING.has(last.text);
  // `from x import *` ends with a star.
  if (!isSign || tokens.some(({ text }) => text === 'import' || text === 'lambda')) return undefined;
  const { line } = last;
  return refusal('syntax-other', last, `Line ${line}: a value is missing behind “${last.text}”.`, [
    `Read line ${line} aloud to its end. What is missing?`,
    `Nothing stands behind the “${last.text}” in line ${line}.`,
    `Write the value behind “${last.text}” in line ${line}.`,
  ]);
};

/** `if count == 3::`. */
const secondColon: Detector = (line) => {
  const [one, other] = line.tokens.slice(-2);
  if (one?.text !== ':' || other?.text !== ':') return undefined;
  return exchange(line, { from: one, to: other, by: ':', why: 'One colon ends the line.' });
};

/** `[1, 2 3]`, `print("count: " count)`: two values side by side in brackets. */
const commaMissing: Detector = (line) => {
  const within = brackets(line);
  if (isForeignLoop(line)) return undefined;
  return first(line, (index) => {
    const [one, other] = line.tokens.slice(index, index + 2);
    if (!one || !other || one.line !== other.line) return undefined;
    // Braces may be meant to hold a block.
    if (within[index + 1] !== '(' && within[index + 1] !== '[') return undefined;
    const isPair = (isValue(one) || one.text === ')' || one.text === ']') && isValue(other);
    // Texts side by side are one text, and what touches a text may be a letter before it.
    if (!isPair || (one.kind === 'text' && other.kind === 'text') || one.endColumn === other.column)
      return undefined;
    const text = `Write a comma after “${one.text}” in line ${one.line}.`;
    return refusal(
      'syntax-other',
      { line: one.line, column: one.endColumn },
      `Line ${one.line}: something is missing between “${one.text}” and “${other.text}”, most likely a comma.`,
      [
        `What separates the values in the brackets in line ${one.line}?`,
        `Look between “${one.text}” and “${other.text}” in line ${one.line}.`,
        text,
      ],
      textRepair(text, { line: one.line, column: one.endColumn, length: 0, by: ',' }),
    );
  });
};

/** `[1; 2]`, `range(0; 3)`. */
const semicolonInBrackets: Detector = (line) => {
  const within = brackets(line);
  if (isForeignLoop(line)) return undefined;
  return first(line, (index) => {
    const token = line.tokens[index]!;
    if (token.text !== ';' || (within[index] !== '(' && within[index] !== '[')) return undefined;
    return exchange(line, {
      from: token,
      to: token,
      by: ',',
      why: 'Values in brackets are separated by commas.',
    });
  });
};

/** Units of time as they are written behind a number, each in seconds. */
const SECONDS: Readonly<Record<string, number>> = {
  s: 1,
  sec: 1,
  second: 1,
  seconds: 1,
  ms: 0.001,
  milliseconds: 0.001,
  min: 60,
  minute: 60,
  minutes: 60,
};
const UNITS = /^(?:Hz|hz|kHz|V|v|mA|cm|mm|deg|degrees|percent|times)$/;

/** `time.sleep(0.5s)`, `time.sleep(500 ms)`: a program holds plain numbers. */
const unit: Detector = (line) =>
  first(line, (index) => {
    const { tokens } = line;
    const [number, named, behind] = tokens.slice(index, index + 3);
    if (number?.kind !== 'number' || !named || (behind && !/^[),\]]$/.test(behind.text))) return undefined;
    const isTime = Object.hasOwn(SECONDS, named.text);
    if (!isTime && !UNITS.test(named.text)) return undefined;
    const isPause = tokens[index - 1]?.text === '(' && tokens[index - 2]?.text === 'sleep';
    const amount = Number.parseFloat(number.text) * (isTime && isPause ? SECONDS[named.text]! : 1);
    return exchange(line, {
      from: number,
      to: named,
      by: String(Number(amount.toPrecision(6))),
      why: `A program holds plain numbers, without units.${isPause ? ' time.sleep counts seconds.' : ''}`,
    });
  });

/** `my first program`, `-- the lamp`: a comment without its sign. */
const bareComment: Detector = (line) => {
  const { tokens } = line;
  const isDashed = tokens[0]?.text === '--';
  const words = isDashed ? tokens.slice(1) : tokens;
  if (words.length < (isDashed ? 2 : 3) || !words.every(isWord)) return undefined;
  return exchange(line, {
    from: tokens[0]!,
    to: tokens.at(-1)!,
    by: `# ${textOf(words)}`,
    why: 'A comment begins with #.',
  });
};

/** Signs in two pieces or in another's place, and values that lack what separates them. */
export const signSlips: readonly Detector[] = [
  bareComment,
  splitSign,
  letterForTimes,
  colonBeforeEquals,
  valueMissing,
  secondColon,
  unit,
  commaMissing,
  semicolonInBrackets,
];
