import { z } from 'zod';
import type { Result } from '../result';
import { notUnderstood, readBy } from '../words/reading';
import type { ExpectationDefinition } from './definition';
import { oneOf } from './one-of';
import type { Observed, Outcome } from './outcome';
import { singleDefinitions } from './single';

export type { Observed, Outcome } from './outcome';

/** Every sort of expectation. */
export const expectationDefinitions = [...singleDefinitions, oneOf] as const;

export const expectationSchema = z.union(expectationDefinitions.map(({ schema }) => schema));
/** What a person must see, hear or read. */
export type Expectation = Readonly<z.infer<typeof expectationSchema>>;

/** As of any expectation: each definition is given its own sort alone, which its keys tell. */
const definitions = expectationDefinitions as unknown as readonly ExpectationDefinition<Expectation>[];

function definitionOf(expectation: Expectation): ExpectationDefinition<Expectation> {
  const found = definitions.find(({ keys }) => keys.every((key) => key in expectation));
  if (!found) throw new Error('no such expectation');
  return found;
}

/** Whether what an expectation asks for is left to chance, so that it takes many runs to see. */
export const isOfChance = (expectation: Expectation): boolean => 'one-of' in expectation;

/** Names of the parts that an expectation is about. */
export const partsOfExpectation = (expectation: Expectation): readonly string[] =>
  definitionOf(expectation).parts(expectation);

/** Milliseconds for which a program that meets an expectation is likely to pause. */
export const pausesOf = (expectation: Expectation): readonly number[] =>
  definitionOf(expectation).pauses?.(expectation) ?? [];

/** Checks one expectation on a run. */
export const checkExpectation = (expectation: Expectation, observed: Observed): Outcome =>
  definitionOf(expectation).check(expectation, observed);

/** An expectation as a sentence: `D1 lit 0.5 s, dark 2.5 s, over and over`. `readExpectation` reads it again. */
export const expectationSentence = (expectation: Expectation): string =>
  definitionOf(expectation).sentence.say(expectation);

/**
 * Reads an expectation as `expectationSentence` writes it, and as people say it: `D1 lit 0.5 s, dark 2.5 s`,
 * `D1 is on`, `D1 and D2 never together`, `prints "tide"`, each with `from 2 s to 6 s` and `give or take 10 %` behind
 * it where wanted.
 */
export function readExpectation(text: string): Result<Expectation> {
  const examples = expectationDefinitions.flatMap(({ example }) => example ?? []);
  return readBy(definitions, text) ?? notUnderstood(text, examples);
}
