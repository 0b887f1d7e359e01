'use client';

import type { EChartsCoreOption } from 'echarts/core';
import { useCallback } from 'react';
import { FEWEST, type TroubleByWeek } from '@/core/plan/class-record';
import { chartText, useChart, type ChartLook } from '../charts/useChart';

/** Fills that are told apart without their colour: an ink, the gap between its lines, and how they are turned. */
const FILLS: readonly { readonly ink: string; readonly gap: number; readonly turned: number }[] = [
  { ink: '--ink', gap: 0, turned: 0 },
  { ink: '--signal', gap: 6, turned: 45 },
  { ink: '--ink', gap: 6, turned: -45 },
  { ink: '--supply', gap: 4, turned: 0 },
  { ink: '--soft', gap: 9, turned: 90 },
  { ink: '--ink', gap: 3, turned: 45 },
  { ink: '--rule-strong', gap: 12, turned: 0 },
];
const fillOf = (index: number): (typeof FILLS)[number] => FILLS[index % FILLS.length]!;
/** Width of the lines between, in pixels. */
const LINE = 2;

/** The fill of a kind, beside its name. */
function Swatch({ index }: { readonly index: number }) {
  const { ink, gap, turned } = fillOf(index);
  const lines = `repeating-linear-gradient(${turned}deg, var(--paper) 0 ${LINE}px, transparent ${LINE}px ${LINE + gap}px)`;
  return (
    <span
      aria-hidden="true"
      className="mr-2 inline-block size-3.5 translate-y-0.5 border border-rule-strong"
      style={{ backgroundColor: `var(${ink})`, ...(gap === 0 ? {} : { backgroundImage: lines }) }}
    />
  );
}

/** How often each kind of trouble came up, week by week, as bars and as a table. */
export function TroubleChart({ trouble: { weeks, kinds, of } }: { readonly trouble: TroubleByWeek }) {
  const optionOf = useCallback((look: ChartLook) => troubleOption(weeks, kinds, look), [weeks, kinds]);
  const host = useChart(weeks.length > 1 && kinds.length > 0 ? optionOf : undefined);
  if (kinds.length === 0)
    return (
      <p className="text-soft">
        {of < FEWEST
          ? `Figures appear from ${FEWEST} hand-ins on; there ${of === 1 ? 'is one' : `are ${of}`}.`
          : `No trouble in ${of} hand-ins.`}
      </p>
    );
  return (
    <div className="mt-2 grid grid-cols-1 items-start gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,34rem)]">
      {weeks.length > 1 && (
        <div ref={host} aria-hidden="true" className="h-64 w-full min-w-0 overflow-hidden" />
      )}
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <caption className="text-left text-note text-soft">
            Hand-ins with each kind, by the week that begins on; of {of} hand-ins in all. Kinds with fewer
            than {FEWEST} are counted together.
          </caption>
          <thead>
            <tr className="text-note text-soft">
              <th className="font-normal">kind</th>
              {weeks.map((week) => (
                <th key={week} className="mono px-2 text-right font-normal whitespace-nowrap">
                  {week.slice(5)}
                </th>
              ))}
              <th className="pl-2 text-right font-normal">all</th>
            </tr>
          </thead>
          <tbody>
            {kinds.map(({ title, counts, total }, kind) => (
              <tr key={title} className="border-t border-rule">
                <th scope="row" className="py-1 font-normal">
                  {weeks.length > 1 && <Swatch index={kind} />}
                  {title}
                </th>
                {counts.map((count, index) => (
                  <td key={weeks[index]} className="mono px-2 text-right">
                    {count === 0 ? '·' : count}
                  </td>
                ))}
                <td className="mono pl-2 text-right font-bold">{total}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

function troubleOption(
  weeks: TroubleByWeek['weeks'],
  kinds: TroubleByWeek['kinds'],
  look: ChartLook,
): EChartsCoreOption {
  const text = chartText(look, '--ink');
  const paper = look.colour('--paper');
  return {
    textStyle: { fontFamily: look.fontFamily },
    grid: { left: 40, right: 12, top: 12, bottom: 28 },
    xAxis: { type: 'category', data: [...weeks], axisLabel: text, axisTick: { show: false } },
    yAxis: {
      type: 'value',
      minInterval: 1,
      axisLabel: text,
      splitLine: { lineStyle: { color: look.colour('--rule') } },
    },
    series: kinds.map(({ title, counts }, index) => {
      const { ink, gap, turned } = fillOf(index);
      const decal = {
        symbol: 'rect',
        color: paper,
        dashArrayX: [1, 0],
        dashArrayY: [LINE, gap],
        rotation: (turned * Math.PI) / 180,
      };
      return {
        name: title,
        type: 'bar',
        stack: 'all',
        barMaxWidth: 56,
        itemStyle: {
          color: look.colour(ink),
          borderColor: paper,
          borderWidth: 1,
          ...(gap === 0 ? {} : { decal }),
        },
        data: [...counts],
      };
    }),
    aria: { enabled: false, decal: { show: true } },
  };
}
