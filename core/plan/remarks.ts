/** A remark that was made before, and how often. */
export interface KnownRemark {
  readonly text: string;
  readonly times: number;
}

/** Remarks that are offered at once. */
const MOST = 5;

/**
 * Remarks made before that have every word that is typed, the most used first; those that begin with what is typed
 * before the others, and never the one that is typed already.
 */
export function remarksLike(typed: string, known: readonly KnownRemark[]): readonly KnownRemark[] {
  const plain = (text: string): string => text.toLocaleLowerCase('en').trim();
  const wanted = plain(typed);
  const words = wanted.split(/\s+/).filter((word) => word !== '');
  return known
    .filter(({ text }) => words.every((word) => plain(text).includes(word)) && plain(text) !== wanted)
    .toSorted(
      (one, other) =>
        Number(plain(other.text).startsWith(wanted)) - Number(plain(one.text).startsWith(wanted)) ||
        other.times - one.times ||
        one.text.localeCompare(other.text, 'en'),
    )
    .slice(0, MOST);
}
