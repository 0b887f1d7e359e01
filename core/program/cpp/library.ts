import type { BoardProfile } from '../../boards';
import { pureSignatures, type PureName } from './library-pure';
import type { TextName } from './library-text';
import { BOOL, FLOAT, integer, pointerTo, VOID, type CType, type ScalarType, type TypeWidths } from './types';

/** Functions that the board's language brings along. */
export type BuiltinName =
  | 'pinMode'
  | 'digitalWrite'
  | 'digitalRead'
  | 'analogWrite'
  | 'analogRead'
  | 'delay'
  | 'delayMicroseconds'
  | 'millis'
  | 'micros'
  | 'min'
  | 'max'
  | 'abs'
  | 'constrain'
  | 'map'
  | PureName
  | TextName
  | 'random'
  | 'randomSeed'
  | 'Serial.begin'
  | 'Serial.print'
  | 'Serial.println'
  | 'Serial.available'
  | 'Serial.read';

/** What a parameter takes: a value converted to a type, or anything that can be printed or compared. */
export type Parameter = { readonly title: string; readonly type: ScalarType | 'any' };

export interface BuiltinSignature {
  readonly parameters: readonly Parameter[];
  /** How many of the parameters must be given. */
  readonly required: number;
  /** `common`: the type that the operands share, as operators give it, at least an `int`. */
  readonly result: CType | 'common';
}

/** The signatures of the library on a board with these widths. */
export function librarySignatures(widths: TypeWidths): ReadonlyMap<BuiltinName, BuiltinSignature> {
  const byte = integer(8, false);
  const int = integer(widths.intBits, true);
  const long = integer(32, true);
  const unsignedLong = integer(32, false);
  const pin: Parameter = { title: 'the pin', type: byte };
  const signature = (
    parameters: readonly Parameter[],
    result: CType | 'common',
    required = parameters.length,
  ): BuiltinSignature => ({
    parameters,
    required,
    result,
  });
  const number = (title: string): Parameter => ({ title, type: long });
  const unsignedInt = integer(widths.intBits, false);
  const char = integer(8, widths.charSigned);
  const letters: Parameter = { title: 'a text', type: pointerTo(char) };
  const base: Parameter = { title: 'the base', type: int };
  const any = (title: string): Parameter => ({ title, type: 'any' });
  return new Map<BuiltinName, BuiltinSignature>([
    ['pinMode', signature([pin, { title: 'the direction', type: byte }], VOID)],
    ['digitalWrite', signature([pin, { title: 'the level', type: byte }], VOID)],
    ['digitalRead', signature([pin], int)],
    ['analogWrite', signature([pin, { title: 'the duty', type: int }], VOID)],
    ['analogRead', signature([pin], int)],
    ['delay', signature([{ title: 'the milliseconds', type: unsignedLong }], VOID)],
    [
      'delayMicroseconds',
      signature([{ title: 'the microseconds', type: integer(widths.intBits, false) }], VOID),
    ],
    ['millis', signature([], unsignedLong)],
    ['micros', signature([], unsignedLong)],
    ['min', signature([any('one number'), any('another number')], 'common')],
    ['max', signature([any('one number'), any('another number')], 'common')],
    ['abs', signature([any('a number')], 'common')],
    ['constrain', signature([any('a number'), any('the lowest'), any('the highest')], 'common')],
    [
      'map',
      signature(
        [number('a number'), number('from low'), number('from high'), number('to low'), number('to high')],
        long,
      ),
    ],
    ...pureSignatures(widths),
    ['strlen', signature([letters], unsignedInt)],
    ['strcmp', signature([letters, letters], int)],
    ['strcpy', signature([letters, letters], pointerTo(char))],
    ['strcat', signature([letters, letters], pointerTo(char))],
    ['atoi', signature([letters], int)],
    ['atol', signature([letters], long)],
    ['itoa', signature([{ title: 'the number', type: int }, letters, base], pointerTo(char))],
    ['ltoa', signature([number('the number'), letters, base], pointerTo(char))],
    ['random', signature([number('the first or the end'), number('the end')], long, 1)],
    ['randomSeed', signature([{ title: 'the seed', type: unsignedLong }], VOID)],
    ['Serial.begin', signature([{ title: 'the rate', type: unsignedLong }], VOID)],
    ['Serial.print', signature([any('what to print'), { title: 'the digits or base', type: int }], VOID, 1)],
    [
      'Serial.println',
      signature([any('what to print'), { title: 'the digits or base', type: int }], VOID, 0),
    ],
    ['Serial.available', signature([], int)],
    ['Serial.read', signature([], int)],
  ]);
}

/** Named numbers of the language, with the board's own pin names. */
export function libraryConstants(
  board: BoardProfile,
): ReadonlyMap<string, { readonly type: ScalarType; readonly value: number }> {
  const int = integer(board.language.intBits, true);
  return new Map<string, { type: ScalarType; value: number }>([
    ['HIGH', { type: int, value: 1 }],
    ['LOW', { type: int, value: 0 }],
    ['INPUT', { type: int, value: 0 }],
    ['OUTPUT', { type: int, value: 1 }],
    ['INPUT_PULLUP', { type: int, value: 2 }],
    ['true', { type: BOOL, value: 1 }],
    ['false', { type: BOOL, value: 0 }],
    // The serial line, asked whether it is there: on these boards it always is.
    ['Serial', { type: BOOL, value: 1 }],
    ['TWO_PI', { type: FLOAT, value: Math.fround(2 * Math.PI) }],
    ['HALF_PI', { type: FLOAT, value: Math.fround(Math.PI / 2) }],
    ['PI', { type: FLOAT, value: Math.fround(Math.PI) }],
    ['DEC', { type: int, value: 10 }],
    ['HEX', { type: int, value: 16 }],
    ['OCT', { type: int, value: 8 }],
    ['BIN', { type: int, value: 2 }],
    ...Object.entries(board.names).map(([name, value]) => [name, { type: int, value }] as const),
  ]);
}
