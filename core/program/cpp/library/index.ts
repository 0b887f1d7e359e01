import type { BoardProfile } from '../../../boards';
import { BOOL, FLOAT, integer, type ScalarType, type TypeWidths } from '../types';
import { boardFunctions, LSBFIRST, MSBFIRST } from './board';
import type { LibraryFunction } from './function';
import { formattedFunctions } from './formatted';
import { letterFunctions } from './letters';
import { moduleFunctions } from './modules';
import { numberFunctions } from './numbers';
import { permanentFunctions } from './permanent';
import { serialFunctions } from './serial';
import { stringFunctions } from './strings';

export { libraryClasses } from './modules';
export { portBit, portRegister, type PortRegister } from './ports';
export { changesText } from './strings';
export type { LibraryFunction, Parameter } from './function';

/** Libraries that were made already, by the board's facts. */
const made = new WeakMap<TypeWidths, ReadonlyMap<string, LibraryFunction>>();

/** Functions and methods of the library on a board with these widths, by the name they are called by. */
export function libraryFunctions(widths: TypeWidths): ReadonlyMap<string, LibraryFunction> {
  let library = made.get(widths);
  if (!library) {
    const tables = [
      boardFunctions,
      numberFunctions,
      letterFunctions,
      formattedFunctions,
      permanentFunctions,
      serialFunctions,
      stringFunctions,
      moduleFunctions,
    ];
    library = new Map(tables.flatMap((table) => Object.entries(table(widths))));
    made.set(widths, library);
  }
  return library;
}

/** Registers of the eight-pin chip that a program sets to be interrupted by changes of pins. */
export const pinChangeRegisters = { enable: 'GIMSK', mask: 'PCMSK', routine: 'PCINT0_vect' } as const;

/** Named numbers of the language, with the board's own pin names. */
export function libraryConstants(
  board: BoardProfile,
): ReadonlyMap<string, { readonly type: ScalarType; readonly value: number }> {
  const int = integer(board.language.intBits, true);
  const whole = (values: Readonly<Record<string, number>>) =>
    Object.entries(values).map(([name, value]) => [name, { type: int, value }] as const);
  const hasPinChange = board.pins.some(({ functions }) => functions.includes('pin-change'));
  return new Map<string, { type: ScalarType; value: number }>([
    ...whole({ HIGH: 1, LOW: 0, INPUT: 0, OUTPUT: 1, INPUT_PULLUP: 2 }),
    ...whole({ CHANGE: 1, FALLING: 2, RISING: 3, LSBFIRST: LSBFIRST!, MSBFIRST: MSBFIRST! }),
    ['true', { type: BOOL, value: 1 }],
    ['false', { type: BOOL, value: 0 }],
    // The serial line, asked whether it is there: on these boards it always is.
    ['Serial', { type: BOOL, value: 1 }],
    ['TWO_PI', { type: FLOAT, value: Math.fround(2 * Math.PI) }],
    ['DEG_TO_RAD', { type: FLOAT, value: Math.fround(Math.PI / 180) }],
    ['RAD_TO_DEG', { type: FLOAT, value: Math.fround(180 / Math.PI) }],
    ['HALF_PI', { type: FLOAT, value: Math.fround(Math.PI / 2) }],
    ['PI', { type: FLOAT, value: Math.fround(Math.PI) }],
    ...whole({ DEC: 10, HEX: 16, OCT: 8, BIN: 2 }),
    // Bits of the chip's registers, by their places.
    ...(hasPinChange
      ? whole({ PCIE: 5, ...Object.fromEntries(board.pins.map(({ number }) => [`PCINT${number}`, number])) })
      : []),
    ...whole(board.names),
  ]);
}

/** The value of the board's name for a number of one byte in base two, `B0` to `B11111111`. */
export const binaryNamed = (name: string): number | undefined =>
  /^B[01]{1,8}$/.test(name) ? Number.parseInt(name.slice(1), 2) : undefined;
