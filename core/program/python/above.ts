import { RaisedError } from './errors';
import { PyInstance, PyOwnClass, typeName, type PyObject, type Value } from './values';

/** What the class above a method's own does for an object. */
export function aboveOf(base: Value, self: Value): Value {
  if (!(base instanceof PyOwnClass) || !(self instanceof PyInstance))
    throw new RaisedError('TypeError', `'${typeName(base)}' object is no class`);
  const above: PyObject = {
    kind: 'object',
    className: base.name,
    get: (name) => self.inherited(base, name),
    set: self.set,
  };
  return above;
}
