import type { FindingCode } from '../finding';
import type { Report, Verdict } from '../formats/report';
import { findingTitles } from '../judge/titles';

/** A hand-in as the Review desk groups it. */
export interface ReviewItem {
  readonly id: string;
  readonly learnerId: string;
  readonly learnerName: string;
  readonly attempt: number;
  readonly report: Report;
}

/** Hand-ins with the same verdict and the same causes. */
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

/** Groups by what is wrong, most urgent verdict first, then the largest group, then by name. */
export function groupByTrouble<Item extends ReviewItem>(
  items: readonly Item[],
): readonly ReviewGroup<Item>[] {
  const groups = new Map<string, Item[]>();
  for (const item of items) {
    const key = [item.report.verdict, ...causesOf(item.report)].join(' ');
    groups.set(key, [...(groups.get(key) ?? []), item]);
  }
  return [...groups]
    .map(([key, members]): ReviewGroup<Item> => {
      const { report } = members[0]!;
      const codes = causesOf(report);
      return {
        key,
        verdict: report.verdict,
        codes,
        title: titleOf(report.verdict, codes),
        items: [...members].sort((a, b) => a.learnerName.localeCompare(b.learnerName, 'en')),
      };
    })
    .sort(
      (a, b) =>
        order.indexOf(a.verdict) - order.indexOf(b.verdict) ||
        b.items.length - a.items.length ||
        a.title.localeCompare(b.title, 'en'),
    );
}

/** How many learners stand at each verdict. */
export function countVerdicts(items: readonly ReviewItem[]): Readonly<Partial<Record<Verdict, number>>> {
  const counts: Partial<Record<Verdict, number>> = {};
  for (const { report } of items) counts[report.verdict] = (counts[report.verdict] ?? 0) + 1;
  return counts;
}

const causesOf = (report: Report): readonly FindingCode[] => [
  ...new Set(report.findings.filter((finding) => finding.cause).map((finding) => finding.code)),
];

function titleOf(verdict: Verdict, codes: readonly FindingCode[]): string {
  if (codes.length > 0)
    return codes
      .map((code, index) => (index === 0 ? findingTitles[code] : findingTitles[code].toLowerCase()))
      .join(', and ');
  return verdict === 'as-drawn' ? 'The circuit of the exercise' : 'Another circuit that does the job';
}
