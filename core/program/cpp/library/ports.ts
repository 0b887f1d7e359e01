import type { BoardProfile } from '../../../boards';
import type { PortPins } from '../../machine';
import { integer } from '../types';
import { define, parameter, type LibraryFunction } from './function';

/** A register of the chip that holds eight of its pins, as something to be read and to be written. */
export interface PortRegister {
  readonly read: LibraryFunction;
  readonly write: LibraryFunction;
}

const NAME = /^(DDR|PORT|PIN)([A-L])$/;
const BIT_NAME = /^(?:P|DD|PORT|PIN)([A-L])([0-7])$/;
/** Cycles of reading or writing a register. */
const CYCLES = 2;
const BYTE = integer(8, false);

/** `PORTB`, `DDRB`, `PINB` of a board whose pins say where they are in its registers; `undefined` for other names. */
export function portRegister(name: string, board: BoardProfile): PortRegister | undefined {
  const [, kind, letter] = NAME.exec(name) ?? [];
  if (letter === undefined) return undefined;
  const pins: PortPins = Array.from(
    { length: 8 },
    (_, bit) => board.pins.find(({ register }) => register === `${letter}${bit}`)?.number,
  );
  if (pins.every((pin) => pin === undefined)) return undefined;
  const what = kind === 'DDR' ? 'direction' : kind === 'PORT' ? 'latch' : 'level';
  return {
    read: define([], BYTE, CYCLES, (_, { machine, line }) => machine.host.port(pins, what, line)),
    write: define([parameter('the bits', BYTE)], BYTE, CYCLES, ([bits], { machine, line }) => {
      // Ones that are written to the register of levels turn their latches over.
      if (what === 'level')
        machine.host.setPort(pins, 'latch', machine.host.port(pins, 'latch', line) ^ bits!, line);
      else machine.host.setPort(pins, what, bits!, line);
      return bits!;
    }),
  };
}

/** `PB5`, `DDB5`, `PORTB5`: the number of a bit of a register that the board has. */
export function portBit(name: string, board: BoardProfile): number | undefined {
  const [, letter, bit] = BIT_NAME.exec(name) ?? [];
  if (letter === undefined) return undefined;
  return board.pins.some(({ register }) => register === `${letter}${bit}`) ? Number(bit) : undefined;
}
