import type { Stimulus } from '../../stimuli';
import { NAMES, type Named } from './plain';

/** What a sentence is about: the parts, and what is done meanwhile. */
export interface Around {
  readonly parts: readonly Named[];
  readonly done: readonly Stimulus[];
}

/** The sentences that are meant, or what is missing to know. */
export type Meaning = { readonly sentences: readonly string[] } | { readonly problem: string };

export const saying = (...sentences: string[]): Meaning => ({ sentences });

export const SECONDS = String.raw`(\d+(?:\.\d+)?)(?: s)?`;
/** Time windows, as they stand behind what they are about. */
export const TAIL = '((?: (?:from|until|between|after) .*)?)';
/** A press, turn or change of a part, in whatever words. */
export const USED = `(${NAMES})(?: is (?:pressed|pushed|used|turned|touched))?`;

/** A way to say something: its pattern, and what it means; `undefined` where it means nothing after all. */
export interface Way {
  readonly pattern: RegExp;
  readonly means: (found: readonly string[], around: Around, depth: number) => Meaning | undefined;
}

/** A pattern of a whole sentence. */
export const whole = (source: string): RegExp => new RegExp(`^${source}$`, 'i');

/** A way to read sentences, as `meaning` of what is expected. */
export type Reads = (said: string, around: Around, depth: number) => Meaning | undefined;

/** The meanings of sentences together, or what is missing in one of them; `undefined` where one has none. */
export function together(
  sentences: readonly string[],
  reads: Reads,
  around: Around,
  depth: number,
): Meaning | undefined {
  const meant = sentences.map((sentence) => reads(sentence, around, depth + 1));
  const problem = meant.find((one) => one && 'problem' in one);
  if (problem) return problem;
  return meant.every((one) => one)
    ? { sentences: meant.flatMap((one) => (one && 'sentences' in one ? one.sentences : [])) }
    : undefined;
}
