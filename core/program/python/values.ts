import type { BoardPin, BoardProfile } from '../../boards';
import { effort } from '../../effort';
import { RaisedError } from './errors';
import type { PythonMachine } from './machine';
import type { Span } from '../syntax';

/**
 * A value of a running program. Whole numbers are JavaScript numbers as long as those are exact, beyond
 * that big integers; a number with a point is a `PyFloat`.
 */
export type Value =
  | null
  | boolean
  | number
  | bigint
  | string
  | PyFloat
  | PyList
  | PyTuple
  | PyDict
  | PySet
  | PyRange
  | PyFunction
  | PyBuiltin
  | PyObject
  | PyModule
  | PyClass;

/** A 32-bit floating-point number, as these boards have them. */
export class PyFloat {
  private readonly exact: number;

  constructor(value: number) {
    this.exact = Math.fround(value);
  }

  get value(): number {
    return this.exact;
  }
}

export class PyList {
  constructor(readonly items: Value[]) {}
}

/** Numbers from 0 to 255 in a row, which is all that it differs in from a list. */
export class PyBytearray extends PyList {}

export class PyTuple {
  constructor(readonly items: readonly Value[]) {}
}

/** Keeps the order in which its keys came. */
export class PyDict {
  readonly entries = new Map<string, { readonly key: Value; value: Value }>();

  get(key: Value): Value | undefined {
    return this.entries.get(keyOf(key))?.value;
  }

  set(key: Value, value: Value): void {
    this.entries.set(keyOf(key), { key, value });
  }

  delete(key: Value): void {
    this.entries.delete(keyOf(key));
  }
}

/** Keeps the order in which its items came. */
export class PySet {
  readonly entries = new Map<string, Value>();

  constructor(items: Iterable<Value> = []) {
    for (const item of items) this.add(item);
  }

  has(item: Value): boolean {
    return this.entries.has(keyOf(item));
  }

  add(item: Value): void {
    const key = keyOf(item);
    if (!this.entries.has(key)) this.entries.set(key, item);
  }

  delete(item: Value): boolean {
    return this.entries.delete(keyOf(item));
  }
}

export class PyRange {
  constructor(
    readonly from: number,
    readonly to: number,
    readonly step: number,
  ) {}

  get length(): number {
    return Math.max(0, Math.ceil((this.to - this.from) / this.step));
  }
}

/** A function of the program, by its number. */
export class PyFunction {
  constructor(
    readonly name: string,
    readonly index: number,
    /** Values of parameters that may be left out, worked out where it was defined. */
    readonly defaults: readonly (Value | undefined)[],
    /** Names of the functions around it as they are where it was defined, the nearest first. */
    readonly around: readonly (Value | undefined)[][] = [],
  ) {}
}

/** What a function of the library gets: its values in order, those with names, and where it was called. */
export interface Given {
  readonly values: readonly Value[];
  readonly named: ReadonlyMap<string, Value>;
  readonly span: Span;
}

/** What runs a program, as the library finds it. */
export interface Running {
  readonly machine: PythonMachine;
  readonly board: BoardProfile;
  /** Pins that an object has taken, with the object's number. */
  readonly claimed: Map<string, number>;
  /** Line of the statement that runs. */
  readonly line: number;
  /** Calls whatever can be called; raises what the language raises. */
  call(callee: Value, given: Given): Value;
  /** Takes room for more items of lists and dictionaries; raises when the board's memory is full. */
  take(items: number): void;
  /** Gives an object a pin of its own; raises when another one has it. */
  claim(pin: BoardPin): number;
  print(text: string): void;
}

/** What a function of the library does. */
export type Work = (given: Given, running: Running) => Value;

/** A function of the library, or a method with its object. */
export class PyBuiltin {
  constructor(
    readonly name: string,
    readonly call: Work,
    /** Values that it takes by their place at most; any number where it is left out. */
    readonly most?: number,
  ) {}
}

/** An object of a class of the library: its attributes are read and set by its class. */
export interface PyObject {
  readonly kind: 'object';
  readonly className: string;
  readonly get: (name: string, span: Span) => Value;
  readonly set: (name: string, value: Value, span: Span) => void;
}

export class PyModule {
  constructor(
    readonly name: string,
    readonly members: ReadonlyMap<string, Value>,
  ) {}
}

/** A class of exceptions, or of the library. */
export class PyClass {
  constructor(
    readonly name: string,
    readonly call: Work | undefined,
    readonly members: ReadonlyMap<string, Value> = new Map(),
  ) {}
}

/** A class of the program: its members may be changed. */
export class PyOwnClass extends PyClass {
  constructor(
    name: string,
    override readonly members: Map<string, Value>,
    readonly base: PyOwnClass | undefined,
  ) {
    super(name, (given, running) => made(this, given, running), members);
  }

  /** A member of its own, or of what it is made from. */
  find(name: string): Value | undefined {
    return this.members.get(name) ?? this.base?.find(name);
  }
}

/** An object of a class of the program. */
export class PyInstance implements PyObject {
  readonly kind = 'object';
  readonly attributes = new Map<string, Value>();

  constructor(readonly of: PyOwnClass) {}

  get className(): string {
    return this.of.name;
  }

  readonly get = (name: string): Value => {
    const own = this.attributes.get(name);
    if (own !== undefined) return own;
    return this.inherited(this.of, name);
  };

  /** A member of a class for this object: a function with the object before what it is given. */
  inherited(from: PyOwnClass, name: string): Value {
    const member = from.find(name);
    if (member === undefined)
      throw new RaisedError('AttributeError', `'${this.className}' object has no attribute '${name}'`);
    if (!(member instanceof PyFunction)) return member;
    return new PyBuiltin(name, ({ values, named, span }, running) =>
      running.call(member, { values: [this, ...values], named, span }),
    );
  }

  readonly set = (name: string, value: Value): void => {
    this.attributes.set(name, value);
  };
}

/** Makes an object of a class and lets its class set it up. */
function made(of: PyOwnClass, given: Given, running: Running): Value {
  running.take(1);
  const object = new PyInstance(of);
  if (of.find('__init__') !== undefined) running.call(object.get('__init__'), given);
  else if (given.values.length > 0) throw new RaisedError('TypeError', `${of.name}() takes no arguments`);
  return object;
}

export const isObject = (value: Value): value is PyObject =>
  typeof value === 'object' && value !== null && 'kind' in value;

/** What a value is called in messages of the language. */
export function typeName(value: Value): string {
  if (value === null) return 'NoneType';
  switch (typeof value) {
    case 'boolean':
      return 'bool';
    case 'number':
    case 'bigint':
      return 'int';
    case 'string':
      return 'str';
  }
  if (value instanceof PyFloat) return 'float';
  if (value instanceof PyBytearray) return 'bytearray';
  if (value instanceof PyList) return 'list';
  if (value instanceof PyTuple) return 'tuple';
  if (value instanceof PyDict) return 'dict';
  if (value instanceof PySet) return 'set';
  if (value instanceof PyRange) return 'range';
  if (value instanceof PyModule) return 'module';
  if (value instanceof PyClass) return 'type';
  if (isObject(value)) return value.className;
  return 'function';
}

/** Whether a value counts as true. */
export function isTrue(value: Value): boolean {
  if (value === null || value === false || value === 0 || value === 0n || value === '') return false;
  if (typeof value !== 'object') return true;
  if (value instanceof PyFloat) return value.value !== 0;
  if (value instanceof PyList || value instanceof PyTuple) return value.items.length > 0;
  if (value instanceof PyDict || value instanceof PySet) return value.entries.size > 0;
  if (value instanceof PyRange) return value.length > 0;
  return true;
}

/** A number's value for arithmetic; a truth value counts as 1 or 0, anything else as none. */
export const numberOf = (value: Value): number | bigint | undefined =>
  typeof value === 'number' || typeof value === 'bigint'
    ? value
    : typeof value === 'boolean'
      ? Number(value)
      : value instanceof PyFloat
        ? value.value
        : undefined;

/** A whole number as small as it can be held. */
export const whole = (value: bigint): number | bigint =>
  value >= BigInt(Number.MIN_SAFE_INTEGER) && value <= BigInt(Number.MAX_SAFE_INTEGER)
    ? Number(value)
    : value;

/** About how many items or words of memory a value is, without what its items hold. */
export function sizeOf(value: Value): number {
  switch (typeof value) {
    case 'number':
    case 'boolean':
      return 1;
    case 'string':
      return 1 + value.length / 8;
    case 'bigint':
      return BIG_NUMBER;
  }
  if (value instanceof PyFloat || value === null) return 1;
  if (value instanceof PyList || value instanceof PyTuple) return 1 + value.items.length;
  if (value instanceof PySet) return 1 + 2 * value.entries.size;
  return value instanceof PyDict ? 1 + 4 * value.entries.size : 1;
}

/** Size of a whole number that needs more than a double has. */
const BIG_NUMBER = 300;

export function equal(one: Value, other: Value): boolean {
  effort(120);
  if (one === other && typeof one !== 'string') return true;
  if (typeof one === 'string' && typeof other === 'string') {
    effort(one.length === other.length ? one.length : 1);
    return one === other;
  }
  const [a, b] = [numberOf(one), numberOf(other)];
  // Whole numbers of either size and numbers with a point compare by their value.
  if (a !== undefined && b !== undefined) return a == b;
  if (one instanceof PyList && other instanceof PyList && typeName(one) === typeName(other))
    return sameItems(one.items, other.items);
  if (one instanceof PyTuple && other instanceof PyTuple) return sameItems(one.items, other.items);
  if (one instanceof PyRange && other instanceof PyRange)
    return (
      one.length === other.length &&
      (one.length === 0 || one.from === other.from) &&
      (one.length < 2 || one.step === other.step)
    );
  if (one instanceof PySet && other instanceof PySet)
    return (
      one.entries.size === other.entries.size && [...one.entries.values()].every((item) => other.has(item))
    );
  if (one instanceof PyDict && other instanceof PyDict)
    return (
      one.entries.size === other.entries.size &&
      [...one.entries.values()].every(({ key, value }) => {
        const found = other.get(key);
        return found !== undefined && equal(value, found);
      })
    );
  return false;
}

const sameItems = (one: readonly Value[], other: readonly Value[]): boolean =>
  one.length === other.length && one.every((item, index) => equal(item, other[index]!));

/** The items that a loop over a value goes through; `undefined` when there are none to go through. */
export function itemsOf(value: Value): Iterable<Value> | undefined {
  if (typeof value === 'string') return value;
  if (value instanceof PyList || value instanceof PyTuple) return value.items;
  if (value instanceof PyDict) {
    effort(value.entries.size * 20);
    return [...value.entries.values()].map(({ key }) => key);
  }
  if (value instanceof PySet) {
    effort(value.entries.size * 20);
    return [...value.entries.values()];
  }
  if (value instanceof PyRange) return rangeItems(value);
  return undefined;
}

function* rangeItems({ from, to, step }: PyRange): Generator<number> {
  for (let item = from; step > 0 ? item < to : item > to; item += step) yield item;
}

/** Longest text that a value is shown as. */
const LONGEST = 100_000;

/** The pieces of a text; raises what a board raises when so much does not fit into its memory. */
export function bounded(pieces: readonly string[], between = 2): readonly string[] {
  const length = pieces.reduce((sum, piece) => sum + piece.length + between, 0);
  effort(length);
  if (length > LONGEST)
    throw new RaisedError('MemoryError', `memory allocation failed, allocating ${length} bytes`);
  return pieces;
}

/** A key as text, equal for equal keys. */
function keyOf(key: Value): string {
  effort(50 + (typeof key === 'string' ? key.length : 0));
  const number = numberOf(key);
  if (number !== undefined) return `n${number}`;
  if (typeof key === 'string') return `s${key}`;
  if (key === null) return 'none';
  if (key instanceof PyTuple) return `(${bounded(key.items.map(keyOf), 0).join(',')})`;
  if (key instanceof PyList || key instanceof PyDict || key instanceof PySet)
    throw new RaisedError('TypeError', `unhashable type: '${typeName(key)}'`);
  if (key instanceof PyRange) return `r${key.from},${key.to},${key.step}`;
  // Numbers and truth values are told apart above.
  return `o${objectNumber(key as object)}`;
}

const objectNumbers = new WeakMap<object, number>();
let lastObject = 0;

/** A number that tells an object from all others. */
function objectNumber(object: object): number {
  const known = objectNumbers.get(object);
  if (known !== undefined) return known;
  lastObject += 1;
  objectNumbers.set(object, lastObject);
  return lastObject;
}
