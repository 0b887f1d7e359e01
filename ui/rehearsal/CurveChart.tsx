'use client';

import { LineChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import type { Curve } from '@/core/rehearsal/curves';
import { useTheme } from '../shell/useTheme';

register([LineChart, GridComponent, SVGRenderer]);

interface CurveChartProps {
  readonly curve: Curve;
  /** Seconds that the whole width stands for. */
  readonly total: number;
}

/** One value over a run, drawn as it steps. */
export default function CurveChart({ curve, total }: CurveChartProps) {
  const host = useRef<HTMLDivElement>(null);
  const theme = useTheme();
  useEffect(() => {
    if (!host.current) return undefined;
    const look = getComputedStyle(host.current);
    const colour = (name: string): string => look.getPropertyValue(name).trim();
    const text = { color: colour('--ink'), fontFamily: 'inherit', fontSize: 12 };
    const chart = init(host.current, null, { renderer: 'svg' });
    const last = curve.points.at(-1);
    chart.setOption({
      animation: false,
      textStyle: { fontFamily: look.fontFamily },
      grid: { left: 46, right: 6, top: 8, bottom: 20 },
      xAxis: { type: 'value', min: 0, max: total, axisLabel: text, splitLine: { show: false } },
      yAxis: {
        type: 'value',
        scale: true,
        axisLabel: text,
        splitNumber: 2,
        splitLine: { lineStyle: { color: colour('--rule') } },
      },
      series: [
        {
          type: 'line',
          step: 'end',
          symbol: 'none',
          lineStyle: { color: colour('--signal'), width: 2 },
          data: [...curve.points, ...(last ? [[total, last[1]]] : [])],
        },
      ],
    });
    const resized = new ResizeObserver(() => chart.resize());
    resized.observe(host.current);
    return () => {
      resized.disconnect();
      chart.dispose();
    };
  }, [curve, total, theme]);
  return <div ref={host} aria-hidden="true" className="h-28 w-full" />;
}
