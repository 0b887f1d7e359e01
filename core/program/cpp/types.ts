import type { BoardProfile } from '../../boards';
import type { SyntaxNode } from '../syntax';

/** A type of C++ as the boards' compilers lay it out. */
export type CType =
  | { readonly kind: 'void' }
  | { readonly kind: 'bool' }
  | { readonly kind: 'integer'; readonly bits: 8 | 16 | 32; readonly signed: boolean }
  | { readonly kind: 'float' }
  /** A text that stands in the program. */
  | { readonly kind: 'text' }
  /** A text that can grow; its cell holds its number in the machine's pool. */
  | { readonly kind: 'string' }
  | { readonly kind: 'pointer'; readonly to: CType }
  | { readonly kind: 'array'; readonly of: CType; readonly length: number }
  | StructType;

export interface StructType {
  readonly kind: 'struct';
  readonly name: string;
  readonly fields: readonly Field[];
  /** The class that it is made from; its fields come first. */
  readonly base?: StructType;
  /** A class of the library, whose fields only its own methods reach. */
  readonly isLibrary?: boolean;
}

/** A field of a struct: which of its cells, counted from its first. */
export interface Field {
  readonly name: string;
  readonly type: CType;
  readonly cell: number;
  /** What it is at first, where its declaration says so. */
  readonly preset?: SyntaxNode;
  /** Whether only the methods of its class may use it. */
  readonly isPrivate?: boolean;
}

/** A type whose value is one number, and one cell of memory. */
export type ScalarType = Exclude<CType, { kind: 'array' | 'void' | 'struct' }>;
export type PointerType = Extract<CType, { kind: 'pointer' }>;
export type IntegerType = Extract<CType, { kind: 'integer' }>;

export const VOID: { readonly kind: 'void' } = { kind: 'void' };
export const BOOL: ScalarType = { kind: 'bool' };
export const FLOAT: ScalarType = { kind: 'float' };
export const TEXT: ScalarType = { kind: 'text' };
export const STRING: ScalarType = { kind: 'string' };
export const pointerTo = (to: CType): PointerType => ({ kind: 'pointer', to });
export const isScalar = (type: CType): type is ScalarType =>
  type.kind !== 'array' && type.kind !== 'void' && type.kind !== 'struct';
export const integer = (bits: 8 | 16 | 32, signed: boolean): IntegerType => ({
  kind: 'integer',
  bits,
  signed,
});

/** Words that begin a type. */
export const typeWords: ReadonlySet<string> = new Set([
  'void',
  'bool',
  'boolean',
  'char',
  'byte',
  'int',
  'short',
  'long',
  'unsigned',
  'signed',
  'float',
  'double',
  'word',
  'const',
  'static',
  'volatile',
  'constexpr',
  'int8_t',
  'uint8_t',
  'int16_t',
  'uint16_t',
  'int32_t',
  'uint32_t',
  'size_t',
  'String',
]);

/** The widths that a board's compiler gives to C++ types. */
export type TypeWidths = BoardProfile['language'];

/**
 * The type that the words of a declaration mean, such as `unsigned long`, or a name of the program's `own`;
 * `undefined` when they mean none that is supported. `double` is a 32-bit float on the 8-bit boards.
 */
export function typeNamed(
  words: string,
  widths: TypeWidths,
  own: ReadonlyMap<string, CType> = new Map(),
): CType | undefined {
  const int = widths.intBits;
  const normal = words
    .split(/\s+/)
    .filter((word) => !['const', 'static', 'volatile', 'constexpr', 'struct', 'enum'].includes(word));
  const unsigned = normal.includes('unsigned');
  const rest = normal.filter((word) => word !== 'unsigned' && word !== 'signed').join(' ');
  switch (rest) {
    case 'void':
      return VOID;
    case 'bool':
    case 'boolean':
      return BOOL;
    case 'char':
      return integer(8, unsigned ? false : normal.includes('signed') || widths.charSigned);
    case 'byte':
    case 'uint8_t':
      return integer(8, false);
    case 'int8_t':
      return integer(8, true);
    case '':
    case 'int':
      return normal.length === 0 ? undefined : integer(int, !unsigned);
    case 'short':
    case 'short int':
    case 'int16_t':
      return integer(16, !unsigned);
    case 'word':
    case 'uint16_t':
      return integer(16, false);
    case 'long':
    case 'long int':
    case 'int32_t':
      return integer(32, !unsigned);
    case 'uint32_t':
      return integer(32, false);
    case 'size_t':
      return integer(int, false);
    case 'float':
      return FLOAT;
    case 'String':
      return STRING;
    case 'double':
      return widths.doubleBits === 32 ? FLOAT : undefined;
    default:
      return unsigned ? undefined : own.get(rest);
  }
}

/** The name a beginner would write for a type. */
export function typeText(type: CType): string {
  switch (type.kind) {
    case 'integer':
      if (type.bits === 8) return type.signed ? 'char' : 'byte';
      return `${type.signed ? '' : 'unsigned '}${type.bits === 16 ? 'int' : 'long'}`;
    case 'array':
      return `${typeText(type.of)}[${type.length}]`;
    case 'pointer':
      return `${typeText(type.to)} *`;
    case 'struct':
      return type.name;
    case 'string':
      return 'String';
    default:
      return type.kind;
  }
}

/** Lowest and highest value of an integer type. */
export const integerRange = (type: IntegerType): readonly [number, number] =>
  type.signed ? [-(2 ** (type.bits - 1)), 2 ** (type.bits - 1) - 1] : [0, 2 ** type.bits - 1];

/**
 * The function that turns any computed number into a value of the type: integers are cut to their
 * width (two's complement), floats are rounded to 32-bit IEEE singles.
 */
export function conversionTo(type: CType): (value: number) => number {
  if (type.kind === 'bool') return (value) => (value !== 0 ? 1 : 0);
  if (type.kind === 'float') return Math.fround;
  if (type.kind !== 'integer') return (value) => value;
  if (type.bits === 8) return type.signed ? (value) => (value << 24) >> 24 : (value) => value & 0xff;
  if (type.bits === 16) return type.signed ? (value) => (value << 16) >> 16 : (value) => value & 0xffff;
  return type.signed ? (value) => value | 0 : (value) => value >>> 0;
}

/** A float becomes an integer by dropping what is behind the point. */
export const cut = (value: number, type: CType): number =>
  type.kind === 'integer' ? Math.trunc(value) : value;

/** The type in which `int` promotes a small integer (C++ [conv.prom]). */
export function promoted(type: ScalarType, widths: TypeWidths): ScalarType {
  const int = integer(widths.intBits, true);
  if (type.kind === 'bool') return int;
  if (type.kind !== 'integer' || type.bits > widths.intBits) return type;
  if (type.bits < widths.intBits) return int;
  return type;
}

/** Whether a value is a text of either sort. */
export const isTextual = (type: CType): boolean => type.kind === 'text' || type.kind === 'string';

/** The common type of two operands: the usual arithmetic conversions (C++ [expr.arith.conv]). */
export function commonType(left: ScalarType, right: ScalarType, widths: TypeWidths): ScalarType {
  if (left.kind === 'float' || right.kind === 'float') return FLOAT;
  const a = promoted(left, widths);
  const b = promoted(right, widths);
  if (a.kind !== 'integer' || b.kind !== 'integer') return a;
  const bits = Math.max(a.bits, b.bits) as IntegerType['bits'];
  const unsigned = (!a.signed && a.bits === bits) || (!b.signed && b.bits === bits);
  return integer(bits, !unsigned);
}

/** Cells of the flat memory that a value of the type takes: one for every number in it. */
export function cellsOf(type: CType): number {
  if (type.kind === 'array') return type.length * cellsOf(type.of);
  if (type.kind === 'struct') {
    const last = type.fields.at(-1);
    return last ? last.cell + cellsOf(last.type) : 0;
  }
  return 1;
}

/** Bytes that a value of the type takes in the board's memory; 32-bit boards align fields to their width. */
export function bytesOf(type: CType, widths: TypeWidths): number {
  switch (type.kind) {
    case 'void':
      return 0;
    case 'bool':
      return 1;
    case 'integer':
      return type.bits / 8;
    case 'float':
      return 4;
    case 'text':
    case 'pointer':
      return widths.intBits / 8;
    case 'string':
      return 6;
    case 'array':
      return type.length * bytesOf(type.of, widths);
    case 'struct': {
      const aligned = (at: number, by: number): number => Math.ceil(at / by) * by;
      let [at, widest] = [0, 1];
      for (const field of type.fields) {
        const by = widths.intBits === 32 ? alignmentOf(field.type, widths) : 1;
        widest = Math.max(widest, by);
        at = aligned(at, by) + bytesOf(field.type, widths);
      }
      return aligned(at, widest);
    }
  }
}

function alignmentOf(type: CType, widths: TypeWidths): number {
  if (type.kind === 'array') return alignmentOf(type.of, widths);
  if (type.kind === 'struct')
    return Math.max(1, ...type.fields.map((field) => alignmentOf(field.type, widths)));
  return Math.max(1, bytesOf(type, widths));
}

export const sameType = (left: CType, right: CType): boolean => typeText(left) === typeText(right);
