import { effort } from '../../effort';
import { PyDict, PyFunction, PyInstance, PyList, PyOwnClass, PySet, PyTuple, type Value } from './values';

/** What looking at one value takes. */
const EFFORT = 60;

/** How many items all lists, dictionaries, sets and objects have that can still be reached from some names. */
export function heldBy(names: readonly (readonly (Value | undefined)[])[]): number {
  const seen = new Set<Value>();
  const open: Value[] = names.flat().filter((value) => value !== undefined);
  let items = 0;
  for (let value = open.pop(); value !== undefined; value = open.pop()) {
    if (typeof value !== 'object' || value === null || seen.has(value)) continue;
    seen.add(value);
    const inside = insideOf(value);
    effort(EFFORT * (1 + inside.length));
    items += value instanceof PyFunction ? 0 : inside.length;
    open.push(...inside);
  }
  return items;
}

function insideOf(value: Value): readonly Value[] {
  if (value instanceof PyList || value instanceof PyTuple) return value.items;
  if (value instanceof PyDict)
    return [...value.entries.values()].flatMap((entry) => [entry.key, entry.value]);
  if (value instanceof PySet) return [...value.entries.values()];
  if (value instanceof PyInstance) return [...value.attributes.values()];
  if (value instanceof PyOwnClass) return [...value.members.values()];
  return value instanceof PyFunction ? value.around.flat().filter((one) => one !== undefined) : [];
}
