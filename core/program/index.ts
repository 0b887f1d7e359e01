import type { BoardProfile } from '../boards';
import { effort, OutOfEffort } from '../effort';
import { emitProgram } from './cpp/emit';
import { preparedText } from './cpp/prepared';
import { resolveProgram } from './cpp/resolve';
import { keywordSlips } from './cpp/keyword-slips';
import { lineSlips } from './cpp/line-slips';
import { syntaxProblems } from './cpp/syntax-problems';
import { TokenMap } from './cpp/token-map';
import { tokenSlips } from './cpp/token-slips';
import { tokenize } from './cpp/tokens';
import { gapProblems } from './gap';
import type { Executable } from './machine';
import { inOrder, MOST_PROBLEMS, notSupported, type ProgramProblem } from './problem';
import { emitPython } from './python/emit';
import { pythonLines } from './python/lines';
import { resolvePython } from './python/resolve';
import { certainProblems, pythonSyntaxProblems } from './python/syntax-problems';
import { PROGRAM_LIMIT } from './limits';
import { ParseGivenUp, type Grammars } from './syntax';
import type { Token } from './token';

export { PROGRAM_LIMIT } from './limits';
export type { Grammars } from './syntax';
export type { ProgramProblem } from './problem';

const EFFORT_OF_A_CHARACTER = 2500;
const MORE_EFFORT_OF_A_LONG_ONE = 0.2;
/** Deepest nesting of brackets that is handed to the grammar. */
const DEEPEST_BRACKETS = 150;

/** A program that can be run. */
export type Compiled = Executable;

export type Language = 'cpp' | 'python';

export interface Program {
  readonly source: string;
  readonly language: Language;
  /** What is wrong with the text, in its order. */
  readonly problems: readonly ProgramProblem[];
  /** Whether there is anything in it but comments and space. */
  readonly isEmpty: boolean;
  /** What went wrong in reading it, which is a fault of the reader. */
  readonly failure?: unknown;
  /** Present when the compiler would take the program. */
  readonly compiled?: Compiled;
}

/** Reads and compiles a program of a language, the board's own unless another is named. Never throws, whatever the text. */
export function compileProgram(
  source: string,
  board: BoardProfile,
  grammars: Grammars,
  language: Language = board.language.default,
): Program {
  if (source.length > PROGRAM_LIMIT) return tooLong(source, language);
  effort(source.length * EFFORT_OF_A_CHARACTER + source.length ** 2 * MORE_EFFORT_OF_A_LONG_ONE);
  try {
    return language === 'cpp' ? compileCpp(source, board, grammars) : compilePython(source, board, grammars);
  } catch (error) {
    if (error instanceof OutOfEffort) throw error;
    return unreadable(source, language, error);
  }
}

/** A program with the first of its problems, which are looked for when they are asked for. */
function programOf(read: Omit<Program, 'problems'>, problemsOf: () => readonly ProgramProblem[]): Program {
  let known: readonly ProgramProblem[] | undefined;
  return {
    ...read,
    get problems() {
      return (known ??= problemsOf().slice(0, MOST_PROBLEMS));
    },
  };
}

function compileCpp(source: string, board: BoardProfile, grammars: Grammars): Program {
  const language = 'cpp';
  const prepared = preparedText(source, board);
  const list = tokenize(prepared);
  const isEmpty = list.tokens.length === 0 && !/^\s*#/m.test(source);
  const read = { source, language, isEmpty } as const;
  if (isEmpty) return { ...read, problems: [] };
  if (list.depth > DEEPEST_BRACKETS) return tooDeep(source, language, list.depth, list.tokens);
  const gaps = gapProblems(list.tokens);
  if (gaps.length > 0) return programOf(read, () => gaps);
  return grammars.cpp(prepared, (root) => {
    if (root.hasError || list.quotes.length > 0 || list.strays.length > 0) {
      const broken = syntaxProblems(list, root);
      return programOf(read, () => broken);
    }
    const { tree, problems } = resolveProgram(root, board, grammars.cpp);
    if (tree) return programOf({ ...read, compiled: emitProgram(tree) }, problems);
    // What is written wrongly can look like a name, of which much else is said.
    const refusals = problems().filter(({ stopsCompiler }) => stopsCompiler);
    const slips = refusals.length > 0 ? slipsOf(prepared, list.tokens, refusals) : [];
    return programOf(read, slips.length > 0 ? () => slips : problems);
  });
}

/** What is written as no compiler takes it, and what is refused besides; nothing where that is all. */
function slipsOf(
  text: string,
  tokens: readonly Token[],
  refusals: readonly ProgramProblem[],
): readonly ProgramProblem[] {
  const words = keywordSlips(tokens);
  if (words.length > 0) return words;
  const lines = lineSlips(text);
  const slips = lines.length > 0 ? lines : tokenSlips(new TokenMap(tokens));
  if (slips.length === 0) return [];
  const written = text.split('\n');
  const slipped = slips.map(({ line }) => written[line - 1] ?? '');
  // A name in a line that is not understood is not declared there either, which is told of all over the program.
  const follows = ({ line, column }: ProgramProblem): boolean => {
    const word = /^\w+/.exec((written[line - 1] ?? '').slice(column - 1))?.[0];
    return (
      slips.some((slip) => slip.line === line) ||
      (word !== undefined && slipped.some((other) => new RegExp(`\\b${word}\\b`).test(other)))
    );
  };
  return inOrder([...slips, ...refusals.filter((refusal) => !follows(refusal))]);
}

function compilePython(source: string, board: BoardProfile, grammars: Grammars): Program {
  const language = 'python';
  const list = pythonLines(source);
  const isEmpty = list.lines.length === 0;
  const read = { source, language, isEmpty } as const;
  if (isEmpty) return { ...read, problems: [] };
  if (list.depth > DEEPEST_BRACKETS)
    return tooDeep(
      source,
      language,
      list.depth,
      list.lines.flatMap(({ tokens }) => tokens),
    );
  const gaps = gapProblems(list.lines.flatMap(({ tokens }) => tokens));
  if (gaps.length > 0) return programOf(read, () => gaps);
  return grammars.python(source, (root) => {
    const broken =
      root.hasError || list.quotes.length > 0 || list.strays.length > 0 || list.open.length > 0
        ? pythonSyntaxProblems(list, root)
        : certainProblems(list);
    if (broken.length > 0) return programOf(read, () => broken);
    const { tree, problems } = resolvePython(root, board);
    return programOf(tree ? { ...read, compiled: emitPython(tree, board) } : read, problems);
  });
}

/** A text that nobody has written by hand is not read at all. */
function tooLong(source: string, language: Language): Program {
  const what = `a text of ${source.length.toLocaleString('en')} characters, more than ${PROGRAM_LIMIT.toLocaleString('en')},`;
  return { source, language, isEmpty: false, problems: [notSupported(what, { line: 1, column: 1 })] };
}

/** A text on which the reader ends: nested deeper than its own calls can be, of too many meanings, or by a fault. */
function unreadable(source: string, language: Language, error: unknown): Program {
  const place = { line: 1, column: 1 };
  const program = { source, language, isEmpty: false };
  if (error instanceof RangeError)
    return { ...program, problems: [notSupported('a nesting this deep', place)] };
  if (error instanceof ParseGivenUp)
    return { ...program, problems: [notSupported('a text that can be read in so many ways', place)] };
  const problem = { ...notSupported('something in this program', place), code: 'not-judged' as const };
  return { ...program, problems: [problem], failure: error };
}

function tooDeep(source: string, language: Language, depth: number, tokens: readonly Token[]): Program {
  const place = tokens.find((token) => '([{'.includes(token.text)) ?? { line: 1, column: 1 };
  return {
    source,
    language,
    isEmpty: false,
    problems: [notSupported(`a nesting of ${depth} brackets`, place)],
  };
}
