import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { exerciseSaid } from '../testing/exercise-said';
import { mutantsOf, ownForms, withRepairs } from '../testing/own-forms';
import { reportOnSlip } from '../testing/said-slips';
import { sampled } from '../testing/samples';

/** Share of the programs that do not pass of which a repair is told. */
const MENDED = 0.85;

describe('a slip in a program of one’s own form', () => {
  const counts = { failing: 0, mended: 0 };

  test.each(ownForms)('of $said.id is mended by what is told, where something is', ({ said, own }) => {
    const exercise = exerciseSaid(said);
    const judged = (source: string) => reportOnSlip(exercise, { program: () => source });
    expect(hasPassed(judged(own).verdict)).toBe(true);
    const everyOther = mutantsOf(own, exercise.data.language ?? 'cpp').filter((_, at) => at % 2 === 0);
    for (const { name, source } of sampled(everyOther)) {
      const { verdict, findings } = judged(source);
      if (hasPassed(verdict)) continue;
      counts.failing += 1;
      const causes = findings.filter(({ cause }) => cause);
      expect(causes.length, name).toBeGreaterThan(0);
      // A block with nothing in it only compiles with what is said of it.
      if (causes.some(({ repair }) => !repair || / pass for nothing/.test(repair.text))) continue;
      counts.mended += 1;
      expect(hasPassed(judged(withRepairs(source, causes)).verdict), name).toBe(true);
    }
  });

  test('is mended nearly always', () => {
    expect(counts.failing).toBeGreaterThan(15);
    expect(counts.mended / counts.failing).toBeGreaterThanOrEqual(MENDED);
  });
});
