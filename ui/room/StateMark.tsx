import type { BenchState } from '@/core/plan/room';

const COLOURS: Readonly<Record<BenchState, string>> = {
  help: 'text-risk',
  stuck: 'text-fault',
  checking: 'text-ink',
  building: 'text-ink',
  begins: 'text-soft',
  done: 'text-good',
  away: 'text-soft',
};

const SHAPES: Readonly<Record<BenchState, React.ReactNode>> = {
  // A raised flag, a knot, a magnifier, bricks, a dot, a tick, a dash: told apart without colour.
  help: <path d="M3 15V1h2v1h9l-3 4 3 4H5v5Z" fill="currentColor" />,
  stuck: <path d="M2 2 14 14M14 2 2 14" stroke="currentColor" strokeWidth="3" />,
  checking: (
    <path
      d="M6.5 1.5a5 5 0 1 1 0 10 5 5 0 0 1 0-10ZM10 10l4.5 4.5"
      fill="none"
      stroke="currentColor"
      strokeWidth="2.2"
    />
  ),
  building: (
    <path
      d="M1.5 9.5h6v5h-6ZM8.5 9.5h6v5h-6ZM5 3.5h6v5H5Z"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.6"
    />
  ),
  begins: <circle cx="8" cy="8" r="3" fill="currentColor" />,
  done: <path d="m2 8.5 4 4.5L14 3" fill="none" stroke="currentColor" strokeWidth="3" />,
  away: <path d="M3 8h10" stroke="currentColor" strokeWidth="2.4" />,
};

/** How it stands at a bench, by its shape. */
export const StateMark = ({ state, size }: { readonly state: BenchState; readonly size: number }) => (
  <svg
    className={`shrink-0 ${COLOURS[state]}`}
    width={size}
    height={size}
    viewBox="0 0 16 16"
    aria-hidden="true"
  >
    {SHAPES[state]}
  </svg>
);
