import { BarChart, LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent } from 'echarts/components';
import { init, use as register, type EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

register([BarChart, LineChart, GridComponent, LegendComponent, SVGRenderer]);

/** Draws a chart that follows the size of its element, and returns what takes it away again. */
export function drawChart(element: HTMLElement, option: EChartsCoreOption): () => void {
  const chart = init(element, null, { renderer: 'svg' });
  chart.setOption({ animation: false, ...option });
  const resized = new ResizeObserver(() => chart.resize());
  resized.observe(element);
  return () => {
    resized.disconnect();
    chart.dispose();
  };
}
