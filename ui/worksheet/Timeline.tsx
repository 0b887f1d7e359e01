import { seconds } from '@/core/units';
import type { ScenarioTimeline, TimelineRow } from '@/core/rehearsal/run-rows';

/** What is done in a scenario and what is seen and heard of it, drawn to scale: a row for each part, one axis. */
export function Timeline({ timeline }: { readonly timeline: ScenarioTimeline }) {
  const { scenario, seconds: total, rows } = timeline;
  return (
    <section className="mt-4" aria-label={`Run of ${scenario}`}>
      <h3 className="text-note font-semibold">{scenario}</h3>
      {rows.map((row) => (
        <div key={`${row.sort} ${row.name}`} className="mt-1 flex items-center gap-3">
          <span className="mono w-14 shrink-0 text-note font-semibold">{row.name}</span>
          <Stretches row={row} total={total} className="h-5 flex-1" />
        </div>
      ))}
      <TimeAxis total={total} className="ml-17" />
    </section>
  );
}

interface StretchesProps {
  readonly row: TimelineRow;
  /** Seconds that the whole width stands for. */
  readonly total: number;
  readonly className?: string;
}

const shareOf = (time: number, total: number): string => `${(100 * time) / total}%`;

/** When something is so, along the time. */
export function Stretches({ row, total, className = '' }: StretchesProps) {
  return (
    <div
      className={`relative overflow-hidden border-y border-rule bg-card ${className}`}
      role="img"
      aria-label={rowWords(row)}
    >
      {row.marks.map(({ from, to, strength, label, levels }) => (
        <span
          key={from}
          className={`absolute inset-y-0 overflow-hidden text-note leading-5 whitespace-nowrap ${label === undefined ? 'min-w-0.5' : 'px-1'} ${levels ? '' : looks[row.sort][strength]}`}
          style={{ left: shareOf(from, total), width: shareOf(to - from, total) }}
        >
          {levels ? <Brightness levels={levels} /> : label}
        </span>
      ))}
    </div>
  );
}

/** A light that changes: the brighter it is, the higher. */
function Brightness({ levels }: { readonly levels: readonly number[] }) {
  const points = levels.flatMap((level, index) => {
    const y = (20 * (1 - level)).toFixed(1);
    return [`${index},${y}`, `${index + 1},${y}`];
  });
  return (
    <svg
      viewBox={`0 0 ${levels.length} 20`}
      preserveAspectRatio="none"
      className="block h-full w-full"
      aria-hidden="true"
    >
      <polygon points={`0,20 ${points.join(' ')} ${levels.length},20`} className="fill-signal" />
    </svg>
  );
}

/** The seconds under a run. */
export function TimeAxis({ total, className = '' }: { readonly total: number; readonly className?: string }) {
  const ticks = Array.from({ length: Math.floor(total) + 1 }, (_, second) => second).filter(
    (second) => total <= 15 || second % 5 === 0,
  );
  return (
    <div className={`mono relative h-5 text-note text-soft ${className}`} aria-hidden="true">
      {ticks.map((second) => (
        <span
          key={second}
          className="absolute -translate-x-1/2 whitespace-nowrap"
          style={{ left: shareOf(second, total) }}
        >
          {second === 0 ? '0 s' : second}
        </span>
      ))}
    </div>
  );
}

/** What is done is drawn as an outline, what comes of it as a filled stretch. */
const looks: Readonly<Record<TimelineRow['sort'], Readonly<Record<'full' | 'faint', string>>>> = {
  done: {
    full: 'border-2 border-ink bg-paper text-ink',
    faint: 'border-l-2 border-ink text-ink',
  },
  seen: { full: 'bg-signal text-paper', faint: 'bg-signal/25 text-ink' },
  heard: { full: 'bg-sense text-paper', faint: 'bg-sense/25 text-ink' },
  turned: { full: 'border-l-2 border-ink text-ink', faint: 'border-l-2 border-ink text-ink' },
  shown: { full: 'border-l-2 border-signal text-ink', faint: 'border-l-2 border-signal text-ink' },
  printed: {
    full: 'border-l-2 border-rule-strong text-ink',
    faint: 'border-l-2 border-rule-strong text-ink',
  },
};

const verbs: Readonly<Record<TimelineRow['sort'], string>> = {
  done: 'is used',
  seen: 'is lit',
  heard: 'sounds',
  turned: 'turns',
  shown: 'shows',
  printed: 'reads',
};

function rowWords({ name, sort, marks }: TimelineRow): string {
  if (marks.length === 0) return `${name}: nothing`;
  const words = marks
    .slice(0, 6)
    .map(
      ({ from, to, label, levels }) =>
        `${label === undefined ? '' : `${label} `}${levels ? 'in changing brightness ' : ''}from ${seconds(from)} to ${seconds(to)}`,
    );
  return `${name} ${verbs[sort]} ${words.join(', ')}`;
}
