import type { Candidate } from './candidate';

/**
 * Pairs of changes towards the exercise's own program that are one slip: a word stands where another belongs, and that one
 * in its place: two pins, or two words that are all that is otherwise. `isPin`: whether a word is a pin.
 */
export function exchangedWords(
  candidates: readonly Candidate[],
  source: string,
  isPin: (word: string) => boolean,
): readonly (readonly [first: WordChange, second: WordChange])[] {
  // Where nothing else is otherwise, any two words may have been exchanged.
  const isAll = candidates.length === 2;
  const changes = candidates.flatMap((candidate) => wordChangeOf(candidate, source) ?? []);
  return changes.flatMap((one, index) =>
    changes
      .slice(index + 1)
      .filter(
        (other) =>
          one.line !== other.line &&
          one.word === other.by &&
          other.word === one.by &&
          ((isPin(one.word) && isPin(other.word)) || isAll),
      )
      .map((other) => (one.line < other.line ? ([one, other] as const) : ([other, one] as const))),
  );
}

/** One word in the place of another. */
export interface WordChange {
  readonly line: number;
  readonly column: number;
  readonly length: number;
  readonly word: string;
  readonly by: string;
}

function wordChangeOf({ edits: [edit, more] }: Candidate, source: string): WordChange | undefined {
  if (!edit || more || !('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const word = (source.split('\n')[line - 1] ?? '').slice(column - 1, column - 1 + length);
  return isWord(word) && isWord(by) ? { line, column, length, word, by } : undefined;
}

/** Whether it is one word, or one text in quotes. */
export const isWord = (text: string): boolean => /^(?:\w+|"[^"]*"|'[^']*')$/.test(text);
