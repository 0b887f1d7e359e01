import { effort } from '../../../effort';
import { libraryCycles } from '../../costs';
import { integer, pointerTo, type CType, type TypeWidths } from '../types';
import { putText, textAt } from './letters';
import { define, optional, parameter, type Call, type LibraryFunction, type LibraryTable } from './function';

/** Values that one format may have. */
const MOST_VALUES = 12;
/** Widest field and most digits that are made. */
const WIDEST = 200;
/** Cycles for each letter that is put together. */
const LETTER_CYCLES = 60;

/** A place in a format: `%-5.2ld`. */
const PLACE = /%([-+ 0#]*)(\d*)(?:\.(\d*))?(hh|h|ll|l)?([a-zA-Z%])/g;

/**
 * A text made from a format as `printf` makes it, from [C11 7.21.6.1]. On an eight-bit board the library has no
 * decimals in it and writes a question mark; a number is cut to the width that its place asks for.
 */
function formatted(
  format: string,
  values: readonly number[],
  types: readonly CType[],
  machine: Call['machine'],
  widths: TypeWidths,
): string {
  let next = 0;
  return format.replace(
    PLACE,
    (_, flags: string, width: string, digits: string | undefined, size, sort: string) => {
      if (sort === '%') return '%';
      const value = values[next] ?? 0;
      const type = types[next];
      next += 1;
      const wide = Math.min(WIDEST, Number(width));
      const precision = digits === undefined ? undefined : Math.min(WIDEST, Number(digits));
      const bits = size === 'l' || size === 'll' ? 32 : widths.intBits;
      const padded = (sign: string, text: string, fill: ' ' | '0'): string => {
        const missing = wide - sign.length - text.length;
        if (missing <= 0) return sign + text;
        if (flags.includes('-')) return sign + text + ' '.repeat(missing);
        return fill === '0' ? sign + '0'.repeat(missing) + text : ' '.repeat(missing) + sign + text;
      };
      const whole = (text: string): string =>
        precision === undefined ? text : text.padStart(precision, '0');
      const fill = flags.includes('0') && precision === undefined ? '0' : ' ';
      const signed = (amount: number): string =>
        amount < 0 ? '-' : flags.includes('+') ? '+' : flags.includes(' ') ? ' ' : '';
      const unsigned = Number(BigInt.asUintN(bits, BigInt(Math.trunc(value))));
      switch (sort) {
        case 'd':
        case 'i': {
          const amount = Number(BigInt.asIntN(bits, BigInt(Math.trunc(value))));
          return padded(signed(amount), whole(String(Math.abs(amount))), fill);
        }
        case 'u':
          return padded('', whole(String(unsigned)), fill);
        case 'x':
          return padded('', whole(unsigned.toString(16)), fill);
        case 'X':
          return padded('', whole(unsigned.toString(16).toUpperCase()), fill);
        case 'o':
          return padded('', whole(unsigned.toString(8)), fill);
        case 'c':
          return padded('', String.fromCharCode(value & 0xff), ' ');
        case 's': {
          const text = type?.kind === 'pointer' ? textAt(machine, value) : machine.texts.at(value);
          return padded('', precision === undefined ? text : text.slice(0, precision), ' ');
        }
        case 'f':
        case 'F':
          return widths.intBits === 16
            ? padded('', '?', ' ')
            : padded(signed(value), Math.abs(value).toFixed(Math.min(20, precision ?? 6)), fill);
        default:
          return sort;
      }
    },
  );
}

/** What makes a text from a format with values, and a decimal into a text. */
export const formattedFunctions: LibraryTable = (widths) => {
  const int = integer(widths.intBits, true);
  const chars = pointerTo(integer(8, widths.charSigned));
  const [where, format] = [parameter('where to put it', chars), parameter('the format', chars)];
  const values = Array.from({ length: MOST_VALUES }, () => parameter('a value', 'any'));
  const made = (before: LibraryFunction['parameters'], most: (given: readonly number[]) => number) =>
    optional(
      MOST_VALUES,
      define([...before, ...values], int, libraryCycles.small, (given, { machine, types }) => {
        const own = before.length;
        const text = formatted(
          textAt(machine, given[own - 1]!),
          given.slice(own),
          types.slice(own),
          machine,
          widths,
        );
        machine.spend(text.length * LETTER_CYCLES);
        effort(100 * text.length);
        const room = most(given);
        if (room > 0) putText(machine, given[0]!, text.slice(0, room - 1));
        return text.length;
      }),
    );
  return {
    sprintf: made([where, format], () => Number.POSITIVE_INFINITY),
    snprintf: made(
      [where, parameter('its length', integer(widths.intBits, false)), format],
      ([, room]) => room!,
    ),
    dtostrf: define(
      [
        parameter('the number', { kind: 'float' }),
        parameter('the width', int),
        parameter('the digits', int),
        parameter('where to put it', chars),
      ],
      chars,
      libraryCycles.small,
      ([value, width, digits, at], { machine }) => {
        const text = value!.toFixed(Math.max(0, Math.min(20, digits!)));
        const wide = Math.min(WIDEST, Math.abs(width!));
        machine.spend(text.length * LETTER_CYCLES);
        putText(machine, at!, width! < 0 ? text.padEnd(wide) : text.padStart(wide));
        return at!;
      },
    ),
  };
};
