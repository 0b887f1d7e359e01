import type { Knex } from 'knex';
import {
  daysLate,
  deductionsOf,
  NO_RUBRIC,
  rubricSchema,
  type Deduction,
  type Rubric,
} from '@/core/formats/rubric';

/** What the marks of a hand-in depend on beside its report. */
export interface Terms {
  readonly dueAt: Date | null;
  readonly rubric: Rubric;
}

const NO_TERMS: Terms = { dueAt: null, rubric: NO_RUBRIC };

/** The terms of some publications; asked for apart from the hand-ins, so that no exercise is read once for each. */
export async function termsOf(
  db: Knex,
  publicationIds: readonly string[],
): Promise<(publicationId: string) => Terms> {
  const rows = await db('publication')
    .join('revision', 'revision.id', 'publication.revision_id')
    .whereIn('publication.id', [...publicationIds])
    .select<{ id: string; due_at: Date | null; rubric: unknown }[]>(
      'publication.id',
      'publication.due_at',
      db.raw("revision.content->'rubric' as rubric"),
    );
  const known = new Map(
    rows.map(({ id, due_at: dueAt, rubric }): readonly [string, Terms] => [
      id,
      { dueAt, rubric: rubricSchema.safeParse(rubric).data ?? NO_RUBRIC },
    ]),
  );
  return (publicationId) => known.get(publicationId) ?? NO_TERMS;
}

/** By how many days a hand-in is late, and what that and its being a late try take off. */
export function dueOf(
  { dueAt, rubric }: Terms,
  { handedInAt, attempt }: { readonly handedInAt: Date; readonly attempt: number },
): { readonly late: number; readonly deductions: readonly Deduction[] } {
  const late = daysLate(handedInAt, dueAt);
  return { late, deductions: deductionsOf(rubric, { attempt, days: late }) };
}
