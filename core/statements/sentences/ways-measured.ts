import { observedOf } from './on-off';
import { NAMES, timed } from './plain';
import { saying, whole, type Meaning, type Way } from './way';

const NUMBER = String.raw`(\d+(?:\.\d+)?)`;
const MORE =
  '(?:more than|over|above|past|beyond|higher than|greater than|faster than|brighter than|farther than|at least|no less than|not less than|not under)';
const LESS =
  '(?:less than|under|below|lower than|slower than|dimmer than|darker than|at most|no more than|not more than|not over|up to)';
const ABOUT = '(?:about|around|roughly|approximately|close to|near|nearly|almost)';

/** A figure that is said of something that can be seen or heard. */
interface Measure {
  /** How its unit is read behind a number. */
  readonly unit: string;
  /** The least and the most that it can be. */
  readonly ends: readonly [number, number];
  /** The answer to a figure beyond them. */
  readonly beyond: string;
  /** What a figure is off that is said to be about one. */
  readonly about: (figure: number) => number;
  /** What a figure alone means: one about it, as nobody sees the difference, or itself, which may be off as usual. */
  readonly alone: 'about it' | 'itself';
  /** How it is said that it is from `least` to `most`, or just `least` where there is no most. */
  readonly say: (least: number, most: number | undefined, way: string) => string;
}

const between = (least: number, most: number | undefined, unit: string, first = ''): string =>
  most === undefined ? `at ${least}${unit}` : `between ${least}${first} and ${most}${unit}`;

/** By what is observed of a part. */
const MEASURES: Readonly<Record<string, Measure>> = {
  light: {
    unit: ' ?%(?: (?:bright|brightness))?',
    ends: [0, 100],
    beyond: 'An LED is at most 100 % bright.',
    about: () => 10,
    alone: 'about it',
    say: (least, most) => `is between ${least} and ${most} % bright`,
  },
  angle: {
    unit: ' ?°',
    ends: [0, 180],
    beyond: 'A servo turns from 0° to 180°.',
    about: () => 10,
    alone: 'itself',
    say: (least, most) => `stands ${between(least, most, '°', '°')}`,
  },
  sound: {
    unit: ' ?hz',
    ends: [0, 20_000],
    beyond: 'Nobody hears a tone of more than 20000 Hz.',
    about: (hertz) => hertz * 0.1,
    alone: 'itself',
    say: (least, most) => `sounds ${between(least, most, ' Hz')}`,
  },
  turning: {
    unit: ' ?%(?: (?:of its (?:full |top |whole )?speed|speed|power))?',
    ends: [0, 200],
    beyond: 'A motor turns at most twice as fast as it is made for.',
    about: () => 15,
    alone: 'itself',
    say: (least, most, way) =>
      `turns ${/back/i.test(way) ? 'backwards' : 'forwards'} ${between(least, most, ' %')} of its speed`,
  },
};

/** The least and the most that are meant by a figure. */
type Limits = readonly [least: number, most: number | undefined];

/** Ways to say a figure, each with the limits that are meant by its numbers. */
const figuresOf = ({
  unit,
  ends: [low, high],
  about,
  alone,
}: Measure): readonly (readonly [string, (one: number, other: number) => Limits])[] => {
  const near = (one: number, off: number): Limits => [Math.max(low, one - off), Math.min(high, one + off)];
  return [
    [`between ${NUMBER}(?:${unit})? (?:and|to) ${NUMBER}(?:${unit})`, (one, other) => [one, other]],
    [
      `${NUMBER}(?:${unit})?(?: to | or | ?[-–…] ?|\\.\\.+)${NUMBER}(?:${unit})`,
      (one, other) => [one, other],
    ],
    [
      `(?:${ABOUT} )?${NUMBER}(?:${unit})?,? ?(?:±|\\+ ?/? ?-|plus or minus|plus/minus|give or take) ?${NUMBER}(?:${unit})`,
      near,
    ],
    [`within ${NUMBER}(?:${unit})? of ${NUMBER}(?:${unit})`, (off, one) => near(one, off)],
    [`${MORE} ${NUMBER}(?:${unit})`, (one) => [one, high]],
    [`${LESS} ${NUMBER}(?:${unit})`, (one) => [low, one]],
    [
      `${NUMBER}(?:${unit}) or (?:more|higher|above|over|faster|brighter|further|farther)`,
      (one) => [one, high],
    ],
    [`${NUMBER}(?:${unit}) or (?:less|lower|below|under|slower|dimmer|darker)`, (one) => [low, one]],
    [`${ABOUT} ${NUMBER}(?:${unit})`, (one) => near(one, about(one))],
    [`${NUMBER}(?:${unit})`, (one) => (alone === 'itself' ? [one, undefined] : near(one, about(one)))],
  ];
};

const QUALITY = 'brightness|angle|position|tone|pitch|note|frequency|sound|speed';
const DOES =
  '(?: (?:is|are|stays?|stands?|remains?|keeps?|glows?|shines?|points?|sounds?|plays?|beeps?|buzz(?:es)?|turns?|runs?|spins?|rotates?|goes|moves?|swings?|returns?))?';
/** Times that can stand behind it as they are. */
const WHEN = String.raw`((?:,? (?:from|until|give or take) \d.*)?)`;
const WAY = '((?: (?:for|back)wards?)?)';
const AT = `(?: (?:back|at|to|with|by|of|an?|the|only|always|dimmed|faded|set|bright|lit|${QUALITY}))*`;

/** How bright, how far round, how high and how fast something is: between two figures, over one, under one, about one. */
export const waysMeasured: readonly Way[] = Object.entries(MEASURES).flatMap(([observed, measure]) =>
  figuresOf(measure).map(([figure, limits]): Way => ({
    pattern: whole(`(${NAMES})(?:['’]s (?:${QUALITY}))?${DOES}${WAY}${AT} ${figure}${WAY}(?! of\\b)${WHEN}`),
    means: ([subject = '', way = '', ...found], { parts }): Meaning | undefined => {
      if ((observedOf(subject, parts) ?? 'light') !== observed) return undefined;
      const tail = found.at(-1)!;
      const numbers = found.slice(0, -2).map(Number);
      const [one, other] = limits(numbers[0]!, numbers[1] ?? 0);
      const [least, most] = other !== undefined && other < one ? [other, one] : [one, other];
      if (Math.max(...numbers) > measure.ends[1]) return { problem: measure.beyond };
      const said = measure.say(timed(least), most && timed(most), `${way}${found.at(-2)!}`);
      return saying(`${subject} ${said}${tail}`);
    },
  })),
);
