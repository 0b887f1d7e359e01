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

/** A phrase of several words, one of them mistyped; short words have to be right. */
function misspelledPhraseAt(tokens: readonly Token[], first: number): Found | undefined {
  for (let count = Math.min(LONGEST_PHRASE, tokens.length - first); count > 1; count -= 1) {
    const typed = tokens.slice(first, first + count).map((token) => token.text);
    for (const [phrase, meaning] of meaningOf) {
      const words = phrase.split(' ');
      const slips = words.map((word, index) =>
        typingMistakes(typed[index] ?? '', word, forgiven(word.length)),
      );
      const isNear = slips.every((slip, index) => slip <= forgiven(words[index]!.length));
      if (words.length === count && isNear && slips.includes(0))
        return { first, count, meaning, guess: phrase };
    }
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
