import { seconds } from '@/core/units';
import type { LampTimeline } from '@/core/worksheet/proof';

/** What a lamp is seen to do over a scenario, drawn to scale. */
export function Timeline({ timeline }: { readonly timeline: LampTimeline }) {
  const { ref, intervals, seconds: total } = timeline;
  const share = (time: number): string => `${(100 * time) / total}%`;
  const words = intervals.slice(0, 6).map(({ from, to, glow }) => `${glow} ${seconds(to - from)}`);
  const ticks = Array.from({ length: Math.floor(total) + 1 }, (_, second) => second).filter(
    (second) => total <= 15 || second % 5 === 0,
  );
  return (
    <div className="mt-3 flex items-start gap-3">
      <span className="mono w-7 text-note font-semibold">{ref}</span>
      <div className="flex-1" role="img" aria-label={`${ref} as seen: ${words.join(', ')}`}>
        <div className="relative h-5 border-y border-rule bg-card">
          {intervals
            .filter(({ glow }) => glow !== 'dark')
            .map(({ from, to, glow }) => (
              <span
                key={from}
                className={`absolute inset-y-0 ${glow === 'lit' ? 'bg-signal' : 'bg-signal/25'}`}
                style={{ left: share(from), width: share(to - from) }}
              />
            ))}
        </div>
        <div className="mono relative h-5 text-note text-soft">
          {ticks.map((second) => (
            <span key={second} className="absolute -translate-x-1/2" style={{ left: share(second) }}>
              {second}
            </span>
          ))}
        </div>
      </div>
      <span className="text-note text-soft">s</span>
    </div>
  );
}
