'use client';

import { useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import { runRows, type TimelineRow } from '@/core/rehearsal/run-rows';
import { seconds } from '@/core/units';
import { useTold } from '../words/Words';
import { Stretches, TimeAxis } from '../worksheet/Timeline';
import type { Playing } from './useRehearsal';

/** Rows of a run that are shown: of a build with more, the others follow by scrolling. */
const MOST_HEIGHT = 'max-h-64';

/** What is done, seen and heard over the whole of a run, with the moment that is shown; dragged to any other. */
export function Score({
  rehearsal,
  titles,
}: {
  readonly rehearsal: Playing;
  readonly titles: readonly string[];
}) {
  const runs = useStore(rehearsal, (state) => state.runs);
  const total = useStore(rehearsal, ({ play }) => play.seconds);
  const isByHand = useStore(rehearsal, ({ play }) => play.scenario === undefined);
  const scores = useMemo(
    () =>
      runs?.runs.map(({ trace, stimuli }) =>
        runRows({ name: '', for: total, stimuli: [...stimuli] }, trace),
      ) ?? [],
    [runs, total],
  );
  const told = useTold(scores);
  const first = runs?.first;
  return (
    <section aria-label="The run over time" className="min-w-0">
      <div className={`relative overflow-y-auto ${MOST_HEIGHT}`}>
        {told.map(({ rows }, index) => (
          <div key={index}>
            {told.length > 1 && <p className="text-note font-semibold">{titles[index]}</p>}
            {shownRows(rows, index).map((row) => (
              <div key={`${row.sort} ${row.name}`} className="mt-0.5 flex items-center gap-3">
                <span className="mono w-20 shrink-0 truncate text-note font-semibold">{row.name}</span>
                <Stretches row={row} total={total} className="h-5 flex-1" />
              </div>
            ))}
          </div>
        ))}
        <div className="pointer-events-none absolute inset-y-0 right-0 left-23">
          {first && (
            <span
              className="absolute inset-y-0 border-l-2 border-dashed border-fault"
              style={{ left: `${(100 * first.at) / total}%` }}
            />
          )}
          <Now rehearsal={rehearsal} total={total} veils={isByHand} />
        </div>
      </div>
      <Scrub rehearsal={rehearsal} total={total} />
      <TimeAxis total={total} className="ml-23" />
    </section>
  );
}

/** What is done stands over the first of two only: it is the same. */
const shownRows = (rows: readonly TimelineRow[], index: number): readonly TimelineRow[] =>
  index === 0 ? rows : rows.filter(({ sort }) => sort !== 'done');

/** A line at the moment that is shown. In a run by hand what is behind it comes only if nothing is touched. */
function Now({
  rehearsal,
  total,
  veils,
}: {
  readonly rehearsal: Playing;
  readonly total: number;
  readonly veils: boolean;
}) {
  const at = useStore(rehearsal, ({ play }) => play.at);
  const left = `${(100 * at) / total}%`;
  return (
    <>
      {veils && <span className="absolute inset-y-0 right-0 bg-paper/75" style={{ left }} />}
      <span className="absolute inset-y-0 border-l-2 border-ink" style={{ left }} />
    </>
  );
}

function Scrub({ rehearsal, total }: { readonly rehearsal: Playing; readonly total: number }) {
  const at = useStore(rehearsal, ({ play }) => play.at);
  const wasGoing = useRef(false);
  return (
    <div className="ml-23 h-10">
      <input
        type="range"
        aria-label="Moment of the run"
        aria-valuetext={seconds(at)}
        min={0}
        max={total}
        step={total / 1000}
        value={at}
        onPointerDown={() => {
          wasGoing.current = rehearsal.getState().play.going === 'on';
        }}
        onPointerUp={() => {
          if (wasGoing.current) rehearsal.dispatch({ type: 'go on' });
          wasGoing.current = false;
        }}
        onChange={({ target }) => rehearsal.dispatch({ type: 'seek', at: Number(target.value) })}
        className="-mx-2 h-10 w-[calc(100%+1rem)] accent-[var(--ink)]"
      />
    </div>
  );
}
