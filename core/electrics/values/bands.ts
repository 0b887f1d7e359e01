import { fail, ok, type Result } from '../../result';

const digits = [
  'black',
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'violet',
  'grey',
  'white',
] as const;
export type BandColour = (typeof digits)[number] | 'gold' | 'silver';

/** Tolerance that a last band stands for, as a fraction (IEC 60062). */
const tolerances: ReadonlyMap<BandColour, number> = new Map<BandColour, number>([
  ['brown', 0.01],
  ['red', 0.02],
  ['green', 0.005],
  ['blue', 0.0025],
  ['violet', 0.001],
  ['grey', 0.0005],
  ['gold', 0.05],
  ['silver', 0.1],
]);

/** The digits of an amount to so many places, and the power of ten of the last. */
function split(
  ohms: number,
  places: number,
): { readonly figures: readonly number[]; readonly exponent: number } {
  let exponent = Math.floor(Math.log10(ohms)) - (places - 1);
  let whole = Math.round(ohms / 10 ** exponent);
  if (whole === 10 ** places) {
    whole /= 10;
    exponent += 1;
  }
  return { figures: String(whole).split('').map(Number), exponent };
}

const multiplierBand = (exponent: number): BandColour =>
  exponent === -1 ? 'gold' : exponent <= -2 ? 'silver' : (digits[exponent] ?? 'white');

/** The four bands of a 5 % resistor of that many ohms (IEC 60062): two digits, multiplier, tolerance. */
export function fourBands(ohms: number): readonly [BandColour, BandColour, BandColour, BandColour] {
  const { figures, exponent } = split(ohms, 2);
  return [digits[figures[0]!]!, digits[figures[1]!]!, multiplierBand(exponent), 'gold'];
}

/** The five bands of a 1 % resistor of that many ohms: three digits, multiplier, tolerance. */
export function fiveBands(
  ohms: number,
): readonly [BandColour, BandColour, BandColour, BandColour, BandColour] {
  const { figures, exponent } = split(ohms, 3);
  const [a, b, c] = figures.map((figure) => digits[figure]!);
  return [a!, b!, c!, multiplierBand(exponent), 'brown'];
}

/** What bands say. */
export interface BandReading {
  readonly ohms: number;
  /** As a fraction: 0.05 for 5 %. */
  readonly tolerance: number;
}

/** Reads four or five bands, the tolerance last. Gold and silver are no digits. */
export function readBands(bands: readonly BandColour[]): Result<BandReading> {
  if (bands.length !== 4 && bands.length !== 5)
    return fail({ message: `a resistor has four or five bands, not ${bands.length}` });
  const figures = bands.slice(0, -2).map((band) => digits.indexOf(band as (typeof digits)[number]));
  const wrong = figures.indexOf(-1);
  if (wrong >= 0) return fail({ message: `${bands[wrong]} stands for no digit`, typed: bands[wrong]! });
  const multiplier = bands.at(-2)!;
  const exponent =
    multiplier === 'gold'
      ? -1
      : multiplier === 'silver'
        ? -2
        : digits.indexOf(multiplier as (typeof digits)[number]);
  const last = bands.at(-1)!;
  const tolerance = tolerances.get(last);
  if (tolerance === undefined) return fail({ message: `${last} stands for no tolerance`, typed: last });
  const whole = figures.reduce((sum, figure) => sum * 10 + figure, 0);
  return ok({ ohms: Number((whole * 10 ** exponent).toPrecision(6)), tolerance });
}

/** Colours that a band can have, as they count. */
export const bandNames: readonly BandColour[] = [...digits, 'gold', 'silver'];

/** Other words for the colours of bands. */
const alsoCalled: Readonly<Record<string, BandColour>> = { gray: 'grey', purple: 'violet', lila: 'violet' };

/** The colours in a text, `orange, orange brown-gold`; undefined where a word is no colour of a band. */
export function bandsIn(text: string): readonly BandColour[] | undefined {
  const words = text.toLowerCase().match(/[a-z]+/g) ?? [];
  const colours = words.map((word) => alsoCalled[word] ?? bandNames.find((name) => name === word));
  return colours.includes(undefined) ? undefined : (colours as readonly BandColour[]);
}

/** What a row of bands says from either end, as far as it says anything. */
export interface EitherWay {
  /** From the end at which they were begun. */
  readonly ahead: Result<BandReading>;
  /** From the other end, where that gives a resistor too. */
  readonly behind: BandReading | undefined;
}

/** Reads bands from both ends; three bands are four whose last has no colour, with a tolerance of 20 %. */
export function readEitherWay(bands: readonly BandColour[]): EitherWay {
  const read = (row: readonly BandColour[]): Result<BandReading> => {
    if (row.length !== 3) return readBands(row);
    const whole = readBands([...row, 'gold']);
    return whole.ok ? ok({ ohms: whole.value.ohms, tolerance: 0.2 }) : whole;
  };
  const behind = bands.length < 4 ? undefined : read([...bands].reverse());
  return { ahead: read(bands), behind: behind?.ok ? behind.value : undefined };
}

/** Colours that are taken for each other in poor light or on cheap paint. */
const alike: readonly (readonly [BandColour, BandColour])[] = [
  ['red', 'orange'],
  ['brown', 'red'],
  ['brown', 'black'],
  ['blue', 'violet'],
  ['green', 'blue'],
  ['grey', 'white'],
  ['orange', 'brown'],
  ['gold', 'yellow'],
];

const areAlike = (one: BandColour, other: BandColour): boolean =>
  alike.some(([a, b]) => (a === one && b === other) || (a === other && b === one));

/** Why one value is read for another. */
export type Misreading =
  | { readonly how: 'colours'; readonly mistaken: readonly (readonly [BandColour, BandColour])[] }
  | { readonly how: 'from-the-wrong-end' };

/**
 * How the bands of one value can be read as those of another: by colours that look alike, at most two
 * of them, or from the wrong end. `undefined` when they are not easily confused.
 */
export function misreadAs(ohms: number, otherOhms: number): Misreading | undefined {
  const [one, other] = [fourBands(ohms).slice(0, 3), fourBands(otherOhms).slice(0, 3)] as [
    BandColour[],
    BandColour[],
  ];
  const mistaken = one.flatMap((band, index): readonly (readonly [BandColour, BandColour])[] =>
    band === other[index] ? [] : [[band, other[index]!]],
  );
  if (mistaken.length > 0 && mistaken.length <= 2 && mistaken.every(([a, b]) => areAlike(a, b)))
    return { how: 'colours', mistaken };
  // Only five-band resistors look the same from both ends: their tolerance band is a digit's colour too.
  const backwards = readBands([...fiveBands(ohms)].reverse());
  if (backwards.ok && Math.abs(backwards.value.ohms / otherOhms - 1) < 0.001)
    return { how: 'from-the-wrong-end' };
  return undefined;
}

/** Pairs of kit values that are easily misread for each other, smaller first. */
export const misreadPairs = (
  kit: readonly number[],
): readonly (readonly [ohms: number, otherOhms: number, how: Misreading])[] =>
  kit.flatMap((ohms, index) =>
    kit.slice(index + 1).flatMap((other) => {
      const how = misreadAs(ohms, other) ?? misreadAs(other, ohms);
      return how ? [[Math.min(ohms, other), Math.max(ohms, other), how] as const] : [];
    }),
  );
