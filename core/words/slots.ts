import type { Slot } from './sentence';
import { listText } from './words';

const NUMBER = String.raw`\d+(?:\.\d+)?(?:e[+-]?\d+)?`;

/** A number that is not below 0, in the digits that a program would take. */
export const numberSlot: Slot<number> = { write: String, pattern: NUMBER, read: Number, closed: true };

export const signedSlot: Slot<number> = { ...numberSlot, pattern: `-?${NUMBER}` };

/** A share from 0 to 1, in per cent. Moved by its decimal point, so that no rounding comes in. */
export const percentSlot: Slot<number> = {
  write: (share) => String(shifted(share, 2)),
  pattern: NUMBER,
  read: (text) => shifted(Number(text), -2),
  closed: true,
};

function shifted(amount: number, places: number): number {
  const [digits, exponent = '0'] = String(amount).split('e');
  return Number(`${digits}e${Number(exponent) + places}`);
}

/** An angle in degrees. */
export const degreeSlot: Slot<number> = {
  write: (degrees) => `${degrees}°`,
  pattern: `${NUMBER} ?°?`,
  read: (text) => Number(text.replace(/ ?°/, '')),
};

/** What holds or is left out: how it is said, and what is understood. */
export const flagSlot = (said: string, pattern = said): Slot<true> => ({
  write: () => said,
  pattern,
  read: () => true,
});

/** The name of a part: `D1`. */
export const nameSlot: Slot<string> = {
  write: String,
  pattern: String.raw`[a-z]{1,4}\d{0,4}`,
  read: (text) => text.toUpperCase(),
};

/** The LED on the board itself, as expectations name it, and as it is said. */
const OWN_LIGHT = 'U1.lamp';
const OWN_LIGHT_SAID =
  /^(?:the )?(?:own|built-in) (?:led|lamp)$|^(?:the )?board[’']s (?:own )?(?:led|lamp)$/i;

/** A light: a part, one of several in a housing, `D1.red`, or the board’s own. */
export const lightSlot: Slot<string> = {
  write: (light) => (light === OWN_LIGHT ? 'the board’s own LED' : light),
  pattern: String.raw`(?:the )?(?:(?:own|built-in)|board[’'](?:s own|s))[ \u00a0](?:led|lamp)|[a-z]{1,4}\d{0,4}(?:\.[a-z][a-z0-9]*)?`,
  read: (text) =>
    OWN_LIGHT_SAID.test(text.replaceAll('\u00a0', ' '))
      ? OWN_LIGHT
      : text.replace(/^[a-z]+/i, (name) => name.toUpperCase()).replace(/\..*/, (leg) => leg.toLowerCase()),
};

/** One of a few values, each with what is said of it first and what else is understood. */
export function wordSlot<Value extends string>(
  words: Readonly<Record<Value, readonly [said: string, ...understood: string[]]>>,
): Slot<Value> {
  const all = Object.entries(words) as [Value, readonly string[]][];
  return {
    write: (value) => words[value][0],
    pattern: all
      .flatMap(([, forms]) => forms)
      .sort((one, other) => other.length - one.length)
      .map((form) => form.replaceAll(' ', '[ \\u00a0]+'))
      .join('|'),
    read: (text) => {
      const plain = text.toLowerCase().replace(/[ \u00a0]+/g, ' ');
      return all.find(([, forms]) => forms.includes(plain))?.[0];
    },
  };
}

/** How often something happens. */
export const countSlot: Slot<number> = {
  write: (count) => (count === 1 ? 'once' : `${count} times`),
  pattern: '(?:once|twice|\\d+(?: times?)?)',
  read: (text) => ({ once: 1, twice: 2 })[text.toLowerCase()] ?? Number.parseInt(text, 10),
};

/** The least and the most of something: `0.05 s to 0.25 s`. */
export const rangeSlot = (of: Slot<number>, unit: string): Slot<[number, number]> => {
  const [said, read] = unit === '' ? [' and ', ''] : [` ${unit} to `, `(?: *${unit})?`];
  return {
    write: ([least, most]) => `${of.write(least)}${said}${of.write(most)}${unit === '' ? '' : ` ${unit}`}`,
    pattern: `(?:${of.pattern})${read} (?:to|and) (?:${of.pattern})${read}`,
    read: (text) => {
      const [least, most] = [...text.matchAll(new RegExp(of.pattern, 'gi'))].map(([one]) => of.read(one));
      return least === undefined || most === undefined ? undefined : [least, most];
    },
    closed: true,
  };
};

/** Two or more of the same, or `least`. `between` is said between them, and `betweenPattern` is what is understood. */
export const listSlot = <Value>(
  item: Slot<Value>,
  between: string,
  betweenPattern: string,
  least: 1 | 2 = 2,
): Slot<Value[]> => ({
  write: (values) => values.map((value) => item.write(value)).join(between),
  pattern: `(?:${item.pattern})(?:(?:${betweenPattern})(?:${item.pattern}))${least === 1 ? '*' : '+'}`,
  read: (text) => {
    const values = text.split(new RegExp(betweenPattern, 'i')).map((one) => item.read(one));
    return values.includes(undefined) ? undefined : (values as Value[]);
  },
});

/** Two lights or more: `D1, D2 and D3`. */
export const lightsSlot: Slot<string[]> = {
  ...listSlot(lightSlot, ' and ', '(?:,? +(?:and|or) +|, *)'),
  write: (lights) => listText(lights.map(lightSlot.write)),
};

/** A text in quotes; what would end it, and a new line, stand behind a backslash. */
export const textSlot: Slot<string> = {
  write: (text) =>
    `“${text.replace(/\\(?=[\\nrt"“”\n\r\t]|$)|["“”\n\r\t]/g, (one) => `\\${ESCAPES[one] ?? one}`)}”`,
  pattern: String.raw`[“”"](?:[^“”"\\]|\\.)*[”"]|'(?:[^'\\]|\\.)*'`,
  read: (text) =>
    text.slice(1, -1).replace(/\\([\\nrt"“”])/g, (_, escaped: string) => CONTROLS[escaped] ?? escaped),
};

const ESCAPES: Readonly<Record<string, string>> = { '\n': 'n', '\r': 'r', '\t': 't' };
const CONTROLS: Readonly<Record<string, string>> = { n: '\n', r: '\r', t: '\t' };
