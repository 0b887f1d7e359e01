import { PySet } from './values';

/** All items of two sets. */
export const union = (own: PySet, other: PySet): PySet =>
  new PySet([...own.entries.values(), ...other.entries.values()]);
/** Items that are in both of two sets. */
export const intersection = (own: PySet, other: PySet): PySet =>
  new PySet([...own.entries.values()].filter((item) => other.has(item)));
/** Items of a set that are not in another one. */
export const difference = (own: PySet, other: PySet): PySet =>
  new PySet([...own.entries.values()].filter((item) => !other.has(item)));
