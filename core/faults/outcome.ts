import type { FindingCode } from '../findings/finding';
import type { Verdict } from '../formats/report';
import type { Catching } from './catching';
import type { Fault } from './fault';

/**
 * What came of a slip: it is told by its right name, or by another; it works all the same, and is mentioned or not;
 * it slips through though somebody would see it, mentioned or not; or it makes the same circuit, and is called wrong.
 */
export const faultOutcomes = [
  'right-cause',
  'other-cause',
  'mentioned',
  'no-difference',
  'slips-through',
  'wrongly-caught',
] as const;
export type FaultOutcome = (typeof faultOutcomes)[number];

/** A slip with what the check said of it. */
export interface RehearsedFault extends Pick<Fault, 'sort' | 'what' | 'codes' | 'refs' | 'line'> {
  readonly outcome: FaultOutcome;
  readonly verdict: Verdict;
  /** The cause that a learner reads first, or what is mentioned of a build that works. */
  readonly told?: { readonly code: FindingCode; readonly message: string; readonly repair?: string };
  /** Of one that slips through: what would catch it. */
  readonly caughtBy?: Catching;
}
