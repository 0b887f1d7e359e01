import type { Span } from '../syntax';
import { RaisedError } from './errors';
import { bytearrayMethods, dictMethods, listMethods, textMethods, type Method } from './methods';
import { PyMoment } from './moment';
import { setMethods } from './sets';
import type { Runner } from './runner';
import {
  isObject,
  PyBuiltin,
  PyClass,
  PyBytearray,
  PyDict,
  PyFloat,
  PyInstance,
  PyList,
  PyModule,
  PyOwnClass,
  PySet,
  PyTuple,
  typeName,
  type Value,
  type Work,
} from './values';

/** `owner.name`: a member of a module or class, an attribute of an object, or a method with its owner. */
export function attributeOf(owner: Value, name: string, span: Span): Value {
  if (owner instanceof PyModule || owner instanceof PyClass) {
    const member = owner instanceof PyOwnClass ? owner.find(name) : owner.members.get(name);
    if (member !== undefined) return member;
  } else if (isObject(owner)) return owner.get(name, span);
  else {
    const work = methodOf(owner, name);
    if (work) return new PyBuiltin(name, work);
  }
  throw noAttribute(owner, name);
}

/** A method with its owner; `undefined` when its type has none of that name. */
function methodOf(owner: Value, name: string): Work | undefined {
  const withOwner = <Owner>(own: Owner, method: Method<Owner> | undefined): Work | undefined =>
    method && ((given, running) => method(own, given, running));
  if (typeof owner === 'string') return withOwner(owner, textMethods.get(name));
  if (owner instanceof PyBytearray) return withOwner(owner, bytearrayMethods.get(name));
  if (owner instanceof PyList) return withOwner(owner, listMethods.get(name));
  if (owner instanceof PyDict) return withOwner(owner, dictMethods.get(name));
  if (owner instanceof PySet) return withOwner(owner, setMethods.get(name));
  return owner instanceof PyTuple && (name === 'index' || name === 'count')
    ? withOwner(new PyList([...owner.items]), listMethods.get(name))
    : undefined;
}

/** `owner.name = value`. */
export function setAttribute(owner: Value, name: string, value: Value, span: Span, runner: Runner): void {
  if (owner instanceof PyOwnClass) {
    if (owner.members.get(name) !== value) runner.machine.changes += 1;
    owner.members.set(name, value);
    return;
  }
  if (!isObject(owner)) throw noAttribute(owner, name);
  runner.line = span.line;
  if (owner instanceof PyInstance) {
    const before = owner.attributes.get(name);
    if (before === undefined) runner.take(1);
    if (!isUnchanged(before, value))
      runner.machine.change(owner, name, () => isUnchanged(before, owner.attributes.get(name)));
  }
  owner.set(name, value, span);
}

/** Whether what gets a value has it already. */
export const isUnchanged = (before: Value | undefined, now: Value | undefined): boolean => {
  if (now instanceof PyMoment) return now.isAsBefore(before);
  if (before instanceof PyMoment && !before.isPast) return false;
  return (
    before === now || (before instanceof PyFloat && now instanceof PyFloat && before.value === now.value)
  );
};

export const noAttribute = (owner: Value, name: string): RaisedError =>
  new RaisedError(
    'AttributeError',
    owner instanceof PyModule
      ? `'module' object has no attribute '${name}'`
      : `'${typeName(owner)}' object has no attribute '${name}'`,
  );
