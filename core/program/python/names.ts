import type { WatchedName } from '../watching';
import type { Runner } from './runner';
import { plain } from './moment';
import type { FunctionTree, PythonTree, Statement } from './tree';
import { reprOf } from './shown';
import { PyDict, PyFloat, PyList, PyTuple, type Value } from './values';

/** Names of a program that are followed. */
const MOST_NAMES = 200;
/** Letters of a value that are shown. */
const LONGEST_TEXT = 120;

/** The names of a program while it runs: numbers, texts and what is made of them. */
export function watchedNames(
  { globals, functions }: PythonTree,
  runner: () => Runner | undefined,
): readonly WatchedName[] {
  const ofFunction = (fn: FunctionTree): readonly WatchedName[] => {
    const within = [fn.span.line, lastLineOf(fn)] as const;
    return fn.locals.map((name, index) => ({
      name,
      within,
      read: () => shownText(runner()?.locals[index]),
    }));
  };
  return [
    ...globals.map((name, index) => ({ name, read: () => shownText(runner()?.globals[index]) })),
    ...functions.flatMap(ofFunction),
  ].slice(0, MOST_NAMES);
}

function lastLineOf({ body, span }: FunctionTree): number {
  const last = (statements: readonly Statement[]): number =>
    Math.max(span.endLine, ...statements.map((statement) => statement.span.endLine));
  return last(body);
}

function shownText(value: Value | undefined): string | undefined {
  if (value === undefined) return undefined;
  const isShown =
    value === null ||
    typeof value !== 'object' ||
    value instanceof PyFloat ||
    value instanceof PyList ||
    value instanceof PyTuple ||
    value instanceof PyDict;
  if (!isShown) return undefined;
  const text = reprOf(plain(value));
  return text.length > LONGEST_TEXT ? `${text.slice(0, LONGEST_TEXT - 1)}…` : text;
}
