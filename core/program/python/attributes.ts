import type { Span } from '../syntax';
import { RaisedError } from './errors';
import { dictMethods, listMethods, textMethods } from './methods';
import type { Runner } from './runner';
import {
  isObject,
  PyBuiltin,
  PyClass,
  PyDict,
  PyList,
  PyModule,
  PyTuple,
  typeName,
  type Given,
  type Value,
} from './values';

/** `owner.name`: a member of a module or class, an attribute of an object, or a method with its owner. */
export function attributeOf(owner: Value, name: string, span: Span, runner: Runner): Value {
  if (owner instanceof PyModule || owner instanceof PyClass) {
    const member = owner.members.get(name);
    if (member !== undefined) return member;
  } else if (isObject(owner)) return owner.get(name, span);
  else {
    const method =
      typeof owner === 'string'
        ? textMethods.get(name)
        : owner instanceof PyList
          ? listMethods.get(name)
          : owner instanceof PyDict
            ? dictMethods.get(name)
            : owner instanceof PyTuple && (name === 'index' || name === 'count')
              ? listMethods.get(name)
              : undefined;
    if (method) return new PyBuiltin(name, (given: Given) => method(owner as never, given, runner));
  }
  throw noAttribute(owner, name);
}

/** `owner.name = value`. */
export function setAttribute(owner: Value, name: string, value: Value, span: Span, runner: Runner): void {
  if (!isObject(owner)) throw noAttribute(owner, name);
  runner.line = span.line;
  owner.set(name, value, span);
}

export const noAttribute = (owner: Value, name: string): RaisedError =>
  new RaisedError(
    'AttributeError',
    owner instanceof PyModule
      ? `'module' object has no attribute '${name}'`
      : `'${typeName(owner)}' object has no attribute '${name}'`,
  );
