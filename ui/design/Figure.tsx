interface FigureProps {
  readonly amount: string;
  readonly unit: string;
}

/** A number with its unit, the unit smaller. */
export function Figure({ amount, unit }: FigureProps) {
  return (
    <span className="font-semibold whitespace-nowrap">
      {amount}
      <span className="ml-0.5 text-[0.82em] font-normal">{unit}</span>
    </span>
  );
}

interface IntervalProps {
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly limit: number;
  readonly unit: string;
  readonly limitName: string;
}

/** A value with its worst case as a thin bar on a line up to its limit. */
export function IntervalBar({ value, from, to, limit, unit, limitName }: IntervalProps) {
  const share = (amount: number): string => `${Math.max(0, Math.min(100, (100 * amount) / limit))}%`;
  return (
    <div
      className="mono mt-2 text-note"
      role="img"
      aria-label={`${value.toFixed(1)} ${unit}, worst case ${from.toFixed(1)} to ${to.toFixed(1)} ${unit}, limit ${limit} ${unit}`}
    >
      <div className="relative h-4">
        <span className="absolute inset-x-0 top-2 h-px bg-rule-strong" />
        <span
          className="absolute top-1.5 h-1 bg-signal/40"
          style={{ left: share(from), width: `calc(${share(to)} - ${share(from)})` }}
        />
        <span className="absolute top-0 h-4 w-0.5 bg-signal" style={{ left: share(value) }} />
        <span className="absolute top-0 right-0 h-4 w-0.5 bg-ink" />
      </div>
      <div className="relative h-5 text-soft">
        <span className="absolute left-0">0</span>
        <span className="absolute -translate-x-1/2 text-ink" style={{ left: share(value) }}>
          {value.toFixed(1)}
        </span>
        <span className="absolute right-0">
          {limit} {unit} {limitName}
        </span>
      </div>
    </div>
  );
}
