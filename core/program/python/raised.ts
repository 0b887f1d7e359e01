import { RaisedError, type ErrorKind } from './errors';
import type { Runner } from './runner';
import { textOf } from './shown';
import { PyBuiltin, PyClass, type Value } from './values';

/** The error that is raised by a kind of error, or by one with a message. */
export function raised(value: Value, runner: Runner): RaisedError {
  if (value instanceof PyClass) {
    const made = value.call
      ? runner.call(value, {
          values: [],
          named: new Map(),
          span: { line: 1, column: 1, endLine: 1, endColumn: 1 },
        })
      : null;
    return made instanceof PyBuiltin
      ? new RaisedError('TypeError', 'exceptions must derive from BaseException')
      : raised(made, runner);
  }
  if (typeof value === 'object' && value !== null && 'kind' in value && value.kind === 'object')
    return new RaisedError(
      value.className as ErrorKind,
      textOf(value.get('message', { line: 1, column: 1, endLine: 1, endColumn: 1 })),
    );
  throw new RaisedError('TypeError', 'exceptions must derive from BaseException');
}
