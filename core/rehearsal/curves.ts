import type { RecordedName } from './recording';

/** A value of a program over time. */
export interface Curve {
  readonly name: string;
  /** Each value from its moment on, in seconds, to the next one. */
  readonly points: readonly (readonly [at: number, value: number])[];
}

/** Curves that are drawn beside each other, and points of one: more are not told apart. */
const MOST_CURVES = 5;
const MOST_POINTS = 1500;
/** Values that something has to have had to be worth a curve. */
const FEWEST_VALUES = 3;

/** The numbers of a program that changed over a run, those of the whole program first; thinned where they are many. */
export function curvesOf(names: readonly RecordedName[]): readonly Curve[] {
  return names
    .toSorted((one, other) => Number(one.within !== undefined) - Number(other.within !== undefined))
    .flatMap(({ name, values }): readonly Curve[] => {
      const points = values.flatMap(({ at, text }) => {
        const value = text === undefined ? Number.NaN : Number(text);
        return text === '' || Number.isNaN(value) ? [] : [[at, value] as const];
      });
      if (new Set(points.map(([, value]) => value)).size < FEWEST_VALUES) return [];
      return [{ name, points: thinned(points) }];
    })
    .slice(0, MOST_CURVES);
}

function thinned(points: Curve['points']): Curve['points'] {
  const every = Math.ceil(points.length / MOST_POINTS);
  return every === 1
    ? points
    : points.filter((_, index) => index % every === 0 || index === points.length - 1);
}
