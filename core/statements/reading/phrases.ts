import type { BoardProfile } from '../../boards';
import { socketNamed } from '../pins';
import { forgiven, nearestWord, typingMistakes } from '../spelling';
import type { Token } from '../tokens';
import { LONGEST_PHRASE, meaningOf, spelled, type Meaning } from '../words';
import { ownWords } from './kind-values';

/** A run of tokens that stands for something. */
export interface Found {
  readonly first: number;
  readonly count: number;
  readonly meaning: Meaning;
  /** The word that was most likely meant, when another was typed. */
  readonly guess: string | undefined;
}

/** Known phrases by the token at which they begin, the longest first; misspelled words count as the nearest. */
export function phrasesIn(tokens: readonly Token[], board: BoardProfile): readonly (Found | undefined)[] {
  const found: (Found | undefined)[] = [];
  for (let first = 0; first < tokens.length;) {
    found[first] =
      phraseAt(tokens, first) ?? misspelledPhraseAt(tokens, first) ?? spelledAt(tokens, first, board);
    first += found[first]?.count ?? 1;
  }
  return found;
}

function phraseAt(tokens: readonly Token[], first: number): Found | undefined {
  for (let count = Math.min(LONGEST_PHRASE, tokens.length - first); count > 0; count -= 1) {
    const words = tokens.slice(first, first + count).map((token) => token.text);
    const meaning = meaningOf.get(words.join(' '));
    if (meaning) return { first, count, meaning, guess: undefined };
  }
  return undefined;
}

interface Phrase {
  readonly phrase: string;
  readonly words: readonly string[];
  readonly meaning: Meaning;
}

/** Phrases of several words in their order, by each of their words: one of them must be right to be looked for. */
const phrasesWith: ReadonlyMap<string, readonly Phrase[]> = phrasesByWord();

function phrasesByWord(): ReadonlyMap<string, readonly Phrase[]> {
  const found = new Map<string, Phrase[]>();
  for (const [phrase, meaning] of meaningOf) {
    const words = phrase.split(' ');
    if (words.length === 1) continue;
    for (const word of new Set(words))
      found.set(word, [...(found.get(word) ?? []), { phrase, words, meaning }]);
  }
  return found;
}

/** A phrase of several words, one of them mistyped; short words have to be right. */
function misspelledPhraseAt(tokens: readonly Token[], first: number): Found | undefined {
  for (let count = Math.min(LONGEST_PHRASE, tokens.length - first); count > 1; count -= 1) {
    const typed = tokens.slice(first, first + count).map((token) => token.text);
    const near = typed
      .flatMap((text, index) => (phrasesWith.get(text) ?? []).filter(({ words }) => words[index] === text))
      .find(
        ({ words }) =>
          words.length === count &&
          words.every((word, index) => {
            const most = forgiven(word.length);
            return typingMistakes(typed[index]!, word, most) <= most;
          }),
      );
    if (near) return { first, count, meaning: near.meaning, guess: near.phrase };
  }
  return undefined;
}

function spelledAt(tokens: readonly Token[], first: number, board: BoardProfile): Found | undefined {
  const { text } = tokens[first]!;
  // Words that mean something to a kind or to the board are no misspellings of others.
  if (!/^[a-z][a-z-]{3,}$/.test(text) || ownWords.has(text) || socketNamed(board, text) !== undefined)
    return undefined;
  const word = nearestWord(text, spelled.keys());
  return word === undefined ? undefined : { first, count: 1, meaning: spelled.get(word)!, guess: word };
}
