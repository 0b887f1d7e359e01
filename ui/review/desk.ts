import type { Verdict } from '@/core/formats/report';
import type { Deduction } from '@/core/formats/rubric';
import type { Decision } from '@/core/messages/decision';
import type { KnownRemark } from '@/core/plan/remarks';
import { waitsForReview, type ReviewGroup, type ReviewItem } from '@/core/plan/review';
import { marksAfter, type Marks } from '@/core/plan/review-marks';
import type { ReviewActions } from './actions';

/** A hand-in in the lists of the desk; its texts are fetched when it is opened. */
export interface ReviewedSubmission extends ReviewItem {
  readonly handedInAt: string;
  /** Whether it came in other ways than from a bench. */
  readonly isBroughtIn: boolean;
  /** Days that it is late. */
  readonly late: number;
  readonly deductions: readonly Deduction[];
  readonly marks: { readonly earned: number; readonly of: number } | undefined;
}

/** How far checking everything again has come, and of what something else is said since. */
export interface Recheck {
  readonly state: 'running' | 'ended' | 'cancelled';
  readonly done: number;
  readonly total: number;
  readonly changes: readonly {
    readonly submissionId: string;
    readonly learnerName: string;
    readonly attempt: number;
    readonly before: Verdict | null;
    readonly after: Verdict;
  }[];
}

/** Everything on the desk of one exercise and class. */
export interface DeskProps {
  readonly publicationId: string;
  readonly classId: string;
  readonly submissions: readonly ReviewedSubmission[];
  readonly decisions: readonly Decision[];
  /** Circuits that are accepted, by the hash of their shape, and by whom. */
  readonly accepted: Readonly<Record<string, string>>;
  /** The last time that everything was checked again; nothing when it never was. */
  readonly recheck: Recheck | undefined;
  readonly knownRemarks: readonly KnownRemark[];
  readonly referenceLayout: string;
  readonly referenceProgram: string;
  /** Names of learners who have not handed in. */
  readonly without: readonly string[];
  readonly actions: ReviewActions;
}

type OnDesk = Pick<DeskProps, 'decisions' | 'accepted'>;

/** What was decided of a hand-in, first to last. */
export const decisionsFor = ({ decisions }: OnDesk, id: string): readonly Decision[] =>
  decisions.filter(({ submissionId }) => submissionId === id);

/** By whom the circuit of a hand-in is accepted; `undefined` when it is not. */
export const acceptedBy = ({ accepted }: OnDesk, { verdict, shape }: ReviewItem): string | undefined =>
  verdict === 'works-differently' && shape !== null ? accepted[shape] : undefined;

/** Whether a hand-in waits for a reviewer. */
export const isOpen = (desk: OnDesk, item: ReviewItem): boolean =>
  waitsForReview(item, decisionsFor(desk, item.id).length > 0, new Set(Object.keys(desk.accepted)));

/** The marks of a hand-in as they stand. */
export const marksOf = (desk: OnDesk, item: ReviewedSubmission): Marks | undefined =>
  marksAfter(item.marks, decisionsFor(desk, item.id), acceptedBy(desk, item) !== undefined, item.deductions);

/** The next group with something open, from behind `index` on and round; `undefined` when nothing is. */
export function nextOpen(
  groups: readonly ReviewGroup<ReviewedSubmission>[],
  index: number,
  isWaiting: (item: ReviewedSubmission) => boolean,
): number | undefined {
  const order = groups.map((_, step) => (index + 1 + step) % groups.length);
  return order.find((at) => groups[at]!.items.some(isWaiting));
}
