import { effort } from '../../effort';
import { RaisedError } from './errors';
import { percentFormatted } from './formatting';
import { followedSides, movedMoment, PyMoment } from './moment';
import { room } from './room';
import { difference, intersection, union } from './set-operations';
import type { BinaryOperator, ComparisonOperator } from './tree';
import {
  equal,
  itemsOf,
  numberOf,
  PyDict,
  PySet,
  PyFloat,
  PyList,
  PyRange,
  PyTuple,
  sizeOf,
  typeName,
  whole,
  type Value,
} from './values';

/** Most bits of a whole number that an operation may make. */
const MOST_BITS = 20_000;
/** What an operation on whole numbers costs that no longer fit a machine word. */
const EFFORT_OF_LARGE = 10_000;

/** The value of an operation; raises what the language raises. */
export function operate(operator: BinaryOperator, left: Value, right: Value): Value {
  effort(20 * (sizeOf(left) + sizeOf(right)));
  if (operator === '%' && typeof left === 'string') return percentFormatted(left, right);
  if (left instanceof PyMoment || right instanceof PyMoment) {
    const moved = movedMoment(operator, left, right);
    if (moved) return moved;
  }
  const [a, b] = [numberOf(left), numberOf(right)];
  if (a !== undefined && b !== undefined) {
    return left instanceof PyFloat || right instanceof PyFloat
      ? onFloats(operator, Number(a), Number(b))
      : onWholes(operator, a, b);
  }
  if (operator === '+') {
    if (typeof left === 'string' && typeof right === 'string') return bounded(left + right);
    if (left instanceof PyList && right instanceof PyList)
      return new PyList(boundedItems([...left.items, ...right.items]));
    if (left instanceof PyTuple && right instanceof PyTuple)
      return new PyTuple(boundedItems([...left.items, ...right.items]));
  }
  if (left instanceof PySet && right instanceof PySet) {
    if (operator === '|') return union(left, right);
    if (operator === '&') return intersection(left, right);
    if (operator === '-') return difference(left, right);
  }
  if (operator === '*') {
    if (typeof b === 'number' && Number.isInteger(b) && !(right instanceof PyFloat))
      return repeated(left, b, right);
    if (typeof a === 'number' && Number.isInteger(a) && !(left instanceof PyFloat))
      return repeated(right, a, left);
  }
  throw unsupported(operator, left, right);
}

const unsupported = (operator: string, left: Value, right: Value): RaisedError =>
  new RaisedError(
    'TypeError',
    `unsupported types for ${operator}: '${typeName(left)}', '${typeName(right)}'`,
  );

function repeated(value: Value, count: number, other: Value): Value {
  const times = Math.max(0, count);
  if (typeof value === 'string') {
    room(value.length * times);
    return value === '' ? '' : value.repeat(times);
  }
  if (!(value instanceof PyList) && !(value instanceof PyTuple)) throw unsupported('*', value, other);
  room(value.items.length * times);
  if (value.items.length === 0) return value instanceof PyList ? new PyList([]) : value;
  const items: Value[] = [];
  for (let time = 0; time < times; time += 1) for (const item of value.items) items.push(item);
  return value instanceof PyList ? new PyList(items) : new PyTuple(items);
}

const bounded = (text: string): string => {
  room(text.length);
  return text;
};
const boundedItems = (items: Value[]): Value[] => {
  room(items.length);
  return items;
};

const zero = (what = 'division by zero'): RaisedError => new RaisedError('ZeroDivisionError', what);

function onFloats(operator: BinaryOperator, a: number, b: number): Value {
  switch (operator) {
    case '+':
      return new PyFloat(a + b);
    case '-':
      return new PyFloat(a - b);
    case '*':
      return new PyFloat(a * b);
    case '/':
      if (b === 0) throw zero();
      return new PyFloat(a / b);
    case '//':
      if (b === 0) throw zero();
      return new PyFloat(Math.floor(a / b));
    case '%': {
      if (b === 0) throw zero();
      const rest = a % b;
      return new PyFloat(rest !== 0 && rest < 0 !== b < 0 ? rest + b : rest);
    }
    case '**':
      return new PyFloat(a ** b);
    default:
      throw unsupported(operator, new PyFloat(a), new PyFloat(b));
  }
}

function onWholes(operator: BinaryOperator, a: number | bigint, b: number | bigint): Value {
  if (operator === '/') {
    if (b == 0) throw zero();
    return new PyFloat(Number(a) / Number(b));
  }
  if (operator === '**' && b < 0) return new PyFloat(Number(a) ** Number(b));
  if (typeof a === 'number' && typeof b === 'number') {
    const small = onSmall(operator, a, b);
    if (small !== undefined && Number.isSafeInteger(small)) return small;
  }
  return whole(onLarge(operator, BigInt(a), BigInt(b)));
}

/** The result for numbers that are exact; `undefined` where it may not be. */
function onSmall(operator: BinaryOperator, a: number, b: number): number | undefined {
  switch (operator) {
    case '+':
      return a + b;
    case '-':
      return a - b;
    case '*':
      return a * b + 0;
    case '//':
      if (b === 0) throw zero();
      return Math.floor(a / b) + 0;
    case '%':
      if (b === 0) throw zero();
      // The rest has the sign of the divisor.
      return a - b * Math.floor(a / b) + 0;
    case '**':
      return a ** b;
    default:
      return undefined;
  }
}

function onLarge(operator: BinaryOperator, a: bigint, b: bigint): bigint {
  effort(EFFORT_OF_LARGE);
  const bits = (value: bigint): number => 4 * value.toString(16).length;
  switch (operator) {
    case '+':
      return a + b;
    case '-':
      return a - b;
    case '*':
      room(bits(a) + bits(b) > MOST_BITS ? Number.POSITIVE_INFINITY : 0);
      return a * b;
    case '//':
    case '%': {
      if (b === 0n) throw zero();
      const quotient = a / b - (a % b !== 0n && a < 0n !== b < 0n ? 1n : 0n);
      return operator === '//' ? quotient : a - b * quotient;
    }
    case '**':
      room(bits(a) * Number(b) > MOST_BITS ? Number.POSITIVE_INFINITY : 0);
      return a ** b;
    case '<<':
      if (b < 0n) throw new RaisedError('ValueError', 'negative shift count');
      room(bits(a) + Number(b) > MOST_BITS ? Number.POSITIVE_INFINITY : 0);
      return a << b;
    case '>>':
      if (b < 0n) throw new RaisedError('ValueError', 'negative shift count');
      return a >> (b > 100_000n ? 100_000n : b);
    case '&':
      return a & b;
    case '|':
      return a | b;
    case '^':
      return a ^ b;
    case '/':
      throw new Error('division of whole numbers gives one with a point');
  }
}

/** `-x`, `+x`, `~x`. */
export function negate(operator: '-' | '+' | '~', value: Value): Value {
  const number = numberOf(value);
  if (number === undefined || (operator === '~' && value instanceof PyFloat))
    throw new RaisedError('TypeError', `unsupported type for ${operator}: '${typeName(value)}'`);
  if (value instanceof PyFloat) return operator === '-' ? new PyFloat(-value.value) : value;
  if (operator === '+') return number;
  if (typeof number === 'bigint') return whole(operator === '-' ? -number : ~number);
  return operator === '-' ? 0 - number : -number - 1;
}

export function compare(operator: ComparisonOperator, one: Value, other: Value): boolean {
  const isOfClock = one instanceof PyMoment || other instanceof PyMoment;
  const [left, right] = isOfClock ? followedSides(operator, one, other) : [one, other];
  switch (operator) {
    case '==':
      return equal(left, right);
    case '!=':
      return !equal(left, right);
    case 'is':
      return isSame(left, right);
    case 'is not':
      return !isSame(left, right);
    case 'in':
      return contains(right, left);
    case 'not in':
      return !contains(right, left);
    case '<':
      return order(left, right, operator) < 0;
    case '<=':
      return order(left, right, operator) <= 0;
    case '>':
      return order(left, right, operator) > 0;
    case '>=':
      return order(left, right, operator) >= 0;
  }
}

const isSame = (one: Value, other: Value): boolean =>
  one === other || (one instanceof PyFloat && other instanceof PyFloat && one.value === other.value);

function contains(group: Value, item: Value): boolean {
  effort(10 * sizeOf(group));
  if (typeof group === 'string') {
    if (typeof item !== 'string')
      throw new RaisedError('TypeError', `'in <string>' requires string, not '${typeName(item)}'`);
    return group.includes(item);
  }
  if (group instanceof PyDict) return group.get(item) !== undefined;
  if (group instanceof PySet) return group.has(item);
  if (group instanceof PyRange && typeof item === 'number')
    return (
      (item - group.from) % group.step === 0 &&
      (group.step > 0 ? item >= group.from && item < group.to : item <= group.from && item > group.to)
    );
  const items = itemsOf(group);
  if (!items) throw new RaisedError('TypeError', `'${typeName(group)}' object is not iterable`);
  for (const one of items) if (equal(one, item)) return true;
  return false;
}

/** Less than zero, zero, or more; `NaN` where numbers do not compare. */
export function order(left: Value, right: Value, operator = '<'): number {
  effort(typeof left === 'string' ? 20 * sizeOf(left) : 80);
  const [a, b] = [numberOf(left), numberOf(right)];
  if (a !== undefined && b !== undefined) return a < b ? -1 : a > b ? 1 : a == b ? 0 : Number.NaN;
  if (typeof left === 'string' && typeof right === 'string') return left < right ? -1 : left > right ? 1 : 0;
  const lists = left instanceof PyList && right instanceof PyList;
  const tuples = left instanceof PyTuple && right instanceof PyTuple;
  if (lists || tuples) {
    const [one, other] = [(left as PyList).items, (right as PyList).items];
    for (let at = 0; at < Math.min(one.length, other.length); at += 1)
      if (!equal(one[at]!, other[at]!)) return order(one[at]!, other[at]!, operator);
    return one.length - other.length;
  }
  throw unsupported(operator, left, right);
}
