/** Marks of a hand-in, with where they come from. */
export interface Marks {
  readonly earned: number;
  readonly of: number;
  /** Why they are other than what the scenarios gave; nothing when they are those. */
  readonly reason: string;
}

/** What a decision says that bears on the marks. */
interface Deciding {
  readonly outcome: 'accepted' | 'returned' | null;
  readonly marks: number | null;
  readonly reason: string;
}

/**
 * The marks of a hand-in after what was decided of it, first to last: those that the last override gave; else all of
 * them when it was accepted; else those of its scenarios. `undefined` while it has none of either.
 */
export function marksAfter(
  given: { readonly earned: number; readonly of: number } | undefined,
  decisions: readonly Deciding[],
  isAccepted: boolean,
): Marks | undefined {
  const override = decisions.findLast(({ marks }) => marks !== null);
  const of = given?.of ?? override?.marks ?? undefined;
  if (of === undefined) return undefined;
  if (override) return { earned: override.marks!, of, reason: override.reason };
  const outcome = decisions.findLast((decision) => decision.outcome !== null)?.outcome;
  if (outcome === 'accepted' || (isAccepted && outcome === undefined))
    return { earned: of, of, reason: given && given.earned < of ? 'accepted as it is' : '' };
  return given && { earned: given.earned, of, reason: '' };
}
