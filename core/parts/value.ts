import { fail, ok, type Result } from '../result';
import { withArticle } from '../words/words';

/** A part's value: canonical text for tables, and the amount in its SI unit when it is a number. */
export interface PartValue {
  readonly text: string;
  readonly amount?: number;
}

const multipliers: Readonly<Record<string, number>> = { '': 1, r: 1, k: 1e3, m: 1e6, g: 1e9 };

/**
 * Reads a resistance as people write it: `330`, `330R`, `330 Ω`, `4k7`, `4.7k`, `1M`, `1m` (which for
 * resistors means mega). Case and spaces do not matter. Returns ohms, from 0 up.
 */
export function readOhms(text: string): Result<number> {
  const compact = text
    .replace(/\s+/g, '')
    .replace(/(Ω|Ω|ω|ohms?)$/iu, '')
    .toLowerCase();
  const infix = /^(\d+)([rkmg])(\d+)$/.exec(compact);
  if (infix) return ok(Number(`${infix[1]}.${infix[3]}`) * multipliers[infix[2]!]!);
  const plain = /^(\d+(?:\.\d*)?|\.\d+)([rkmg]?)$/.exec(compact);
  if (plain) return ok(Number(plain[1]) * multipliers[plain[2]!]!);
  return fail({ message: `“${text}” is not a resistance; write it like 330, 4k7 or 1M`, typed: text });
}

/** Reads the resistance of a part that has a usual one; an empty cell means that. */
export function readOhmsOr(
  usualOhms: number,
  title: string,
  leastOhms: number,
): (text: string) => Result<PartValue> {
  return (text) => {
    if (text.trim() === '') return ok({ text: ohmsText(usualOhms), amount: usualOhms });
    const read = readOhms(text);
    if (!read.ok) return read;
    if (read.value < leastOhms)
      return fail({
        message: `${withArticle(title)} of ${text.trim()} Ω is too small to be real`,
        typed: text,
      });
    return ok({ text: ohmsText(read.value), amount: read.value });
  };
}

const capacitance: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
};

/**
 * Reads a capacitance as people write it: `100n`, `0.1uF`, `4n7`, `470 µF`. Case and spaces do not
 * matter, a unit does: a bare figure is refused. Returns farads, above 0.
 */
export function readFarads(text: string): Result<number> {
  const compact = text
    .replace(/\s+/g, '')
    .replace(/f(arads?)?$/i, '')
    .toLowerCase();
  const infix = /^(\d+)([pnuµμm])(\d+)$/.exec(compact);
  const plain = /^(\d+(?:\.\d*)?|\.\d+)([pnuµμm])$/.exec(compact);
  const amount = infix
    ? Number(`${infix[1]}.${infix[3]}`) * capacitance[infix[2]!]!
    : plain
      ? Number(plain[1]) * capacitance[plain[2]!]!
      : 0;
  // The factors are decimal: what they leave beyond twelve digits is not meant.
  if (amount > 0) return ok(Number(amount.toPrecision(12)));
  return fail({ message: `“${text}” is not a capacitance; write it like 100n, 0.1uF or 470u`, typed: text });
}

/** Shortest usual writing of a resistance: `330`, `4.7k`, `1M`. */
export function ohmsText(ohms: number): string {
  if (ohms >= 1e6) return `${trim(ohms / 1e6)}M`;
  if (ohms >= 1e3) return `${trim(ohms / 1e3)}k`;
  return trim(ohms);
}

/** Shortest usual writing of a capacitance: `100n`, `4.7u`, `22p`. */
export function faradsText(farads: number): string {
  if (farads >= 0.999e-6) return `${trim(farads * 1e6)}u`;
  if (farads >= 0.999e-9) return `${trim(farads * 1e9)}n`;
  return `${trim(farads * 1e12)}p`;
}

/** Reads a value that is one of a few words; an empty cell means the first unless one must be said. */
export function readChoice(
  text: string,
  choices: Readonly<Record<string, readonly string[]>>,
  what: { readonly title: string; readonly mustBeSaid: boolean },
): Result<PartValue> {
  const typed = text.trim().toLowerCase();
  const names = Object.keys(choices);
  if (typed === '' && !what.mustBeSaid) return ok({ text: names[0]! });
  const found = names.find((name) => name === typed || choices[name]!.includes(typed));
  if (found !== undefined) return ok({ text: found });
  return fail({
    message:
      typed === ''
        ? `${withArticle(what.title)} needs its value: ${names.join(' or ')}`
        : `“${text.trim()}” is no ${what.title}; known are ${names.join(', ')}`,
    typed: text,
  });
}

const trim = (amount: number): string => String(Number(amount.toPrecision(6)));

/** A voltage as it is said: `5 V` for `5V`. */
export const voltsSaid = (text: string): string => text.replace(/^([\d.]+)V/, '$1 V');

/** A resistance as it is said: `330 Ω`, `10 kΩ`, for `330` and `10k`. */
export const ohmsSaid = (text: string): string => text.replace(/^([\d.]+)([kM]?)$/, '$1 $2Ω');
