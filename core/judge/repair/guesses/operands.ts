import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';

const [SPOKEN_FOR, OTHER_WAY_ROUND] = [1.6, 1.9];
/** Numbers from which on a product may be too large for an `int` of 16 bits. */
const LARGE = 32;

/** A value without signs around it: a name, a number, a call. From the first to the last of its tokens. */
interface Operand {
  readonly from: number;
  readonly to: number;
}

/** The value that begins at an index; `undefined` where none does. */
function operandFrom(tokens: readonly Token[], from: number): Operand | undefined {
  const first = tokens[from];
  if (first?.text === '(') {
    const to = closing(tokens, from, '(', ')');
    return to === undefined ? undefined : { from, to };
  }
  if (first?.kind !== 'word' && first?.kind !== 'number') return undefined;
  const opens = tokens[from + 1]?.text;
  if (opens === '(' || opens === '[') {
    const to = closing(tokens, from + 1, opens, opens === '(' ? ')' : ']');
    return to === undefined ? undefined : { from, to };
  }
  return { from, to: from };
}

/** The value that ends at an index. */
function operandTo(tokens: readonly Token[], to: number): Operand | undefined {
  const last = tokens[to];
  if (last?.kind === 'word' || last?.kind === 'number')
    return tokens[to - 1]?.text === '.' ? undefined : { from: to, to };
  if (last?.text !== ')' && last?.text !== ']') return undefined;
  for (let from = to - 1; from >= 0; from -= 1) {
    const isOpener = tokens[from]!.text === (last.text === ')' ? '(' : '[');
    if (!isOpener || closing(tokens, from, tokens[from]!.text, last.text) !== to) continue;
    return tokens[from - 1]?.kind === 'word' ? { from: from - 1, to } : { from, to };
  }
  return undefined;
}

const textOf = (source: string, first: Token, last: Token): string =>
  first.line === last.line
    ? (source.split('\n')[first.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1)
    : '';

/** `value && (1 << i)`: whether both are anything but 0 is asked, where one bit of a number is meant. */
function bitsAsked({ tokens, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.text !== '&&' && token.text !== '||') return [];
    const sides = [operandTo(tokens, index - 1), operandFrom(tokens, index + 1)];
    const isOfBits = sides.some((side) => side && areBits(tokens.slice(side.from, side.to + 1)));
    if (!isOfBits) return [];
    const by = token.text[0]!;
    return [
      {
        ...written(token, by, SPOKEN_FOR),
        told: {
          why: `Line ${token.line}: ${token.text} only asks whether what stands beside it is anything but 0; single ${by} looks at the bits one by one.`,
          ask: `Which question does ${token.text} ask in line ${token.line}: about whole numbers, or about single bits?`,
        },
      },
    ];
  });
}

/** `(shape >> i) & 7`: more than the one bit that was brought to the end. */
const oneBitLeft = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const [open, sign] = [operandTo(tokens, index - 2), tokens[index - 1]];
    const isMask = token.kind === 'number' && sign?.text === '&' && token.text !== '1';
    const isShifted = open && tokens.slice(open.from, open.to + 1).some(({ text }) => text === '>>');
    return isMask && isShifted
      ? [
          {
            ...written(token, '1', SPOKEN_FOR),
            told: {
              why: `Line ${token.line} keeps more than one bit: & ${token.text} lets several of them through, & 1 only the last.`,
              ask: `How many bits are left in line ${token.line}?`,
            },
          },
        ]
      : [];
  });

/** Whether a value is one of bits: `(1 << i)`, `0x04`, `B100`, `4`. */
const areBits = (value: readonly Token[]): boolean =>
  value.some(({ text }) => text === '<<' || text === '>>') ||
  (value.length === 1 && (/^(?:0[xb][\dA-F]+|B[01]+)$/i.test(value[0]!.text) || Number(value[0]!.text) > 1));

/** Signs whose two sides are no matter of taste. */
const ORDERED = /^(?:<<|>>|-|\/|%)$/;
/** What may stand before a value that is the whole side of such a sign. */
const BEGINS = /^(?:[(,=<>?:&|[{]|[<>=!]=|&&|\|\||return|and|or|not|if|while)$/;

/** `i << 1` for `1 << i`: the two sides of a sign in each other’s places. */
function sidesOfSigns({ tokens, source }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!ORDERED.test(token.text)) return [];
    const [left, right] = [operandTo(tokens, index - 1), operandFrom(tokens, index + 1)];
    if (!left || !right || !BEGINS.test(tokens[left.from - 1]?.text ?? '')) return [];
    const [from, to] = [tokens[left.from]!, tokens[right.to]!];
    const one = textOf(source, from, tokens[left.to]!);
    const other = textOf(source, tokens[right.from]!, to);
    if (from.line !== to.line || one === '' || other === '' || one === other) return [];
    const by = `${other} ${token.text} ${one}`;
    const isShiftOfOne = /^<<$/.test(token.text) && other === '1' && !/^\d/.test(one);
    const guess = {
      edits: [{ line: from.line, column: from.column, length: to.endColumn - from.column, by }],
      text: `Write ${by} instead of ${one} ${token.text} ${other} in line ${from.line}.`,
      cost: isShiftOfOne ? SPOKEN_FOR : OTHER_WAY_ROUND,
    };
    return [
      isShiftOfOne
        ? {
            ...guess,
            told: {
              why: `Line ${from.line}: ${one} << 1 is twice ${one}, and no single bit.`,
              ask: `What number is ${one} << 1 when ${one} is 0, and when it is 3?`,
            },
          }
        : guess,
    ];
  });
}

/**
 * `raw / 1023 * 180`: a whole number that is divided before it is made larger loses all but whole times. Multiplied first,
 * or reckoned with a point.
 */
function dividedLast({ tokens, source, language, holdings }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const isWhole = (side: Operand): boolean =>
    tokens
      .slice(side.from, side.to + 1)
      .every(({ kind, text }) =>
        kind === 'number' ? /^\d+$/.test(text) : kind !== 'word' || holdings.get(text) !== 'fraction',
      );
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.text !== '/') return [];
    const [above, below] = [operandTo(tokens, index - 1), operandFrom(tokens, index + 1)];
    if (!above || !below || below.from !== below.to || !isWhole(above) || !isWhole(below)) return [];
    const divisor = tokens[below.from]!;
    const isInParentheses = tokens[above.from - 1]?.text === '(' && tokens[below.to + 1]?.text === ')';
    const [first, last] = isInParentheses ? [above.from - 1, below.to + 1] : [above.from, below.to];
    const behind = tokens[last + 1]?.text === '*' ? operandFrom(tokens, last + 2) : undefined;
    const before =
      isInParentheses && tokens[first - 1]?.text === '*' ? operandTo(tokens, first - 2) : undefined;
    const factor = behind ?? before;
    const shown = textOf(source, tokens[above.from]!, divisor);
    const told = {
      why: `Line ${token.line}: ${shown} is a division of whole numbers. What is less than a whole is dropped before anything else is worked out.`,
      ask: `What is ${shown} in whole numbers, when the first of them is the smaller one?`,
    };
    const open: readonly Guess[] = /^\d+$/.test(divisor.text)
      ? [{ ...written(divisor, `${divisor.text}.0`, SPOKEN_FOR + 0.03), told }]
      : [];
    if (!factor) return open;
    const [from, to] = [tokens[Math.min(first, factor.from)]!, tokens[Math.max(last, factor.to)]!];
    const [a, c] = [above, factor].map((side) => textOf(source, tokens[side.from]!, tokens[side.to]!));
    const whole = textOf(source, from, to);
    if (whole === '' || a === '' || c === '') return open;
    const isNumber = /^\d+$/.test(c!);
    const wide = isNumber ? (Number(c) > LARGE ? `${c}L` : c!) : /^\d+\.\d*$/.test(c!) ? c! : `(long)${c}`;
    return [
      ...[wide, ...(isNumber ? [`${c}.0`] : [])].map((by, at) => ({
        edits: [
          {
            line: from.line,
            column: from.column,
            length: to.endColumn - from.column,
            by: `${a} * ${by} / ${divisor.text}`,
          },
        ],
        text: `Write ${a} * ${by} / ${divisor.text} instead of ${whole} in line ${from.line}.`,
        cost: SPOKEN_FOR + 0.01 * at,
        told,
      })),
      ...open,
    ];
  });
}

/** Two sides of a sign that nothing speaks for but that they may be meant the other way round. */
export const operandsExchanged = (form: Form): readonly Guess[] =>
  sidesOfSigns(form).filter(({ told }) => !told);

/** `i << 1` for `1 << i`. */
const shiftsOfOne = (form: Form): readonly Guess[] => sidesOfSigns(form).filter(({ told }) => told);

/** The rules of this subject that something in a program speaks for. */
export const ofOperands: readonly Rule[] = [bitsAsked, oneBitLeft, dividedLast, shiftsOfOne];
