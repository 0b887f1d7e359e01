import type { Machine } from '../machine';
import { conversionTo, integer } from './types';

/** Functions on texts in memory: letters in a row up to a zero. */
export type TextName = 'strlen' | 'strcmp' | 'strcpy' | 'strcat' | 'atoi' | 'atol' | 'itoa' | 'ltoa';

const textNames: ReadonlySet<string> = new Set<TextName>([
  'strlen',
  'strcmp',
  'strcpy',
  'strcat',
  'atoi',
  'atol',
  'itoa',
  'ltoa',
]);
export const isTextName = (name: string): name is TextName => textNames.has(name);

/** Letters after which a text without an end is left. */
const LONGEST = 2000;
const asByte = (value: number): number => value & 0xff;
const asChar = conversionTo(integer(8, true));

/** The text at an address, up to its zero, each letter as a byte. */
export function textAt({ cells }: Machine, address: number): string {
  let text = '';
  for (let at = address; at >= 0 && at < cells.length && text.length < LONGEST; at += 1) {
    const letter = asByte(cells[at]!);
    if (letter === 0) break;
    text += String.fromCharCode(letter);
  }
  return text;
}

/** Cycles of a text function for each letter that it looks at. */
export const LETTER_CYCLES = 7;

/**
 * Does what the function does to memory; what it gives back, and how many letters it looked at. `bits`: width
 * of the number that is written out.
 */
export function textWork(
  name: TextName,
  machine: Machine,
  [first = 0, second = 0, third = 0]: readonly number[],
  write: (cell: number, value: number) => void,
  bits: number,
): { readonly value: number; readonly letters: number } {
  const put = (address: number, text: string): void => {
    for (let at = 0; at < text.length; at += 1) write(address + at, asChar(text.charCodeAt(at)));
    write(address + text.length, 0);
  };
  switch (name) {
    case 'strlen': {
      const { length } = textAt(machine, first);
      return { value: length, letters: length };
    }
    case 'strcmp': {
      const [one, other] = [textAt(machine, first), textAt(machine, second)];
      let at = 0;
      while (at < one.length && one[at] === other[at]) at += 1;
      // The difference of the first two letters that are not the same.
      return { value: (one.charCodeAt(at) || 0) - (other.charCodeAt(at) || 0), letters: at + 1 };
    }
    case 'strcpy': {
      const text = textAt(machine, second);
      put(first, text);
      return { value: first, letters: text.length };
    }
    case 'strcat': {
      const [before, text] = [textAt(machine, first), textAt(machine, second)];
      put(first + before.length, text);
      return { value: first, letters: before.length + text.length };
    }
    case 'atoi':
    case 'atol': {
      const digits = /^[ \t\n\r]*([+-]?\d+)/.exec(textAt(machine, first))?.[1] ?? '0';
      return { value: Number(BigInt.asIntN(32, BigInt(digits))), letters: digits.length };
    }
    case 'itoa':
    case 'ltoa': {
      // A sign only in base ten; every other base shows the bits.
      const text = (third === 10 || first >= 0 ? first : first + 2 ** bits).toString(third);
      put(second, text);
      return { value: second, letters: text.length };
    }
  }
}
