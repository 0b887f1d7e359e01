import { effort } from '../../effort';
import { pythonCycles } from './costs';
import { RaisedError } from './errors';
import { formatted } from './formatting';
import { byteOf, indexed, setIndexed } from './indexing';
import { order } from './operators';
import { room } from './room';
import { reprOf, textOf } from './shown';
import {
  type PyBytearray,
  equal,
  isTrue,
  itemsOf,
  numberOf,
  PyDict,
  PyFloat,
  PyList,
  PyTuple,
  sizeOf,
  typeName,
  type Given,
  type Value,
  type Running,
} from './values';

export type Method<Owner> = (owner: Owner, given: Given, running: Running) => Value;

/** The value at a place; raises when it is not given. */
export function argument({ values }: Given, index: number, what: string): Value {
  const value = values[index];
  if (value === undefined) throw new RaisedError('TypeError', `function missing required argument '${what}'`);
  return value;
}

/** A whole number that was given. */
export function wholeNumber(value: Value): number {
  const number = numberOf(value);
  if (number === undefined || value instanceof PyFloat)
    throw new RaisedError('TypeError', `can't convert ${typeName(value)} to int`);
  return Number(number);
}

function text(value: Value): string {
  if (typeof value !== 'string')
    throw new RaisedError('TypeError', `can't convert '${typeName(value)}' object to str implicitly`);
  return value;
}

/** The items that a value goes through, as a list of their own. */
export function itemsIn(value: Value): Value[] {
  const items = itemsOf(value);
  if (!items) throw new RaisedError('TypeError', `'${typeName(value)}' object is not iterable`);
  const list: Value[] = [];
  for (const item of items) {
    list.push(item);
    if (list.length % 1000 === 0) {
      room(list.length);
      effort(20_000);
    }
  }
  return list;
}

/** Items in their order; `key` and `reverse` as the language has them. */
export function sortedItems(items: readonly Value[], { named }: Given, runner: Running): Value[] {
  const key = named.get('key');
  const keyed = items.map((item) => ({
    item,
    key:
      key === undefined || key === null
        ? item
        : runner.call(key, { values: [item], named: new Map(), span: NOWHERE }),
  }));
  runner.machine.spend(pythonCycles.operation * keyed.length);
  keyed.sort((one, other) => order(one.key, other.key));
  if (isTrue(named.get('reverse') ?? false)) keyed.reverse();
  return keyed.map(({ item }) => item);
}

const NOWHERE = { line: 1, column: 1, endLine: 1, endColumn: 1 };

/** What a row of bytes can do. */
export const bytearrayMethods: ReadonlyMap<string, Method<PyBytearray>> = new Map<
  string,
  Method<PyBytearray>
>([
  [
    'append',
    ({ items }, given, runner) => {
      runner.take(1);
      items.push(byteOf(argument(given, 0, 'item')));
      return null;
    },
  ],
  [
    'extend',
    ({ items }, given, runner) => {
      const more = itemsIn(argument(given, 0, 'items')).map(byteOf);
      runner.take(more.length);
      items.push(...more);
      return null;
    },
  ],
  ['decode', ({ items }) => String.fromCharCode(...items.map(Number))],
]);

export const listMethods: ReadonlyMap<string, Method<PyList>> = new Map<string, Method<PyList>>([
  [
    'append',
    ({ items }, given, runner) => {
      runner.take(1);
      items.push(argument(given, 0, 'item'));
      return null;
    },
  ],
  [
    'extend',
    ({ items }, given, runner) => {
      const more = itemsIn(argument(given, 0, 'items'));
      runner.take(more.length);
      for (const item of more) items.push(item);
      return null;
    },
  ],
  [
    'insert',
    ({ items }, given, runner) => {
      runner.take(1);
      effort(3 * items.length);
      items.splice(wholeNumber(argument(given, 0, 'index')), 0, argument(given, 1, 'item'));
      return null;
    },
  ],
  [
    'pop',
    ({ items }, given, runner) => {
      if (items.length === 0) throw new RaisedError('IndexError', 'pop from empty list');
      runner.take(-1);
      const place = given.values.length === 0 ? items.length - 1 : wholeNumber(given.values[0]!);
      const at = place < 0 ? place + items.length : place;
      if (at < 0 || at >= items.length) throw new RaisedError('IndexError', 'pop index out of range');
      effort(3 * (items.length - at));
      return items.splice(at, 1)[0]!;
    },
  ],
  [
    'remove',
    ({ items }, given, runner) => {
      const at = items.findIndex((item) => equal(item, argument(given, 0, 'item')));
      if (at < 0) throw new RaisedError('ValueError', 'value not in list');
      runner.take(-1);
      items.splice(at, 1);
      return null;
    },
  ],
  [
    'clear',
    ({ items }, _, runner) => {
      runner.take(-items.length);
      items.length = 0;
      return null;
    },
  ],
  [
    'index',
    ({ items }, given) => {
      const at = items.findIndex((item) => equal(item, argument(given, 0, 'item')));
      if (at < 0) throw new RaisedError('ValueError', 'value not in list');
      return at;
    },
  ],
  ['count', ({ items }, given) => items.filter((item) => equal(item, argument(given, 0, 'item'))).length],
  [
    'copy',
    ({ items }) => {
      effort(items.length * 10);
      return new PyList([...items]);
    },
  ],
  [
    'reverse',
    ({ items }, _, runner) => {
      runner.machine.changes += 1;
      effort(items.length * 10);
      items.reverse();
      return null;
    },
  ],
  [
    'sort',
    ({ items }, given, runner) => {
      runner.machine.changes += 1;
      for (const [at, item] of sortedItems(items, given, runner).entries()) items[at] = item;
      return null;
    },
  ],
]);

const asks =
  (work: (own: string, given: Given) => Value): Method<string> =>
  (own, given) => {
    effort(given.values.reduce((sum: number, value) => sum + 10 * sizeOf(value), 20 * sizeOf(own)));
    return work(own, given);
  };

export const textMethods: ReadonlyMap<string, Method<string>> = new Map<string, Method<string>>([
  ['upper', asks((own) => own.toUpperCase())],
  ['lower', asks((own) => own.toLowerCase())],
  ['strip', asks((own, given) => stripped(own, given, 'both'))],
  ['lstrip', asks((own, given) => stripped(own, given, 'left'))],
  ['rstrip', asks((own, given) => stripped(own, given, 'right'))],
  ['startswith', asks((own, given) => own.startsWith(text(argument(given, 0, 'prefix'))))],
  ['endswith', asks((own, given) => own.endsWith(text(argument(given, 0, 'suffix'))))],
  ['find', asks((own, given) => own.indexOf(text(argument(given, 0, 'text'))))],
  ['rfind', asks((own, given) => own.lastIndexOf(text(argument(given, 0, 'text'))))],
  [
    'index',
    asks((own, given) => {
      const at = own.indexOf(text(argument(given, 0, 'text')));
      if (at < 0) throw new RaisedError('ValueError', 'substring not found');
      return at;
    }),
  ],
  ['count', asks((own, given) => own.split(text(argument(given, 0, 'text'))).length - 1)],
  [
    'replace',
    asks((own, given) => {
      const [old, by] = [text(argument(given, 0, 'old')), text(argument(given, 1, 'new'))];
      const times = old === '' ? own.length + 1 : own.split(old).length - 1;
      room(own.length + times * (by.length - old.length));
      return own.replaceAll(old, by);
    }),
  ],
  [
    'split',
    asks((own, { values }) => {
      const by = values[0];
      const pieces =
        by === undefined || by === null ? own.trim().split(/\s+/).filter(Boolean) : own.split(text(by));
      effort(pieces.length * 50);
      return new PyList(pieces);
    }),
  ],
  [
    'join',
    asks((own, given) => {
      const pieces = itemsIn(argument(given, 0, 'items')).map(text);
      room(pieces.reduce((sum, piece) => sum + piece.length, own.length * Math.max(0, pieces.length - 1)));
      return pieces.join(own);
    }),
  ],
  ['isdigit', asks((own) => /^\d+$/.test(own))],
  ['isalpha', asks((own) => /^[A-Za-z]+$/.test(own))],
  ['isspace', asks((own) => /^\s+$/.test(own))],
  ['isupper', asks((own) => /[A-Z]/.test(own) && own === own.toUpperCase())],
  ['islower', asks((own) => /[a-z]/.test(own) && own === own.toLowerCase())],
  ['format', asks((own, given) => filled(own, given))],
]);

function stripped(own: string, { values }: Given, side: 'left' | 'right' | 'both'): string {
  const given = values[0];
  const signs = new Set(given === undefined || given === null ? ' \t\r\n\f\v' : text(given));
  let [from, to] = [0, own.length];
  if (side !== 'right') while (from < to && signs.has(own[from]!)) from += 1;
  if (side !== 'left') while (to > from && signs.has(own[to - 1]!)) to -= 1;
  return own.slice(from, to);
}

/** `"{} and {1:.2f}".format(…)`. */
function filled(own: string, given: Given): string {
  let next = 0;
  let length = own.length;
  return own.replace(
    /\{\{|\}\}|\{([^{}:!]*)(?:!([rs]))?(?::([^{}]*))?\}/g,
    (whole, name: string | undefined, way: string | undefined, spec: string | undefined) => {
      if (whole === '{{' || whole === '}}') return whole[0]!;
      const isPlace = name === undefined || name === '' || /^\d+$/.test(name);
      const value = isPlace
        ? given.values[name === undefined || name === '' ? next : Number(name)]
        : given.named.get(name);
      if (name === undefined || name === '') next += 1;
      if (value === undefined)
        throw isPlace
          ? new RaisedError('IndexError', 'tuple index out of range')
          : new RaisedError('KeyError', `'${name}'`);
      const shown = formatted(way === 'r' ? reprOf(value) : value, spec ?? '');
      length += shown.length;
      room(length);
      return shown;
    },
  );
}

/** What is made of all entries of a dictionary. */
function listed(own: PyDict, make: (entry: { readonly key: Value; readonly value: Value }) => Value): PyList {
  effort(own.entries.size * 200);
  return new PyList([...own.entries.values()].map(make));
}

export const dictMethods: ReadonlyMap<string, Method<PyDict>> = new Map<string, Method<PyDict>>([
  ['get', (own, given) => own.get(argument(given, 0, 'key')) ?? given.values[1] ?? null],
  ['keys', (own) => listed(own, ({ key }) => key)],
  ['values', (own) => listed(own, ({ value }) => value)],
  ['items', (own) => listed(own, ({ key, value }) => new PyTuple([key, value]))],
  [
    'pop',
    (own, given, runner) => {
      const key = argument(given, 0, 'key');
      const value = own.get(key) ?? given.values[1];
      if (value === undefined) throw new RaisedError('KeyError', reprOf(key));
      runner.machine.changes += 1;
      own.delete(key);
      return value;
    },
  ],
  [
    'update',
    (own, given, runner) => {
      const other = argument(given, 0, 'other');
      if (!(other instanceof PyDict))
        throw new RaisedError('TypeError', `'${typeName(other)}' object is not a dict`);
      for (const { key, value } of other.entries.values()) setIndexed(own, key, value, runner);
      return null;
    },
  ],
  [
    'setdefault',
    (own, given, runner) => {
      const key = argument(given, 0, 'key');
      if (own.get(key) === undefined) setIndexed(own, key, given.values[1] ?? null, runner);
      return indexed(own, key);
    },
  ],
  [
    'clear',
    (own, _, runner) => {
      runner.machine.changes += 1;
      own.entries.clear();
      return null;
    },
  ],
]);

/** What `print` and `str` show of values. */
export const shown = (values: readonly Value[], between = ' '): string => values.map(textOf).join(between);
