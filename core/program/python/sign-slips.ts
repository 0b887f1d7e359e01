import { refusal, textRepair, type ProgramProblem } from '../problem';
import type { Token } from '../token';
import type { LogicalLine } from './lines';
import { TYPES } from './other-language';
import { exchange, textOf, type Detector } from './rewriting';

const KEYWORDS: ReadonlySet<string> = new Set([
  ...['and', 'or', 'not', 'in', 'is', 'if', 'elif', 'else', 'for', 'while', 'lambda', 'as', 'from', 'import'],
  ...[
    'def',
    'class',
    'return',
    'yield',
    'await',
    'async',
    'with',
    'try',
    'except',
    'finally',
    'raise',
    'del',
  ],
  ...['global', 'nonlocal', 'assert', 'pass', 'break', 'continue', 'print', 'match', 'case'],
]);
const COMPARING: ReadonlySet<string> = new Set(['==', '!=', '<', '>', '<=', '>=']);

const isWord = (token: Token | undefined): boolean => token?.kind === 'word' && !KEYWORDS.has(token.text);

/** Whether a token is a value or a name by itself. */
const isValue = (token: Token | undefined): boolean =>
  token !== undefined && (token.kind === 'number' || token.kind === 'text' || isWord(token));

/** Whether a token ends a value that is more than a name. */
const endsValue = (token: Token | undefined): boolean =>
  token !== undefined &&
  (token.kind === 'number' || token.kind === 'text' || /^(?:True|False|None|\)|\])$/.test(token.text));

/** The bracket that is open before each token of a line; `undefined` outside of all. */
function brackets({ tokens }: LogicalLine): readonly (string | undefined)[] {
  const open: string[] = [];
  return tokens.map(({ kind, text }) => {
    const before = open.at(-1);
    if (kind === 'punctuation' && '([{'.includes(text)) open.push(text);
    if (kind === 'punctuation' && ')]}'.includes(text)) open.pop();
    return before;
  });
}

/** Whether a line is the head of a loop as another language has it, which is told as a whole. */
const isForeignLoop = ({ tokens }: LogicalLine): boolean =>
  tokens[0]?.text === 'for' && tokens[1]?.text === '(';

/** The first problem that some place in a line gives. */
const first = (
  line: LogicalLine,
  look: (index: number) => ProgramProblem | undefined,
): ProgramProblem | undefined => {
  for (const index of line.tokens.keys()) {
    const found = look(index);
    if (found) return found;
  }
  return undefined;
};

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

/** `count > 3 and < 5`: the second question lacks what it asks about. */
const halfQuestion: Detector = (line) =>
  first(line, (index) => {
    const { tokens } = line;
    const [joining, comparing] = tokens.slice(index, index + 2);
    const isJoining = joining?.text === 'and' || joining?.text === 'or';
    if (!joining || !isJoining || !comparing || !COMPARING.has(comparing.text)) return undefined;
    if (!COMPARING.has(tokens[index - 2]?.text ?? '')) return undefined;
    const start = beginOfValue(tokens, index - 3);
    if (start === undefined) return undefined;
    const asked = textOf(tokens.slice(start, index - 2));
    const by = `${joining.text} ${asked} ${comparing.text}`;
    const why = `Each side of “${joining.text}” is a question of its own, with what it asks about.`;
    return exchange(line, { from: joining, to: comparing, by, why });
  });

/** Index where a name, a member or a call begins that ends at `end`. */
function beginOfValue(tokens: readonly Token[], end: number): number | undefined {
  let at = end;
  if (tokens[at]?.text === ')') {
    let depth = 0;
    for (; at >= 0; at -= 1) {
      if (tokens[at]!.text === ')') depth += 1;
      if (tokens[at]!.text === '(' && (depth -= 1) === 0) break;
    }
    at -= 1;
  }
  while (tokens[at - 1]?.text === '.' && tokens[at - 2]?.kind === 'word') at -= 2;
  return isValue(tokens[at]) ? at : undefined;
}

/** `count equals 3`. */
const equals: Detector = (line) =>
  first(line, (index) => {
    const [before, word, behind] = line.tokens.slice(index, index + 3);
    if (word?.text !== 'equals' || !(isValue(before) || before?.text === ')') || !isValue(behind))
      return undefined;
    return exchange(line, { from: word, to: word, by: '==', why: '“Equal” has two equals signs.' });
  });

/** `else count == 4:`, `elif:`. */
const headOfElse: Detector = (line) => {
  const { tokens } = line;
  const [word, second] = tokens;
  const last = tokens.at(-1);
  if (word?.text === 'elif' && second?.text === ':')
    return exchange(line, {
      from: word,
      to: word,
      by: 'else',
      why: 'An elif asks a question. For all other cases it is else.',
    });
  if (
    word?.text !== 'else' ||
    last?.text !== ':' ||
    tokens.length < 3 ||
    second?.text === 'if' ||
    second?.text === ':'
  )
    return undefined;
  return exchange(line, {
    from: word,
    to: word,
    by: 'elif',
    why: 'An else asks nothing. What asks once more is elif.',
  });
};

/** `if a: x = 1 else: x = 2`: an else in the line of its if. */
const elseInLine: Detector = (line) => {
  const { tokens, space } = line;
  const within = brackets(line);
  const isHere = (index: number, text: string): boolean => tokens[index]?.text === text && !within[index];
  const colon = tokens.findIndex((_, index) => isHere(index, ':'));
  const at = tokens.findIndex(
    (_, index) => index > colon + 1 && isHere(index, 'else') && tokens[index + 1]?.text === ':',
  );
  const before = tokens[at - 1];
  if (!/^(?:if|elif|for|while)$/.test(tokens[0]?.text ?? '') || colon < 0 || !before) return undefined;
  const word = tokens[at]!;
  const text = `Put the else of line ${word.line} on a line of its own.`;
  return refusal(
    'syntax-other',
    word,
    `Line ${word.line}: an else begins a line of its own, under its ${tokens[0]!.text}.`,
    [
      `Where does an else stand in an example?`,
      `In line ${word.line} it stands behind what belongs to the ${tokens[0]!.text}.`,
      text,
    ],
    textRepair(text, {
      line: word.line,
      column: before.endColumn,
      length: word.column - before.endColumn,
      by: `\n${space}`,
    }),
  );
};

/** `def blink(int pin):`: what a function is given has no type here. */
const typedParameter: Detector = (line) =>
  first(line, (index) => {
    const { tokens } = line;
    const [type, name, behind] = tokens.slice(index, index + 3);
    if (tokens[0]?.text !== 'def' || !type || !TYPES.has(type.text) || !isWord(name)) return undefined;
    if (!/^[,)=]$/.test(behind?.text ?? '')) return undefined;
    return exchange(line, {
      from: type,
      to: name!,
      by: name!.text,
      why: 'In Python a name gets no type before it.',
    });
  });

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

const MEMBERS: ReadonlySet<string> = new Set([
  'value',
  'direction',
  'pull',
  'duty_cycle',
  'frequency',
  'angle',
]);

/** `led value = True`: a member without its dot. */
const dotMissing: Detector = (line) => {
  const [owner, member, sign] = line.tokens;
  if (!isWord(owner) || !member || !MEMBERS.has(member.text) || sign?.text !== '=') return undefined;
  return exchange(line, {
    from: owner!,
    to: member,
    by: `${owner!.text}.${member.text}`,
    why: 'A dot stands between an object and what belongs to it.',
  });
};

/** `led.value True`, `led.value.True`: a member that gets its value without an equals sign. */
const equalsMissing: Detector = (line) => {
  const { tokens } = line;
  const at = tokens.findIndex(({ text }, index) => MEMBERS.has(text) && tokens[index - 1]?.text === '.');
  const isDot = tokens[at + 1]?.text === '.';
  const value = tokens[at + (isDot ? 2 : 1)];
  const isWhole = at >= 0 && value !== undefined && value === tokens.at(-1);
  if (!isWhole || !(/^(?:True|False)$/.test(value.text) || value.kind === 'number')) return undefined;
  return exchange(line, {
    from: tokens[at]!,
    to: value,
    by: `${tokens[at]!.text} = ${value.text}`,
    why: 'What gets a value has an equals sign behind it.',
  });
};

/** `led.value = True led.value = False`: two instructions in one line. */
const twoInOne: Detector = (line) => {
  const { tokens, space } = line;
  const within = brackets(line);
  return first(line, (index) => {
    const [before, name, sign] = tokens.slice(index, index + 3);
    if (!before || !name || !sign || within[index + 1] !== undefined || before.line !== name.line)
      return undefined;
    if (!endsValue(before) || !isWord(name) || !/^(?:\.|=|\+=|-=|\()$/.test(sign.text)) return undefined;
    const text = `Put “${name.text}” of line ${name.line} on a line of its own.`;
    return refusal(
      'syntax-other',
      name,
      `Line ${name.line}: with “${name.text}” a second instruction begins. Each has a line of its own.`,
      [
        `How many instructions are there in line ${name.line}?`,
        `Behind “${before.text}” the next one begins.`,
        text,
      ],
      textRepair(text, {
        line: name.line,
        column: before.endColumn,
        length: name.column - before.endColumn,
        by: `\n${space}`,
      }),
    );
  });
};

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
  halfQuestion,
  equals,
  headOfElse,
  elseInLine,
  unit,
  dotMissing,
  equalsMissing,
  twoInOne,
  typedParameter,
  commaMissing,
  semicolonInBrackets,
];
