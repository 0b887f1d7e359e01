import { RaisedError } from './errors';
import { itemsOf, PyList, typeName, type Value } from './values';

/** The items of a value, for a loop or for several names. Throws the program's own error for what has none. */
export function iterable(value: Value): Iterable<Value> {
  const items = itemsOf(value);
  if (!items) throw new RaisedError('TypeError', `'${typeName(value)}' object is not iterable`);
  return items;
}

/** Items for as many places, of which one gets all that are left. */
export function withRest(items: readonly Value[], places: number, rest: number): readonly Value[] {
  const behind = places - rest - 1;
  if (items.length < places - 1) return items;
  const end = items.length - behind;
  return [...items.slice(0, rest), new PyList(items.slice(rest, end)), ...items.slice(end)];
}
