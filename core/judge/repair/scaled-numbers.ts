import type { Observation } from '../../findings/finding';
import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { isFixed } from './guesses/numbers';
import { LONGEST, tokensOf } from './token-places';
import { holdingsOf, mayBeFraction } from './what-names-hold';

/** A number, and what it is by as much larger or smaller as what was seen should have been. */
export interface ScaledNumber {
  readonly token: Token;
  readonly by: string;
}

/** Pairs of what was found and what was wanted, as findings name them. */
const PAIRS = [
  ['found', 'wanted'],
  ['foundS', 'wantedS'],
] as const;
/** Shares by which a number may be off the whole one that it is taken for. */
const NEARLY_WHOLE = 0.03;
/** By how much what is wanted has to differ from what was found, and by how much it may. */
const [LEAST, MOST] = [1.15, 200];
/** Whole numbers below which a count is meant, and no time; a time that lost a digit may be less. */
const [LEAST_SCALED, LEAST_OF_DIGITS, BY_A_DIGIT] = [5, 2, 5];
/** Numbers that are tried. */
const MOST_TRIED = 24;

/** By how many times what was seen is too small, wherever a finding has both figures. */
export const timesTooSmall = (observations: readonly Observation[]): readonly number[] => [
  ...new Set(
    observations.flatMap(({ severity, evidence = {} }) =>
      PAIRS.flatMap(([one, other]) => {
        const [found, wanted] = [evidence[one]?.amount, evidence[other]?.amount];
        if (severity !== 'fault' || !found || !wanted) return [];
        const times = wanted / found;
        const size = Math.max(times, 1 / times);
        return size >= LEAST && size <= MOST ? [Number(times.toPrecision(3))] : [];
      }),
    ),
  ),
];

/** The numbers of a program, each by so many times larger: a light that is lit half as long as it should be. */
export function scaledNumbers(
  source: string,
  language: Language,
  ratios: readonly number[],
): readonly ScaledNumber[] {
  const tokens = tokensOf(source, language);
  if (tokens.length > LONGEST || ratios.length === 0) return [];
  const holdings = holdingsOf(tokens, language);
  return tokens
    .flatMap((token, index) => {
      const amount = Number(token.text);
      if (token.kind !== 'number' || isFixed(tokens, index)) return [];
      const hasPoint = /\./.test(token.text);
      const isOpen = mayBeFraction(tokens, index, holdings, language);
      return ratios.flatMap((ratio) => {
        if (!hasPoint && amount < (ratio >= BY_A_DIGIT ? LEAST_OF_DIGITS : LEAST_SCALED)) return [];
        const scaled = amount * ratio;
        const whole = Math.round(scaled);
        const isWhole = whole >= 1 && Math.abs(scaled - whole) <= whole * NEARLY_WHOLE;
        if (!isWhole && !isOpen) return [];
        const by = isWhole && !hasPoint ? String(whole) : String(Number(scaled.toPrecision(2)));
        return Number(by) === amount ? [] : [{ token, by }];
      });
    })
    .slice(0, MOST_TRIED);
}
