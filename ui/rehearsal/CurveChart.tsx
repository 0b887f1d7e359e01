'use client';

import type { EChartsCoreOption } from 'echarts/core';
import { useCallback } from 'react';
import type { Curve } from '@/core/rehearsal/curves';
import { chartText, useChart, type ChartLook } from '../charts/useChart';

interface CurveChartProps {
  readonly curve: Curve;
  /** Seconds that the whole width stands for. */
  readonly total: number;
}

/** One value over a run, drawn as it steps. */
export function CurveChart({ curve, total }: CurveChartProps) {
  const optionOf = useCallback((look: ChartLook) => curveOption(curve, total, look), [curve, total]);
  const host = useChart(optionOf);
  return <div ref={host} aria-hidden="true" className="h-28 w-full" />;
}

function curveOption({ points }: Curve, total: number, look: ChartLook): EChartsCoreOption {
  const text = chartText(look, '--ink');
  const last = points.at(-1);
  return {
    textStyle: { fontFamily: look.fontFamily },
    grid: { left: 46, right: 6, top: 8, bottom: 20 },
    xAxis: { type: 'value', min: 0, max: total, axisLabel: text, splitLine: { show: false } },
    yAxis: {
      type: 'value',
      scale: true,
      axisLabel: text,
      splitNumber: 2,
      splitLine: { lineStyle: { color: look.colour('--rule') } },
    },
    series: [
      {
        type: 'line',
        step: 'end',
        symbol: 'none',
        lineStyle: { color: look.colour('--signal'), width: 2 },
        data: [...points, ...(last ? [[total, last[1]]] : [])],
      },
    ],
  };
}
