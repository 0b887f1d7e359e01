import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { ownSlips } from '../testing/own-slips';
import { sampled } from '../testing/samples';
import { replaced, reportOnSlip } from '../testing/said-slips';

describe.each(ownSlips)('in $said.id', ({ said, own, slips }) => {
  const exercise = exerciseSaid(said);

  test('the program in a way of its own is right', () => {
    expect(reportOnSlip(exercise, { program: () => own }).verdict).toBe('as-drawn');
  });

  const told = sampled(slips).map(([name, code, repair, ...edits]) => ({ name, code, repair, edits }));
  test.each(told)('$name is told with its repair', ({ code, repair, edits }) => {
    const { verdict, findings } = reportOnSlip(exercise, { program: () => replaced(...edits)(own) });
    const causes = findings.filter(({ cause }) => cause);
    expect([verdict, causes.map((one) => [one.code, one.repair?.text])]).toEqual([
      'does-not-work',
      [[code, repair]],
    ]);
  });
});
