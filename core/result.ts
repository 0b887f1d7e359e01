/** Outcome of an operation on outside input: a value, or problems that say where they are. */
export type Result<T, E = readonly Problem[]> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: E };

/** One thing that is wrong with an input, in the user's words and with its place. */
export interface Problem {
  readonly message: string;
  /** 1-based line of the input (row of a table, line of a program), when it has one. */
  readonly line?: number;
  /** Offending cell or word exactly as it was typed. */
  readonly typed?: string;
  /** JSON path inside a structured file, such as `parts[2].value`. */
  readonly path?: string;
}

export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

export const fail = (
  ...problems: readonly Problem[]
): { readonly ok: false; readonly problems: readonly Problem[] } => ({
  ok: false,
  problems,
});

/** One line for a terminal or a toast: `line 3: …`. */
export function problemText(problem: Problem): string {
  if (problem.line !== undefined) return `line ${problem.line}: ${problem.message}`;
  if (problem.path !== undefined && problem.path !== '') return `${problem.path}: ${problem.message}`;
  return problem.message;
}
