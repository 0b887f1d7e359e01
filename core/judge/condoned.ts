import type { FindingCode } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import type { Program } from '../program';

/** What a program may be meant to do: an exercise whose own program does it wants it so. */
const MEANT: readonly FindingCode[] = ['repeats-while-held', 'double-count', 'magic-number'];

/** What is not held against a build: what the exercise’s rules allow, and what its own program does too. */
export function condonedIn(
  { data: { rules } }: Pick<Exercise, 'data'>,
  { problems }: Pick<Program, 'problems'>,
): ReadonlySet<FindingCode> {
  return new Set<FindingCode>([
    ...MEANT.filter((code) => problems.some((problem) => problem.code === code)),
    ...(rules['pinNames'] === 'numbers' ? (['magic-number'] as const) : []),
  ]);
}
