import { effort } from '../../../effort';
import { errorKinds, RaisedError } from '../errors';
import { argument, itemsIn, shown, sortedItems, wholeNumber } from '../methods';
import { operate, order } from '../operators';
import { byteOf } from '../indexing';
import { reprOf, textOf } from '../shown';
import {
  PyBytearray,
  isTrue,
  numberOf,
  PyBuiltin,
  PyClass,
  PyDict,
  PyFloat,
  PyInstance,
  PyList,
  PyRange,
  PySet,
  PyTuple,
  typeName,
  whole,
  type Given,
  type PyObject,
  type Value,
  type Running,
  type Work,
} from '../values';

/** Most digits of a number that is read from a text, in any base. */
const MOST_DIGITS = 20_000;

const make = (name: string, work: Work): readonly [string, Value] => [name, new PyBuiltin(name, work)];
/** A function that is also the name of a type. */
const type = (name: string, work: Work): readonly [string, Value] => [name, new PyClass(name, work)];

/** The smallest or largest of the values given, or of the items of the only one. */
const extreme =
  (sign: 1 | -1): Work =>
  ({ values, named, span }, runner) => {
    const items = values.length === 1 ? itemsIn(values[0]!) : [...values];
    const key = named.get('key') ?? null;
    const preset = named.get('default');
    const keyed = items.map((item) => ({
      item,
      key: key === null ? item : runner.call(key, { values: [item], named: new Map(), span }),
    }));
    const [first, ...rest] = keyed;
    if (!first && preset !== undefined) return preset;
    if (!first) throw new RaisedError('ValueError', 'arg is an empty sequence');
    return rest.reduce((best, one) => (sign * order(one.key, best.key) < 0 ? one : best), first).item;
  };

function toInt({ values }: Given): Value {
  const value = values[0] ?? 0;
  if (typeof value === 'string') {
    const base = values[1] === undefined ? 10 : wholeNumber(values[1]);
    // More digits than a number may have bits cannot be one.
    if (value.length > MOST_DIGITS)
      throw new RaisedError('MemoryError', `memory allocation failed, allocating ${value.length} bytes`);
    effort(value.length * 300);
    const digits = value.trim().replace(/_/g, '').toLowerCase();
    const plain = digits.replace(/^([-+]?)0[xob]/, base === 10 ? '$&' : '$1');
    const valid =
      /^[-+]?[0-9a-z]+$/.test(plain) &&
      [...plain.replace(/^[-+]/, '')].every((sign) => Number.parseInt(sign, 36) < base);
    if (!valid) throw new RaisedError('ValueError', `invalid syntax for integer with base ${base}`);
    const number = wholeFrom(plain.replace(/^[-+]/, ''), base);
    return whole(plain.startsWith('-') ? -number : number);
  }
  const number = numberOf(value);
  if (number === undefined) throw new RaisedError('TypeError', `can't convert ${typeName(value)} to int`);
  if (typeof number === 'bigint') return number;
  if (!Number.isFinite(number)) throw new RaisedError('OverflowError', "can't convert inf to int");
  const cut = Math.trunc(number) + 0;
  return Number.isSafeInteger(cut) ? cut : whole(BigInt(cut));
}

/** A number from its digits, which all are below the base. */
function wholeFrom(digits: string, base: number): bigint {
  const prefix = { 2: '0b', 8: '0o', 10: '', 16: '0x' }[base];
  if (prefix !== undefined) return BigInt(prefix + digits);
  effort(digits.length ** 2 / 4);
  return [...digits].reduce((sum, sign) => sum * BigInt(base) + BigInt(Number.parseInt(sign, 36)), 0n);
}

function toFloat({ values }: Given): Value {
  const value = values[0] ?? 0;
  if (typeof value === 'string') {
    if (!/^\s*[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?\s*$/.test(value))
      throw new RaisedError('ValueError', 'invalid syntax for number');
    return new PyFloat(Number(value));
  }
  const number = numberOf(value);
  if (number === undefined) throw new RaisedError('TypeError', `can't convert ${typeName(value)} to float`);
  return new PyFloat(Number(number));
}

/** To the nearest, halves to the even one. */
function rounded({ values }: Given): Value {
  const value = values[0] ?? 0;
  const number = numberOf(value);
  if (number === undefined) throw new RaisedError('TypeError', `can't convert ${typeName(value)} to float`);
  const places = values[1];
  if (typeof number === 'bigint' || !(value instanceof PyFloat)) return number;
  const scale = 10 ** (places === undefined || places === null ? 0 : wholeNumber(places));
  const scaled = number * scale;
  const floor = Math.floor(scaled);
  const rest = scaled - floor;
  const near = rest > 0.5 || (rest === 0.5 && floor % 2 !== 0) ? floor + 1 : floor;
  return places === undefined || places === null ? near + 0 : new PyFloat(near / scale);
}

function toRange({ values }: Given): Value {
  const numbers = values.map(wholeNumber);
  const [from, to, step] =
    numbers.length === 1 ? [0, numbers[0]!, 1] : [numbers[0]!, numbers[1]!, numbers[2] ?? 1];
  if (values.length === 0)
    throw new RaisedError('TypeError', 'function missing 1 required positional argument');
  if (step === 0) throw new RaisedError('ValueError', 'range() arg 3 must not be zero');
  return new PyRange(from, to, step);
}

function readLine({ values }: Given, runner: Running): Value {
  if (values.length > 0) runner.print(textOf(values[0]!));
  const { machine } = runner;
  let text = '';
  for (;;) {
    machine.changes += 1;
    const code = machine.host.serialRead('take');
    if (code < 0) {
      const next = machine.host.nextEventCycle();
      machine.wait(Math.max(1e-3, (Math.min(next, machine.endCycle) - machine.cycles) / machine.clockHz));
      continue;
    }
    if (code === 10 || code === 13) return text;
    text += String.fromCharCode(code);
  }
}

/** The items of what is given, which all are looked at. */
function counted(given: Given): Value[] {
  const items = itemsIn(argument(given, 0, 'items'));
  effort(items.length * 20);
  return items;
}

/** An object of a kind of error, as `raise` takes it. */
const errorObject = (kind: string, message: string): PyObject => ({
  kind: 'object',
  className: kind,
  get: (name) => (name === 'args' ? new PyTuple([message]) : message),
  set: () => undefined,
});

const bases: readonly (readonly [string, number, string])[] = [
  ['bin', 2, '0b'],
  ['hex', 16, '0x'],
  ['oct', 8, '0o'],
];

/** What every program knows without an import. */
export const builtins: ReadonlyMap<string, Value> = new Map<string, Value>([
  // What a program that is run, and not imported by another, is called.
  ['__name__', '__main__'],
  make('print', ({ values, named }, runner) => {
    const between = named.get('sep');
    const end = named.get('end');
    runner.print(
      shown(values, typeof between === 'string' ? between : ' ') + (typeof end === 'string' ? end : '\n'),
    );
    return null;
  }),
  make('input', readLine),
  make('len', (given) => {
    const value = argument(given, 0, 'object');
    if (typeof value === 'string') return value.length;
    if (value instanceof PyList || value instanceof PyTuple) return value.items.length;
    if (value instanceof PyDict || value instanceof PySet) return value.entries.size;
    if (value instanceof PyRange) return value.length;
    throw new RaisedError('TypeError', `object of type '${typeName(value)}' has no len()`);
  }),
  type('range', toRange),
  type('int', toInt),
  type('float', toFloat),
  type('str', ({ values }) => (values.length === 0 ? '' : textOf(values[0]!))),
  type('bool', ({ values }) => isTrue(values[0] ?? false)),
  type('list', ({ values }, runner) => {
    const items = values.length === 0 ? [] : itemsIn(values[0]!);
    runner.take(items.length);
    return new PyList(items);
  }),
  type('bytearray', ({ values }, runner) => {
    const from = values[0] ?? 0;
    const count = numberOf(from);
    const items = typeof count === 'number' ? undefined : itemsIn(from).map(byteOf);
    if (typeof from === 'string') throw new RaisedError('TypeError', 'string argument without an encoding');
    if (!items && (count === undefined || Number(count) < 0))
      throw new RaisedError('ValueError', 'negative count');
    runner.take(items?.length ?? Number(count));
    return new PyBytearray(items ?? new Array<number>(Number(count)).fill(0));
  }),
  type('tuple', (given) => new PyTuple(given.values.length === 0 ? [] : counted(given))),
  type('set', ({ values }, runner) => {
    const items = values.length === 0 ? [] : itemsIn(values[0]!);
    runner.take(items.length);
    return new PySet(items);
  }),
  type('dict', ({ values, named }) => {
    const made = new PyDict();
    const from = values[0];
    if (from instanceof PyDict) for (const { key, value } of from.entries.values()) made.set(key, value);
    for (const [name, value] of named) made.set(name, value);
    return made;
  }),
  make('abs', (given) => {
    const value = argument(given, 0, 'number');
    const number = numberOf(value);
    if (number === undefined)
      throw new RaisedError('TypeError', `unsupported type for abs(): '${typeName(value)}'`);
    if (value instanceof PyFloat) return new PyFloat(Math.abs(value.value));
    return number < 0 ? (typeof number === 'bigint' ? whole(-number) : -number) : number;
  }),
  make('map', (given, runner) => {
    const lists = given.values.slice(1).map(itemsIn);
    const length = Math.min(...lists.map((items) => items.length));
    const { named, span } = given;
    return new PyList(
      Array.from({ length: Number.isFinite(length) ? length : 0 }, (_, index) =>
        runner.call(argument(given, 0, 'function'), {
          values: lists.map((items) => items[index]!),
          named,
          span,
        }),
      ),
    );
  }),
  make('filter', (given, runner) => {
    const keep = argument(given, 0, 'function');
    const { named, span } = given;
    return new PyList(
      itemsIn(argument(given, 1, 'items')).filter((item) =>
        isTrue(keep === null ? item : runner.call(keep, { values: [item], named, span })),
      ),
    );
  }),
  make('min', extreme(1)),
  make('max', extreme(-1)),
  make('round', rounded),
  make('sum', (given) =>
    itemsIn(argument(given, 0, 'items')).reduce(
      (sum: Value, item) => operate('+', sum, item),
      given.values[1] ?? 0,
    ),
  ),
  make('pow', (given) => operate('**', argument(given, 0, 'base'), argument(given, 1, 'exponent'))),
  make('divmod', (given) => {
    const [a, b] = [argument(given, 0, 'a'), argument(given, 1, 'b')];
    return new PyTuple([operate('//', a, b), operate('%', a, b)]);
  }),
  make(
    'sorted',
    (given, runner) => new PyList(sortedItems(itemsIn(argument(given, 0, 'items')), given, runner)),
  ),
  make('reversed', (given) => new PyList(counted(given).reverse())),
  make('enumerate', (given) => {
    const start = given.values[1] ?? given.named.get('start') ?? 0;
    const items = itemsIn(argument(given, 0, 'items'));
    effort(items.length * 600);
    return new PyList(items.map((item, index) => new PyTuple([operate('+', index, start), item])));
  }),
  make('zip', ({ values }) => {
    const lists = values.map(itemsIn);
    effort(lists.reduce((sum, items) => sum + items.length, 0) * 600);
    const length = Math.min(...lists.map((items) => items.length));
    return new PyList(
      Array.from(
        { length: Number.isFinite(length) ? length : 0 },
        (_, index) => new PyTuple(lists.map((items) => items[index]!)),
      ),
    );
  }),
  make('any', (given) => counted(given).some(isTrue)),
  make('all', (given) => counted(given).every(isTrue)),
  make('ord', (given) => {
    const value = argument(given, 0, 'letter');
    if (typeof value !== 'string' || value.length !== 1)
      throw new RaisedError('TypeError', 'ord() expects a character');
    return value.charCodeAt(0);
  }),
  make('chr', (given) => String.fromCharCode(wholeNumber(argument(given, 0, 'code')))),
  make('repr', (given) => reprOf(argument(given, 0, 'object'))),
  ...bases.map(([name, base, prefix]) =>
    make(name, (given) => {
      const number = wholeNumber(argument(given, 0, 'number'));
      return (number < 0 ? '-' : '') + prefix + Math.abs(number).toString(base);
    }),
  ),
  make('type', (given) => new PyClass(typeName(argument(given, 0, 'object')), undefined)),
  make('isinstance', (given) => {
    const kinds = argument(given, 1, 'class');
    const names = (kinds instanceof PyTuple ? kinds.items : [kinds]).map((kind) =>
      kind instanceof PyClass ? kind.name : '',
    );
    const object = argument(given, 0, 'object');
    // Also what its class is made from.
    for (let of = object instanceof PyInstance ? object.of : undefined; of; of = of.base)
      if (names.includes(of.name)) return true;
    const name = typeName(object);
    return names.includes(name) || (name === 'bool' && names.includes('int'));
  }),
  make('callable', (given) => ['function', 'type'].includes(typeName(argument(given, 0, 'object')))),
  ...errorKinds.map((kind): readonly [string, Value] => [
    kind,
    new PyClass(kind, (given) =>
      errorObject(kind, given.values.length === 0 ? '' : textOf(given.values[0]!)),
    ),
  ]),
]);
