import * as z from 'zod';
import { quantity } from '../findings/finding';
import { readBy } from '../words/reading';
import { sentence, type Slot } from '../words/sentence';
import { numberSlot, textSlot } from '../words/slots';
import { since, type ExpectationDefinition } from './definition';
import { failedWith, passed } from './outcome';
import { anySingle, singleDefinitionOf, singleSchema, type SingleExpectation } from './single';

const schema = z.strictObject({
  'one-of': z.array(singleSchema).min(2, 'chance needs at least two outcomes').max(20),
  /** How many different ones must come over the runs. */
  variety: z.int().min(1),
  /** How many runs, each with another chance. */
  over: z.int().min(1).max(200, 'at most 200 runs'),
  ...since,
});
type OneOf = z.infer<typeof schema>;

/** Sentences in brackets, with a semicolon between them; one inside of quotes is none. */
const outcomesSlot: Slot<SingleExpectation[]> = {
  write: (outcomes) => `(${outcomes.map((one) => singleDefinitionOf(one).sentence.say(one)).join('; ')})`,
  pattern: '\\(.*\\)',
  read: (text) => {
    const parts = text.slice(1, -1).match(new RegExp(`(?:${textSlot.pattern}|[^;])+`, 'gs')) ?? [];
    const outcomes = parts.flatMap((part) => {
      const read = readBy(anySingle, part);
      return read?.ok ? [read.value] : [];
    });
    return outcomes.length === parts.length ? outcomes : undefined;
  },
};

/** One of several things happens, left to chance: which one differs from run to run. */
export const oneOf: ExpectationDefinition<OneOf> = {
  keys: ['one-of'],
  schema,
  sentence: sentence<OneOf>(
    'one of {one-of}, {variety} different one<s> in {over} run<s>(, from {from}< s>|)',
    { 'one-of': outcomesSlot, variety: numberSlot, over: numberSlot, from: numberSlot },
  ),
  parts: (expectation) => expectation['one-of'].flatMap((one) => singleDefinitionOf(one).parts(one)),
  check: (expectation, observed) => {
    const outcomes = expectation['one-of'].map((outcome): SingleExpectation => ({
      from: expectation.from,
      ...outcome,
    }));
    const found = Array.from({ length: expectation.over }, (_, run) => {
      const again = run === 0 ? observed : observed.again(run + 1);
      return outcomes.findIndex((outcome) => singleDefinitionOf(outcome).check(outcome, again).passed);
    });
    const different = new Set(found.filter((index) => index >= 0)).size;
    const none = found.findIndex((index) => index < 0);
    const summary = `${different} different outcomes in ${found.length} runs${none < 0 ? '' : `, none of the allowed ones in run ${none + 1}`}`;
    if (none < 0 && different >= expectation.variety) return passed(summary);
    const first = outcomes[Math.max(0, found[0]!)]!;
    return failedWith(summary, {
      code: 'variety-off',
      severity: 'fault',
      message:
        none < 0
          ? `In ${expectation.over} runs there ${different === 1 ? 'is' : 'are'} only ${different} different ${different === 1 ? 'outcome' : 'outcomes'}: ${singleDefinitionOf(first).sentence.say(first)}. There should be at least ${expectation.variety}.`
          : `In run ${none + 1} of ${expectation.over} none of the allowed outcomes happens.`,
      hints: [
        'What in the program is left to chance, and where does the chance come from?',
        `The board starts with the same random numbers every time, unless a seed is set. ${summary}.`,
        none < 0
          ? 'Set the seed in setup from an open analog pin: randomSeed(analogRead(A0));'
          : 'Check the ends of the random range: its upper end is never reached.',
      ],
      evidence: {
        different: quantity(different, ''),
        wanted: quantity(expectation.variety, ''),
        runs: quantity(found.length, ''),
      },
    });
  },
};
