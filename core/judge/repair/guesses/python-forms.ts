import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import { isInside, type Block, type Form } from './form';
import { written, type Guess, type Rule } from './guess';

const [NAMED, LIKELY] = [1.3, 1.6];

/** `range(leds)` and `for index in leds` where the index is meant: as many rounds as the list has entries. */
function roundsOfLists({ tokens, blocks, holdings, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (holdings.get(token.text) !== 'list') return [];
    const [before, call] = [tokens[index - 1]?.text, tokens[index - 2]?.text];
    if (before === '(' && call === 'range' && tokens[index + 1]?.text === ')')
      return [{ ...written(token, `len(${token.text})`, NAMED), told: rounds(token, token.text) }];
    const counter = tokens[index - 2];
    if (before !== 'in' || tokens[index - 3]?.text !== 'for' || !counter) return [];
    const block = blocks.find(({ headTokens }) => headTokens.includes(counter));
    const isPlace =
      block !== undefined &&
      tokens.some(
        ({ text, line }, at) =>
          text === counter.text && tokens[at - 1]?.text === '[' && isInside(line, block),
      );
    return isPlace
      ? [{ ...written(token, `range(len(${token.text}))`, NAMED), told: rounds(token, token.text) }]
      : [];
  });
}

const rounds = ({ line }: Token, list: string) => ({
  why: `Line ${line} is to count the places of ${list}: there are len(${list}) of them, and range counts them.`,
  ask: `What does the loop in line ${line} go through: the list itself, or the numbers of its places?`,
});

/** `led = True`, `leds[i] = on`: the object of a pin that is overwritten, where its value is meant. */
function objectsKept({ tokens, holdings, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!token.startsLine || token.kind !== 'word') return [];
    const isEntry = tokens[index + 1]?.text === '[';
    const end = isEntry ? closing(tokens, index + 1, '[', ']') : index;
    const [last, sign] = [tokens[end ?? -1], tokens[(end ?? -1) + 1]];
    const held = holdings.get(token.text);
    if (!last || sign?.text !== '=' || sign.line !== token.line) return [];
    const isMade = tokens
      .slice(index, index + 12)
      .some(
        ({ text, line }) =>
          line === token.line && /^[A-Z]\w*[a-z]/.test(text) && !/^(?:True|False|None)$/.test(text),
      );
    const isOfObjects = isEntry
      ? held === 'list' && tokens.some(({ text }, at) => text === 'value' && tokens[at - 1]?.text === '.')
      : held === 'object';
    if (!isOfObjects || isMade || (!isEntry && tokens.findIndex(({ text }) => text === token.text) === index))
      return [];
    // What is set of the object elsewhere is what is meant here.
    const set = tokens.flatMap(({ text }, at) =>
      text === token.text && tokens[at + 1]?.text === '.' && tokens[at + 3]?.text === '='
        ? [tokens[at + 2]!.text]
        : [],
    );
    const property = set.find((one) => one !== 'direction' && one !== 'pull') ?? 'value';
    const name = tokens
      .slice(index, end! + 1)
      .map(({ text }) => text)
      .join('');
    return [
      {
        edits: [{ line: last.line, column: last.endColumn, length: 0, by: `.${property}` }],
        text: `Write ${name}.${property} instead of ${name} in line ${token.line}.`,
        cost: NAMED,
        told: {
          why: `Line ${token.line} puts something else in the place of ${name}, and the pin stays as it is. A pin is set through its ${property}.`,
          ask: `What is in ${name} before line ${token.line}, and what is in it afterwards?`,
        },
      },
    ];
  });
}

/** `x.value = i = j`: two signs of assignment, of which the second is to ask. */
function secondAsked({ tokens, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    const isSecond = tokens.some(
      ({ text, line }, at) =>
        at < index && line === token.line && text === '=' && depthBetween(tokens, at, index) === 0,
    );
    return token.text === '=' && isSecond && depthBetween(tokens, lineStart(tokens, index), index) === 0
      ? [
          {
            ...written(token, '==', NAMED),
            told: {
              why: `Line ${token.line} sets two things at once: one = sets, and two, ==, ask whether both are the same.`,
              ask: `How many times does line ${token.line} set something, and what does it ask?`,
            },
          },
        ]
      : [];
  });
}

const lineStart = (tokens: readonly Token[], index: number): number =>
  tokens.findIndex(({ line }) => line === tokens[index]!.line);

const depthBetween = (tokens: readonly Token[], from: number, to: number): number =>
  tokens
    .slice(from, to)
    .reduce((depth, { text }) => depth + (/^[([{]$/.test(text) ? 1 : /^[)\]}]$/.test(text) ? -1 : 0), 0);

const OTHER_SORT: Readonly<Record<string, string>> = { DigitalInOut: 'AnalogIn', AnalogIn: 'DigitalInOut' };
const MODULE: Readonly<Record<string, string>> = { AnalogIn: 'analogio', DigitalInOut: 'digitalio' };

/** A pin that is read as a level and is to be measured, or the other way round. */
function pinsOfOtherSort({ tokens, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    const by = Object.hasOwn(OTHER_SORT, token.text) ? OTHER_SORT[token.text] : undefined;
    if (by === undefined || tokens[index + 1]?.text !== '(') return [];
    const module = tokens[index - 1]?.text === '.' ? tokens[index - 2] : undefined;
    const edits = [...written(token, by, 0).edits, ...(module ? written(module, MODULE[by]!, 0).edits : [])];
    const what = by === 'AnalogIn' ? 'only tells high from low' : 'measures, and has no level';
    return [
      {
        edits,
        text: `Write ${module ? `${MODULE[by]}.` : ''}${by} instead of ${module ? `${module.text}.` : ''}${token.text} in line ${token.line}.`,
        cost: LIKELY,
        told: {
          why: `Line ${token.line}: a ${token.text} ${what}.`,
          ask: `Is what is on this pin read as a level, or measured?`,
        },
      },
    ];
  });
}

/** `print(1)` in a function that is asked for what it gives back: `return 1`. */
function printsReturned({ tokens, blocks, language }: Form): readonly Guess[] {
  const print = language === 'python' ? /^print$/ : /^$/;
  return blocks
    .filter((block) => block.head === 'function' && isAsked(block, tokens))
    .flatMap((block) =>
      tokens.flatMap((token, index): readonly Guess[] => {
        const close = print.test(token.text) ? closing(tokens, index + 1, '(', ')') : undefined;
        if (close === undefined || !isInside(token.line, block) || !token.startsLine) return [];
        const by = `return ${tokens
          .slice(index + 2, close)
          .map(({ text }) => text)
          .join(' ')}`;
        return [
          {
            edits: [
              { line: token.line, column: token.column, length: tokens[close]!.endColumn - token.column, by },
            ],
            text: `Write ${by} instead of what line ${token.line} prints.`,
            cost: NAMED,
            told: {
              why: `Line ${token.line} shows the answer on the screen, and gives nothing back to the line that asked.`,
              ask: `Where does what line ${token.line} prints go, and who waits for it?`,
            },
          },
        ];
      }),
    );
}

/** `return '0'`: a number in quotes is a text, and no number is equal to it. */
const textsAsNumbers = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const digits = /^["'](-?\d+(?:\.\d+)?)["']$/.exec(token.text)?.[1];
    if (digits === undefined || tokens[index - 2]?.text === 'print') return [];
    return [
      {
        ...written(token, digits, LIKELY),
        told: {
          why: `Line ${token.line}: ${token.text} is a text, and a text is never equal to a number.`,
          ask: `What is the difference between ${digits} and ${token.text}?`,
        },
      },
    ];
  });

/** Whether something is done with what a function gives back. */
const isAsked = ({ headTokens }: Block, tokens: readonly Token[]): boolean => {
  const name = headTokens[1]?.text;
  return tokens.some(
    ({ text, startsLine }, index) =>
      text === name && !startsLine && tokens[index - 1]?.text !== 'def' && tokens[index + 1]?.text === '(',
  );
};

/** `is_open()` of what is no function: without its parentheses. */
function valuesUncalled({ tokens, blocks, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  const functions = new Set(
    blocks.flatMap(({ head, headTokens }) => (head === 'function' ? [headTokens[1]?.text] : [])),
  );
  const named = new Set(
    tokens.flatMap(({ text, kind }, index) =>
      kind === 'word' && tokens[index + 1]?.text === '=' && tokens[index - 1]?.text !== '.' ? [text] : [],
    ),
  );
  for (const { head, headTokens } of blocks)
    if (head === 'function')
      for (const { text, kind } of headTokens.slice(2)) if (kind === 'word') named.add(text);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [open, close] = [tokens[index + 1], tokens[index + 2]];
    const isCalled = open?.text === '(' && close?.text === ')' && close.line === token.line;
    if (!isCalled || !named.has(token.text) || functions.has(token.text) || tokens[index - 1]?.text === '.')
      return [];
    return [
      {
        edits: [{ line: open.line, column: open.column, length: close.endColumn - open.column, by: '' }],
        text: `Remove the parentheses behind ${token.text} in line ${token.line}.`,
        cost: NAMED,
        told: {
          why: `Line ${token.line}: ${token.text} is a value and no function, so it cannot be called.`,
          ask: `What is ${token.text}: a function, or a value?`,
        },
      },
    ];
  });
}

/** What the exercise's own program says by name when it makes something, `frequency=50`, said where this one makes the like. */
function namedAsAsked({ tokens, language }: Form, asked: Form): readonly Guess[] {
  if (language !== 'python') return [];
  const givenIn = (all: readonly Token[], index: number): readonly (readonly [string, string])[] => {
    const close = closing(all, index + 1, '(', ')') ?? index;
    return all.slice(index + 2, close).flatMap((token, at, inside) => {
      const [sign, value] = [inside[at + 1], inside[at + 2]];
      return token.kind === 'word' && sign?.text === '=' && value ? [[token.text, value.text] as const] : [];
    });
  };
  const isMaker = (all: readonly Token[], index: number): boolean =>
    /^[A-Z]\w*[a-zA-Z]$/.test(all[index]!.text) && all[index + 1]?.text === '(';
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!isMaker(tokens, index)) return [];
    const other = asked.tokens.findIndex(({ text }, at) => text === token.text && isMaker(asked.tokens, at));
    const close = closing(tokens, index + 1, '(', ')');
    if (other < 0 || close === undefined || close === index + 2) return [];
    const own = new Set(givenIn(tokens, index).map(([name]) => name));
    return givenIn(asked.tokens, other)
      .filter(([name]) => !own.has(name))
      .map(([name, value]) => ({
        edits: [
          { line: tokens[close]!.line, column: tokens[close]!.column, length: 0, by: `, ${name}=${value}` },
        ],
        text: `Add ${name}=${value} between the parentheses in line ${token.line}.`,
        cost: NAMED,
      }));
  });
}

/** What a loop goes through, under the name that it gives each one: `flash(light)` for `flash(lights)` and `flash(lights[0])`. */
function eachOfLoop({ tokens, blocks, holdings, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  return blocks.flatMap((block) => {
    const names = block.head === 'loop' ? loopNamesOf(block) : [];
    return tokens.flatMap((token, index): readonly Guess[] => {
      if (!isInside(token.line, block) || token.kind !== 'word' || tokens[index - 1]?.text === '.') return [];
      const isList = holdings.get(token.text) === 'list';
      const isOther = names.length > 1 && names.includes(token.text);
      const end = isList && tokens[index + 1]?.text === '[' ? closing(tokens, index + 1, '[', ']') : index;
      const last = tokens[end ?? -1];
      const after = tokens[(end ?? -1) + 1]?.text ?? '';
      const isUsed = /^[(,]$/.test(tokens[index - 1]?.text ?? '') || after === '.';
      if (!last || !isUsed || last.line !== token.line || !(isList || isOther)) return [];
      if (tokens[index - 2]?.text === 'len') return [];
      const was = tokens
        .slice(index, end! + 1)
        .map(({ text }) => text)
        .join('');
      return names
        .filter((name) => name !== token.text)
        .map((by) => ({
          edits: [{ line: token.line, column: token.column, length: last.endColumn - token.column, by }],
          text: `Write ${by} instead of ${was} in line ${token.line}.`,
          cost: LIKELY,
          told: {
            why: `Line ${token.line} takes ${was}. The loop calls the one whose turn it is ${by}.`,
            ask: `What does the loop call the one whose turn it is?`,
          },
        }));
    });
  });
}

/** The names that a loop gives to what it goes through. */
export const loopNamesOf = ({ headTokens }: Block): readonly string[] => {
  const end = headTokens.findIndex(({ text }) => text === 'in');
  return headTokens[0]?.text === 'for'
    ? headTokens.slice(1, Math.max(1, end)).flatMap(({ kind, text }) => (kind === 'word' ? [text] : []))
    : [];
};

/** `led.value(True)`: what is set, and not called. */
const valuesSet = ({ tokens, language }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const open = tokens[index + 1];
    const close = open?.text === '(' ? closing(tokens, index + 1, '(', ')') : undefined;
    const last = close === undefined ? undefined : tokens[close];
    const isSet = language === 'python' && tokens[index - 1]?.text === '.' && SETTABLE.test(token.text);
    if (!isSet || !open || !last || close === index + 2 || last.line !== token.line) return [];
    return [
      {
        edits: [
          { line: last.line, column: last.column, length: 1, by: '' },
          { line: open.line, column: token.endColumn, length: open.endColumn - token.endColumn, by: ' = ' },
        ],
        text: `Write ${token.text} = with what stands in the parentheses in line ${token.line}.`,
        cost: NAMED,
        told: {
          why: `Line ${token.line}: ${token.text} is no function. It is given what it is to be with an equals sign.`,
          ask: `How is ${token.text} set: by a call, or by an equals sign?`,
        },
      },
    ];
  });
const SETTABLE = /^(?:value|duty_cycle|frequency|direction|pull)$/;

/** `button.pressed`: what other libraries call it; here it is the value, which is low while a button to ground is pressed. */
const foreignAttributes = ({ tokens, language }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const [object, dot, open, close] = [-2, -1, 1, 2].map((by) => tokens[index + by]);
    const isForeign = language === 'python' && dot?.text === '.' && FOREIGN.test(token.text);
    if (!isForeign || object?.kind !== 'word' || tokens[index - 3]?.text === '.') return [];
    const isCalled = open?.text === '(' && close?.text === ')';
    const end = isCalled ? close.endColumn : token.endColumn;
    const [from, not] = tokens[index - 3]?.text === 'not' ? [tokens[index - 3]!, true] : [object, false];
    const told = {
      why: `Line ${token.line}: a pin has no ${token.text} here. What it reads is its value.`,
      ask: `What can a pin be asked for?`,
    };
    return [`${object.text}.value`, `not ${object.text}.value`].map((by) => ({
      edits: [{ line: token.line, column: from.column, length: end - from.column, by }],
      text: `Write ${by} instead of ${not ? 'not ' : ''}${object.text}.${token.text}${isCalled ? '()' : ''} in line ${token.line}.`,
      cost: NAMED,
      told,
    }));
  });
const FOREIGN = /^(?:pressed|is_pressed|state|read|level|get|reading)$/;

/** `DigitalInOut("D2")`: the name of a pin as a text. */
const pinsInQuotes = ({ tokens, language }: Form): readonly Guess[] =>
  tokens.flatMap((token): readonly Guess[] => {
    const pin = language === 'python' ? /^["'](?:board\.)?([AD]\d+)["']$/.exec(token.text)?.[1] : undefined;
    if (pin === undefined) return [];
    return [
      {
        ...written(token, `board.${pin}`, NAMED),
        told: {
          why: `Line ${token.line}: ${token.text} is a text. A pin is called by its name in board, without quotes.`,
          ask: `What does board know its pins by?`,
        },
      },
    ];
  });

/** `lights.value` in a function that is told which one is meant: `light.value`. */
const givenForLists = ({ tokens, blocks, holdings, language }: Form): readonly Guess[] =>
  language !== 'python'
    ? []
    : blocks
        .filter(({ head }) => head === 'function')
        .flatMap((block) => {
          const taken = block.headTokens
            .slice(3)
            .flatMap(({ kind, text }) => (kind === 'word' ? [text] : []));
          return tokens.flatMap((token, index): readonly Guess[] =>
            isInside(token.line, block) &&
            holdings.get(token.text) === 'list' &&
            tokens[index + 1]?.text === '.' &&
            SETTABLE.test(tokens[index + 2]?.text ?? '')
              ? taken.map((name) => ({
                  ...written(token, name, NAMED),
                  told: {
                    why: `Line ${token.line}: ${token.text} is a list, and a list has no ${tokens[index + 2]!.text}. The function is told which one is meant as ${name}.`,
                    ask: `What is ${token.text}, and what is ${name}?`,
                  },
                }))
              : [],
          );
        });

/** The rules of this subject that something in a program speaks for. */
export const ofPythonForms: readonly Rule[] = [
  roundsOfLists,
  objectsKept,
  valuesUncalled,
  valuesSet,
  foreignAttributes,
  pinsInQuotes,
  eachOfLoop,
  givenForLists,
  namedAsAsked,
  secondAsked,
  printsReturned,
  pinsOfOtherSort,
  textsAsNumbers,
];
