/** Preferred values of a decade (IEC 60063). */
const series = {
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
  E24: [
    1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5,
    8.2, 9.1,
  ],
} as const;
export type Series = keyof typeof series;

/** Values next to an amount: the nearest not above it and the nearest not below it. */
export interface Neighbours {
  readonly below: number | undefined;
  readonly above: number | undefined;
}

/** Values of a series next to an amount above zero. Equal to it when it is a value of the series. */
export function seriesNeighbours(amount: number, name: Series): Neighbours {
  const decade = Math.floor(Math.log10(amount));
  const values = [decade - 1, decade, decade + 1].flatMap((power) =>
    series[name].map((value) => scaled(value, power)),
  );
  return neighbours(amount, values);
}

/** A value of two figures times a power of ten, as exactly as if it had been written out. */
function scaled(value: number, power: number): number {
  const tenths = Math.round(value * 10);
  return power >= 1 ? tenths * 10 ** (power - 1) : tenths / 10 ** (1 - power);
}

/** The value of a series nearest to an amount by ratio, as ears and eyes compare. */
export function nearestInSeries(amount: number, name: Series): number {
  const { below, above } = seriesNeighbours(amount, name);
  return amount / below! <= above! / amount ? below! : above!;
}

/** Values of a kit next to an amount; `undefined` where the kit has none on that side. */
export function neighbours(amount: number, kit: readonly number[]): Neighbours {
  // A value that is the amount up to rounding counts as equal.
  const reach = amount * 1e-9;
  const below = kit.filter((value) => value <= amount + reach);
  const above = kit.filter((value) => value >= amount - reach);
  return {
    below: below.length > 0 ? Math.max(...below) : undefined,
    above: above.length > 0 ? Math.min(...above) : undefined,
  };
}
