import * as z from 'zod';
import { findingSchema, type FindingCode } from '../findings/finding';

export const verdictSchema = z.enum([
  'as-drawn',
  'works-differently',
  'works-at-risk',
  'does-not-work',
  'cannot-tell',
]);
export type Verdict = z.infer<typeof verdictSchema>;

/** Verdicts that count as passed. */
export const hasPassed = (verdict: Verdict): boolean =>
  verdict === 'as-drawn' || verdict === 'works-differently';

export const scenarioResultSchema = z.object({
  name: z.string(),
  passed: z.boolean(),
  expectations: z.array(z.object({ expected: z.string(), observed: z.string(), passed: z.boolean() })),
});
export type ScenarioResult = Readonly<z.infer<typeof scenarioResultSchema>>;

export const reportSchema = z.object({
  format: z.literal('didaktor/report@1'),
  verdict: verdictSchema,
  /** Of a build that does not pass: what is right already, in sentences. */
  right: z.array(z.string()).default([]),
  findings: z.array(findingSchema),
  scenarios: z.array(scenarioResultSchema),
  marks: z.object({
    earned: z.number(),
    of: z.number(),
    /** What they are made of: a scenario or a rule of the rubric each. */
    items: z.array(z.object({ for: z.string(), earned: z.number(), of: z.number() })).optional(),
  }),
  engine: z.string(),
});
export type Report = Readonly<z.infer<typeof reportSchema>>;

/** Codes of the causes of a report, first to last. */
export const causeCodes = ({ findings }: Report): readonly FindingCode[] =>
  findings.filter(({ cause }) => cause).map(({ code }) => code);

/**
 * The report as text with its keys in a fixed order, so that the same input gives the same bytes and
 * the same hash, whatever a database does to the order of keys.
 */
export const canonicalReport = (report: Report): string => JSON.stringify(sorted(report));

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, inner]) => inner !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
      .map(([key, inner]) => [key, sorted(inner)]),
  );
}
