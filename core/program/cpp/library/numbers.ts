import { libraryCycles } from '../../costs';
import { FLOAT, integer, VOID } from '../types';
import { define, optional, parameter, type LibraryFunction, type LibraryTable } from './function';

const a = parameter('a number', 'any');
const float = parameter('a number', FLOAT);

/** One that works a number out of numbers and does nothing else. */
const pure = (
  parameters: LibraryFunction['parameters'],
  result: LibraryFunction['result'],
  cycles: number,
  work: (...given: readonly number[]) => number,
): LibraryFunction =>
  define(parameters, result, libraryCycles.small + cycles, (given, { fit }) => fit(work(...given)));
/** One on 32-bit singles; its cycles are what the floating-point library takes. */
const onFloat = (cycles: number, work: (x: number) => number): LibraryFunction =>
  pure([float], FLOAT, cycles, (x) => work(x!));

/** Arithmetic, bits and chance. */
export const numberFunctions: LibraryTable = (widths) => {
  const int = integer(widths.intBits, true);
  const byte = integer(8, false);
  const long = integer(32, true);
  const unsignedLong = integer(32, false);
  const longs = (...titles: readonly string[]) => titles.map((title) => parameter(title, long));
  return {
    min: pure([a, a], 'common', 0, (one, other) => Math.min(one!, other!)),
    max: pure([a, a], 'common', 0, (one, other) => Math.max(one!, other!)),
    abs: pure([a], 'common', 0, (x) => Math.abs(x!)),
    constrain: pure([a, a, a], 'common', 0, (x, low, high) => (x! < low! ? low! : x! > high! ? high! : x!)),
    map: define(
      longs('a number', 'from low', 'from high', 'to low', 'to high'),
      long,
      libraryCycles.map,
      ([value, fromLow, fromHigh, toLow, toHigh], { machine, line, fit }) => {
        const span = fit(fromHigh! - fromLow!);
        if (span === 0) machine.fault({ kind: 'division', line });
        const scaled = fit(Math.imul(fit(value! - fromLow!), fit(toHigh! - toLow!)));
        return fit((span === 0 ? -1 : Math.trunc(scaled / span)) + toLow!);
      },
    ),
    // A macro of the board: the number times itself, in its own type.
    sq: pure([a], 'common', 10, (x) => x! * x!),
    sqrt: onFloat(480, Math.sqrt),
    pow: pure([float, float], FLOAT, 5000, (x, y) => x! ** y!),
    sin: onFloat(1650, Math.sin),
    cos: onFloat(1650, Math.cos),
    tan: onFloat(2400, Math.tan),
    floor: onFloat(180, Math.floor),
    ceil: onFloat(180, Math.ceil),
    fabs: onFloat(8, Math.abs),
    log: onFloat(2100, Math.log),
    log10: onFloat(2150, Math.log10),
    asin: onFloat(2500, Math.asin),
    acos: onFloat(2500, Math.acos),
    atan: onFloat(2200, Math.atan),
    atan2: pure([float, float], FLOAT, 2600, (y, x) => Math.atan2(y!, x!)),
    fmod: pure([float, float], FLOAT, 600, (x, y) => x! % y!),
    trunc: onFloat(180, Math.trunc),
    exp: onFloat(2500, Math.exp),
    // The board's own macro: to the nearest whole number, halves away from zero, as a long.
    round: pure([float], long, 260, (x) => Math.trunc(Math.fround(x! >= 0 ? x! + 0.5 : x! - 0.5))),
    bit: pure([parameter('which bit', byte)], unsignedLong, 40, (n) => (n! < 32 ? 2 ** n! : 0)),
    bitRead: pure([parameter('a number', unsignedLong), parameter('which bit', byte)], int, 40, (value, n) =>
      n! < 32 ? Math.floor(value! / 2 ** n!) % 2 : 0,
    ),
    lowByte: pure([parameter('a number', unsignedLong)], byte, 1, (value) => value! & 0xff),
    highByte: pure(
      [parameter('a number', unsignedLong)],
      byte,
      1,
      (value) => Math.floor(value! / 256) & 0xff,
    ),
    random: optional(
      1,
      define(longs('the first or the end', 'the end'), long, libraryCycles.random, (given, { machine }) => {
        const [low, high] = given.length > 1 ? [given[0]!, given[1]!] : [0, given[0]!];
        if (given.length > 1 && low >= high) return low;
        return high - low === 0 ? 0 : low + (machine.nextRandom() % (high - low));
      }),
    ),
    randomSeed: define(
      [parameter('the seed', unsignedLong)],
      VOID,
      libraryCycles.small,
      ([seed], { machine }) => machine.seedRandom(seed!),
    ),
  };
};
