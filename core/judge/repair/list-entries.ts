import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { tokensOf } from './token-places';

/** An entry of a list of numbers, and what other entries of the list are. */
export interface ListEntry {
  readonly token: Token;
  readonly by: string;
}

/** A list of fewer entries has no habit, and one of more values has none either. */
const [LEAST_ENTRIES, MOST_VALUES] = [4, 3];
/** Changes that are tried; a program with more is not mended by trying. */
const MOST = 48;

/** Entries of lists in which a few numbers come again and again, each with the other ones of its list. */
export function listEntries(source: string, language: Language): readonly ListEntry[] {
  const tokens = tokensOf(source, language);
  const [opener, closer] = language === 'python' ? ['[', ']'] : ['{', '}'];
  const found = tokens.flatMap(({ text }, index): readonly ListEntry[] => {
    if (text !== opener) return [];
    const inside = tokens.slice(index + 1);
    const end = inside.findIndex(({ kind, text: sign }) => kind !== 'number' && sign !== ',');
    if (inside[end]?.text !== closer) return [];
    const entries = inside.slice(0, end).filter(({ kind }) => kind === 'number');
    const values = [...new Set(entries.map((entry) => entry.text))];
    const isHabitual =
      entries.length >= LEAST_ENTRIES && values.length <= MOST_VALUES && values.length < entries.length;
    return isHabitual
      ? entries.flatMap((token) =>
          values.filter((value) => value !== token.text).map((by) => ({ token, by })),
        )
      : [];
  });
  return found.length > MOST ? [] : found;
}
