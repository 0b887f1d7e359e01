import type { FindingCode, Observation, Repair, Severity, TextEdit } from '../findings/finding';

/** Something wrong with a program's text, before anything of it has run. */
export type ProgramProblem = Observation & {
  readonly line: number;
  readonly column: number;
  /** Whether a compiler would refuse the program because of it. */
  readonly stopsCompiler: boolean;
  /** Right in the language, but beyond what can be run here. */
  readonly unsupported?: boolean;
};

/** Problems that are told of one program, the first ones. */
export const MOST_PROBLEMS = 60;

/** Names a thing that the language has and this tool does not run. Never a guess at what it would do. */
export function notSupported(
  what: string,
  place: { readonly line: number; readonly column: number },
): ProgramProblem {
  return {
    ...refusal(
      'syntax-other',
      place,
      `Line ${place.line}: ${what} is not supported here, so this program cannot be judged.`,
      [
        `Can the program do without ${what} in line ${place.line}?`,
        `This tool does not run ${what.replace(/,$/, '')}; the board itself may.`,
        `Show your program to your instructor, or write line ${place.line} with what was taught so far.`,
      ],
    ),
    unsupported: true,
  };
}

/** A program problem that a compiler refuses. */
export function refusal(
  code: FindingCode,
  place: { readonly line: number; readonly column: number },
  message: string,
  hints: readonly [string, string, string],
  repair?: Repair,
): ProgramProblem {
  return {
    code,
    severity: 'fault',
    line: place.line,
    column: place.column,
    message,
    hints: [...hints],
    stopsCompiler: true,
    ...(repair ? { repair } : {}),
  };
}

/** Something that compiles and is likely not meant so. */
export function warning(
  code: FindingCode,
  severity: Severity,
  place: { readonly line: number; readonly column: number },
  message: string,
  hints: readonly [string, string, string],
  repair?: Repair,
): ProgramProblem {
  return { ...refusal(code, place, message, hints, repair), severity, stopsCompiler: false };
}

/** Problems in the order of their places in the text. */
export const inOrder = (problems: readonly ProgramProblem[]): readonly ProgramProblem[] =>
  [...problems].sort((a, b) => a.line - b.line || a.column - b.column);

export const textRepair = (text: string, replace: TextEdit): Repair => ({ text, edits: [{ replace }] });

/** The same text with an edit applied. Places beyond the end of a line mean its end. */
export function applyTextEdit(source: string, edit: TextEdit): string {
  const lines = source.split('\n');
  const index = Math.min(edit.line, lines.length) - 1;
  const start = lines.slice(0, index).reduce((sum, line) => sum + line.length + 1, 0) + edit.column - 1;
  return source.slice(0, start) + edit.by + source.slice(start + edit.length);
}
