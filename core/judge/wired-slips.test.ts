import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { reportOnSlip } from '../testing/said-slips';
import { wiredSlips } from '../testing/wired-slips';
import { wiredSlip } from '../testing/wired-slips/edits';

describe.each(wiredSlips)('what is wired wrongly in $said.id', ({ said, slips }) => {
  const exercise = exerciseSaid(said);

  test.each(slips)('%s', (_name, edits, verdict, codes, repairs) => {
    const report = reportOnSlip(exercise, { rows: wiredSlip(edits) });
    const causes = report.findings.filter(({ cause }) => cause);
    // Of a build that works, what it is wired otherwise is told beside.
    const told = causes.length > 0 ? causes : report.findings.filter(({ repair }) => repair);
    expect(report.verdict).toBe(verdict);
    expect(told.map(({ code }) => code)).toEqual(codes);
    expect(told.map(({ repair }) => repair?.text)).toEqual(repairs);
  });

  test('its own wiring is as drawn', () => {
    expect(reportOnSlip(exercise, {}).verdict).toBe('as-drawn');
  });
});
