import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { checkBeacon } from '../testing/beacon';
import { canonicalReport, hasPassed, reportSchema, verdictSchema } from './report';

describe('a report as canonical text', () => {
  const report = checkBeacon();

  test('does not depend on the order of keys', () => {
    const turned = Object.fromEntries(Object.entries(report).reverse()) as typeof report;
    expect(canonicalReport(turned)).toBe(canonicalReport(report));
  });

  test('leaves out what is undefined and keeps the order of lists', () => {
    fc.assert(
      fc.property(fc.array(fc.string()), (texts) => {
        const odd = {
          ...report,
          scenarios: [],
          findings: [],
          more: undefined,
          list: texts,
        } as unknown as typeof report;
        const text = canonicalReport(odd);
        expect(text).not.toContain('more');
        expect((JSON.parse(text) as { list: string[] }).list).toEqual(texts);
      }),
      { numRuns: 50 },
    );
  });

  test('reads back as the same report', () => {
    expect(reportSchema.parse(JSON.parse(canonicalReport(report)))).toEqual(report);
  });
});

test('two verdicts count as passed', () => {
  expect(verdictSchema.options.filter(hasPassed)).toEqual(['as-drawn', 'works-differently']);
});
