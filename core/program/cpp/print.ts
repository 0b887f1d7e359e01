import type { CType } from './types';

/**
 * What the board prints for a value: characters as themselves, integers in the wanted base, floats
 * with two places or as many as asked for, in 32-bit arithmetic.
 */
export function printed(type: CType, value: number, option?: number): string {
  if (type.kind === 'float') return floatText(value, option ?? 2);
  if (type.kind === 'integer' && type.bits === 8 && type.signed && option === undefined)
    return String.fromCharCode(value & 0xff);
  const base = option ?? 10;
  if (base < 2 || base > 36 || base === 10) return String(value);
  return (value < 0 ? value >>> 0 : value).toString(base).toUpperCase();
}

/** Prints digit by digit as the board's library does, rounding half up in the last place. */
function floatText(value: number, places: number): string {
  if (Number.isNaN(value)) return 'nan';
  if (!Number.isFinite(value)) return 'inf';
  if (Math.abs(value) > 4294967040) return 'ovf';
  let rounding = Math.fround(0.5);
  for (let place = 0; place < places; place += 1) rounding = Math.fround(rounding / 10);
  let rest = Math.fround(Math.abs(value) + rounding);
  const whole = Math.trunc(rest);
  rest = Math.fround(rest - whole);
  let text = `${value < 0 ? '-' : ''}${whole}`;
  if (places > 0) text += '.';
  for (let place = 0; place < places; place += 1) {
    rest = Math.fround(rest * 10);
    const digit = Math.trunc(rest);
    text += String(digit);
    rest = Math.fround(rest - digit);
  }
  return text;
}
