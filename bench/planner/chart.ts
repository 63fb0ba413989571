import { writeFileSync } from 'node:fs';
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

use([LineChart, GridComponent, MarkLineComponent, SVGRenderer]);

const FILE = 'docs/cost-over-time.svg';

/**
 * Draws how the cost of each day falls while it is planned, and the median of all, into `docs/`.
 *
 * @param seconds the moments at which the costs were taken
 * @param days for each day its costs, as shares of first come, first served
 */
export function drawChart(seconds: readonly number[], days: readonly (readonly number[])[]): string {
  const middle = seconds.map(
    (_, i) => [...days.map((day) => day[i]!)].sort((a, b) => a - b)[Math.floor(days.length / 2)]!,
  );
  const chart = init(null, null, { renderer: 'svg', ssr: true, width: 760, height: 360 });
  const line = (shares: readonly number[], colour: string, width: number) => ({
    type: 'line' as const,
    showSymbol: false,
    lineStyle: { color: colour, width },
    data: shares.flatMap((share, i) => (Number.isFinite(share) ? [[seconds[i]!, share]] : [])),
  });
  chart.setOption({
    animation: false,
    backgroundColor: '#FCFBF7',
    textStyle: { fontFamily: 'sans-serif', color: '#1E2328' },
    grid: { left: 60, right: 30, top: 30, bottom: 50 },
    xAxis: {
      type: 'log',
      name: 'seconds',
      nameLocation: 'middle',
      nameGap: 30,
      min: seconds[0]!,
      max: seconds.at(-1)!,
    },
    yAxis: { type: 'value', name: 'share of first come, first served', nameLocation: 'end', min: 0, max: 0.4 },
    series: [
      ...days.map((day) => line(day, '#8B8F93', 1)),
      {
        ...line(middle, '#0E5A63', 3),
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: '#5C4C9B', type: 'dashed' as const },
          label: { formatter: ({ value }: { value: unknown }) => String(value), position: 'end' as const },
          data: [{ yAxis: 0.15 }],
        },
      },
    ],
  });
  writeFileSync(FILE, chart.renderToSVGString());
  chart.dispose();
  return FILE;
}
