import type { Token } from '../../../program/token';
import type { Form } from './form';
import type { Guess } from './guess';
import { written } from './words';

/** Where a scale of a board ends: of a brightness, a reading, an angle, a share. */
const ENDS = ['255', '1023', '1024', '180', '100', '65535', '4095'];
const [NEARLY_ASKED, BY_TEN, BY_ONE, OF_ASKED, OF_SCALE] = [1.85, 1.88, 1.9, 1.92, 1.95];
/** Numbers that are tried in a program; one with more is not mended by trying. */
const MOST = 240;

/**
 * Other numbers for those of a program: what the exercise's own program has and this one has not, ten times as much and
 * a tenth, one more and one less, and the ends of scales. `asked`: the numbers of the exercise's own program.
 */
export function otherNumbers({ tokens, language }: Form, asked: readonly string[]): readonly Guess[] {
  const numbers = tokens.filter(({ kind }) => kind === 'number');
  const own = new Set(numbers.map(({ text }) => text));
  const missing = asked.filter((text) => !own.has(text));
  const guesses = numbers.flatMap((token) => {
    const others: (readonly [string, number])[] = [
      ...missing.map((by) => [by, areNearlySame(token.text, by) ? NEARLY_ASKED : OF_ASKED] as const),
      ...tenfold(token, language).map((by) => [by, BY_TEN] as const),
      ...besides(token).map((by) => [by, BY_ONE] as const),
      ...(Number(token.text) >= 10 ? ENDS.map((by) => [by, OF_SCALE] as const) : []),
    ];
    const seen = new Set([token.text]);
    return others.flatMap(([by, cost]) => {
      if (seen.has(by)) return [];
      seen.add(by);
      return [written(token, by, cost)];
    });
  });
  return [...guesses].sort((a, b) => a.cost - b.cost).slice(0, MOST);
}

/** Whether two numbers are the same but for a digit at their end: 2, 20, 25. */
export const areNearlySame = (one: string, other: string): boolean => {
  const [short, long] = one.length < other.length ? [one, other] : [other, one];
  return long.startsWith(short.slice(0, Math.max(1, long.length - 1))) && long.length - short.length < 2;
};

/** The numbers of a program, each once. */
export const numbersIn = ({ tokens }: Form): readonly string[] => [
  ...new Set(tokens.flatMap(({ kind, text }) => (kind === 'number' ? [text] : []))),
];

function tenfold({ text }: Token, language: Form['language']): readonly string[] {
  const value = Number(text);
  if (!(value > 0)) return [];
  const isWhole = /^\d+$/.test(text);
  const shares = [10, 100].map((by) => value / by).filter((share) => !isWhole || Number.isInteger(share));
  const times = [10, 100].map((by) => value * by);
  return [times[0]!, ...shares.slice(0, 1), times[1]!, ...shares.slice(1)]
    .filter((number) => number > 0 && number < 1e6)
    .map((number) => shortest(number))
    .filter((by) => language === 'python' || isWhole === /^\d+$/.test(by));
}

const besides = ({ text }: Token): readonly string[] =>
  /^\d+$/.test(text)
    ? [String(Number(text) + 1), ...(Number(text) > 0 ? [String(Number(text) - 1)] : [])]
    : [];

const shortest = (value: number): string => String(Number(value.toFixed(6)));
