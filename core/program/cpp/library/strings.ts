import { libraryCycles } from '../../costs';
import { effort } from '../../../effort';
import type { CppMachine } from '../machine';
import { BOOL, FLOAT, integer, pointerTo, STRING, VOID } from '../types';
import { define, optional, parameter, type Call, type LibraryFunction, type LibraryTable } from './function';
import { compareTexts } from './letters';
import { printedText } from './serial';

/** Cycles for each letter of a text that is copied or compared. */
const LETTER_CYCLES = 9;

/**
 * The methods of a text that can grow. Those that change it get where it lies; the others the text itself,
 * as a number of the machine's pool.
 */
export const stringFunctions: LibraryTable = (widths) => {
  const int = integer(widths.intBits, true);
  const unsignedInt = integer(widths.intBits, false);
  const char = integer(8, widths.charSigned);
  const self = parameter('the text', STRING);
  const own = parameter('the text', pointerTo(STRING));
  const other = parameter('another text', STRING);
  const place = (title: string) => parameter(title, int);
  /** One that gives something about a text, worked out from it and the numbers given. */
  const asks = (
    more: readonly ReturnType<typeof parameter>[],
    result: LibraryFunction['result'],
    work: (text: string, given: readonly number[], call: Call) => number | boolean | string,
  ): LibraryFunction =>
    define([self, ...more], result, libraryCycles.small, ([number, ...given], call) => {
      const text = call.machine.texts.at(number!);
      call.machine.spend(text.length * LETTER_CYCLES);
      effort(20 * text.length);
      const answer = work(text, given, call);
      return typeof answer === 'string' ? call.machine.texts.numberOf(answer) : Number(answer);
    });
  /** One that puts another text in the place of one. */
  const changes = (
    more: readonly ReturnType<typeof parameter>[],
    work: (text: string, given: readonly number[], call: Call) => string,
  ): LibraryFunction =>
    define([own, ...more], VOID, libraryCycles.small, ([address, ...given], call) => {
      const { machine } = call;
      const cell = machine.within(address!);
      const before = machine.texts.at(machine.cells[cell]!);
      effort(20 * before.length);
      const text = work(before, given, call);
      effort(20 * text.length);
      machine.spend(text.length * LETTER_CYCLES);
      machine.write(cell, machine.texts.numberOf(fitting(machine, text)));
    });
  const textOf = (number: number, { machine }: Call): string => machine.texts.at(number);
  return {
    String: optional(
      1,
      define(
        [parameter('a value', 'any'), parameter('the digits or base', int)],
        STRING,
        libraryCycles.small,
        (given, call) => call.machine.texts.numberOf(printedText(given, call)),
      ),
    ),
    'String.length': asks([], unsignedInt, (text) => text.length),
    'String.charAt': asks([place('the place')], char, (text, [at]) => text.charCodeAt(at!) || 0),
    'String.equals': asks([other], BOOL, (text, [with_], call) => text === textOf(with_!, call)),
    'String.equalsIgnoreCase': asks(
      [other],
      BOOL,
      (text, [with_], call) => text.toLowerCase() === textOf(with_!, call).toLowerCase(),
    ),
    'String.compareTo': asks([other], int, (text, [with_], call) => compareTexts(text, textOf(with_!, call))),
    'String.startsWith': asks([other], BOOL, (text, [with_], call) => text.startsWith(textOf(with_!, call))),
    'String.endsWith': asks([other], BOOL, (text, [with_], call) => text.endsWith(textOf(with_!, call))),
    'String.indexOf': optional(
      1,
      asks([other, place('the first place')], int, (text, [with_, from], call) =>
        text.indexOf(textOf(with_!, call), from ?? 0),
      ),
    ),
    'String.lastIndexOf': asks([other], int, (text, [with_], call) => text.lastIndexOf(textOf(with_!, call))),
    'String.substring': optional(
      1,
      asks([place('the first place'), place('the end')], STRING, (text, [from, to]) =>
        text.substring(from!, to ?? text.length),
      ),
    ),
    'String.toInt': asks([], integer(32, true), (text) => Number(/^\s*-?\d+/.exec(text)?.[0] ?? 0) | 0),
    'String.toFloat': asks([], FLOAT, (text) =>
      Math.fround(Number(/^\s*-?\d+(\.\d*)?/.exec(text)?.[0] ?? 0)),
    ),
    'String.trim': changes([], (text) => text.trim()),
    'String.toLowerCase': changes([], (text) => text.toLowerCase()),
    'String.toUpperCase': changes([], (text) => text.toUpperCase()),
    'String.concat': changes(
      [parameter('what is added', STRING)],
      (text, [more], call) => text + textOf(more!, call),
    ),
    'String.replace': changes([other, parameter('the new text', STRING)], (text, [from, to], call) => {
      const [old, by] = [textOf(from!, call), textOf(to!, call)];
      const times = old === '' ? 0 : text.split(old).length - 1;
      // What does not fit into the memory is not put together first; nothing comes of it there either.
      return text.length + times * (by.length - old.length) < call.machine.freeBytes
        ? text.replaceAll(old, by)
        : ' '.repeat(Math.max(0, call.machine.freeBytes));
    }),
    'String.remove': optional(
      1,
      changes(
        [place('the first place'), place('how many')],
        (text, [from, count]) => text.slice(0, from) + (count === undefined ? '' : text.slice(from! + count)),
      ),
    ),
    'String.setCharAt': changes([place('the place'), parameter('the letter', char)], (text, [at, letter]) =>
      at! < 0 || at! >= text.length
        ? text
        : text.slice(0, at) + String.fromCharCode(letter! & 0xff) + text.slice(at! + 1),
    ),
    'String.reserve': changes([place('how many')], (text) => text),
  };
};

/** Methods that need to know where the text lies. */
export const changesText = (name: string): boolean =>
  /^String\.(trim|toLowerCase|toUpperCase|concat|replace|remove|setCharAt|reserve)$/.test(name);

/** A text that the free memory of the board holds; one that it does not hold stays empty there. */
export const fitting = (machine: CppMachine, text: string): string =>
  text.length < machine.freeBytes ? text : '';
