import * as z from 'zod';
import { findingCodes, rowOf, type FindingCode } from '../findings/table';
import { plainNumber } from '../units';
import { howMany } from '../words/words';
import { pointsOf, type Scenario } from './scenario';

const pointsSchema = z.number().positive().max(100);

/** How the marks of an exercise are given beyond what its scenarios are worth. */
export const rubricSchema = z.strictObject({
  /** Findings that a hand-in is to be free of, and what that is worth. */
  rules: z
    .array(z.strictObject({ without: z.enum(findingCodes), points: pointsSchema }))
    .max(20)
    .default([]),
  /** What each day after the exercise was due takes off, and all of them at most. */
  late: z.strictObject({ eachDay: pointsSchema, most: pointsSchema }).optional(),
  /** How many tries take nothing off, what each one after them does, and all of them at most. */
  tries: z.strictObject({ free: z.int().min(1).max(50), each: pointsSchema, most: pointsSchema }).optional(),
});
export type Rubric = Readonly<z.infer<typeof rubricSchema>>;

/** Where no more is said than what scenarios are worth. */
export const NO_RUBRIC: Rubric = { rules: [] };

/** A rule of a rubric, as a report and the Worksheet name it. */
export const ruleWords = (code: FindingCode): string => `the check doesn’t say “${rowOf(code).title}”`;

/** What a hand-in loses for when and how often it came. */
export interface Deduction {
  readonly points: number;
  readonly why: string;
}

/** What an exercise is worth in the marks. */
export const pointsInAll = ({
  scenarios,
  rubric = NO_RUBRIC,
}: {
  readonly scenarios: readonly Scenario[];
  readonly rubric?: Rubric | undefined;
}): number =>
  scenarios.reduce((sum, scenario) => sum + pointsOf(scenario), 0) +
  rubric.rules.reduce((sum, { points }) => sum + points, 0);

const DAY = 24 * 60 * 60 * 1000;

/** Days that a hand-in is late, each one counted that has begun; 0 when it is not late or was never due. */
export const daysLate = (handedInAt: Date, dueAt: Date | null): number =>
  dueAt === null ? 0 : Math.max(0, Math.ceil((handedInAt.getTime() - dueAt.getTime()) / DAY));

/** What is taken off a hand-in for its lateness and for its being a late try. */
export function deductionsOf(
  { late, tries }: Rubric,
  { attempt, days }: { readonly attempt: number; readonly days: number },
): readonly Deduction[] {
  const taken: Deduction[] = [];
  if (late && days > 0)
    taken.push({ points: Math.min(late.most, days * late.eachDay), why: `${howMany(days, 'day')} late` });
  if (tries && attempt > tries.free)
    taken.push({
      points: Math.min(tries.most, (attempt - tries.free) * tries.each),
      why: `try ${attempt}`,
    });
  return taken;
}

const points = (count: number): string => `${plainNumber(count)} ${count === 1 ? 'point' : 'points'}`;

/** How an exercise is marked, in sentences for who is going to be; none where every scenario counts the same and nothing else does. */
export const markingSentences = ({
  scenarios,
  rubric,
}: {
  readonly scenarios: readonly Scenario[];
  readonly rubric?: Rubric | undefined;
}): readonly string[] =>
  rubric === undefined && scenarios.every((scenario) => pointsOf(scenario) === 1)
    ? []
    : [
        ...scenarios.map(
          (scenario) => `${points(pointsOf(scenario))} for what must be seen in “${scenario.name}”.`,
        ),
        ...rubricSentences(rubric ?? NO_RUBRIC),
      ];

/** What a rubric gives and takes off, in sentences. */
export function rubricSentences({ rules, late, tries }: Rubric): readonly string[] {
  return [
    ...rules.map((rule) => `${points(rule.points)} when ${ruleWords(rule.without)}.`),
    ...(late ? [`Each day late takes off ${points(late.eachDay)}, ${points(late.most)} at most.`] : []),
    ...(tries
      ? [
          `The first ${tries.free === 1 ? 'try takes' : `${tries.free} tries take`} nothing off; each one after takes off ${points(tries.each)}, ${points(tries.most)} at most.`,
        ]
      : []),
  ];
}
