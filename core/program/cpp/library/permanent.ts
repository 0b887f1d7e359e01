import { libraryCycles } from '../../costs';
import { integer, VOID } from '../types';
import type { CppMachine } from '../machine';
import { define, parameter, type LibraryTable } from './function';

/** Seconds that writing one cell takes. */
const WRITE_SECONDS = 0.0033;

const cell = ({ permanent }: CppMachine, at: number): number =>
  ((at % permanent.length) + permanent.length) % permanent.length;

/** The few cells of memory that a reset leaves as they are. */
export const permanentFunctions: LibraryTable = (widths) => {
  const int = integer(widths.intBits, true);
  const byte = integer(8, false);
  const where = parameter('the cell', int);
  const write = (machine: CppMachine, at: number, value: number): void => {
    machine.permanent[cell(machine, at)] = value;
    machine.changes += 1;
    machine.wait(WRITE_SECONDS);
  };
  return {
    'EEPROM.read': define(
      [where],
      byte,
      libraryCycles.small,
      ([at], { machine }) => machine.permanent[cell(machine, at!)],
    ),
    'EEPROM.write': define(
      [where, parameter('the value', byte)],
      VOID,
      libraryCycles.small,
      ([at, value], { machine }) => write(machine, at!, value!),
    ),
    'EEPROM.update': define(
      [where, parameter('the value', byte)],
      VOID,
      libraryCycles.small,
      ([at, value], { machine }) => {
        if (machine.permanent[cell(machine, at!)] !== value) write(machine, at!, value!);
      },
    ),
    'EEPROM.length': define([], int, libraryCycles.small, (_, { machine }) => machine.permanent.length),
  };
};
