import { libraryCycles } from '../../costs';
import type { CppMachine } from '../machine';
import { printed } from '../print';
import { FLOAT, integer, STRING, VOID } from '../types';
import { textAt } from './letters';
import { define, optional, parameter, type Call, type LibraryTable } from './function';

/** Most bytes that are sent at once: a board has room for fewer. */
const MOST_SENT = 10_000;
/** Seconds that reading a number or a text waits for more. */
const TIMEOUT_SECONDS = 1;

/** The serial line to the computer. */
export const serialFunctions: LibraryTable = (widths) => {
  const int = integer(widths.intBits, true);
  const long = integer(32, true);
  const char = integer(8, widths.charSigned);
  const unsignedInt = integer(widths.intBits, false);
  const what = [parameter('what to print', 'any'), parameter('the digits or base', int)];
  const print = (ending: string) =>
    define(what, int, 0, (given, call) => {
      const text = printedText(given, call) + ending;
      call.machine.spend(libraryCycles.print * text.length);
      call.machine.host.serialPrint(text, call.line);
      return text.length;
    });
  const number = (pattern: RegExp) =>
    define([], pattern === INTEGER ? long : FLOAT, libraryCycles.small, (_, { machine, fit }) => {
      // What is no digit before the number is passed over.
      readWhile(machine, (letter) => !/[-\d]/.test(letter));
      const digits = readWhile(
        machine,
        (letter) => /[-.\d]/.test(letter) && !(pattern === INTEGER && letter === '.'),
      );
      return fit(Number(pattern.exec(digits)?.[0] ?? 0));
    });
  return {
    'Serial.begin': define(
      [parameter('the rate', integer(32, false))],
      VOID,
      libraryCycles.small,
      ([rate], { machine, line }) => machine.host.serialBegin(rate!, line),
    ),
    'Serial.end': define([], VOID, libraryCycles.small, () => undefined),
    'Serial.flush': define([], VOID, libraryCycles.small, () => undefined),
    'Serial.setTimeout': define(
      [parameter('the milliseconds', integer(32, false))],
      VOID,
      libraryCycles.small,
      () => undefined,
    ),
    'Serial.print': optional(1, print('')),
    'Serial.println': optional(2, print('\r\n')),
    'Serial.write': optional(
      1,
      define(
        [parameter('what to send', 'any'), parameter('how many bytes', unsignedInt)],
        int,
        libraryCycles.print,
        ([value, length], call) => {
          const [type] = call.types;
          const { cells, host } = call.machine;
          const letters = (codes: Iterable<number>): string =>
            Array.from(codes, (code) => String.fromCharCode(code & 0xff)).join('');
          const text =
            length !== undefined && type?.kind === 'pointer'
              ? letters(cells.subarray(value!, value! + Math.min(length, MOST_SENT)))
              : type?.kind === 'integer' || type?.kind === 'bool'
                ? letters([value!])
                : printedText([value!], call);
          host.serialPrint(text, call.line);
          return text.length;
        },
      ),
    ),
    'Serial.available': define([], int, libraryCycles.small, (_, { machine }) =>
      machine.host.serialAvailable(),
    ),
    'Serial.read': define([], int, libraryCycles.small, (_, { machine }) => machine.host.serialRead('take')),
    'Serial.peek': define([], int, libraryCycles.small, (_, { machine }) => machine.host.serialRead('peek')),
    'Serial.parseInt': number(INTEGER),
    'Serial.parseFloat': number(DECIMAL),
    'Serial.readString': define([], STRING, libraryCycles.small, (_, { machine }) =>
      machine.texts.numberOf(readWhile(machine, () => true)),
    ),
    'Serial.readStringUntil': define(
      [parameter('the last letter', char)],
      STRING,
      libraryCycles.small,
      ([end], { machine }) => {
        const last = String.fromCharCode(end! & 0xff);
        const text = readWhile(machine, (letter) => letter !== last);
        // The letter that ends it is taken, and does not belong to the text.
        if (machine.host.serialRead('peek') === (end! & 0xff)) machine.host.serialRead('take');
        return machine.texts.numberOf(text);
      },
    ),
  };
};

const INTEGER = /^-?\d+/;
const DECIMAL = /^-?\d*\.?\d*/;

/** Takes letters as long as they are wanted, and waits for more up to the time allowed. */
function readWhile(machine: CppMachine, isWanted: (letter: string) => boolean): string {
  let text = '';
  machine.changes += 1;
  for (;;) {
    const until = machine.seconds + TIMEOUT_SECONDS;
    while (machine.host.serialRead('peek') < 0 && machine.seconds < until)
      machine.wait(
        Math.max(1e-4, Math.min(until, machine.host.nextEventCycle() / machine.clockHz) - machine.seconds),
      );
    const code = machine.host.serialRead('peek');
    if (code < 0) return text;
    const letter = String.fromCharCode(code);
    if (!isWanted(letter)) return text;
    machine.host.serialRead('take');
    text += letter;
  }
}

/** What is printed of a value, with the digits or the base that may follow it. */
export function printedText([value = 0, option]: readonly number[], { machine, types }: Call): string {
  const [type] = types;
  if (!type) return '';
  if (type.kind === 'text' || type.kind === 'string') return machine.texts.at(value);
  if (type.kind === 'pointer') return textAt(machine, value);
  return printed(type, value, option);
}
