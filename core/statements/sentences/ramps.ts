import { timed } from './plain';
import { SECONDS } from './way';

/** Seconds for which something stays where it begins before it is moved, and which a move takes. */
const [STANDS, MOVES] = [0.5, 2];

const AMOUNT = String.raw`(-?\d*\.?\d+)( ?%| ?°(?: ?c)?| ?c| m)?(?! ?s\b)`;
const END =
  '(?:one (?:end|side)|(?:the )?(?:left|right|start|beginning|end|middle|bottom|top|minimum|maximum))';

/** Moved there and back, or all over its range. */
const UP_AND_DOWN =
  /^(?:(?:turn|move|slide|set) (\S+)(?: slowly)? (?:up and down|back and forth|to and fro)|sweep (\S+))((?: .*)?)$/i;

/** `turn P1 up and down`, `sweep P1` as what it is moved from and to; anything else as it stands. */
export const fromEndToEnd = (text: string): readonly string[] => {
  const [, there, start] =
    /^((?:turn|move|slide|set) \S+(?: slowly)?(?: up)? from (\S+(?: %)?) to .+?) and back(?: again| down)?$/i.exec(
      text,
    ) ?? [];
  if (there !== undefined) return [there, `${/^\S+ \S+/.exec(there)![0]} to ${start} over ${MOVES} s`];
  const [, one, other, rest = ''] = UP_AND_DOWN.exec(text) ?? [];
  const name = one ?? other;
  if (name === undefined) return [text];
  return one === undefined
    ? [`turn ${name} from 0 to 1${rest}`]
    : [`turn ${name} from 0 to 1${rest}`, `turn ${name} to 0 over ${MOVES} s`];
};

/** Where something begins, where it ends, and what is said of its time. */
export interface Ramp {
  /** What is brought somewhere, up to the place itself: `turn P1 to`. */
  readonly what: string;
  readonly from: string;
  readonly to: string;
  /** Seconds: when it begins to move, and how long that takes. */
  readonly at: number;
  readonly over: number;
  /** When it is brought to where it begins. */
  readonly standsFrom: number;
}

/**
 * Something that is moved from one place to another: `turn P1 from 0 to 100 % in 2 s`, `the temperature rises from 20
 * to 30 °C`, `turn P1 from one end to the other`. `undefined` for anything else. `usual`: when something is done whose
 * time nobody says, in seconds.
 */
export function rampOf(text: string, usual: number): Ramp | undefined {
  const slowly = text.replace(/^(\S+ \S+) (?:slowly|smoothly|steadily|gently)\b/i, '$1');
  const found = new RegExp(
    `^(.+?) from (?:${AMOUNT}|(${END})) (?:up |down )?to (?:${AMOUNT}|((?:the )?other(?: (?:end|side))?|${END}))((?: .*)?)$`,
    'i',
  ).exec(slowly);
  if (!found) return undefined;
  const [, what = '', amount, unit, end, last, lastUnit, lastEnd, rest = ''] = found;
  const over = new RegExp(`(?:^| )(?:over|within|in) ${SECONDS}`, 'i').exec(rest);
  const at = new RegExp(
    `(?:^|,? )(?:at|after|from|between) ${SECONDS}(?: (?:to|until|till|and) ${SECONDS})?`,
    'i',
  ).exec(rest);
  const until = at?.[2] === undefined ? undefined : timed(Number(at[2]) - Number(at[1]));
  if (until !== undefined && (until <= 0 || over)) return undefined;
  const left = rest
    .replace(over?.[0] ?? '', '')
    .replace(at?.[0] ?? '', '')
    .replace(/,? (?:slowly|smoothly|steadily|gently)$/i, '');
  if (left.trim() !== '' && !/^ (?:before|in front of|on|at|of|away from) \S+$/.test(left)) return undefined;
  const place = (
    number: string | undefined,
    itsUnit: string | undefined,
    word: string | undefined,
  ): string => (number === undefined ? endText(word ?? '') : `${number}${itsUnit ?? ''}`);
  const begun = at ? Number(at[1]) : timed(usual + STANDS);
  return {
    what: `${what.replace(/ (?:up|down)$/i, '')} to`,
    from: `${place(amount, unit ?? lastUnit, end)}${left}`,
    to: `${place(last, lastUnit ?? unit, lastEnd)}${left}`,
    at: begun,
    over: until ?? Number(over?.[1] ?? MOVES),
    standsFrom: at ? Math.max(0, timed(begun - STANDS)) : usual,
  };
}

const endText = (word: string): string => {
  const plain = word.replace(/^the /i, '').toLowerCase();
  if (/^one /.test(plain)) return 'the start';
  return /^other/.test(plain) ? 'the end' : /^bottom$/.test(plain) ? 'the start' : plain;
};
