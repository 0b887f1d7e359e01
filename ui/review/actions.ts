import type { Decision, DecisionWish } from '@/core/messages/decision';

/** What came of a wish to decide; of hand-ins that somebody decided on meanwhile, what they decided. */
export type DecisionAnswer =
  { readonly decided: number; readonly overtaken: readonly Decision[] } | { readonly message: string };

/** What a reviewer can do. */
export interface ReviewActions {
  readonly decide: (publicationId: string, wish: DecisionWish) => Promise<DecisionAnswer>;
  /** Has everything checked again, or stops that. */
  readonly checkAgain: (publicationId: string, how: 'start' | 'cancel') => Promise<string | undefined>;
  readonly acceptCircuit: (
    publicationId: string,
    shape: string,
    accepted: 'yes' | 'no',
  ) => Promise<string | undefined>;
}
