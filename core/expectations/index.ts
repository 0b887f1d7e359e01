import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { watchedSeconds, type Trace } from '../rehearsal/trace';
import type { Result } from '../result';
import { seconds } from '../units';
import { notUnderstood, readBy } from '../words/reading';
import { whyOfNoSort } from '../words/sorts';
import type { ExpectationDefinition } from './definition';
import { oneOf } from './one-of';
import { momentsOf, nothingDoneTo, type Observed, type Outcome } from './outcome';
import { singleDefinitions } from './single';

export type { Observed, Outcome } from './outcome';

/** Every sort of expectation. */
export const expectationDefinitions = [...singleDefinitions, oneOf] as const;

export const expectationSchema = z.union(
  expectationDefinitions.map(({ schema }) => schema),
  { error: ({ input }) => whyOfNoSort('an expectation', input, expectationDefinitions) },
);
/** What a person must see, hear or read. */
export type Expectation = Readonly<z.infer<typeof expectationSchema>>;

/** As of any expectation: each definition is given its own sort alone, which its keys tell. */
const definitions = expectationDefinitions as unknown as readonly ExpectationDefinition<Expectation>[];

export function definitionOf(expectation: Expectation): ExpectationDefinition<Expectation> {
  const found = definitions.find(({ keys }) => keys.every((key) => key in expectation));
  if (!found) throw new Error('no such expectation');
  return found;
}

/** Whether what an expectation asks for is left to chance, so that it takes many runs to see. */
export const isOfChance = (expectation: Expectation): boolean => 'one-of' in expectation;

/** Names of the parts that an expectation is about. */
export const partsOfExpectation = (expectation: Expectation): readonly string[] => [
  ...definitionOf(expectation).parts(expectation),
  ...('after' in expectation && expectation.after !== undefined ? [expectation.after] : []),
];

/** Milliseconds for which a program that meets an expectation is likely to pause. */
export const pausesOf = (expectation: Expectation): readonly number[] =>
  definitionOf(expectation).pauses?.(expectation) ?? [];

/** What has to be read of the board by an expectation, line after line. */
export const printsOf = (expectation: Expectation): readonly string[] =>
  definitionOf(expectation).prints?.(expectation) ?? [];

/** Checks one expectation on a run. What the run was too short to show is not passed. */
export function checkExpectation(expectation: Expectation, observed: Observed): Outcome {
  if (!('after' in expectation) || expectation.after === undefined) return checkOnce(expectation, observed);
  const { after, ...rest } = expectation;
  const moments = momentsOf(after, observed);
  if (moments.length === 0) return nothingDoneTo(after);
  const outcomes = moments.map((at, index) => {
    const to = rest.to === undefined ? moments[index + 1] : at + rest.to;
    return checkOnce({ ...rest, from: at + (rest.from ?? 0), ...(to === undefined ? {} : { to }) }, observed);
  });
  const failed = outcomes.find(({ passed }) => !passed);
  return failed ?? outcomes[0]!;
}

/** Checks one expectation whose window is counted from the start. */
function checkOnce(expectation: Expectation, observed: Observed): Outcome {
  const { unseen, isNothingSeen } = unseenOf(expectation, observed.trace);
  const outcome = isNothingSeen ? undefined : definitionOf(expectation).check(expectation, observed);
  return outcome && (unseen === undefined || !outcome.passed)
    ? { ...outcome, failures: outcome.failures.map((failure) => withEnd(failure, expectation, observed)) }
    : { passed: false, observed: unseen ?? '', failures: [] };
}

/** What was seen, with the moment at which its window ends: what comes later has no part in it. */
function withEnd(failure: Observation, expectation: Expectation, { trace }: Observed): Observation {
  const { to } = expectation as { readonly to?: number | string };
  if (typeof to !== 'number') return failure;
  return {
    ...failure,
    evidence: { untilS: quantity(Math.min(to, trace.seconds), 's'), ...failure.evidence },
  };
}

/** Why a run does not show the whole window of an expectation, if so, and whether it shows nothing of it. */
function unseenOf(
  expectation: Expectation,
  trace: Trace,
): { readonly unseen?: string; readonly isNothingSeen: boolean } {
  // What answers a press has in `to` the part that is pressed.
  const { from = 0, to } = expectation as { readonly from?: number; readonly to?: number | string };
  const end = typeof to === 'number' ? to : trace.seconds;
  if (from >= trace.seconds)
    return {
      unseen: `the scenario is over at ${seconds(trace.seconds)}, before this begins`,
      isNothingSeen: true,
    };
  const until = watchedSeconds(trace);
  if (Math.min(end, trace.seconds) <= until + 1e-6) return { isNothingSeen: false };
  return {
    unseen: `the run stopped at ${seconds(until)}, too early to show this`,
    isNothingSeen: from >= until,
  };
}

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
