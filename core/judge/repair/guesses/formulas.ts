import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import { isInside, type Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { valueOf } from './numbers';

const [BOUND, WHOLE, SCALED, TURNED] = [1.62, 1.58, 1.7, 1.72];

/** `a - b / c`: what is divided or multiplied first, though the difference is meant to be: `(a - b) / c`. */
function parenthesesPut({ tokens }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!/^[-+]$/.test(token.text)) return [];
    const [a, b, sign, c] = [-1, 1, 2, 3].map((by) => tokens[index + by]);
    const isPlain = (one: Token | undefined): one is Token => one?.kind === 'word' || one?.kind === 'number';
    if (!isPlain(a) || !isPlain(b) || !isPlain(c) || !/^[*/%]$/.test(sign?.text ?? '')) return [];
    if (a.line !== c.line || /^[*/.]$/.test(tokens[index - 2]?.text ?? '') || tokens[index + 4]?.text === '(')
      return [];
    const sum = `${a.text} ${token.text} ${b.text}`;
    return [
      {
        edits: [
          { line: b.line, column: b.endColumn, length: 0, by: ')' },
          { line: a.line, column: a.column, length: 0, by: '(' },
        ],
        text: `Put ${sum} in line ${a.line} in parentheses.`,
        cost: BOUND,
        told: {
          why: `Line ${a.line} works out ${b.text} ${sign!.text} ${c.text} first, since ${sign!.text} comes before ${token.text}.`,
          ask: `Which part of line ${a.line} is worked out first?`,
        },
      },
    ];
  });
}

/** `int celsius() { return raw / 10.0; }`: what is given back has a point, and the function drops it. */
function fractionsReturned({ tokens, blocks, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return blocks.flatMap((block): readonly Guess[] => {
    const [name] = block.headTokens;
    const type = block.head === 'function' && name ? tokens[tokens.indexOf(name) - 1] : undefined;
    if (!type || !/^(?:int|long|byte|bool)$/.test(type.text)) return [];
    const returned = tokens.findIndex(({ text, line }) => text === 'return' && isInside(line, block));
    const stop = tokens.findIndex(({ text }, at) => at > returned && text === ';');
    const isOpen = tokens
      .slice(returned, stop)
      .some(({ kind, text }) => text === '/' || (kind === 'number' && text.includes('.')));
    if (returned < 0 || !isOpen) return [];
    return [
      {
        ...written(type, 'float', WHOLE),
        told: {
          why: `Line ${type.line} says that ${name!.text} gives back a whole number, so what is behind the point is lost.`,
          ask: `Which sort of number does ${name!.text} give back?`,
        },
      },
    ];
  });
}

/** `bool step` that is counted or compared with more than 1: a yes or a no cannot be counted. */
function countedTruths({ tokens, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return tokens.flatMap((type, index): readonly Guess[] => {
    const name = tokens[index + 1];
    if (
      !/^bool(?:ean)?$/.test(type.text) ||
      name?.kind !== 'word' ||
      !/^[=;]$/.test(tokens[index + 2]?.text ?? '')
    )
      return [];
    const isCounted = tokens.some(
      ({ text }, at) =>
        text === name.text &&
        (/^(?:\+\+|--|[-+]=|<<|>>|&)$/.test(tokens[at + 1]?.text ?? '') ||
          (/^(?:[<>]=?|==)$/.test(tokens[at + 1]?.text ?? '') && valueOf(tokens[at + 2]?.text ?? '') > 1)),
    );
    return isCounted
      ? [
          {
            ...written(type, 'int', WHOLE),
            told: {
              why: `Line ${type.line} makes ${name.text} a ${type.text}, which is only ever 0 or 1, and the program counts with it.`,
              ask: `Which numbers does a ${type.text} hold?`,
            },
          },
        ]
      : [];
  });
}

/** Numbers that are reckoned or compared with and a thousandfold of which the exercise's own program has, or a thousandth: another unit. */
function unitsAsAsked({ tokens }: Form, asked: Form): readonly Guess[] {
  const own = new Set(tokens.flatMap(({ kind, text }) => (kind === 'number' ? [valueOf(text)] : [])));
  const wanted = asked.tokens.flatMap(({ kind, text }) => (kind === 'number' ? [valueOf(text)] : []));
  // A program in other units has more than one of its numbers so many times larger.
  if (!wanted.some((number) => number !== 0 && number < 100 && own.has(number * 1000))) return [];
  const scaled = [...new Set(wanted.map((number) => number * 1000))].filter(
    (number) => !own.has(number) && number >= 100,
  );
  return tokens.flatMap((token, index): readonly Guess[] => {
    const around = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
    if (token.kind !== 'number' || !around.some((text) => /^[-+*/]$/.test(text))) return [];
    const value = valueOf(token.text);
    const point = token.text.includes('.') ? '.0' : '';
    return scaled
      .filter((number) => number !== value && Number.isInteger(number))
      .map((number) => written(token, `${number}${point}`, SCALED));
  });
}

/** `255 - level`: a value that is turned over, taken as it is; and the other way round where all are taken so. */
function turnedOver({ tokens }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    const sign = tokens[index + 1];
    const begins = /^[(,=]$/.test(tokens[index - 1]?.text ?? '');
    if (!/^(?:1|180|255|1023|4095|65535)$/.test(token.text) || sign?.text !== '-' || !begins) return [];
    const first = tokens[index + 2];
    if (!first || first.line !== token.line || first.text === '(') return [];
    return [
      {
        edits: [{ line: token.line, column: token.column, length: first.column - token.column, by: '' }],
        text: `Remove ${token.text} - from line ${token.line}.`,
        cost: TURNED,
        told: {
          why: `Line ${token.line} takes ${token.text} less the value: the more there should be, the less comes out.`,
          ask: `What comes out of line ${token.line} when the value is 0, and when it is ${token.text}?`,
        },
      },
    ];
  });
}

/** The width of an echo that is reckoned with there and back: halved where it is worked out. */
function waysHalved({ tokens, language }: Form): readonly Guess[] {
  if (language === 'python' || !tokens.some(({ text }) => text === 'pulseIn')) return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.text !== 'return' && token.text !== '=') return [];
    const stop = tokens.findIndex(({ text }, at) => at > index && text === ';');
    const value = tokens.slice(index + 1, stop);
    const last = value.at(-1);
    const isProduct =
      value.some(({ text }) => text === '*') && !value.some(({ text }) => /^[(;=?]$/.test(text));
    if (!last || !isProduct || last.line !== token.line || value.some(({ kind }) => kind === 'number'))
      return [];
    return [
      {
        edits: [{ line: last.line, column: last.endColumn, length: 0, by: ' / 2' }],
        text: `Add / 2 at the end of line ${last.line}.`,
        cost: SCALED,
        told: {
          why: `Line ${last.line} uses the whole path of the sound, there and back.`,
          ask: `How far does the sound go before it is heard again?`,
        },
      },
    ];
  });
}

/** `measure();` of a function that gives something back, which is kept nowhere: kept in the variable that nothing sets. */
function resultsKept({ tokens, blocks, holdings, language }: Form): readonly Guess[] {
  const stop = language === 'python' ? undefined : ';';
  const giving = blocks.flatMap((block) => {
    const name = block.head === 'function' ? block.headTokens[language === 'python' ? 1 : 0] : undefined;
    const gives = tokens.some(
      ({ text, line }, index) =>
        text === 'return' &&
        isInside(line, block) &&
        tokens[index + 1]?.text !== ';' &&
        tokens[index + 1]?.line === line,
    );
    return name && gives ? [name.text] : [];
  });
  const unset = [...holdings.keys()].filter((name) => {
    const set = tokens.filter(
      ({ text }, index) => text === name && /^(?:[-+*/]?=|\+\+|--)$/.test(tokens[index + 1]?.text ?? ''),
    );
    const uses = tokens.filter(({ text }) => text === name).length;
    return (
      set.length <= 1 && uses > set.length && holdings.get(name) !== 'pin' && holdings.get(name) !== 'list'
    );
  });
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!token.startsLine || !giving.includes(token.text) || tokens[index + 1]?.text !== '(') return [];
    const close = closing(tokens, index + 1, '(', ')');
    const behind = close === undefined ? undefined : tokens[close + 1];
    const isWhole = stop === undefined ? behind?.line !== token.line : behind?.text === stop;
    if (close === undefined || !isWhole) return [];
    return unset.map((name) => ({
      edits: [{ line: token.line, column: token.column, length: 0, by: `${name} = ` }],
      text: `Write ${name} = before ${token.text} in line ${token.line}.`,
      cost: WHOLE,
      told: {
        why: `Line ${token.line} calls ${token.text} and keeps nothing of what it gives back.`,
        ask: `Where does what ${token.text} gives back go?`,
      },
    }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofFormulas: readonly Rule[] = [
  fractionsReturned,
  countedTruths,
  resultsKept,
  parenthesesPut,
  turnedOver,
  unitsAsAsked,
  waysHalved,
];
