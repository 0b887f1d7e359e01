import { RaisedError } from './errors';
import { floatText, reprOf, textOf } from './shown';
import { numberOf, PyFloat, PyTuple, type Value } from './values';

const SPEC = /^(?:(.)?([<>^=]))?([-+ ])?(#)?(0)?(\d+)?(,)?(?:\.(\d+))?([a-zA-Z%])?$/;

/** A value shown by a format such as `.2f`, `>5`, `08b`; as the language's own `format` does. */
export function formatted(value: Value, spec: string): string {
  if (spec === '') return textOf(value);
  const match = SPEC.exec(spec);
  if (!match) throw new RaisedError('ValueError', 'invalid format specifier');
  const [, fillGiven, alignGiven, sign = '-', alternative, zero, widthText, comma, precision, type] = match;
  const number = numberOf(value);
  const isNumber = number !== undefined && typeof value !== 'boolean';
  const body = isNumber
    ? numberText(value, type, precision === undefined ? undefined : Number(precision), alternative === '#')
    : wordText(value, type, precision);
  const grouped = comma ? withCommas(body) : body;
  const shown = isNumber && !grouped.startsWith('-') && sign !== '-' ? sign + grouped : grouped;
  const width = Number(widthText ?? 0);
  const fill = fillGiven ?? (zero ? '0' : ' ');
  const align = alignGiven ?? (zero && isNumber ? '=' : isNumber ? '>' : '<');
  const missing = Math.max(0, width - shown.length);
  if (missing > 1000) throw new RaisedError('MemoryError', 'memory allocation failed');
  if (align === '<') return shown + fill.repeat(missing);
  if (align === '^')
    return fill.repeat(Math.floor(missing / 2)) + shown + fill.repeat(Math.ceil(missing / 2));
  if (align === '=') {
    const signed = /^[-+ ]/.exec(shown)?.[0] ?? '';
    return signed + fill.repeat(missing) + shown.slice(signed.length);
  }
  return fill.repeat(missing) + shown;
}

function wordText(value: Value, type: string | undefined, precision: string | undefined): string {
  if (type !== undefined && type !== 's')
    throw new RaisedError('ValueError', `unknown format code '${type}' for object of this type`);
  const text = textOf(value);
  return precision === undefined ? text : text.slice(0, Number(precision));
}

const BASES: Readonly<Record<string, readonly [number, string]>> = {
  b: [2, '0b'],
  o: [8, '0o'],
  x: [16, '0x'],
  X: [16, '0X'],
  d: [10, ''],
};

function numberText(
  value: Value,
  type: string | undefined,
  precision: number | undefined,
  prefixed: boolean,
): string {
  const number = numberOf(value)!;
  const base = type === undefined ? undefined : BASES[type];
  if (base) {
    if (value instanceof PyFloat)
      throw new RaisedError('ValueError', `unknown format code '${type}' for object of type 'float'`);
    const digits = (number < 0 ? -number : number).toString(base[0]);
    return (
      (number < 0 ? '-' : '') + (prefixed ? base[1] : '') + (type === 'X' ? digits.toUpperCase() : digits)
    );
  }
  const amount = Number(number);
  switch (type) {
    case undefined:
      if (!(value instanceof PyFloat)) return String(number);
      return precision === undefined ? floatText(amount) : general(amount, precision);
    case 'f':
    case 'F':
      return amount.toFixed(Math.min(100, precision ?? 6));
    case '%':
      return `${(amount * 100).toFixed(Math.min(100, precision ?? 6))}%`;
    case 'e':
    case 'E':
      return exponential(amount, precision ?? 6);
    case 'g':
    case 'G':
      return general(amount, precision ?? 6);
    case 'c':
      return String.fromCodePoint(amount);
    default:
      throw new RaisedError('ValueError', `unknown format code '${type}'`);
  }
}

const exponential = (amount: number, places: number): string =>
  amount.toExponential(Math.min(100, places)).replace(/e([-+])(\d)$/, 'e$10$2');

function general(amount: number, digits: number): string {
  const places = Math.max(1, Math.min(100, digits));
  const power = amount === 0 ? 0 : Math.floor(Math.log10(Math.abs(amount)));
  if (power < -4 || power >= places) return exponential(amount, places - 1).replace(/\.?0+e/, 'e');
  return amount
    .toFixed(Math.max(0, places - 1 - power))
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');
}

/** The older way: `"%d boats" % 3`. */
export function percentFormatted(pattern: string, given: Value): string {
  const values = given instanceof PyTuple ? [...given.items] : [given];
  const text = pattern.replace(
    /%([-+ 0#]*)(\d+)?(?:\.(\d+))?([%a-zA-Z])/g,
    (_, flags: string, width: string | undefined, precision: string | undefined, type: string) => {
      if (type === '%') return '%';
      if (values.length === 0) throw new RaisedError('TypeError', 'not enough arguments for format string');
      const value = values.shift()!;
      const spec = `${flags.includes('-') ? '<' : type === 's' ? '>' : ''}${flags.includes('+') ? '+' : ''}${flags.includes('0') && !flags.includes('-') ? '0' : ''}${width ?? ''}${precision === undefined ? '' : `.${precision}`}`;
      if (type === 's' || type === 'r') return formatted(type === 'r' ? reprOf(value) : textOf(value), spec);
      if (type === 'd' || type === 'i') {
        const number = numberOf(value);
        if (number === undefined) throw new RaisedError('TypeError', "can't convert to int");
        return formatted(
          typeof number === 'bigint' ? number : Math.trunc(number),
          `${spec.replace(/\..*/, '')}d`,
        );
      }
      return formatted(type === 'f' && typeof value === 'number' ? new PyFloat(value) : value, spec + type);
    },
  );
  if (values.length > 0)
    throw new RaisedError('TypeError', 'not all arguments converted during string formatting');
  return text;
}

/** A comma behind every three digits before the point, counted from there. */
function withCommas(number: string): string {
  const [, sign, digits, rest] = /^(\D*)(\d*)(.*)$/s.exec(number)!;
  const first = digits!.length % 3;
  const groups = digits!.slice(first).match(/\d{3}/g) ?? [];
  return sign + [...(first > 0 ? [digits!.slice(0, first)] : []), ...groups].join(',') + rest;
}
