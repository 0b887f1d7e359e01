import type { BuiltinSignature } from './library';
import { FLOAT, integer, type CType, type TypeWidths } from './types';

/** Functions that work a number out of numbers and do nothing else. */
export type PureName =
  | 'sq'
  | 'sqrt'
  | 'pow'
  | 'sin'
  | 'cos'
  | 'tan'
  | 'floor'
  | 'ceil'
  | 'round'
  | 'fabs'
  | 'bit'
  | 'bitRead'
  | 'lowByte'
  | 'highByte';

interface Pure {
  readonly parameters: readonly (CType | 'any')[];
  readonly result: CType | 'common';
  /** Cycles besides those of a small call: what the floating-point library takes. */
  readonly cycles: number;
  /** Floats come in as 32-bit singles and are rounded to them by the caller. */
  readonly work: (first: number, second: number) => number;
}

function table(widths: TypeWidths): Readonly<Record<PureName, Pure>> {
  const unsignedLong = integer(32, false);
  const byte = integer(8, false);
  const long = integer(32, true);
  const float = (cycles: number, work: Pure['work']): Pure => ({
    parameters: [FLOAT],
    result: FLOAT,
    cycles,
    work,
  });
  return {
    // A macro of the board: the number times itself, in its own type.
    sq: { parameters: ['any'], result: 'common', cycles: 10, work: (x) => x * x },
    sqrt: float(480, Math.sqrt),
    pow: { parameters: [FLOAT, FLOAT], result: FLOAT, cycles: 5000, work: (x, y) => x ** y },
    sin: float(1650, Math.sin),
    cos: float(1650, Math.cos),
    tan: float(2400, Math.tan),
    floor: float(180, Math.floor),
    ceil: float(180, Math.ceil),
    // The board's own macro: to the nearest whole number, halves away from zero, as a long.
    round: {
      parameters: [FLOAT],
      result: long,
      cycles: 260,
      work: (x) => Math.trunc(Math.fround(x >= 0 ? x + 0.5 : x - 0.5)),
    },
    fabs: float(8, Math.abs),
    bit: { parameters: [byte], result: unsignedLong, cycles: 40, work: (n) => (n < 32 ? 2 ** n : 0) },
    bitRead: {
      parameters: [unsignedLong, byte],
      result: integer(widths.intBits, true),
      cycles: 40,
      work: (value, n) => (n < 32 ? Math.floor(value / 2 ** n) % 2 : 0),
    },
    lowByte: { parameters: [unsignedLong], result: byte, cycles: 1, work: (value) => value & 0xff },
    highByte: {
      parameters: [unsignedLong],
      result: byte,
      cycles: 1,
      work: (value) => Math.floor(value / 256) & 0xff,
    },
  };
}

export function pureSignatures(widths: TypeWidths): readonly (readonly [PureName, BuiltinSignature])[] {
  return Object.entries(table(widths)).map(([name, { parameters, result }]) => [
    name as PureName,
    {
      parameters: parameters.map((type) => ({
        title: 'a number',
        type: type === 'any' ? type : (type as Extract<CType, { kind: 'float' }>),
      })),
      required: parameters.length,
      result,
    },
  ]);
}

// What a pure function works out does not hang on the widths of its types.
const works = table({ intBits: 16 } as TypeWidths);

export const isPureName = (name: string): name is PureName => Object.hasOwn(works, name);

/** How a pure function works, and the cycles it takes. */
export const pureWork = (name: PureName): Pick<Pure, 'work' | 'cycles'> => works[name];
