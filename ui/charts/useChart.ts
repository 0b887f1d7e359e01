'use client';

import type { EChartsCoreOption } from 'echarts/core';
import { useEffect, useRef, type RefObject } from 'react';
import { useTheme } from '../shell/useTheme';

/** What a chart is drawn with, from the page around it. */
export interface ChartLook {
  /** The value of a custom property of colour, such as `--ink`. */
  readonly colour: (name: string) => string;
  readonly fontFamily: string;
}

/**
 * Draws a chart into the element of the ref that is returned, and again when `optionOf` or the theme changes; nothing
 * where there is none. What draws weighs half a page, and is loaded with the first chart.
 */
export function useChart(
  optionOf: ((look: ChartLook) => EChartsCoreOption) | undefined,
): RefObject<HTMLDivElement | null> {
  const host = useRef<HTMLDivElement>(null);
  const theme = useTheme();
  useEffect(() => {
    const element = host.current;
    if (!element || !optionOf) return undefined;
    const style = getComputedStyle(element);
    const option = optionOf({
      colour: (name) => style.getPropertyValue(name).trim(),
      fontFamily: style.fontFamily,
    });
    let isWanted = true;
    let takeAway: (() => void) | undefined;
    // Without a connection there is no chart; its figures stand beside it.
    void import('./charts').then(
      ({ drawChart }) => {
        if (isWanted) takeAway = drawChart(element, option);
      },
      () => undefined,
    );
    return () => {
      isWanted = false;
      takeAway?.();
    };
  }, [optionOf, theme]);
  return host;
}

/** How the words of a chart look, in a colour of the page. */
export const chartText = ({ colour }: ChartLook, ink: string): object => ({
  color: colour(ink),
  fontFamily: 'inherit',
  fontSize: 12,
});
