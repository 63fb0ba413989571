import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent, MarkLineComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

use([LineChart, ScatterChart, GridComponent, LegendComponent, MarkLineComponent, SVGRenderer]);

/** What a price of waiting comes to. */
export interface CurvePoint {
  readonly perMin: number;
  /** Mean wait of a car at the exit, seconds. */
  readonly waitS: number;
  /** As a share of the passes without advice. */
  readonly passes: number;
}

export interface CurveLine {
  readonly name: string;
  readonly points: readonly CurvePoint[];
}

/** Passes over waiting, with the point that was chosen and the one that was wished for. */
export function curveAsSvg(lines: readonly CurveLine[], chosen: CurvePoint): string {
  const chart = init(null, null, { renderer: 'svg', ssr: true, width: 720, height: 400 });
  const dot = (name: string, at: readonly [number, number], symbol: string) => ({
    name,
    type: 'scatter' as const,
    data: [[...at]],
    symbol,
    symbolSize: 16,
    label: { show: true, formatter: name, position: 'right' as const },
  });
  chart.setOption({
    animation: false,
    backgroundColor: '#fdfcf8',
    color: ['#0f5f66', '#8a8577', '#5c4c9b', '#0f5f66', '#b3261e'],
    legend: { top: 8, data: lines.map(({ name }) => name) },
    grid: { left: 70, right: 90, top: 48, bottom: 50 },
    xAxis: { type: 'value', name: 'mean wait at the exit, s', nameLocation: 'middle', nameGap: 30, min: 0 },
    yAxis: {
      type: 'value',
      name: 'passes, share of those without advice',
      nameLocation: 'middle',
      nameGap: 42,
      min: 0.3,
      max: 1,
    },
    series: [
      ...lines.map(({ name, points }) => ({
        name,
        type: 'line' as const,
        data: points.map(({ waitS, passes }) => [Number(waitS.toFixed(1)), Number(passes.toFixed(3))]),
        symbolSize: 6,
      })),
      dot('chosen', [chosen.waitS, chosen.passes], 'circle'),
      dot('goal', [25, 0.5], 'diamond'),
    ],
  });
  const svg = chart.renderToSVGString();
  chart.dispose();
  return svg;
}
