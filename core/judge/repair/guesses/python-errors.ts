import { closing } from '../token-places';
import type { Token } from '../../../program/token';
import { isInside, type Block, type Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { keptIn } from './places';

const [NAMED, FOR_A_READING] = [1.25, 1.55];
/** What can be set of an object, by what makes it. */
const ATTRIBUTES: ReadonlyMap<string, readonly string[]> = new Map([
  ['DigitalInOut', ['value', 'direction', 'pull']],
  ['AnalogIn', ['value']],
  ['PWMOut', ['duty_cycle', 'frequency']],
]);
/** What classes of names hold. */
const NAMES_OF: ReadonlyMap<string, readonly string[]> = new Map([
  ['Direction', ['OUTPUT', 'INPUT']],
  ['Pull', ['UP', 'DOWN']],
]);

/** What makes the object of each name: `light = pwmio.PWMOut(…)`. */
const makersIn = ({ tokens }: Form): ReadonlyMap<string, Token> =>
  new Map(
    tokens.flatMap((token, index): readonly (readonly [string, Token])[] => {
      const maker = tokens
        .slice(index + 2, index + 5)
        .find(({ text, line }) => line === token.line && ATTRIBUTES.has(text));
      return tokens[index + 1]?.text === '=' && maker ? [[token.text, maker]] : [];
    }),
  );

/** `light.value` of what has no value, and `Direction.OUT`: what it has instead. */
function attributesKnown(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language !== 'python') return [];
  const makers = makersIn(form);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const owner = tokens[index - 1]?.text === '.' ? (tokens[index - 2]?.text ?? '') : '';
    const maker = makers.get(owner);
    const known = NAMES_OF.get(owner) ?? ATTRIBUTES.get(maker?.text ?? '') ?? [];
    if (known.length === 0 || known.includes(token.text) || /^(?:switch_to_\w+|deinit)$/.test(token.text))
      return [];
    return known.map((by, at) => ({
      ...written(token, by, NAMED + 0.01 * at),
      told: {
        why: `Line ${token.line}: ${owner} has no ${token.text}.`,
        ask: `What can be said of ${owner}${maker ? `, which is a ${maker.text}` : ''}?`,
      },
    }));
  });
}

/** `light = DigitalInOut(…)` that is to be dimmed: a pin that is switched in pulses. */
function pinsDimmed(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language !== 'python') return [];
  return [...makersIn(form)].flatMap(([name, maker]): readonly Guess[] => {
    const isDimmed = tokens.some(
      ({ text }, index) =>
        text === name && tokens[index + 1]?.text === '.' && tokens[index + 2]?.text === 'duty_cycle',
    );
    if (maker.text !== 'DigitalInOut' || !isDimmed) return [];
    const at = tokens.indexOf(maker);
    const first = tokens[at - 1]?.text === '.' ? tokens[at - 2]! : maker;
    const by = 'pwmio.PWMOut';
    return [
      {
        edits: [{ line: first.line, column: first.column, length: maker.endColumn - first.column, by }],
        text: `Write ${by} instead of DigitalInOut in line ${first.line}.`,
        cost: NAMED,
        told: {
          why: `Line ${first.line} makes ${name} a pin that is only on or off, and it is to be dimmed.`,
          ask: `What dims an LED: a level, or pulses?`,
        },
      },
    ];
  });
}

/** What has to be a whole number and is divided: `int(level * 655 / 100)`. */
const wholeNumbersMade = ({ tokens, source, language }: Form): readonly Guess[] =>
  language !== 'python'
    ? []
    : tokens.flatMap((token, index): readonly Guess[] => {
        const isSet = /^(?:duty_cycle|frequency)$/.test(token.text) && tokens[index + 1]?.text === '=';
        const first = tokens[index + 2];
        const last = tokens.findLast(({ line }) => line === token.line);
        if (!isSet || !first || !last || first.text === 'int') return [];
        const value = (source.split('\n')[token.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1);
        if (!/\/|\.\d|\w\(/.test(value) && !/^\w+$/.test(value)) return [];
        return [
          {
            edits: [{ line: first.line, column: first.column, length: value.length, by: `int(${value})` }],
            text: `Write int(${value}) instead of ${value} in line ${token.line}.`,
            cost: NAMED,
            told: {
              why: `Line ${token.line}: ${token.text} has to be a whole number, and what is divided has a point.`,
              ask: `Which sort of number comes out of a division?`,
            },
          },
        ];
      });

/** A line of a function that works something out and keeps it nowhere, given back. */
function workedOutReturned({ tokens, blocks, language }: Form): readonly Guess[] {
  const words = language === 'python' ? 1 : 0;
  return blocks.flatMap((block): readonly Guess[] => {
    const name = block.head === 'function' ? block.headTokens[words]?.text : undefined;
    const isAsked = tokens.some(
      ({ text, startsLine, line }, index) =>
        text === name &&
        !startsLine &&
        tokens[index + 1]?.text === '(' &&
        !isInside(line, block) &&
        line !== block.opens?.line,
    );
    const inside = tokens.filter(({ line }) => isInside(line, block));
    if (name === undefined || !isAsked || inside.some(({ text }) => text === 'return')) return [];
    return inside
      .filter((token) => token.startsLine && isWorkedOut(tokens, tokens.indexOf(token)))
      .map((token) => ({
        edits: [{ line: token.line, column: token.column, length: 0, by: 'return ' }],
        text: `Write return at the beginning of line ${token.line}.`,
        cost: NAMED,
        told: {
          why: `Line ${token.line} works something out and gives it to nobody.`,
          ask: `Who needs what line ${token.line} works out, and how does it get there?`,
        },
      }));
  });
}

/** Whether a line is a sum or a question, and nothing is done with it. */
function isWorkedOut(tokens: readonly Token[], index: number): boolean {
  const { line, kind } = tokens[index]!;
  const words = tokens.slice(index).filter((token) => token.line === line);
  return (
    (kind === 'word' || kind === 'number') &&
    words.some(({ text }) => /^(?:[-+*/%]|[<>]=?|[!=]=|not|and|or)$/.test(text)) &&
    !words.some(({ text }) => /^(?:[-+*/]?=|\+\+|--|return|print|if|for|while)$/.test(text))
  );
}

/** A function that is called with more or less than it takes: given what it lacks, or what is called with less. */
function valuesMatched(form: Form): readonly Guess[] {
  const { tokens, blocks, language } = form;
  if (language !== 'python') return [];
  return blocks.flatMap((block) => {
    const [, name, open] = block.headTokens;
    if (block.head !== 'function' || !name || open?.text !== '(') return [];
    const taken = block.headTokens.slice(3).filter(({ kind }) => kind === 'word');
    const calls = tokens.flatMap((token, index) => {
      const close =
        token.text === name.text && tokens[index + 1]?.text === '('
          ? closing(tokens, index + 1, '(', ')')
          : undefined;
      return close === undefined || token === name
        ? []
        : [{ token, first: tokens[index + 2]!, last: tokens[close]! }];
    });
    return calls.flatMap(({ token, first, last }): readonly Guess[] => {
      const isEmpty = first === last;
      if (taken.length === 1 && isEmpty)
        return [...new Set(keptIn(form))]
          .filter((one) =>
            tokens.some(({ text, line }) => text === one && line < token.line && !isInside(line, block)),
          )
          .map((one, at) => ({
            edits: [{ line: last.line, column: last.column, length: 0, by: one }],
            text: `Write ${name.text}(${one}) instead of ${name.text}() in line ${token.line}.`,
            cost: NAMED + 0.01 * at,
          }));
      if (taken.length > 0 || isEmpty || first.kind !== 'word') return [];
      return namesUsedIn(block, tokens).map((one, at) => ({
        edits: [{ line: open.line, column: open.endColumn, length: 0, by: one }],
        text: `Write ${one} between the parentheses of ${name.text} in line ${open.line}.`,
        cost: NAMED + 0.01 * at,
        told: {
          why: `Line ${open.line} says that ${name.text} is given nothing, and line ${token.line} gives it something.`,
          ask: `How many values does ${name.text} take, and how many is it given?`,
        },
      }));
    });
  });
}

/** The names that a function uses as values, each once. */
const namesUsedIn = (block: Block, tokens: readonly Token[]): readonly string[] => [
  ...new Set(
    tokens.flatMap(({ kind, text, line }, index) =>
      kind === 'word' &&
      isInside(line, block) &&
      tokens[index - 1]?.text !== '.' &&
      !/^[.(=]$/.test(tokens[index + 1]?.text ?? '') &&
      /^[a-z_]+$/.test(text) &&
      !/^(?:return|if|else|elif|not|and|or|in|is|while|for|pass|global)$/.test(text)
        ? [text]
        : [],
    ),
  ),
];

/** What is read, where what a function makes of it is meant: `percent(pot.value)`, or the name that this was given. */
function readingsWorked(form: Form): readonly Guess[] {
  const { tokens, blocks, language } = form;
  if (language !== 'python') return [];
  const makers = makersIn(form);
  const idle = blocks.flatMap(({ head, headTokens }) => {
    const name = head === 'function' ? headTokens[1]?.text : undefined;
    return name !== undefined && tokens.filter(({ text }) => text === name).length === 1 ? [name] : [];
  });
  return tokens.flatMap((token, index): readonly Guess[] => {
    const value = tokens[index + 2];
    const isReading =
      makers.get(token.text)?.text === 'AnalogIn' &&
      tokens[index + 1]?.text === '.' &&
      value?.text === 'value';
    if (!isReading) return [];
    const before = tokens[index - 1]?.text ?? '';
    const kept =
      before === '='
        ? []
        : [...new Set(keptIn(form))].filter((name) => !makers.has(name) && /^[a-z_]+$/.test(name));
    const was = `${token.text}.value`;
    return [
      ...idle.map((name) => ({ by: `${name}(${was})`, why: `no line calls ${name}` })),
      ...(/^[(,]$/.test(before) &&
      !blocks.some(
        ({ headTokens }) =>
          headTokens[1]?.text === tokens[index - 2]?.text && idle.includes(headTokens[1]?.text ?? ''),
      )
        ? kept.map((name) => ({ by: name, why: `${name} is what was worked out of it` }))
        : []),
    ].map(({ by, why }) => ({
      edits: [{ line: token.line, column: token.column, length: value.endColumn - token.column, by }],
      text: `Write ${by} instead of ${was} in line ${token.line}.`,
      cost: FOR_A_READING,
      told: {
        why: `Line ${token.line} takes what is read as it is, and ${why}.`,
        ask: `In which range is ${was}, and in which should it be in line ${token.line}?`,
      },
    }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofPythonErrors: readonly Rule[] = [
  attributesKnown,
  pinsDimmed,
  wholeNumbersMade,
  workedOutReturned,
  valuesMatched,
  readingsWorked,
];
