import type { Finding } from '../findings/finding';

/** Words that one sentence of a finding has at most, for readers of twelve years. */
const MOST_WORDS = 26;
/** Letters of a word that is no name in a program. */
const LONGEST_WORD = 14;

/** Names, calls and lines of a program: they are quoted, not said. */
const CODE = /“[^”]*”|\S*[(){}=<>_&|]\S*|\b[a-z]+[A-Z]\w*|\b[A-Z][a-z]+[A-Z]\w*|\w+\.\w+/g;

/** An amount that nobody takes in; numbers of a program are as long as they are. */
const LONG_NUMBER = /\d{5,}(?:\.\d+)?\s*(?:mA|A|V|mV|Ω|s|ms|µs|Hz|mW|times)\b|\d\.\d{4,}/;

/**
 * What is hard to read in what a finding says: a sentence that is too long, a word that is, a number that nobody
 * takes in, a first hint that does not ask, a hint that says again what another said.
 */
export function hardToRead({ message, hints }: Pick<Finding, 'message' | 'hints'>): readonly string[] {
  const texts = [message, ...hints];
  const found: string[] = [];
  for (const sentence of texts.flatMap((text) => text.split(/(?<=[.?!:;])\s+/))) {
    const words = sentence.split(/\s+/).filter((word) => /[a-z]/i.test(word));
    if (words.length > MOST_WORDS) found.push(`${words.length} words: ${sentence}`);
    const plain = sentence.replace(CODE, '').match(/[a-z]+/gi) ?? [];
    for (const word of plain) if (word.length > LONGEST_WORD) found.push(`long word “${word}”: ${sentence}`);
    if (LONG_NUMBER.test(sentence)) found.push(`long number: ${sentence}`);
  }
  if (!hints[0].includes('?')) found.push(`the first hint does not ask: ${hints[0]}`);
  if (new Set(hints).size < 3) found.push(`two hints are one: ${hints[0]}`);
  return found;
}
