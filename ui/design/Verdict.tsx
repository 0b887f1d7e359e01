import type { Severity } from '@/core/findings/finding';
import type { Verdict } from '@/core/formats/report';

/** Words for verdicts, the same everywhere. */
export const verdictWords: Readonly<Record<Verdict, string>> = {
  'as-drawn': 'As drawn',
  'works-differently': 'Works, not as drawn',
  'works-at-risk': 'Works, at risk',
  'does-not-work': 'Does not work',
  'cannot-tell': 'Cannot tell',
};

const colours: Readonly<Record<Verdict, string>> = {
  'as-drawn': 'text-good',
  'works-differently': 'text-good',
  'works-at-risk': 'text-risk',
  'does-not-work': 'text-fault',
  'cannot-tell': 'text-soft',
};

interface MarkProps {
  readonly verdict: Verdict;
  readonly size?: number;
}

/** A verdict by its shape: filled disc, ring, diamond, notch, dash. */
export function VerdictMark({ verdict, size = 16 }: MarkProps) {
  return (
    <svg
      className={`${colours[verdict]} shrink-0`}
      width={size}
      height={size}
      viewBox="0 0 16 16"
      aria-hidden="true"
    >
      {shapes[verdict]}
    </svg>
  );
}

const shapes: Readonly<Record<Verdict, React.ReactNode>> = {
  'as-drawn': <circle cx="8" cy="8" r="6.5" fill="currentColor" />,
  'works-differently': <circle cx="8" cy="8" r="5.2" fill="none" stroke="currentColor" strokeWidth="2.8" />,
  'works-at-risk': (
    <path d="M8 1.5 14.5 8 8 14.5 1.5 8Z" fill="none" stroke="currentColor" strokeWidth="2.2" />
  ),
  'does-not-work': <path d="M2 1.5 14 8 2 14.5Z" fill="currentColor" />,
  'cannot-tell': <path d="M2 8h12" stroke="currentColor" strokeWidth="3" />,
};

/** Shape and word together. */
export function VerdictLabel({ verdict, size }: MarkProps) {
  return (
    <span className={`inline-flex items-center gap-2 font-semibold ${colours[verdict]}`}>
      <VerdictMark verdict={verdict} size={size} />
      {verdictWords[verdict]}
    </span>
  );
}

const severityWords: Readonly<Record<Severity, string>> = { fault: 'Fault', risk: 'Risk', advice: 'Advice' };
const severityColours: Readonly<Record<Severity, string>> = {
  fault: 'text-fault',
  risk: 'text-risk',
  advice: 'text-soft',
};

export function SeverityLabel({ severity }: { readonly severity: Severity }) {
  return (
    <span className={`inline-flex items-center gap-1.5 text-note font-semibold ${severityColours[severity]}`}>
      <svg width="11" height="11" viewBox="0 0 16 16" aria-hidden="true">
        {severity === 'fault' && shapes['does-not-work']}
        {severity === 'risk' && shapes['works-at-risk']}
        {severity === 'advice' && <circle cx="8" cy="8" r="4" fill="currentColor" />}
      </svg>
      {severityWords[severity]}
    </span>
  );
}

interface BarProps {
  readonly counts: Readonly<Partial<Record<Verdict, number>>>;
  readonly total: number;
}

const fills: Readonly<Record<Verdict, string>> = {
  'as-drawn': 'bg-good',
  'works-differently': 'bg-[repeating-linear-gradient(45deg,var(--good)_0_4px,var(--card)_4px_8px)]',
  'works-at-risk': 'bg-[repeating-linear-gradient(45deg,var(--risk)_0_2px,var(--card)_2px_6px)]',
  'does-not-work': 'bg-fault',
  'cannot-tell': 'bg-rule-strong',
};

/** How a class stands: a strip by verdict, with patterns so that it reads without colour. */
export function VerdictBar({ counts, total }: BarProps) {
  const order: readonly Verdict[] = [
    'as-drawn',
    'works-differently',
    'works-at-risk',
    'does-not-work',
    'cannot-tell',
  ];
  const words = order
    .filter((verdict) => counts[verdict])
    .map((verdict) => `${counts[verdict]} ${verdictWords[verdict].toLowerCase()}`);
  return (
    <span
      className="flex h-5 w-full border border-ink bg-card"
      role="img"
      aria-label={`${words.join(', ')}, of ${total}`}
    >
      {order.map((verdict) => {
        const count = counts[verdict] ?? 0;
        return count > 0 ? (
          <span
            key={verdict}
            className={`${fills[verdict]} border-r border-card last:border-r-0`}
            style={{ width: `${(100 * count) / total}%` }}
          />
        ) : null;
      })}
    </span>
  );
}
