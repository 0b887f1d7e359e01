import type { Observation } from './finding';
import { findingCodes, rowOf, type Domain, type FindingCode } from './table';

/** What is about the wiring comes before what is about the program, and that before what came of both. */
const domains: readonly Domain[] = ['wiring', 'program', 'behaviour', 'check'];

/** Whether a finding is about what was wired, or about what was written. */
export const isWiring = (code: FindingCode): boolean => rowOf(code).domain === 'wiring';
export const isProgram = (code: FindingCode): boolean => rowOf(code).domain === 'program';

/** Whether one of two findings explains the other: they are of one family, and it comes first there. */
function explains(one: FindingCode, other: FindingCode): boolean {
  const [mine, theirs] = [rowOf(one).families ?? {}, rowOf(other).families ?? {}];
  return Object.entries(mine).some(([family, place]) => place < (theirs[family as keyof typeof theirs] ?? 0));
}

const tableOrder: ReadonlyMap<FindingCode, number> = new Map(
  findingCodes.map((code, index) => [code, index]),
);

export const isHazard = (code: FindingCode): boolean => rowOf(code).isHazard ?? false;

/** Orders kinds of findings, the gravest first: hazards, then by domain and table. */
export const byGravity = (one: FindingCode, other: FindingCode): number =>
  Number(isHazard(other)) - Number(isHazard(one)) ||
  domains.indexOf(rowOf(one).domain) - domains.indexOf(rowOf(other).domain) ||
  tableOrder.get(one)! - tableOrder.get(other)!;

/** By gravity, then by place. */
function compare(a: Observation, b: Observation): number {
  return (
    byGravity(a.code, b.code) ||
    (a.line ?? 0) - (b.line ?? 0) ||
    (a.column ?? 0) - (b.column ?? 0) ||
    (a.at?.[0] ?? '').localeCompare(b.at?.[0] ?? '', 'en')
  );
}

/** Orders observations by how likely they are the cause: those that nothing explains, then the rest. */
export function byCause(observations: readonly Observation[]): readonly Observation[] {
  const codes = new Set(observations.map(({ code }) => code));
  const explained = new Set([...codes].filter((code) => [...codes].some((other) => explains(other, code))));
  return [...observations].sort(
    (a, b) => Number(explained.has(a.code)) - Number(explained.has(b.code)) || compare(a, b),
  );
}
