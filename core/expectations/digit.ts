import * as z from 'zod';
import { quantity } from '../findings/finding';
import { seenIntervals, type SeenInterval } from '../rehearsal/seen';
import { lightsOf } from '../rehearsal/trace';
import { seconds, stretch } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence, type Slot } from '../words/sentence';
import { listSlot, nameSlot } from '../words/slots';
import { capital, listText } from '../words/words';
import {
  partOfLight,
  refSchema,
  rounded,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { absent, failedWith, passed, windowOf, within } from './outcome';

const SEGMENTS = ['a', 'b', 'c', 'd', 'e', 'f', 'g'] as const;

/**
 * The segments of each figure, from `a` at the top clockwise to `f`, with `g` across the middle. A figure that is drawn
 * in two ways, with a tail or without, has both.
 */
const FIGURES: Readonly<Record<string, readonly [string, ...string[]]>> = {
  '0': ['abcdef'],
  '1': ['bc', 'ef'],
  '2': ['abdeg'],
  '3': ['abcdg'],
  '4': ['bcfg'],
  '5': ['acdfg'],
  '6': ['acdefg', 'cdefg'],
  '7': ['abc', 'abcf'],
  '8': ['abcdefg'],
  '9': ['abcdfg', 'abcfg'],
  A: ['abcefg'],
  B: ['cdefg'],
  C: ['adef', 'deg'],
  D: ['bcdeg'],
  E: ['adefg'],
  F: ['aefg'],
  H: ['bcefg', 'cefg'],
  L: ['def'],
  P: ['abefg'],
  U: ['bcdef', 'cde'],
  '-': ['g'],
  nothing: [''],
};

const figure = z.enum(Object.keys(FIGURES), {
  error: 'a figure is 0 to 9, A to F, H, L, P, U, - or “nothing”',
});
const schema = z.strictObject({
  digit: refSchema,
  /** What is shown all the time; of several, what is shown one after the other. */
  shows: z.array(figure).min(1),
  ...windowed,
});
type Digit = z.infer<typeof schema>;

const figureSlot: Slot<string> = {
  write: (figure) => (figure === '-' ? 'a dash' : figure),
  pattern: '["“\']?[0-9a-fhlpu-]["”\']?|nothing|a dash',
  read: (text) => {
    const figure = text.replace(/["“”']/g, '').toLowerCase();
    if (figure === 'a dash') return '-';
    return figure === 'nothing' ? figure : figure.toUpperCase();
  },
};

/** A stretch in which the same segments are lit. */
interface Shown {
  readonly from: number;
  readonly to: number;
  /** The letters of the segments that are lit, in their order. */
  readonly lit: string;
}

/** Changes of segments that follow each other within this time are one change, in seconds. */
const AT_ONCE = 0.02;

type SeenOf = (light: string) => readonly SeenInterval[] | undefined;

/** What a display shows within a window; `undefined` where there are no seven segments of that name. */
function shownIn(
  display: string,
  seenOf: SeenOf,
  [from, to]: readonly [number, number],
): readonly Shown[] | undefined {
  const seen = SEGMENTS.map((segment) => seenOf(`${display}.${segment}`));
  if (seen.includes(undefined)) return undefined;
  const each = (seen as readonly (readonly SeenInterval[])[]).map((intervals) => within(intervals, from, to));
  const moments = [...new Set(each.flatMap((intervals) => intervals.map((interval) => interval.from)))].sort(
    (one, other) => one - other,
  );
  const isLit = (intervals: readonly SeenInterval[], at: number): boolean =>
    intervals.some((interval) => interval.glow === 'lit' && interval.from <= at && interval.to > at);
  return moments
    .map((at, index) => ({ from: at, to: moments[index + 1] ?? to }))
    .filter((part) => part.to - part.from >= AT_ONCE)
    .map((part) => ({
      ...part,
      lit: SEGMENTS.filter((_, index) => isLit(each[index]!, (part.from + part.to) / 2)).join(''),
    }))
    .reduce<readonly Shown[]>((joined, part) => {
      const before = joined.at(-1);
      return before?.lit === part.lit
        ? [...joined.slice(0, -1), { ...before, to: part.to }]
        : [...joined, part];
    }, []);
}

const figureOf = (lit: string): string | undefined =>
  Object.keys(FIGURES).find((figure) => FIGURES[figure]!.includes(lit));

const named = (segments: string): string =>
  `${segments.length === 1 ? 'segment' : 'segments'} ${listText([...segments])}`;

/** `6`, `nothing`, or `no figure, with segments a and g lit`. */
const shownText = (lit: string): string => {
  const name = figureOf(lit);
  return name === undefined ? `no figure, with ${named(lit)} lit` : figureSlot.write(name);
};

/** What has to be changed for a figure: `segment e should be dark`. */
function difference(lit: string, wanted: readonly [string, ...string[]]): string {
  const changes = wanted.map((form) => ({
    missing: [...form].filter((segment) => !lit.includes(segment)).join(''),
    extra: [...lit].filter((segment) => !form.includes(segment)).join(''),
  }));
  const { missing, extra } = changes.reduce((best, one) =>
    one.missing.length + one.extra.length < best.missing.length + best.extra.length ? one : best,
  );
  const parts = [
    ...(missing === '' ? [] : [`${named(missing)} should be lit`]),
    ...(extra === '' ? [] : [`${named(extra)} should be dark`]),
  ];
  return parts.join(', and ');
}

const isFigure = (lit: string | undefined, name: string): boolean =>
  lit !== undefined && FIGURES[name]!.includes(lit);

/** What is wrong with what a display shows. */
interface Wrong {
  /** What it does, behind its name. */
  readonly what: string;
  /** What it should do instead. */
  readonly should: string;
  readonly at: number;
  readonly seconds: number;
}

/** What is wrong where one figure should be shown all the time. */
function otherThan(name: string, shown: readonly Shown[]): Wrong | undefined {
  const wrong = shown.find(({ lit }) => !isFigure(lit, name));
  return (
    wrong && {
      what: `shows ${shownText(wrong.lit)} ${stretch(wrong.from, wrong.to)}`,
      should: `should show ${figureSlot.write(name)}: ${difference(wrong.lit, FIGURES[name]!)}`,
      at: wrong.from,
      seconds: wrong.to - wrong.from,
    }
  );
}

/** What is wrong where figures should be shown one after the other; others may come before them and after. */
function notInOrder(figures: readonly string[], shown: readonly Shown[]): Wrong | undefined {
  const matched = shown.map((_, start) => {
    const off = figures.findIndex((name, index) => !isFigure(shown[start + index]?.lit, name));
    return off < 0 ? figures.length : off;
  });
  const most = Math.max(0, ...matched);
  if (most === figures.length) return undefined;
  const should = figureSlot.write(figures[most]!);
  if (most === 0) {
    const first = shown.find(({ lit }) => lit !== '');
    return {
      what: first
        ? `shows ${shownText(first.lit)} ${stretch(first.from, first.to)} and never ${should}`
        : 'shows nothing',
      should: `should show ${figures.map((name) => figureSlot.write(name)).join(', then ')}`,
      at: first?.from ?? shown[0]?.from ?? 0,
      seconds: first ? first.to - first.from : 0,
    };
  }
  const start = matched.indexOf(most);
  const last = shown[start + most - 1]!;
  const next = shown[start + most];
  const before = figureSlot.write(figures[most - 1]!);
  return {
    what: next
      ? `shows ${shownText(next.lit)} after ${before}, ${stretch(next.from, next.to)}`
      : `goes on showing ${before} from ${seconds(last.from)}`,
    should: `should show ${should} next${next ? `: ${difference(next.lit, FIGURES[figures[most]!]!)}` : ''}`,
    at: next?.from ?? last.from,
    seconds: (next ?? last).to - (next ?? last).from,
  };
}

/** Seconds for which a figure has to stand still to be put into words, and by which its stretch is cut at either end. */
const [STANDS, MARGIN] = [0.2, 0.05];
/** Most figures of one display that are put into words. */
const MOST_SAID = 12;

/** What a seven-segment display shows, whatever its dot does. */
export const digit: ExpectationDefinition<Digit> = {
  keys: ['digit', 'shows'],
  schema,
  sentence: sentence<Digit>(`{digit} shows {shows}${WINDOW}`, {
    digit: nameSlot,
    shows: listSlot(figureSlot, ', then ', '(?: *, *(?:and |then |and then )?| then | and then )', 1),
    ...windowSlots,
  }),
  example: 'D1 shows 3, then 2, then 1',
  exampleOf: ['light'],
  parts: ({ digit: part }) => [part],
  check: (expectation, observed) => {
    const { digit: display, shows } = expectation;
    const ref = observed.builtRef(display);
    const shown = shownIn(display, observed.seen, windowOf(expectation, observed.trace));
    if (ref === undefined || !shown) return absent(display);
    const found = `shows ${shown.map(({ lit }) => shownText(lit)).join(', then ')}`;
    const wrong = shows.length === 1 ? otherThan(shows[0]!, shown) : notInOrder(shows, shown);
    if (!wrong) return passed(found);
    return failedWith(found, {
      code: 'picture-off',
      severity: 'fault',
      refs: [ref],
      message: `${capital(partTextOf(observed.wiring, ref))} ${wrong.what}; it ${wrong.should}.`,
      hints: [
        `What should ${ref} show at ${seconds(wrong.at)}, and which segments make it?`,
        `${ref} ${wrong.what}.`,
        `${ref} ${wrong.should}.`,
      ],
      evidence: { wrongS: quantity(wrong.seconds, 's') },
    });
  },
  describe: ({ trace, seconds: end }) => {
    const lights = lightsOf(trace);
    const seenOf: SeenOf = (light) => {
      const changes = lights.get(light);
      return changes && seenIntervals(changes, end);
    };
    return [...new Set([...lights.keys()].map(partOfLight))].flatMap((display): Digit[] =>
      (shownIn(display, seenOf, [0, end]) ?? [])
        .filter(({ from, to }) => to - from >= STANDS)
        .flatMap(({ from, to, lit }): Digit[] => {
          const name = figureOf(lit);
          return name === undefined
            ? []
            : [
                {
                  digit: display,
                  shows: [name],
                  ...(from === 0 ? {} : { from: rounded(from + MARGIN) }),
                  to: to === end ? end : rounded(to - MARGIN),
                },
              ];
        })
        .slice(0, MOST_SAID),
    );
  },
};
