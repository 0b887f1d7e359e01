import { terms, type WordChoice } from './terms';

export type { WordChoice } from './terms';

/** `LEDs` for `LED`. */
export const plural = (noun: string): string => {
  const known = terms.flatMap(({ technical, plain, plurals }) =>
    plurals ? [[technical, plurals.technical] as const, [plain, plurals.plain] as const] : [],
  );
  const irregular = known.find(([singular]) => singular === noun)?.[1];
  if (irregular !== undefined) return irregular;
  if (/[^aeiou]y$/.test(noun)) return `${noun.slice(0, -1)}ies`;
  return /(s|ch|x)$/.test(noun) ? `${noun}es` : `${noun}s`;
};

/** `3 LEDs`, `one LED`. */
export const howMany = (count: number, noun: string): string =>
  count === 1 ? `one ${noun}` : `${count} ${plural(noun)}`;

/** Letters that begin with a vowel when they are spelt: an LED, an RGB LED, an NPN transistor. */
const SPELT = /^(?:[AEFHILMNORSX][A-Z0-9]+s?\b|[AEFHILMNORSX]\d)/;
/** Begins like an o but sounds like a y or w: a one-row, a unit, a European. */
const SOUNDS_CLOSED = /^(?:one|once|uni|use|usu|eu)/i;

/** The article that a phrase takes: `a`, or `an` before a vowel as it is spoken. */
export function articleOf(phrase: string): 'a' | 'an' {
  if (SPELT.test(phrase)) return 'an';
  if (/^[A-Z]{2,}/.test(phrase)) return 'a';
  if (/^(?:8|11\b|18\b)/.test(phrase)) return 'an';
  return /^[aeiou]/i.test(phrase) && !SOUNDS_CLOSED.test(phrase) ? 'an' : 'a';
}

/** `an LED`, `a red LED`. */
export const withArticle = (phrase: string): string => `${articleOf(phrase)} ${phrase}`;

interface Exchange {
  readonly from: RegExp;
  readonly to: string;
}

/** What stands in quotes is somebody's own: a line of a program, a part line as it was typed. */
const QUOTED = /(“[^”]*”)/;

const exchanges: readonly Exchange[] = terms.flatMap(({ technical, plain }): readonly Exchange[] => [
  { from: wholeWord(plural(technical)), to: plural(plain) },
  { from: wholeWord(technical), to: plain },
]);

/** A word by itself, with the article before it; names in programs, such as LED_PIN, are none. */
function wholeWord(word: string): RegExp {
  const isAcronym = /^[A-Z]/.test(word);
  return new RegExp(`(\\b[Aa]n? )?(?<![\\w-])${word}(?![\\w(]|-\\w)`, isAcronym ? 'g' : 'gi');
}

/**
 * A sentence of the product in the words that a course uses. It is written in those of kits and data sheets, so that
 * only plain ones change anything: nouns, with their plurals, their articles and the capital at a beginning.
 */
export function inWords(sentence: string, choice: WordChoice): string {
  if (choice === 'technical') return sentence;
  return sentence
    .split(QUOTED)
    .map((piece, index) => (index % 2 === 1 ? piece : inPlainWords(piece, index === 0)))
    .join('');
}

function inPlainWords(text: string, isBeginning: boolean): string {
  return exchanges.reduce(
    (said, { from, to }) =>
      said.replace(from, (found: string, article: string | undefined, at: number) => {
        const before = said.slice(0, at);
        const startsSentence =
          (before === '' && isBeginning && /^[A-Z]/.test(found)) ||
          (/[.!?:] $/.test(before) && /^[A-Z]/.test(found));
        if (article === undefined) return startsSentence ? capital(to) : to;
        const own = withArticle(to);
        return /^A/.test(article) ? capital(own) : own;
      }),
    text,
  );
}

/** The same sentence with a capital at its beginning. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A message as a sentence of its own: with a capital and a full stop. */
export const asSentence = (message: string): string =>
  `${capital(message)}${/[.?!]$/.test(message) ? '' : '.'}`;

/** The same sentence without it, to go on with; an acronym keeps its capitals. */
export const uncapital = (text: string): string =>
  /^[A-Z]{2}/.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1);

/** The numbers from one on that stand in words in a sentence. */
export const NUMBER_WORDS = [
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
] as const;

/** A whole number in digits or, up to ten, in a word, as a pattern that is read in any letter case. */
export const NUMBER_SAID = `(?:${NUMBER_WORDS.join('|')}|\\d+)`;

/** The number that is said in digits or in a word; `NaN` where it is none. */
export function numberSaid(text: string): number {
  const place = NUMBER_WORDS.findIndex((word) => word === text.toLowerCase());
  return place < 0 ? Number(text) : place + 1;
}

/** Their places in a row, in words. */
export const ORDINAL_WORDS = [
  'first',
  'second',
  'third',
  'fourth',
  'fifth',
  'sixth',
  'seventh',
  'eighth',
] as const;

/** A whole number as it stands in a sentence: in a word up to ten. */
export const numberWord = (count: number): string => NUMBER_WORDS[count - 1] ?? String(count);

/** Joins words as a sentence does: `a, b and c`. */
export const listText = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
