import { quantity } from '../../findings/finding';
import type { Expectation, SingleExpectation } from '../../formats/scenario';
import { expectationSentence } from '../../formats/scenario-sentences';
import { failedWith, passed, type Check, type Observed, type Outcome } from './outcome';

type Chance = Extract<Expectation, { 'one-of': unknown }>;

/** Whether every run gives an allowed outcome, and enough different ones come over the runs. */
export const checkChance =
  (single: (expectation: SingleExpectation, observed: Observed) => Outcome): Check<Chance> =>
  (expectation, observed) => {
    const outcomes = expectation['one-of'].map((outcome) => ({ from: expectation.from, ...outcome }));
    const found = Array.from({ length: expectation.over }, (_, run) => {
      const again = run === 0 ? observed : observed.again(run + 1);
      return outcomes.findIndex((outcome) => single(outcome as SingleExpectation, again).passed);
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
          ? `In ${expectation.over} runs there ${different === 1 ? 'is' : 'are'} only ${different} different ${different === 1 ? 'outcome' : 'outcomes'}: ${expectationSentence(first as SingleExpectation)}. There should be at least ${expectation.variety}.`
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
  };
