import { libraryCycles } from '../../costs';
import { bytesOf, cellsOf, conversionTo, integer, VOID, type CType, type TypeWidths } from '../types';
import type { CppMachine } from '../machine';
import { define, parameter, type Call, type LibraryTable } from './function';

/** Seconds that writing one cell takes. */
const WRITE_SECONDS = 0.0033;

const cell = ({ permanent }: CppMachine, at: number): number =>
  ((at % permanent.length) + permanent.length) % permanent.length;

/** A number of a value as the board keeps it: which of its cells, at which of its bytes. */
interface Piece {
  readonly type: Extract<CType, { kind: 'integer' | 'float' | 'bool' }>;
  readonly cell: number;
  readonly byte: number;
}

/** The numbers that a value is made of, in the order of the board's memory. */
function piecesOf(type: CType, widths: TypeWidths, cell = 0, byte = 0): readonly Piece[] {
  if (type.kind === 'integer' || type.kind === 'float' || type.kind === 'bool') return [{ type, cell, byte }];
  const parts =
    type.kind === 'array'
      ? Array.from({ length: type.length }, (_, index) => ({ type: type.of, cell: index * cellsOf(type.of) }))
      : type.kind === 'struct'
        ? type.fields
        : [];
  const found: Piece[] = [];
  for (const part of parts) {
    const last = found.at(-1);
    const next = last ? last.byte + bytesOf(last.type, widths) : byte;
    const size = widths.intBits === 32 ? Math.min(4, Math.max(1, bytesOf(part.type, widths))) : 1;
    const inside = piecesOf(part.type, widths, cell + part.cell, Math.ceil(next / size) * size);
    found.push(...inside);
  }
  return found;
}

const bytesIn = ({ type }: Piece, value: number, widths: TypeWidths): Uint8Array => {
  const view = new DataView(new ArrayBuffer(4));
  if (type.kind === 'float') view.setFloat32(0, value, true);
  else view.setInt32(0, value, true);
  return new Uint8Array(view.buffer, 0, bytesOf(type, widths));
};

function numberFrom({ type }: Piece, bytes: readonly number[]): number {
  const view = new DataView(new ArrayBuffer(4));
  bytes.forEach((byte, index) => view.setUint8(index, byte));
  return type.kind === 'float' ? view.getFloat32(0, true) : conversionTo(type)(view.getInt32(0, true));
}

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
  const eachPiece = ({ types }: Pick<Call, 'types'>, work: (piece: Piece) => void): void => {
    const type = types[1];
    for (const piece of type?.kind === 'pointer' ? piecesOf(type.to, widths) : []) work(piece);
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
    'EEPROM.get': define(
      [where, parameter('the variable', 'place')],
      VOID,
      libraryCycles.small,
      ([at, place], call) =>
        eachPiece(call, (piece) => {
          const bytes = Array.from(
            { length: bytesOf(piece.type, widths) },
            (_, index) => call.machine.permanent[cell(call.machine, at! + piece.byte + index)]!,
          );
          call.machine.write(call.machine.within(place! + piece.cell), numberFrom(piece, bytes));
        }),
    ),
    'EEPROM.put': define(
      [where, parameter('the variable', 'place')],
      VOID,
      libraryCycles.small,
      ([at, place], { machine, ...call }) =>
        eachPiece(call, (piece) => {
          const value = machine.cells[machine.within(place! + piece.cell)]!;
          bytesIn(piece, value, widths).forEach((byte, index) => {
            const to = at! + piece.byte + index;
            if (machine.permanent[cell(machine, to)] !== byte) write(machine, to, byte);
          });
        }),
    ),
    'EEPROM.length': define([], int, libraryCycles.small, (_, { machine }) => machine.permanent.length),
  };
};
