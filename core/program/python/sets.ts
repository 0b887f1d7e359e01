import { RaisedError } from './errors';
import { argument, itemsIn, type Method } from './methods';
import { difference, intersection, union } from './set-operations';
import { reprOf } from './shown';
import { PySet } from './values';

/** A set with the items of another value put together with its own. */
const joined =
  (isKept: (own: PySet, other: PySet) => PySet): Method<PySet> =>
  (own, given) =>
    isKept(own, new PySet(itemsIn(argument(given, 0, 'items'))));

/** What a set can do. */
export const setMethods: ReadonlyMap<string, Method<PySet>> = new Map<string, Method<PySet>>([
  [
    'add',
    (own, given, running) => {
      running.take(1);
      own.add(argument(given, 0, 'item'));
      return null;
    },
  ],
  [
    'discard',
    (own, given, running) => {
      if (own.delete(argument(given, 0, 'item'))) running.machine.changes += 1;
      return null;
    },
  ],
  [
    'remove',
    (own, given, running) => {
      const item = argument(given, 0, 'item');
      if (!own.delete(item)) throw new RaisedError('KeyError', reprOf(item));
      running.machine.changes += 1;
      return null;
    },
  ],
  [
    'clear',
    (own, _given, running) => {
      own.entries.clear();
      running.machine.changes += 1;
      return null;
    },
  ],
  [
    'update',
    (own, given, running) => {
      const items = itemsIn(argument(given, 0, 'items'));
      running.take(items.length);
      for (const item of items) own.add(item);
      return null;
    },
  ],
  ['copy', (own) => union(own, new PySet())],
  ['union', joined(union)],
  ['intersection', joined(intersection)],
  ['difference', joined(difference)],
]);
