import type { ProgramProblem } from './problem';
import type { SyntaxNode } from './syntax';

const NAME = /[\p{L}_][\p{L}\p{N}_]*/gu;

/** Words of a text that a program may use as names, in their order. */
export const namesIn = (text: string): readonly string[] => text.match(NAME) ?? [];

/**
 * Problems without those of names that stand in a part of the program that is not read: it may declare them, and
 * nobody's spelling is wrong for that.
 */
export function withoutUnreadNames(
  problems: readonly ProgramProblem[],
  root: SyntaxNode,
  unread: readonly SyntaxNode[],
): readonly ProgramProblem[] {
  if (unread.length === 0) return problems;
  const names = new Set(unread.flatMap(({ text }) => namesIn(text)));
  const lines = root.text.split('\n');
  const first = root.startPosition.row + 1;
  return problems.filter(({ code, line, column }) => {
    if (!code.startsWith('name-')) return true;
    const [name] = namesIn(lines[line - first]?.slice(column - 1) ?? '');
    return name === undefined || !names.has(name);
  });
}
