import type { BoardProfile } from '../../boards';
import { typeWords } from './types';

/**
 * A program's text as the grammar is to read it: what `#if` leaves out is blank, and so are parentheses that the
 * grammar would take for a cast, and the words that say in which memory something is kept; a range of cases has a sign
 * that the grammar knows. Every letter stays at its place.
 */
export const preparedText = (source: string, { language }: BoardProfile): string =>
  withoutCasts(withoutBranches(source))
    .replace(language.intBits === 32 ? KEPT_IN_ANY_MEMORY : KEPT_IN_FLASH, (word) => ' '.repeat(word.length))
    .replace(RANGE, `$1${RANGE_SIGN}`);

const KEPT_IN_FLASH = /\bPROGMEM\b/g;
/** An interrupt routine of a 32-bit board has to be in its working memory. */
const KEPT_IN_ANY_MEMORY = /\b(?:PROGMEM|IRAM_ATTR|ICACHE_RAM_ATTR)\b/g;

/** What stands between the ends of a range of cases in place of its three dots, which the grammar does not know. */
export const RANGE_SIGN = '<=>';
/** `case 1 ... 3`, up to the dots. */
const RANGE = /(\bcase\b[^:;{}\n"]*?)\.\.\./g;

/** A line that begins, turns or ends a choice between lines. */
const DIRECTIVE = /^[ \t]*#[ \t]*(if|ifdef|ifndef|elif|else|endif)\b(.*)$/;

/** Branches of `#if`, `#ifdef` and their like that are not taken, and the directives themselves, made blank. */
function withoutBranches(source: string): string {
  if (!/^[ \t]*#[ \t]*if/m.test(source)) return source;
  const known = new Map<string, string>();
  /** Of each choice that is open: whether its branch is taken now, whether one was, and whether that around it is. */
  const open: { isTaken: boolean; wasTaken: boolean; readonly isAroundTaken: boolean }[] = [];
  const isTaken = (): boolean => open.at(-1)?.isTaken ?? true;
  return source
    .split('\n')
    .map((line) => {
      const [, word, rest = ''] = DIRECTIVE.exec(line) ?? [];
      const blank = line.replace(/[^\s]/g, ' ');
      if (word === undefined) {
        const [, name, value = ''] = /^[ \t]*#[ \t]*define[ \t]+(\w+)(?![\w(])(.*)$/.exec(line) ?? [];
        if (name !== undefined && isTaken()) known.set(name, value.replace(/\/\/.*$/, '').trim());
        return isTaken() ? line : blank;
      }
      const choice = open.at(-1);
      if (word === 'endif') open.pop();
      else if (word === 'else' || word === 'elif') {
        if (choice) {
          choice.isTaken =
            choice.isAroundTaken && !choice.wasTaken && (word === 'else' || holds(rest, known));
          choice.wasTaken ||= choice.isTaken;
        }
      } else {
        const [name = ''] = /\w+/.exec(rest) ?? [];
        const asked = word === 'if' ? holds(rest, known) : known.has(name) === (word === 'ifdef');
        const isAroundTaken = isTaken();
        open.push({ isTaken: isAroundTaken && asked, wasTaken: isAroundTaken && asked, isAroundTaken });
      }
      return blank;
    })
    .join('\n');
}

/** Whether what an `#if` asks is so: numbers and names, compared and joined; a name that nothing defines is 0. */
function holds(text: string, known: ReadonlyMap<string, string>): boolean {
  const plain = text
    .replace(/\/\/.*$|\/\*.*?\*\//g, '')
    .replace(/\bdefined\s*\(?\s*(\w+)\s*\)?/g, (_, name: string) => (known.has(name) ? '1' : '0'));
  const words = plain.match(/\w+|&&|\|\||[=!<>]=|[()!<>]/g) ?? [];
  let at = 0;
  const single = (depth: number): number => {
    const word = words[at] ?? '0';
    at += 1;
    if (word === '!') return single(depth) === 0 ? 1 : 0;
    if (word === '(' && depth < MOST_DEPTH) {
      const value = either(depth + 1);
      at += 1;
      return value;
    }
    const named = known.get(word);
    const number = Number(named === undefined ? word : named === '' ? 0 : named);
    return Number.isFinite(number) ? number : 0;
  };
  const compared = (depth: number): number => {
    let value = single(depth);
    for (let sign = words[at]; sign !== undefined && sign in comparisons; sign = words[at]) {
      at += 1;
      value = comparisons[sign]!(value, single(depth)) ? 1 : 0;
    }
    return value;
  };
  const both = (depth: number): number => {
    let value = compared(depth);
    while (words[at] === '&&') {
      at += 1;
      value = compared(depth) !== 0 && value !== 0 ? 1 : 0;
    }
    return value;
  };
  const either = (depth: number): number => {
    let value = both(depth);
    while (words[at] === '||') {
      at += 1;
      value = both(depth) !== 0 || value !== 0 ? 1 : 0;
    }
    return value;
  };
  return either(0) !== 0;
}

/** Parentheses in each other that an `#if` is followed into. */
const MOST_DEPTH = 40;
const comparisons: Readonly<Record<string, (one: number, other: number) => boolean>> = {
  '==': (one, other) => one === other,
  '!=': (one, other) => one !== other,
  '<': (one, other) => one < other,
  '>': (one, other) => one > other,
  '<=': (one, other) => one <= other,
  '>=': (one, other) => one >= other,
};

/**
 * `(pressed) && …`: a name alone in parentheses before two `&`, which the grammar takes for a cast of an address. A
 * name or a closing sign before it makes it a call or a condition, and it stays.
 */
const NOT_A_CAST = /(^|[=(,!&|?:{};]|\breturn)(\s*)\((\s*)(\w+)(\s*)\)(?=\s*&&)/gm;

const withoutCasts = (source: string): string =>
  source.replace(
    NOT_A_CAST,
    (whole, before: string, gap: string, left: string, name: string, right: string) =>
      typeWords.has(name) ? whole : `${before}${gap} ${left}${name}${right} `,
  );
