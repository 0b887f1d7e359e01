import type { FindingCode } from '../findings/finding';
import type { Verdict } from '../formats/report';
import { byGravity, isHazard } from '../findings/order';
import { rowOf } from '../findings/table';
import { uncapital } from '../words/words';

/** A hand-in as the Review desk groups it. */
export interface ReviewItem {
  readonly id: string;
  readonly learnerId: string;
  readonly learnerName: string;
  readonly attempt: number;
  /** `null` while it waits to be judged. */
  readonly verdict: Verdict | null;
  /** Codes of the causes, first to last. */
  readonly causes: readonly FindingCode[];
  /** What tells its circuit from others; `null` when that is not known. */
  readonly shape: string | null;
}

/** Hand-ins with the same verdict and the same causes; of those that work differently, with the same circuit. */
export interface ReviewGroup<Item extends ReviewItem = ReviewItem> {
  readonly key: string;
  readonly verdict: Verdict;
  readonly codes: readonly FindingCode[];
  readonly title: string;
  readonly items: readonly Item[];
}

const order: readonly Verdict[] = [
  'does-not-work',
  'works-at-risk',
  'cannot-tell',
  'works-differently',
  'as-drawn',
];

/** The last attempt of each learner. */
export function latestOf<Item extends ReviewItem>(items: readonly Item[]): readonly Item[] {
  const latest = new Map<string, Item>();
  for (const item of items) {
    const before = latest.get(item.learnerId);
    if (!before || before.attempt < item.attempt) latest.set(item.learnerId, item);
  }
  return [...latest.values()];
}

/** Groups what has been judged by what is wrong, the most urgent group first. */
export function groupByTrouble<Item extends ReviewItem>(
  items: readonly Item[],
): readonly ReviewGroup<Item>[] {
  const groups = new Map<string, Item[]>();
  for (const item of items) {
    if (item.verdict === null) continue;
    const circuit = item.verdict === 'works-differently' ? (item.shape ?? '') : '';
    const key = [item.verdict, ...codesOf(item), circuit].join(' ');
    groups.set(key, [...(groups.get(key) ?? []), item]);
  }
  return [...groups]
    .map(([key, members]): ReviewGroup<Item> => {
      const [first] = members;
      const verdict = first!.verdict!;
      const codes = codesOf(first!);
      return {
        key,
        verdict,
        codes,
        title: titleOf(verdict, codes),
        items: [...members].sort((a, b) => a.learnerName.localeCompare(b.learnerName, 'en')),
      };
    })
    .sort(byUrgency);
}

/** The order of groups: by verdict, then a danger first, then the largest, of those the gravest, then by name. */
function byUrgency(a: ReviewGroup, b: ReviewGroup): number {
  const endangers = ({ codes }: ReviewGroup): boolean => codes.some(isHazard);
  const [one, other] = [a.codes[0], b.codes[0]];
  return (
    order.indexOf(a.verdict) - order.indexOf(b.verdict) ||
    Number(endangers(b)) - Number(endangers(a)) ||
    b.items.length - a.items.length ||
    (one && other ? byGravity(one, other) : 0) ||
    a.title.localeCompare(b.title, 'en')
  );
}

/**
 * Whether a hand-in waits for somebody to decide: nobody has, and it is neither the circuit of the exercise nor one that
 * is accepted.
 */
export const waitsForReview = (
  { verdict, shape }: Pick<ReviewItem, 'verdict' | 'shape'>,
  isDecided: boolean,
  accepted: ReadonlySet<string>,
): boolean =>
  verdict !== null &&
  !isDecided &&
  verdict !== 'as-drawn' &&
  !(verdict === 'works-differently' && shape !== null && accepted.has(shape));

/** How many learners stand at each verdict. */
export function countVerdicts(items: readonly ReviewItem[]): Readonly<Partial<Record<Verdict, number>>> {
  const counts: Partial<Record<Verdict, number>> = {};
  for (const { verdict } of items) if (verdict) counts[verdict] = (counts[verdict] ?? 0) + 1;
  return counts;
}

const codesOf = ({ causes }: ReviewItem): readonly FindingCode[] => [...new Set(causes)];

function titleOf(verdict: Verdict, codes: readonly FindingCode[]): string {
  if (codes.length > 0)
    return codes
      .map((code, index) => (index === 0 ? rowOf(code).title : uncapital(rowOf(code).title)))
      .join(', and ');
  return verdict === 'as-drawn' ? 'The circuit of the exercise' : 'Another circuit that does the job';
}
