import { refusal, textRepair } from '../problem';
import type { Token } from '../token';
import { brackets, COMPARING, endsValue, first, isValue, isWord } from './line-tokens';
import { TYPES } from './other-language';
import { exchange, textOf, type Detector } from './rewriting';

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

/** Questions, heads and instructions that are not written as such. */
export const statementSlips: readonly Detector[] = [
  halfQuestion,
  equals,
  headOfElse,
  elseInLine,
  dotMissing,
  equalsMissing,
  twoInOne,
  typedParameter,
];
