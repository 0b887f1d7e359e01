import type { TextEdit } from '../../findings/finding';

/** Whole lines of a program, from the one of that number on, with others in their places. */
export const linesPut = (from: number, was: readonly string[], by: readonly string[]): TextEdit => ({
  line: from,
  column: 1,
  length: was.join('\n').length,
  by: by.join('\n'),
});
