'use client';

import type { EChartsCoreOption } from 'echarts/core';
import { useCallback } from 'react';
import { brightnessAt } from '@/core/electrics/brightness';
import { figure } from '@/core/units';
import { chartText, useChart, type ChartLook } from '../charts/useChart';

interface BrightnessCurveProps {
  readonly currentMa: number;
  /** Most that a pin should give, in mA. */
  readonly limitMa: number;
}

/** Currents at which the curve is drawn, in mA. */
const points = Array.from({ length: 81 }, (_, index) => index * 0.25);

/** How bright an LED looks against its current, with the chosen point. */
export function BrightnessCurve({ currentMa, limitMa }: BrightnessCurveProps) {
  const brightness = brightnessAt(currentMa);
  const optionOf = useCallback(
    (look: ChartLook) => brightnessOption(currentMa, limitMa, look),
    [currentMa, limitMa],
  );
  const host = useChart(optionOf);
  return (
    <figure className="mt-4">
      <div
        ref={host}
        role="img"
        aria-label={`Brightness against current: ${figure(currentMa)} mA looks ${Math.round(brightness * 100)} % bright; half the current ${Math.round(brightnessAt(currentMa / 2) * 100)} %, twice ${Math.round(brightnessAt(currentMa * 2) * 100)} %.`}
        className="h-56 w-full max-w-2xl"
      />
      <figcaption className="text-note text-soft">
        Half the current still looks {Math.round(brightnessAt(currentMa / 2) * 100)} % bright; twice as much{' '}
        {Math.round(brightnessAt(currentMa * 2) * 100)} %. Dashed: what a pin should give at most.
      </figcaption>
    </figure>
  );
}

function brightnessOption(currentMa: number, limitMa: number, look: ChartLook): EChartsCoreOption {
  const text = chartText(look, '--soft');
  const { colour } = look;
  return {
    grid: { left: 52, right: 20, top: 12, bottom: 42 },
    xAxis: {
      type: 'value',
      max: points.at(-1),
      name: 'current, mA',
      nameLocation: 'middle',
      nameGap: 26,
      nameTextStyle: text,
      axisLabel: text,
      axisLine: { lineStyle: { color: colour('--ink') } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      max: 100,
      name: 'as the eye sees it, %',
      nameLocation: 'middle',
      nameGap: 36,
      nameTextStyle: text,
      axisLabel: text,
      splitLine: { lineStyle: { color: colour('--rule') } },
    },
    series: [
      {
        type: 'line',
        showSymbol: false,
        lineStyle: { color: colour('--ink'), width: 2 },
        data: points.map((current) => [current, 100 * brightnessAt(current)]),
      },
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: colour('--risk'), width: 1.5, type: 'dashed' },
        data: [
          [limitMa, 0],
          [limitMa, 100],
        ],
      },
      {
        type: 'line',
        symbol: 'circle',
        symbolSize: 12,
        itemStyle: { color: colour('--signal') },
        lineStyle: { opacity: 0 },
        data: [[Math.min(currentMa, points.at(-1)!), 100 * brightnessAt(currentMa)]],
      },
    ],
  };
}
