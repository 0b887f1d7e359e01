import type { Token } from '../../../program/token';
import { closing, isInLoopHead } from '../token-places';
import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';
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
  MSBFIRST: ['LSBFIRST'],
  LSBFIRST: ['MSBFIRST'],
});
/** Signs that beginners take for one another. */
const SIGNS: ReadonlyMap<string, readonly string[]> = mapped({
  '+': ['-', '<<', '*'],
  '-': ['+'],
  '*': ['/'],
  '/': ['*', '%'],
  '%': ['/'],
  '<<': ['>>'],
  '>>': ['<<'],
  '+=': ['-='],
  '-=': ['+='],
  '++': ['--'],
  '--': ['++'],
  '&&': ['||'],
  '||': ['&&'],
  '==': ['>=', '<=', '<', '>'],
  '<': ['<=', '>'],
  '<=': ['<', '>=', '=='],
  '>': ['>=', '<'],
  '>=': ['>', '<=', '=='],
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
      ...(isCall && (isCpp ? !isOfModule(tokens, index) : /^(?:min|max)$/.test(text))
        ? (FUNCTIONS.get(text) ?? [])
        : []),
      ...((isCpp ? MODES : PYTHON_WORDS).get(text) ?? []),
      ...(token.kind === 'punctuation' && isBetween(tokens, index) && !isOfState(tokens, index)
        ? (SIGNS.get(text) ?? [])
        : []),
    ];
    return [...others.map((by) => written(token, by, COST)), ...minusBefore(tokens, index)];
  });
}

/** Whether a sign asks which of several states something is in: `mode == 1`, `mode == 2`. */
const isOfState = (tokens: readonly Token[], index: number): boolean =>
  tokens[index]!.text === '==' &&
  tokens.filter(({ text }, at) => text === '==' && tokens[at - 1]?.text === tokens[index - 1]?.text).length >
    1;

/** What waits for the wrong sort of value: a brightness that is a yes or a no, a reading that is asked whether it is HIGH. */
function callsOfOtherSort({ tokens, holdings, language }: Form): readonly Guess[] {
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

/** A pin that is measured, or whose pulses are, made an output. */
const inputsForOutputs = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const [call, , pin] = tokens.slice(Math.max(0, index - 4), index);
    const isSet = token.text === 'OUTPUT' && call?.text === 'pinMode';
    const isMeasured = tokens.some(
      ({ text }, at) =>
        /^(?:pulseIn|analogRead|digitalRead)$/.test(text) && tokens[at + 2]?.text === pin?.text,
    );
    return isSet && pin && isMeasured
      ? [
          {
            ...written(token, 'INPUT', SET_UP),
            told: {
              why: `Line ${token.line} makes pin ${pin.text} an output, so the board sets its level itself and what comes in is never seen.`,
              ask: `Which way does the signal on pin ${pin.text} go: out of the board, or into it?`,
            },
          },
        ]
      : [];
  });

/** `arm.attach(9, OUTPUT)`: the mode of a pin where only `pinMode` takes one. */
const modesLeftOut = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const [pin, comma, close] = [tokens[index - 2], tokens[index - 1], tokens[index + 1]];
    const call = tokens[index - 4]?.text;
    if (!/^(?:INPUT|OUTPUT|INPUT_PULLUP)$/.test(token.text) || comma?.text !== ',' || close?.text !== ')')
      return [];
    if (call === undefined || call === 'pinMode' || tokens[index - 3]?.text !== '(' || !pin) return [];
    return [
      {
        edits: [{ line: token.line, column: comma.column, length: token.endColumn - comma.column, by: '' }],
        text: `Take ${token.text} away from ${call} in line ${token.line}.`,
        cost: OF_WAY,
        told: {
          why: `Line ${token.line}: ${call} takes no ${token.text}. Only pinMode does.`,
          ask: `What does ${call} take, and what is the second value in line ${token.line}?`,
        },
      },
    ];
  });
const LEVELS = /^(?:HIGH|LOW|true|false)$/;
const [OF_SORT, OF_WAY, SET_UP, SHOWN] = [1.6, 1.3, 0.99, 1.55];

/** `for (int i = 0; i < 3; i--)`: a count that goes away from where it is to end. */
function countsTheOtherWay({ tokens, blocks, language }: Form): readonly Guess[] {
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

/** A counter that the exercise counts both up and down and that this program only counts one way, counted the other way somewhere. */
function countedBothWays({ tokens }: Form, asked: Form): readonly Guess[] {
  const stepsIn = (all: readonly Token[]): readonly Token[] =>
    all.filter(({ text }, index) => /^(?:\+\+|--|[-+]=)$/.test(text) && !isInLoopHead(all, index));
  const wayOf = ({ text }: Token): string => text[0]!;
  const isBoth = (all: readonly Token[]): boolean => {
    const signs = new Set(
      all.filter(({ text }, at) => /^[-+]$/.test(text) && all[at - 2]?.text === '=').map(wayOf),
    );
    for (const step of stepsIn(all)) signs.add(wayOf(step));
    return signs.size > 1;
  };
  const steps = stepsIn(tokens);
  if (!isBoth(asked.tokens) || isBoth(tokens) || steps.length < 2) return [];
  return steps.map((step) => ({
    ...written(step, OTHER_WAY[step.text]!, OF_WAY),
    told: {
      why: `Line ${step.line} counts ${wayOf(step) === '+' ? 'up' : 'down'}, as every other line does.`,
      ask: `Which way does line ${step.line} count?`,
    },
  }));
}
const OTHER_WAY: Readonly<Record<string, string>> = { '++': '--', '--': '++', '+=': '-=', '-=': '+=' };

/** `Serial.print` in a program that shows things on a display, and the other way round. */
function printedOnOthers({ tokens }: Form): readonly Guess[] {
  const prints = tokens.flatMap((token, index) =>
    token.text === '.' && /^print(?:ln)?$/.test(tokens[index + 1]?.text ?? '') && tokens[index - 1]
      ? [tokens[index - 1]!]
      : [],
  );
  const names = [...new Set(prints.map(({ text }) => text))];
  if (names.length !== 2 || !names.includes('Serial')) return [];
  return prints.map((token) => ({
    ...written(
      token,
      names.find((name) => name !== token.text)!,
      SHOWN,
    ),
    told: {
      why: `Line ${token.line} prints to ${token.text === 'Serial' ? 'the computer, and not to the display' : 'the display, and not to the computer'}.`,
      ask: `Where does what line ${token.line} prints appear?`,
    },
  }));
}

/** `while (false)`: a loop that never runs. */
const loopsThatRun = ({ tokens, language }: Form): readonly Guess[] =>
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

/** The rules of this subject that something in a program speaks for. */
export const ofWords: readonly Rule[] = [
  countsTheOtherWay,
  countedBothWays,
  printedOnOthers,
  modesLeftOut,
  inputsForOutputs,
  loopsThatRun,
  callsOfOtherSort,
];
