import { effort } from '../../effort';

/** The kinds of errors that a program can raise and catch. */
export const errorKinds = [
  'ArithmeticError',
  'AssertionError',
  'AttributeError',
  'Exception',
  'IndexError',
  'ImportError',
  'KeyError',
  'LookupError',
  'MemoryError',
  'NameError',
  'NotImplementedError',
  'OSError',
  'OverflowError',
  'RuntimeError',
  'StopIteration',
  'SyntaxError',
  'TypeError',
  'ValueError',
  'ZeroDivisionError',
] as const;
export type ErrorKind = (typeof errorKinds)[number];

/** What a kind of error also is. */
const parents: Partial<Record<ErrorKind, ErrorKind>> = {
  ZeroDivisionError: 'ArithmeticError',
  OverflowError: 'ArithmeticError',
  IndexError: 'LookupError',
  KeyError: 'LookupError',
  NotImplementedError: 'RuntimeError',
};

/** What raising and catching takes. */
const EFFORT = 4000;

/** An error on its way to whoever catches it. Not a JavaScript error: raising one is part of the language. */
export class RaisedError {
  /** Line in which it was raised; filled in by the statement that runs. */
  line: number | undefined;

  constructor(
    readonly kind: ErrorKind,
    readonly message: string,
  ) {
    effort(EFFORT);
  }

  /** Whether `except` with this kind catches it. */
  is(kind: ErrorKind): boolean {
    if (kind === 'Exception') return true;
    for (let now: ErrorKind | undefined = this.kind; now; now = parents[now]) if (now === kind) return true;
    return false;
  }
}
