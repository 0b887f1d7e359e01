import { effort } from '../../effort';
import { RaisedError } from './errors';
import { room } from './room';
import { reprOf } from './shown';
import {
  numberOf,
  PyBytearray,
  PyDict,
  PyFloat,
  PyList,
  PyRange,
  PyTuple,
  sizeOf,
  typeName,
  type Value,
  type Running,
} from './values';

/** A place from the front, for one that may be counted from the end; raises when there is none. */
function placeIn(index: Value, length: number, what: string): number {
  const number = numberOf(index);
  if (typeof number !== 'number' || index instanceof PyFloat)
    throw new RaisedError('TypeError', `${what} indices must be integers, not ${typeName(index)}`);
  const place = number < 0 ? number + length : number;
  if (place < 0 || place >= length) throw new RaisedError('IndexError', `${what} index out of range`);
  return place;
}

/** A value as one of a row of bytes; raises what a board raises for any other. */
export function byteOf(value: Value): number {
  const number = numberOf(value);
  if (typeof number !== 'number' || value instanceof PyFloat)
    throw new RaisedError('TypeError', `can't convert ${typeName(value)} to int`);
  if (number < 0 || number > 255) throw new RaisedError('OverflowError', 'value must fit in 1 byte(s)');
  return number;
}

/** `owner[index]`. */
export function indexed(owner: Value, index: Value): Value {
  if (typeof owner === 'string') return owner[placeIn(index, owner.length, 'string')]!;
  if (owner instanceof PyList) return owner.items[placeIn(index, owner.items.length, typeName(owner))]!;
  if (owner instanceof PyTuple) return owner.items[placeIn(index, owner.items.length, 'tuple')]!;
  if (owner instanceof PyRange) return owner.from + owner.step * placeIn(index, owner.length, 'range');
  if (owner instanceof PyDict) {
    const value = owner.get(index);
    if (value === undefined) throw new RaisedError('KeyError', reprOf(index));
    return value;
  }
  throw new RaisedError('TypeError', `'${typeName(owner)}' object is not subscriptable`);
}

/** `owner[index] = value`. */
export function setIndexed(owner: Value, index: Value, value: Value, runner: Running): void {
  runner.machine.changes += 1;
  if (owner instanceof PyList)
    owner.items[placeIn(index, owner.items.length, typeName(owner))] =
      owner instanceof PyBytearray ? byteOf(value) : value;
  else if (owner instanceof PyDict) {
    if (owner.get(index) === undefined) runner.take(2);
    owner.set(index, value);
  } else throw new RaisedError('TypeError', `'${typeName(owner)}' object does not support item assignment`);
}

/** `del owner[index]`. */
export function deleteIndexed(owner: Value, index: Value, runner: Running): void {
  runner.machine.changes += 1;
  effort(sizeOf(owner));
  if (owner instanceof PyList) owner.items.splice(placeIn(index, owner.items.length, 'list'), 1);
  else if (owner instanceof PyDict) {
    indexed(owner, index);
    owner.delete(index);
  } else throw new RaisedError('TypeError', `'${typeName(owner)}' object does not support item deletion`);
}

/** `owner[from:to:step]`. */
export function sliced(owner: Value, bounds: readonly (Value | undefined)[]): Value {
  const [from, to, by] = bounds.map((bound) => {
    if (bound === undefined || bound === null) return undefined;
    const number = numberOf(bound);
    if (typeof number !== 'number') throw new RaisedError('TypeError', 'slice indices must be integers');
    return number;
  });
  const step = by ?? 1;
  if (step === 0) throw new RaisedError('ValueError', 'slice step cannot be zero');
  const places = (length: number): number[] => {
    const clip = (bound: number, low: number, high: number): number =>
      Math.max(low, Math.min(high, bound < 0 ? bound + length : bound));
    const [begin, end] =
      step > 0
        ? [clip(from ?? 0, 0, length), clip(to ?? length, 0, length)]
        : [clip(from ?? length - 1, -1, length - 1), to === undefined ? -1 : clip(to, -1, length - 1)];
    const count = Math.max(0, Math.ceil((end - begin) / step));
    room(count);
    effort(count * 80);
    return Array.from({ length: count }, (_, index) => begin + index * step);
  };
  if (typeof owner === 'string')
    return places(owner.length)
      .map((at) => owner[at])
      .join('');
  if (owner instanceof PyList) {
    const items = places(owner.items.length).map((at) => owner.items[at]!);
    return owner instanceof PyBytearray ? new PyBytearray(items) : new PyList(items);
  }
  if (owner instanceof PyTuple) return new PyTuple(places(owner.items.length).map((at) => owner.items[at]!));
  if (owner instanceof PyRange)
    return new PyList(places(owner.length).map((at) => owner.from + owner.step * at));
  throw new RaisedError('TypeError', `'${typeName(owner)}' object is not subscriptable`);
}
