import { effort } from '../../effort';
import {
  bounded,
  isObject,
  PyBytearray,
  PyClass,
  PyDict,
  PyFloat,
  PyInstance,
  PyList,
  PyModule,
  PyRange,
  PySet,
  PyTuple,
  sizeOf,
  type Value,
} from './values';

/** A value as `print` shows it. */
export function textOf(value: Value): string {
  return typeof value === 'string' ? value : reprOf(value);
}

/** A value as the language writes it: texts in quotes. */
export function reprOf(value: Value, depth = 0): string {
  effort(EFFORT_OF_TEXT * sizeOf(value));
  if (value === null) return 'None';
  if (typeof value === 'boolean') return value ? 'True' : 'False';
  if (typeof value === 'number' || typeof value === 'bigint') return String(value);
  if (typeof value === 'string') return quoted(value);
  if (depth > 10) return '...';
  const all = (items: readonly Value[]): string =>
    bounded(items.map((item) => reprOf(item, depth + 1))).join(', ');
  if (value instanceof PyFloat) return floatText(value.value);
  if (value instanceof PyBytearray) return `bytearray(b${bytesText(value.items)})`;
  if (value instanceof PyList) return `[${all(value.items)}]`;
  if (value instanceof PyTuple) return `(${all(value.items)}${value.items.length === 1 ? ',' : ''})`;
  if (value instanceof PyDict)
    return `{${bounded([...value.entries.values()].map((entry) => `${reprOf(entry.key, depth + 1)}: ${reprOf(entry.value, depth + 1)}`)).join(', ')}}`;
  if (value instanceof PySet)
    return value.entries.size === 0 ? 'set()' : `{${all([...value.entries.values()])}}`;
  if (value instanceof PyRange)
    return `range(${value.from}, ${value.to}${value.step === 1 ? '' : `, ${value.step}`})`;
  if (value instanceof PyModule) return `<module '${value.name}'>`;
  if (value instanceof PyClass) return `<class '${value.name}'>`;
  if (value instanceof PyInstance) return `<${value.className} object>`;
  if (isObject(value)) return `<${value.className}>`;
  return `<function ${value.name}>`;
}

const BYTE_ESCAPES: Readonly<Record<number, string>> = { 9: '\\t', 10: '\\n', 13: '\\r', 0x5c: '\\\\' };

/** Bytes as they are written in a program: letters as they are, all others by their number. */
function bytesText(items: readonly Value[]): string {
  const letters = bounded(
    items.map((item) => {
      const byte = Number(item);
      const escaped = BYTE_ESCAPES[byte];
      if (escaped !== undefined) return escaped;
      return byte >= 32 && byte < 127
        ? String.fromCharCode(byte)
        : String.raw`\x` + byte.toString(16).padStart(2, '0');
    }),
  ).join('');
  return letters.includes("'") ? `"${letters}"` : `'${letters}'`;
}

const EFFORT_OF_TEXT = 60;
function quoted(text: string): string {
  const quote = text.includes("'") && !text.includes('"') ? '"' : "'";
  const escaped = text
    .replace(/\\/g, '\\\\')
    .replace(/\n/g, '\\n')
    .replace(/\r/g, '\\r')
    .replace(/\t/g, '\\t')
    .replaceAll(quote, `\\${quote}`);
  return quote + escaped + quote;
}

/** Digits that a 32-bit number is shown with. */
const DIGITS = 7;

/** A number with a point as these boards print it: up to seven digits, and an exponent when it is far from one. */
export function floatText(value: number): string {
  if (Number.isNaN(value)) return 'nan';
  if (!Number.isFinite(value)) return value < 0 ? '-inf' : 'inf';
  const shortest = shortestSingle(value);
  const exponent = value === 0 ? 0 : Math.floor(Math.log10(Math.abs(Number(shortest))));
  if (exponent < -5 || exponent >= 16) {
    const [digits, power] = Number(shortest).toExponential().split('e') as [string, string];
    const sign = power.startsWith('-') ? '-' : '+';
    return `${digits}e${sign}${power.replace(/^[+-]/, '').padStart(2, '0')}`;
  }
  const plain = Number(shortest).toFixed(20).replace(/0+$/, '');
  const text = Number(shortest).toString().includes('e') ? plain : Number(shortest).toString();
  return /\./.test(text) ? text.replace(/\.$/, '.0') : `${text}.0`;
}

/** The shortest decimal that is the same 32-bit number. */
function shortestSingle(value: number): string {
  for (let digits = 1; digits <= DIGITS + 2; digits += 1) {
    const text = value.toPrecision(digits);
    if (Math.fround(Number(text)) === value) return text;
  }
  return String(value);
}
