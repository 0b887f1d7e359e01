import type { BoardProfile } from '../../boards';
import type { SyntaxNode } from '../../program/syntax';
import type { CircuitWords } from './circuit-words';

/** What an explanation is made with, and where it goes. */
export interface Explaining {
  readonly board: BoardProfile;
  readonly circuit: CircuitWords;
  readonly say: (line: number, sentence: string) => void;
}

/** The line of a node's first letter, and that of its last, from 1. */
export const lineOf = (node: SyntaxNode): number => node.startPosition.row + 1;
export const lastLineOf = (node: SyntaxNode): number => node.endPosition.row + 1;

/** `line 7`, `lines 7 and 8`, `lines 7 to 9`. */
export const linesText = (from: number, to: number): string =>
  to > from ? `lines ${from} ${to === from + 1 ? 'and' : 'to'} ${to}` : `line ${from}`;

/**
 * What runs of a body: `line 9 runs`, `lines 9 to 12 run`, or `the rest of this line runs` when it stands on the
 * line of its head.
 */
export function whatRuns(body: readonly SyntaxNode[], head: number): string {
  const [first, last] = [body[0], body.at(-1)];
  if (!first || !last) return 'nothing happens';
  const [from, to] = [Math.max(lineOf(first), head), lastLineOf(last)];
  return to === head ? 'the rest of this line runs' : `${linesText(from, to)} ${to > from ? 'run' : 'runs'}`;
}

/** `3 times`, `once`. */
export const timesText = (count: number): string => (count === 1 ? 'once' : `${count} times`);

/** A comparison in words, for `light < DARK`: `light is below DARK`. */
const comparisons: Readonly<Record<string, string>> = {
  '<': 'is below',
  '<=': 'is at most',
  '>': 'is above',
  '>=': 'is at least',
  '==': 'is',
  '!=': 'is not',
  in: 'is in',
  'not in': 'is not in',
  is: 'is',
  'is not': 'is not',
};

/** A comparison as a person says it. */
export const compared = (left: string, operator: string, right: string): string =>
  `${left} ${comparisons[operator] ?? operator} ${right}`;

/** Operators that are read with their sides changed: `3 < x` is `x > 3`. */
export const turnedRound: Readonly<Record<string, string>> = { '<': '>', '<=': '>=', '>': '<', '>=': '<=' };

/** How long a pause is: counted where it is a number, as it is written where it is not. */
export const pauseText = (amount: number | undefined, perSecond: number, written: string): string =>
  amount === undefined
    ? `Waits ${written} ${perSecond === 1 ? 'seconds' : perSecond === 1e3 ? 'thousandths of a second' : 'millionths of a second'}.`
    : `Waits ${secondsText(amount / perSecond)}; until then everything stays as it is.`;

/** `0.5 s`, `20 ms`: as it would be said, not as it would be measured. */
export const secondsText = (amount: number): string =>
  amount >= 0.1 || amount === 0
    ? `${shortest(amount)} s`
    : amount >= 1e-3
      ? `${shortest(amount * 1e3)} ms`
      : `${shortest(amount * 1e6)} µs`;
const shortest = (amount: number): string => String(Number(amount.toPrecision(4)));

/** How often a counting loop turns; `undefined` when it never ends or is endless. */
export function turnsOf(
  first: number,
  operator: string,
  bound: number,
  step: number,
): readonly number[] | undefined {
  const goesOn = (value: number): boolean =>
    operator === '<'
      ? value < bound
      : operator === '<='
        ? value <= bound
        : operator === '>'
          ? value > bound
          : operator === '>='
            ? value >= bound
            : operator === '!='
              ? value !== bound
              : false;
  const values: number[] = [];
  for (let value = first; goesOn(value) && step !== 0; value += step) {
    values.push(value);
    if (values.length > MOST_TURNS) return undefined;
  }
  return values.length > 0 ? values : undefined;
}

/** Turns up to which a loop's are counted. */
const MOST_TURNS = 10_000;

/** `0`, `0 and 1`, `0, 1, … 9`. */
export const seriesText = (values: readonly (number | string)[]): string =>
  values.length === 1
    ? `${values[0]}`
    : values.length === 2
      ? `${values[0]} and ${values[1]}`
      : `${values[0]}, ${values[1]}, … ${values.at(-1)}`;
