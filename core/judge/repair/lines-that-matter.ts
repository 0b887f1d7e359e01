import type { Program } from '../../program';
import type { Candidate } from './candidate';
import type { ProgramWishes } from './wishes';

/** Lines that set a pin up and do nothing else. */
const SETS_UP = {
  cpp: /^\s*pinMode\s*\([^;]*\);\s*(?:\/\/.*)?$/,
  python: /^\s*\w+\.(?:direction|switch_to_output|switch_to_input|pull)\b.*$/,
} as const;
/** Lines that print and do nothing else. */
const PRINTS = {
  cpp: /^\s*Serial\.print(?:ln)?\s*\([^;]*\);\s*(?:\/\/.*)?$/,
  python: /^\s*print\(.*\)\s*$/,
} as const;

/**
 * Changes of a program without those that can make no difference to what its runs fail in: of how pins are set up where
 * each pin is set up as it is used, and of what is printed where nothing of that fails. What the exercise's own program has
 * otherwise is kept in any case.
 */
export function thatMatter(
  candidates: readonly Candidate[],
  { source, language, compiled }: Pick<Program, 'source' | 'language' | 'compiled'>,
  {
    undirected,
    floating,
    silent,
    fails,
    stumbles,
  }: Pick<ProgramWishes, 'undirected' | 'floating' | 'silent' | 'fails' | 'stumbles'>,
): readonly Candidate[] {
  if (!compiled) return candidates;
  const lines = source.split('\n');
  const isSetUp =
    undirected.length === 0 && floating.length === 0 && silent.length === 0 && !readsAnOutput(source);
  const idle: readonly RegExp[] = [
    ...(isSetUp ? [SETS_UP[language]] : []),
    ...(fails === 'parts' && !stumbles ? [PRINTS[language]] : []),
  ];
  if (idle.length === 0) return candidates;
  const isIdle = (text: string): boolean =>
    !/Pull\.DOWN|PULLDOWN/.test(text) && idle.some((pattern) => pattern.test(text));
  return candidates.filter(({ edits, isAsAsked }) => {
    if (isAsAsked) return true;
    return !edits.every((edit) => {
      if (!('replace' in edit)) return false;
      const { line, column, length, by } = edit.replace;
      // What is put in is a line of its own.
      if (by.includes('\n') || by.startsWith('return ')) return false;
      const text = lines[line - 1] ?? '';
      // What is printed elsewhere is shown, and no longer printed.
      if (text.slice(column - 1, column - 1 + length) === 'Serial') return false;
      return length > 0 ? isIdle(text) : isIdle(by.trim()) || (isIdle(text) && !/[;:]/.test(by));
    });
  });
}

/** Whether a pin that is made an output is read. */
const readsAnOutput = (source: string): boolean =>
  [...source.matchAll(/\bpinMode\s*\(\s*(\w+)\s*,\s*OUTPUT\b/g)].some(([, pin]) =>
    new RegExp(`\\bdigitalRead\\s*\\(\\s*${pin}\\s*\\)`).test(source),
  );
