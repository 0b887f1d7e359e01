import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  BOOL,
  commonType,
  conversionTo,
  FLOAT,
  integer,
  integerRange,
  promoted,
  typeNamed,
  typeText,
  type IntegerType,
  type TypeWidths,
} from './types';

const small: TypeWidths = { default: 'cpp', intBits: 16, doubleBits: 32, charSigned: true };
const wide: TypeWidths = { default: 'cpp', intBits: 32, doubleBits: 64, charSigned: false };
const named = (words: string, widths = small): string => {
  const type = typeNamed(words, widths);
  return type
    ? type.kind === 'integer'
      ? `${type.signed ? 's' : 'u'}${type.bits}`
      : typeText(type)
    : 'none';
};

describe('the words of a declaration', () => {
  test.each([
    ['int', 's16', 's32'],
    ['unsigned int', 'u16', 'u32'],
    ['unsigned', 'u16', 'u32'],
    ['long', 's32', 's32'],
    ['unsigned long', 'u32', 'u32'],
    ['long int', 's32', 's32'],
    ['short', 's16', 's16'],
    ['byte', 'u8', 'u8'],
    ['char', 's8', 'u8'],
    ['unsigned char', 'u8', 'u8'],
    ['signed char', 's8', 's8'],
    ['uint8_t', 'u8', 'u8'],
    ['int16_t', 's16', 's16'],
    ['uint32_t', 'u32', 'u32'],
    ['word', 'u16', 'u16'],
    ['const int', 's16', 's32'],
    ['static const unsigned long', 'u32', 'u32'],
    ['float', 'float', 'float'],
    ['bool', 'bool', 'bool'],
    ['boolean', 'bool', 'bool'],
    ['void', 'void', 'void'],
    ['double', 'float', 'none'],
    ['long long', 'none', 'none'],
    ['Lamp', 'none', 'none'],
    ['const', 'none', 'none'],
  ])('“%s” is %s on the 8-bit boards and %s where int has 32 bits', (words, onSmall, onWide) => {
    expect(named(words)).toBe(onSmall);
    expect(named(words, wide)).toBe(onWide);
  });
});

const integerType = fc
  .tuple(fc.constantFrom<8 | 16 | 32>(8, 16, 32), fc.boolean())
  .map(([bits, signed]) => integer(bits, signed));

describe('cutting a number to an integer type', () => {
  test('agrees with two’s complement in big integers', () => {
    fc.assert(
      fc.property(integerType, fc.integer({ min: -(2 ** 31), max: 2 ** 32 }), (type, value) => {
        const cut = type.signed
          ? BigInt.asIntN(type.bits, BigInt(value))
          : BigInt.asUintN(type.bits, BigInt(value));
        expect(conversionTo(type)(value)).toBe(Number(cut));
      }),
    );
  });

  test('leaves what fits alone', () => {
    fc.assert(
      fc.property(integerType, fc.double({ min: 0, max: 1, noNaN: true }), (type: IntegerType, share) => {
        const [low, high] = integerRange(type);
        const value = Math.round(low + (high - low) * share);
        expect(conversionTo(type)(value)).toBe(value);
      }),
    );
  });

  test('makes one bit of a bool and 32 bits of a float', () => {
    expect([0, 1, -3, 0.5].map(conversionTo(BOOL))).toEqual([0, 1, 1, 1]);
    expect(conversionTo(FLOAT)(0.1)).toBe(Math.fround(0.1));
  });
});

describe('the usual arithmetic conversions', () => {
  test.each([
    [integer(8, false), integer(8, false), 's16'],
    [integer(8, true), integer(16, false), 'u16'],
    [integer(16, true), integer(16, false), 'u16'],
    [integer(16, true), integer(32, true), 's32'],
    [integer(16, false), integer(32, true), 's32'],
    [integer(32, true), integer(32, false), 'u32'],
    [BOOL, BOOL, 's16'],
  ] as const)('%j with %j gives %s', (left, right, expected) => {
    for (const type of [commonType(left, right, small), commonType(right, left, small)])
      expect(type.kind === 'integer' && `${type.signed ? 's' : 'u'}${type.bits}`).toBe(expected);
  });

  test('a float takes everything along', () => {
    expect(commonType(FLOAT, integer(32, false), small)).toBe(FLOAT);
  });

  test('small integers grow to int before anything is done with them', () => {
    expect(promoted(integer(8, false), small)).toEqual(integer(16, true));
    expect(promoted(integer(16, false), wide)).toEqual(integer(32, true));
    expect(promoted(integer(16, false), small)).toEqual(integer(16, false));
  });
});
