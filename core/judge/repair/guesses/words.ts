import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import type { Form } from './form';
import { written, type Guess } from './guess';
import { isFixed } from './numbers';

/** Words by themselves: a function of a program may be called `toString`. */
const mapped = (
  others: Readonly<Record<string, readonly string[]>>,
): ReadonlyMap<string, readonly string[]> => new Map(Object.entries(others));

/** Functions that beginners take for one another. */
const FUNCTIONS: ReadonlyMap<string, readonly string[]> = mapped({
  digitalWrite: ['analogWrite'],
  analogWrite: ['digitalWrite'],
  digitalRead: ['analogRead'],
  analogRead: ['digitalRead'],
  delay: ['delayMicroseconds'],
  delayMicroseconds: ['delay'],
  millis: ['micros'],
  micros: ['millis'],
  print: ['println'],
  println: ['print'],
  min: ['max'],
  max: ['min'],
});
/** Modes of a pin, of which one stands for another. */
const MODES: ReadonlyMap<string, readonly string[]> = mapped({
  OUTPUT: ['INPUT_PULLUP', 'INPUT'],
  INPUT: ['OUTPUT'],
  INPUT_PULLUP: ['INPUT'],
});
/** Signs that beginners take for one another. */
const SIGNS: ReadonlyMap<string, readonly string[]> = mapped({
  '+': ['-'],
  '-': ['+'],
  '*': ['/'],
  '/': ['*'],
  '+=': ['-='],
  '-=': ['+='],
  '++': ['--'],
  '--': ['++'],
  '&&': ['||'],
  '||': ['&&'],
  '==': ['>=', '<=', '<', '>'],
  '<': ['<=', '>'],
  '<=': ['<', '>='],
  '>': ['>=', '<'],
  '>=': ['>', '<='],
});
const PYTHON_WORDS: ReadonlyMap<string, readonly string[]> = mapped({ and: ['or'], or: ['and'] });
const COST = 1.9;
const WORDS_OF_BOARD = /^(?:INPUT|OUTPUT|INPUT_PULLUP|HIGH|LOW)$/;

/** Functions, modes and signs, each with what stands for it by mistake. */
export function otherWords({ tokens, language }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    const { text } = token;
    const isCall = tokens[index + 1]?.text === '(';
    const isCpp = language === 'cpp';
    const others = [
      ...(isCpp && isCall && !isOfModule(tokens, index) ? (FUNCTIONS.get(text) ?? []) : []),
      ...((isCpp ? MODES : PYTHON_WORDS).get(text) ?? []),
      ...(token.kind === 'punctuation' && isBetween(tokens, index) ? (SIGNS.get(text) ?? []) : []),
    ];
    return [...others.map((by) => written(token, by, COST)), ...minusBefore(tokens, index)];
  });
}

/** What waits for the wrong sort of value: a brightness that is a yes or a no, a reading that is asked whether it is HIGH. */
export function callsOfOtherSort({ tokens, holdings, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.text === 'analogWrite') {
      const comma = tokens.findIndex(({ text }, at) => at > index && text === ',');
      const [value, close] = [tokens[comma + 1], tokens[comma + 2]];
      const isTruth =
        close?.text === ')' &&
        value !== undefined &&
        (holdings.get(value.text) === 'truth' || LEVELS.test(value.text));
      return isTruth ? [written(token, 'digitalWrite', OF_SORT)] : [];
    }
    if (token.text !== 'analogRead') return [];
    const close = closing(tokens, index + 1, '(', ')') ?? index;
    const isAsked =
      tokens[index - 1]?.text === '!' ||
      LEVELS.test(tokens[index - 2]?.text ?? '') ||
      (/^[!=]=$/.test(tokens[close + 1]?.text ?? '') && LEVELS.test(tokens[close + 2]?.text ?? ''));
    return isAsked ? [written(token, 'digitalRead', OF_SORT)] : [];
  });
}
const LEVELS = /^(?:HIGH|LOW|true|false)$/;
const [OF_SORT, OF_WAY] = [1.6, 1.3];

/** `for (int i = 0; i < 3; i--)`: a count that goes away from where it is to end. */
export function countsTheOtherWay({ tokens, blocks, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return blocks.flatMap(({ head, headTokens }): readonly Guess[] => {
    if (head !== 'loop') return [];
    const step = headTokens.find(({ text }) => text === '++' || text === '--');
    const isUp = headTokens.some(({ text }) => text === '<' || text === '<=');
    const isDown = headTokens.some(({ text }) => text === '>' || text === '>=');
    const isAway = step && isUp !== isDown && (step.text === '++') !== isUp;
    return isAway && tokens.includes(step) ? [written(step, isUp ? '++' : '--', OF_WAY)] : [];
  });
}

/** `while (false)`: a loop that never runs. */
export const loopsThatRun = ({ tokens, language }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const head = language === 'python' ? index - 1 : index - 2;
    const isWhole = tokens[head]?.text === 'while' && /^[:)]$/.test(tokens[index + 1]?.text ?? '');
    const by = { false: 'true', False: 'True', 0: '1' }[token.text];
    return isWhole && by !== undefined ? [written(token, by, OF_WAY)] : [];
  });

/** Whether what is called belongs to an object other than the serial line: a display has no println. */
const isOfModule = (tokens: readonly Token[], index: number): boolean =>
  tokens[index - 1]?.text === '.' && tokens[index - 2]?.text !== 'Serial';

/** Whether a sign has something before it: `a - b`, and not `= -b`. */
const isBetween = (tokens: readonly Token[], index: number): boolean => {
  const before = tokens[index - 1];
  return (
    tokens[index]!.text.length > 1 ||
    before?.kind === 'word' ||
    before?.kind === 'number' ||
    /^[)\]]$/.test(before?.text ?? '')
  );
};

/** `x = x;`, with a minus before what it is set to. */
function minusBefore(tokens: readonly Token[], index: number): readonly Guess[] {
  const [sign, value, end] = tokens.slice(index + 1, index + 4);
  const isAlone = end === undefined || end.text === ';' || end.line !== tokens[index]!.line;
  if (sign?.text !== '=' || value?.text !== tokens[index]!.text || !isAlone) return [];
  return [
    {
      edits: [{ line: value.line, column: value.column, length: 0, by: '-' }],
      text: `Put - before the second ${value.text} in line ${value.line}.`,
      cost: COST,
    },
  ];
}

/** Two values that a call is given in each other’s places. */
export function exchangedValues({ tokens }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    const close =
      token.text === '(' && tokens[index - 1]?.kind === 'word' ? closing(tokens, index, '(', ')') : undefined;
    if (close === undefined) return [];
    const inside = tokens.slice(index + 1, close);
    if (inside.some((_, at) => isFixed(tokens, index + 1 + at))) return [];
    const plain = inside.every(({ kind, text }) => kind === 'word' || kind === 'number' || text === ',');
    const values = inside.filter(({ text }) => text !== ',');
    if (!plain || values.length < 2 || values.length > 5) return [];
    return values.slice(1).flatMap((other, at) => {
      const one = values[at]!;
      // A mode or a level is told from a pin by its capitals.
      const isTold = WORDS_OF_BOARD.test(one.text) !== WORDS_OF_BOARD.test(other.text);
      if (one.text === other.text || one.line !== other.line || isTold) return [];
      return [
        {
          edits: [written(other, one.text, COST).edits[0]!, written(one, other.text, COST).edits[0]!],
          text: `Exchange ${one.text} and ${other.text} in line ${one.line}.`,
          cost: COST,
        },
      ];
    });
  });
}
