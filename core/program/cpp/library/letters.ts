import { effort } from '../../../effort';
import { libraryCycles } from '../../costs';
import type { CppMachine } from '../machine';
import { conversionTo, integer, pointerTo, type ScalarType } from '../types';
import { define, parameter, type Call, type LibraryFunction, type LibraryTable } from './function';

/** Letters after which a text without an end is left. */
const LONGEST = 2000;
/** Cycles of a text function for each letter that it looks at. */
const LETTER_CYCLES = 7;
const asByte = (value: number): number => value & 0xff;
const asChar = conversionTo(integer(8, true));

/** The text at an address, up to its zero, each letter as a byte. */
export function textAt({ cells }: CppMachine, address: number): string {
  let text = '';
  for (let at = address; at >= 0 && at < cells.length && text.length < LONGEST; at += 1) {
    const letter = asByte(cells[at]!);
    if (letter === 0) break;
    text += String.fromCharCode(letter);
  }
  return text;
}

/** Less than, equal to or more than zero, as the board's library compares: by the codes of the letters. */
export function compareTexts(one: string, other: string): number {
  let at = 0;
  while (at < one.length && one[at] === other[at]) at += 1;
  return (one.charCodeAt(at) || 0) - (other.charCodeAt(at) || 0);
}

/** Puts a text into memory with a zero behind it. */
export function putText(machine: CppMachine, address: number, text: string): void {
  for (let at = 0; at < text.length; at += 1)
    machine.write(machine.within(address + at), asChar(text.charCodeAt(at)));
  machine.write(machine.within(address + text.length), 0);
}

/** Functions on texts in memory, letters in a row up to a zero, and on single letters. */
export const letterFunctions: LibraryTable = (widths) => {
  const int = integer(widths.intBits, true);
  const unsignedInt = integer(widths.intBits, false);
  const long = integer(32, true);
  const chars = pointerTo(integer(8, widths.charSigned));
  const text = parameter('a text', chars);
  const base = parameter('the base', int);
  /** One that works on texts and then lets the time pass that their letters take. */
  const onTexts = (
    parameters: LibraryFunction['parameters'],
    result: LibraryFunction['result'],
    work: (
      machine: CppMachine,
      given: readonly number[],
    ) => { readonly value: number; readonly letters: number },
  ): LibraryFunction =>
    define(parameters, result, libraryCycles.small, (given, { machine }: Call) => {
      const { value, letters } = work(machine, given);
      machine.spend(letters * LETTER_CYCLES);
      effort(100 * letters);
      return value;
    });
  const toNumber = (result: ScalarType): LibraryFunction =>
    onTexts([text], result, (machine, [at]) => {
      const digits = /^[ \t\n\r]*([+-]?\d+)/.exec(textAt(machine, at!))?.[1] ?? '0';
      return { value: Number(BigInt.asIntN(32, BigInt(digits))), letters: digits.length };
    });
  const toText = (type: ScalarType, bits: number): LibraryFunction =>
    onTexts([parameter('the number', type), text, base], chars, (machine, [number, at, radix]) => {
      // A sign only in base ten; every other base shows the bits.
      const shown = (radix === 10 || number! >= 0 ? number! : number! + 2 ** bits).toString(
        Math.max(2, Math.min(36, radix!)),
      );
      putText(machine, at!, shown);
      return { value: at!, letters: shown.length };
    });
  const letter = (pattern: RegExp): LibraryFunction =>
    define([parameter('a letter', int)], int, libraryCycles.small, ([code]) =>
      pattern.test(String.fromCharCode(code! & 0xff)) ? 1 : 0,
    );
  const cased = (change: (text: string) => string): LibraryFunction =>
    define([parameter('a letter', int)], int, libraryCycles.small, ([code]) =>
      change(String.fromCharCode(code! & 0xff)).charCodeAt(0),
    );
  return {
    strlen: onTexts([text], unsignedInt, (machine, [at]) => {
      const { length } = textAt(machine, at!);
      return { value: length, letters: length };
    }),
    strcmp: onTexts([text, text], int, (machine, [one, other]) => {
      const texts = [textAt(machine, one!), textAt(machine, other!)] as const;
      return { value: compareTexts(...texts), letters: Math.min(texts[0].length, texts[1].length) + 1 };
    }),
    strcpy: onTexts([text, text], chars, (machine, [to, from]) => {
      const copied = textAt(machine, from!);
      putText(machine, to!, copied);
      return { value: to!, letters: copied.length };
    }),
    strcat: onTexts([text, text], chars, (machine, [to, from]) => {
      const [before, added] = [textAt(machine, to!), textAt(machine, from!)];
      putText(machine, to! + before.length, added);
      return { value: to!, letters: before.length + added.length };
    }),
    atoi: toNumber(int),
    atol: toNumber(long),
    itoa: toText(int, widths.intBits),
    ltoa: toText(long, 32),
    isDigit: letter(/[0-9]/),
    isAlpha: letter(/[A-Za-z]/),
    isAlphaNumeric: letter(/[0-9A-Za-z]/),
    isSpace: letter(/[ \t\n\r\f\v]/),
    isWhitespace: letter(/[ \t]/),
    isUpperCase: letter(/[A-Z]/),
    isLowerCase: letter(/[a-z]/),
    isPunct: letter(/[!-/:-@[-`{-~]/),
    isdigit: letter(/[0-9]/),
    isalpha: letter(/[A-Za-z]/),
    isalnum: letter(/[0-9A-Za-z]/),
    isspace: letter(/[ \t\n\r\f\v]/),
    isupper: letter(/[A-Z]/),
    islower: letter(/[a-z]/),
    toupper: cased((one) => one.toUpperCase()),
    tolower: cased((one) => one.toLowerCase()),
    toUpperCase: cased((one) => one.toUpperCase()),
    toLowerCase: cased((one) => one.toLowerCase()),
  };
};
