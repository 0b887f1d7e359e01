import { readExpectation } from '../../expectations';
import { OFTEN, oftenAs } from './often';
import { NAMES, timed } from './plain';
import { saying, SECONDS, whole, type Around, type Meaning, type Way } from './way';

/** Who prints, and how it is called. */
const WHO = '(?:(?:the )?(?:board|program|serial(?: (?:monitor|port|text|output|line))?))';
const PRINTS = `(?:(?:(?:${WHO}|it) )?(?:prints|writes|sends|outputs)|${WHO} (?:shows|says|reads|counts))`;
const TEXT = `(?:["“][^"“”]*["”]|'[^']*')`;
const NUMBER = String.raw`-?\d+(?:\.\d+)?`;
const RANGE = `a number (?:between|from) ${NUMBER} (?:and|to) ${NUMBER}`;
const LINE = `(?:${TEXT}|${RANGE}|${NUMBER})`;
const LINES = `${LINE}(?:,? (?:and |then )*${LINE})+`;
const PRINTED = '(?:is |are |gets )?(?:printed|written|sent|shown(?= on (?:the )?serial))';
/** Numbers that are counted through and printed one after the other, at most. */
const LONGEST_COUNT = 50;
/** The share by which a number that is printed may be off where it is “about” one. */
const ABOUT = 0.05;

/** `1, then 2, then 3`: every whole number from one to another. */
function counting(first: number, last: number): string | undefined {
  const way = last < first ? -1 : 1;
  const count = Math.abs(last - first) + 1;
  if (!Number.isInteger(first) || !Number.isInteger(last) || count < 2 || count > LONGEST_COUNT)
    return undefined;
  return Array.from({ length: count }, (_, index) => String(first + index * way)).join(', then ');
}

/** A meaning with the first of some ends behind it with which it can be read. */
function behind(meant: Meaning | undefined, ends: readonly string[]): Meaning | undefined {
  if (!meant || 'problem' in meant) return meant;
  const sentences = meant.sentences.flatMap(
    (sentence) => ends.map((end) => sentence + end).find((one) => readExpectation(one).ok) ?? [],
  );
  return sentences.length === meant.sentences.length ? { sentences } : undefined;
}

/** What the board prints, in the ways that people say it. `meaning` says what a sentence means. */
export const waysPrinted = (
  meaning: (said: string, around: Around, depth: number) => Meaning | undefined,
): readonly Way[] => [
  // "go" is printed
  {
    pattern: whole(
      `(${LINE}(?:,? (?:and |then )*${LINE})*) ${PRINTED}(?: on (?:the )?serial(?: monitor)?)?(.*)`,
    ),
    means: ([lines = '', tail = ''], around, depth) => meaning(`prints ${lines}${tail}`, around, depth + 1),
  },
  // every number that is printed is between 2 and 4
  {
    pattern: whole(
      `(?:the|each|every) (?:printed number|number(?: (?:that is |it )?print(?:ed|s))?|value(?: (?:that is |it )?print(?:ed|s))?|printed value) (?:is|stays|lies) ((?:between|from) ${NUMBER} (?:and|to) ${NUMBER}|${NUMBER})(.*)`,
    ),
    means: ([number = '', tail = ''], around, depth) =>
      meaning(`prints ${/^[bf]/i.test(number) ? `a number ${number}` : number}${tail}`, around, depth + 1),
  },
  // all that is printed
  {
    pattern: whole(
      `${PRINTS} (?:only (${TEXT})|(${TEXT})(?: once)?,? (?:and )?(?:then )?(?:nothing else|nothing more|no more|never again))`,
    ),
    means: ([only, text]) => saying(`the serial text equals ${only ?? text}`),
  },
  // "tick" and "tock" in turn
  {
    pattern: whole(`(${PRINTS}) (${LINES}) (?:alternat(?:e|ing)ly|in turns?|over and over(?: again)?)(.*)`),
    means: ([prints = '', lines = '', tail = ''], around, depth) => {
      const all = lines.match(new RegExp(LINE, 'gi')) ?? [];
      return meaning(`${prints} ${all.join(', then ')}, over and over${tail}`, around, depth + 1);
    },
  },
  // how often
  {
    pattern: whole(
      `(${PRINTS} .+?),? (?:one )?(?:every|each|per|once (?:a|per|every)) (?:sec|${SECONDS})(.*)`,
    ),
    means: ([said = '', length = '1', tail = ''], around, depth) =>
      behind(meaning(said, around, depth + 1), [` every ${length} s${tail}`, `, ${length} s apart${tail}`]),
  },
  {
    pattern: whole(`(${PRINTS} .+?) (twice|\\d+ times) (?:a|per|each|every) sec(.*)`),
    means: ([said = '', count = '', tail = ''], around, depth) => {
      const every = timed(1 / (/twice/i.test(count) ? 2 : Number.parseInt(count, 10)));
      return behind(meaning(said, around, depth + 1), [
        ` every ${every} s${tail}`,
        `, ${every} s apart${tail}`,
      ]);
    },
  },
  {
    pattern: whole(`(${PRINTS} .+?) (${OFTEN})((?: .*)?)`),
    means: ([said = '', often = '', tail = ''], around, depth) => {
      const count = oftenAs(often);
      return count === undefined ? undefined : behind(meaning(said, around, depth + 1), [` ${count}${tail}`]);
    },
  },
  {
    pattern: whole(
      `${PRINTS} (at least )?(\\d+) numbers (?:between|from) (${NUMBER}) (?:and|to) (${NUMBER})(.*)`,
    ),
    means: ([atLeast, count = '', least = '', most = '', tail = '']) =>
      saying(
        `prints a number between ${least} and ${most} ${count} times${atLeast ? ' or more' : ''}${tail}`,
      ),
  },
  // one after the other
  {
    pattern: whole(
      `(?:${PRINTS} |counts )(?:down |up )?(?:(?:all )?(?:the )?numbers )?(?:from )?(${NUMBER}) (?:down |up )?to (${NUMBER})(?! ?s\\b)(?: (?:on|in|to) (?:the )?serial(?: (?:monitor|port|line))?)?(?: in (?:that |this )?order)?((?:,? .*)?)`,
    ),
    means: ([first = '', last = '', tail = ''], around, depth) => {
      const lines = counting(Number(first), Number(last));
      return meaning(
        lines === undefined
          ? `prints a number between ${first} and ${last}${tail}`
          : `prints ${lines}${tail}`,
        around,
        depth + 1,
      );
    },
  },
  {
    pattern: whole(
      `(?:${PRINTS}|counts) (${LINES}) (?:in (?:that |this )?order|in turn|one after (?:another|the other)|(?:on|in|to) (?:the )?serial(?: (?:monitor|port|line))?)(.*)`,
    ),
    means: ([lines = '', tail = ''], around, depth) => meaning(`prints ${lines}${tail}`, around, depth + 1),
  },
  {
    pattern: whole(`${PRINTS} only (.+)`),
    means: ([lines = ''], around, depth) => {
      const [, said = '', tail = ''] = new RegExp(`^(${LINES})(.*)$`, 'i').exec(lines) ?? [];
      return said === '' ? undefined : meaning(`prints ${said} and nothing else${tail}`, around, depth + 1);
    },
  },
  {
    pattern: whole(
      `${PRINTS} (?:a number )?(?:about|around|roughly|approximately|close to|near) (${NUMBER})(.*)`,
    ),
    means: ([number = '', tail = '']) => {
      const [least, most] = [1 - ABOUT, 1 + ABOUT]
        .map((share) => Number(number) * share)
        .sort((a, b) => a - b);
      return saying(`prints a number between ${timed(least!)} and ${timed(most!)}${tail}`);
    },
  },
  {
    pattern: whole(
      `${PRINTS} (?:numbers |values |something )?(?:between|from) (${NUMBER}) (?:and|to) (${NUMBER})(.*)`,
    ),
    means: ([least = '', most = '', tail = '']) =>
      saying(`prints a number between ${least} and ${most}${tail}`),
  },
  {
    pattern: whole(
      `(?:${WHO} )?prints (["“'].+["”'])(?: but|, but|,)? (?:not|never) (["“'][^"“”]+["”'])(.*)`,
    ),
    means: ([text = '', other = '', tail = '']) =>
      saying(`prints ${text}${tail}`, `never prints ${other}${tail}`),
  },
  {
    pattern: whole(`(?:${WHO} )?(?:does not|never) (?:print|write|send|show|say)s? (["“'].*)`),
    means: ([text = '']) => saying(`never prints ${text}`),
  },
  {
    pattern: whole(
      `(?:(?:${WHO} )?(?:prints|writes|sends|shows) nothing|nothing is (?:printed|written|sent)|${WHO} (?:is|stays) (?:empty|silent|quiet|blank)|(?:${WHO} )?(?:does not|never) prints?(?: anything)?)((?: .*)?)`,
    ),
    means: ([tail = '']) => saying(`the serial text equals ""${tail}`),
  },
  // "low" and "high", wherever they stand
  {
    pattern: whole(`${PRINTS} (${TEXT}) and (${TEXT})((?: .*)?)`),
    means: ([one = '', other = '', tail = ''], around, depth) => {
      const both = [one, other].map((text) => meaning(`prints ${text}${tail}`, around, depth + 1));
      const sentences = both.flatMap((each) => (each && 'sentences' in each ? each.sentences : []));
      return sentences.length === both.length ? { sentences } : undefined;
    },
  },
  {
    pattern: whole(`${PRINTS} (${LINES})(?:,? and so on| etc\\.?|,? \\.\\.\\.)`),
    means: ([lines = ''], around, depth) => {
      const all = lines.match(new RegExp(LINE, 'gi')) ?? [];
      return meaning(`prints ${all.join(', then ')}`, around, depth + 1);
    },
  },
  {
    pattern: whole(`${PRINTS} (${LINES})(.*)`),
    means: ([lines = '', tail = ''], around, depth) => {
      const all = lines.match(new RegExp(LINE, 'gi')) ?? [];
      return meaning(`prints ${all.join(', then ')}${tail}`, around, depth + 1);
    },
  },
  {
    pattern: whole(`(?:(${WHO}) )?(prints|writes|sends|outputs|shows|says|reads) (${LINE}(?:,.*| .*)?)`),
    means: ([who, verb = '', said = ''], around, depth) =>
      who === undefined && /prints/i.test(verb) ? undefined : meaning(`prints ${said}`, around, depth + 1),
  },
  // while S1 is held, from 2 s on
  {
    pattern: whole(
      `(${PRINTS} .+?),? (?:while|as long as|when|whenever) (${NAMES}) is (?:held|pressed)(?: down)?`,
    ),
    means: ([said = '', name = ''], around, depth) => {
      const presses = around.done.flatMap((stimulus) =>
        'press' in stimulus && stimulus.press === name.toUpperCase() ? [stimulus] : [],
      );
      if (presses.length === 0)
        return { problem: `Say first when that is so: hold ${name.toUpperCase()} from 1 s to 3 s.` };
      const read = presses.map((press) =>
        meaning(
          `${said} from ${timed(press.at)} s to ${timed(press.at + (press.for ?? 0))} s`,
          around,
          depth + 1,
        ),
      );
      const sentences = read.flatMap((one) => (one && 'sentences' in one ? one.sentences : []));
      return sentences.length === read.length ? { sentences } : undefined;
    },
  },
  {
    pattern: whole(`(${PRINTS} .+?),? after ${SECONDS}`),
    means: ([said = '', from = ''], around, depth) => meaning(`${said} from ${from} s`, around, depth + 1),
  },
  {
    pattern: whole(`(${PRINTS}) an? (?:random|whole|new|different|integer) (number between .+)`),
    means: ([prints = '', number = ''], around, depth) => meaning(`${prints} a ${number}`, around, depth + 1),
  },
  {
    pattern: whole(
      `${PRINTS} (?:something|anything|an? (?:new )?(?:line|text|message|number|value)|numbers|values|lines|text)(?:,? (?:every|each|once|twice|\\d+ times|all the time|continuously|over and over)\\b.*)?`,
    ),
    means: () => ({ problem: 'Say what is printed: prints "ready", or prints a number between 0 and 1023.' }),
  },
  {
    pattern: whole(
      `(?:${PRINTS} (?:the )?|the )(?:(?:light|measured|sensor|analog(?:ue)?|potentiometer|knob|current) )?(?:value|reading|position|brightness|temperature|distance|level|number|count)(?: (?:of|from|at|on|in) (?:(?!is |are ).)*?)?(?: (?:is|are) ${PRINTED})?(?:,? (?:every|each|once|twice|\\d+ times|all the time|continuously|over and over)\\b.*)?`,
    ),
    means: () => ({
      problem: `Say which number comes of it in a scenario of its own: “with P1 at 50 %, prints a number between 500 and 520”.`,
    }),
  },
  {
    pattern: whole(`(?:prints|${PRINTS}|print) ([^"“'\\d].*?)(?: once)?`),
    means: ([text = '']) => {
      const [, one, other] =
        /^(\S+),? (?:and|then|and then|or) (\S+)(?:,? (?:in turns?|alternat(?:e|ing)ly|over and over.*))?$/i.exec(
          text,
        ) ?? [];
      return {
        problem: `Put what is printed in quotes: prints ${one === undefined ? `"${text}"` : `"${one}", then "${other}", over and over`}.`,
      };
    },
  },
];
