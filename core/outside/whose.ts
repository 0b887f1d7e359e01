/** Something that has a name by which files are told: a learner, an exercise. */
export interface Named {
  readonly id: string;
  readonly name: string;
}

/** What a name in a path was taken for. */
export type Found =
  | { readonly is: 'found'; readonly id: string }
  /** Several it could be, or nothing. */
  | { readonly is: 'unclear'; readonly ids: readonly string[] };

const NOBODY: Found = { is: 'unclear', ids: [] };

/** The words of a path or name, plain: without accents, capitals and signs; `AnnaBeacon` is two. */
export const wordsIn = (text: string): readonly string[] =>
  text
    .replace(/([\p{Ll}\d])(\p{Lu})/gu, '$1 $2')
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLocaleLowerCase('en')
    .replaceAll('ß', 'ss')
    .replaceAll('ø', 'o')
    .replaceAll('æ', 'ae')
    .replaceAll('ł', 'l')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');

/** Whether words stand next to each other in others, in either order of two. */
function standsIn(words: readonly string[], text: readonly string[]): boolean {
  const joined = ` ${text.join(' ')} `;
  return (
    joined.includes(` ${words.join(' ')} `) ||
    (words.length === 2 && joined.includes(` ${words.toReversed().join(' ')} `)) ||
    // Written as one word.
    (words.length > 1 && joined.includes(` ${words.join('')} `))
  );
}

/**
 * Which of some names words speak of: the one that stands there whole, the longest of several that are part of each
 * other; else the only one of which the first word stands there.
 */
export function namedIn(words: readonly string[], names: readonly Named[]): Found {
  const known = names
    .map(({ id, name }) => ({ id, words: wordsIn(name) }))
    .filter((one) => one.words.length > 0);
  const whole = known.filter((one) => standsIn(one.words, words));
  const longest = Math.max(0, ...whole.map((one) => one.words.length));
  const best = whole.filter((one) => one.words.length === longest);
  if (best.length === 1) return { is: 'found', id: best[0]!.id };
  if (best.length > 1) return { is: 'unclear', ids: best.map(({ id }) => id) };
  const begun = known.filter((one) => one.words[0]!.length > 1 && words.includes(one.words[0]!));
  if (begun.length === 1) return { is: 'found', id: begun[0]!.id };
  return begun.length > 1 ? { is: 'unclear', ids: begun.map(({ id }) => id) } : NOBODY;
}

/** Lines of a program that may say whose it is. */
const HEAD = 6;

/** Who has written a name at the head of a program, in a remark. */
export function signedBy(program: string, names: readonly Named[]): Found {
  const remarks = program
    .split('\n')
    .slice(0, HEAD)
    .filter((line) => /^\s*(\/\/|\/\*|\*|#(?!include|define))/.test(line));
  return remarks.length === 0 ? NOBODY : namedIn(wordsIn(remarks.join(' ')), names);
}
