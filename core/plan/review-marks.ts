import type { Deduction } from '../formats/rubric';
import { plainNumber } from '../units';

/** Marks of a hand-in, with where they come from. */
export interface Marks {
  readonly earned: number;
  readonly of: number;
  /** Why they are other than what the scenarios gave; nothing when they are those. */
  readonly reason: string;
}

/** What a hand-in loses before anybody has decided of it. */
type Deductions = readonly Deduction[];

/** What a decision says that bears on the marks. */
interface Deciding {
  readonly outcome: 'accepted' | 'returned' | null;
  readonly marks: number | null;
  readonly reason: string;
}

/**
 * The marks of a hand-in after what was decided of it, first to last: those that the last override gave; else all of
 * them when it was accepted; else those of its report; less what its rubric takes off, to nothing at least. `undefined`
 * while it has none of either.
 */
export function marksAfter(
  given: { readonly earned: number; readonly of: number } | undefined,
  decisions: readonly Deciding[],
  isAccepted: boolean,
  deductions: Deductions = [],
): Marks | undefined {
  const override = decisions.findLast(({ marks }) => marks !== null);
  const of = given?.of ?? override?.marks ?? undefined;
  if (of === undefined) return undefined;
  if (override) return { earned: override.marks!, of, reason: override.reason };
  const outcome = decisions.findLast((decision) => decision.outcome !== null)?.outcome;
  const isTakenAsItIs = outcome === 'accepted' || (isAccepted && outcome === undefined);
  if (!isTakenAsItIs && !given) return undefined;
  const earned = isTakenAsItIs ? of : given!.earned;
  const reasons = [
    ...(isTakenAsItIs && given && given.earned < of ? ['accepted as it is'] : []),
    ...deductions.map(({ points, why }) => `${why}: −${plainNumber(points)}`),
  ];
  const off = deductions.reduce((sum, { points }) => sum + points, 0);
  return { earned: Math.max(0, earned - off), of, reason: reasons.join('; ') };
}
