import type { BoardProfile } from '../boards';
import { emitProgram } from './cpp/emit';
import { resolveProgram } from './cpp/resolve';
import { syntaxProblems } from './cpp/syntax-problems';
import { tokenize } from './cpp/tokens';
import type { Executable, ProgramMemory } from './machine';
import { notSupported, type ProgramProblem } from './problem';
import type { Grammars } from './syntax';

export type { Grammars } from './syntax';
export type { ProgramProblem } from './problem';

/** Longest program that is read, in characters. */
export const PROGRAM_LIMIT = 200_000;
/** Deepest nesting of brackets that is handed to the grammar. */
const DEEPEST_BRACKETS = 150;

/** A program that can be run. */
export interface Compiled {
  readonly executable: Executable;
  readonly memory: ProgramMemory;
}

export interface Program {
  readonly source: string;
  /** What is wrong with the text, in its order. */
  readonly problems: readonly ProgramProblem[];
  /** Whether there is anything in it but comments and space. */
  readonly isEmpty: boolean;
  /** Present when the compiler would take the program. */
  readonly compiled?: Compiled;
}

/** Reads and compiles a program of the board's language. Never throws, whatever the text. */
export function compileProgram(source: string, board: BoardProfile, grammars: Grammars): Program {
  const list = tokenize(source);
  const isEmpty = list.tokens.length === 0 && !/^\s*#/m.test(source);
  if (isEmpty) return { source, problems: [], isEmpty };
  if (list.depth > DEEPEST_BRACKETS) {
    const place = list.tokens.find((token) => '([{'.includes(token.text)) ?? { line: 1, column: 1 };
    return { source, isEmpty, problems: [notSupported(`a nesting of ${list.depth} brackets`, place)] };
  }
  return grammars.cpp(source, (root) => {
    if (root.hasError || list.quotes.length > 0 || list.strays.length > 0)
      return { source, isEmpty, problems: syntaxProblems(list, root) };
    const { tree, problems } = resolveProgram(root, board, grammars.cpp);
    return {
      source,
      isEmpty,
      problems,
      ...(tree ? { compiled: { executable: emitProgram(tree), memory: tree.memory } } : {}),
    };
  });
}
