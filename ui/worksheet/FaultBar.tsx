import { faultOutcomes, type FaultOutcome, type RehearsedFault } from '@/core/faults/outcome';

/** What came of slips, in words that follow a number. */
export const outcomeWords: Readonly<Record<FaultOutcome, string>> = {
  'right-cause': 'told by name',
  'other-cause': 'told as something else',
  mentioned: 'working, and mentioned',
  'no-difference': 'making no difference',
  'slips-through': 'getting through',
  'wrongly-caught': 'called wrong though right',
};

const fills: Readonly<Record<FaultOutcome, string>> = {
  'right-cause': 'bg-good',
  'other-cause': 'bg-[repeating-linear-gradient(45deg,var(--risk)_0_2px,var(--card)_2px_6px)]',
  mentioned: 'bg-[repeating-linear-gradient(45deg,var(--good)_0_4px,var(--card)_4px_8px)]',
  'no-difference': 'bg-wash',
  'slips-through': 'bg-fault',
  'wrongly-caught': 'bg-[repeating-linear-gradient(90deg,var(--fault)_0_3px,var(--card)_3px_6px)]',
};

const marks: Readonly<Record<FaultOutcome, { readonly colour: string; readonly shape: React.ReactNode }>> = {
  'right-cause': { colour: 'text-good', shape: <circle cx="8" cy="8" r="6" fill="currentColor" /> },
  'other-cause': {
    colour: 'text-risk',
    shape: <path d="M8 1.5 14.5 8 8 14.5 1.5 8Z" fill="none" stroke="currentColor" strokeWidth="2.2" />,
  },
  mentioned: {
    colour: 'text-good',
    shape: <circle cx="8" cy="8" r="5" fill="none" stroke="currentColor" strokeWidth="2.8" />,
  },
  'no-difference': { colour: 'text-soft', shape: <path d="M2 8h12" stroke="currentColor" strokeWidth="3" /> },
  'slips-through': { colour: 'text-fault', shape: <path d="M2 1.5 14 8 2 14.5Z" fill="currentColor" /> },
  'wrongly-caught': {
    colour: 'text-fault',
    shape: <path d="M2 2 14 14M14 2 2 14" stroke="currentColor" strokeWidth="3" />,
  },
};

/** What came of a slip, by its shape. */
export function FaultMark({ outcome }: { readonly outcome: FaultOutcome }) {
  const { colour, shape } = marks[outcome];
  return (
    <svg className={`${colour} shrink-0`} width="12" height="12" viewBox="0 0 16 16" role="img">
      <title>{outcomeWords[outcome]}</title>
      {shape}
    </svg>
  );
}

/** How the slips of an exercise came out: a strip, and the same in words. */
export function FaultBar({ faults }: { readonly faults: readonly RehearsedFault[] }) {
  const counts = faultOutcomes.flatMap((outcome) => {
    const count = faults.filter((fault) => fault.outcome === outcome).length;
    return count > 0 ? [{ outcome, count }] : [];
  });
  return (
    <div className="mt-2">
      <div className="flex h-4 w-full border border-ink bg-card" aria-hidden="true">
        {counts.map(({ outcome, count }) => (
          <span
            key={outcome}
            className={`${fills[outcome]} min-w-1 border-r border-card last:border-r-0`}
            style={{ width: `${(100 * count) / faults.length}%` }}
          />
        ))}
      </div>
      <ul className="mt-1 flex flex-wrap gap-x-5 text-note">
        {counts.map(({ outcome, count }) => (
          <li key={outcome} className="flex items-center gap-1.5">
            <FaultMark outcome={outcome} />
            <span>
              <span className="mono">{count}</span> {outcomeWords[outcome]}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
