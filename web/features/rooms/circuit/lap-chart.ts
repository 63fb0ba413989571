import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import type { CircuitStudy } from '@core/track/car';
import { LineChart } from 'echarts/charts';
import { AxisPointerComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { ECharts, EChartsCoreOption } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { inkOf } from '../../../shared/drawing/ink';
import { ThemeChoice } from '../../../shared/frame/theme-choice';

echarts.use([LineChart, GridComponent, TooltipComponent, AxisPointerComponent, MarkLineComponent, CanvasRenderer]);

const POINT_EVERY_M = 6;

/** Speed and curvature along the teaching line, over the distance; the cursor is the map's. */
@Component({
  selector: 'jl-lap-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
  template: `<div
    echarts
    role="img"
    [attr.aria-label]="'Speed and curvature along the lap of ' + car()"
    [options]="options()"
    (chartInit)="chart.set($event)"
  ></div>`,
  styles: `
    :host,
    div {
      display: block;
      height: 100%;
    }
  `,
})
export class LapChart {
  private readonly theme = inject(ThemeChoice);
  readonly study = input.required<CircuitStudy>();
  readonly car = input.required<string>();
  readonly cursorM = input<number>();
  readonly cursor = output<number>();
  protected readonly chart = signal<ECharts | undefined>(undefined);

  private readonly rows = computed(() => {
    const { teaching, shown } = this.study();
    const every = Math.max(1, Math.round(POINT_EVERY_M / teaching.stepM));
    const rows: { atM: number; kmh: number; bend: number }[] = [];
    for (let i = 0; i < teaching.xM.length; i += every) {
      rows.push({
        atM: Math.round(teaching.centreM[i]!),
        kmh: shown ? Math.round(shown.speedKmh[i]!) : 0,
        bend: Math.round(teaching.curvature[i]! * 10_000) / 10,
      });
    }
    return rows;
  });

  protected readonly options = computed<EChartsCoreOption>(() => {
    this.theme.dusk();
    const ink = inkOf();
    const rows = this.rows();
    const axis = {
      axisLine: { lineStyle: { color: ink.line } },
      axisLabel: { color: ink.muted },
      splitLine: { lineStyle: { color: ink.line } },
    };
    return {
      animation: false,
      textStyle: { fontFamily: 'Archivo Variable', color: ink.ink },
      grid: { left: 46, right: 46, top: 26, bottom: 26 },
      tooltip: {
        trigger: 'axis',
        backgroundColor: ink.panel,
        borderColor: ink.ink,
        textStyle: { color: ink.ink },
        formatter: (parts: { dataIndex: number }[]) => {
          const row = rows[parts[0]!.dataIndex]!;
          const radius =
            Math.abs(row.bend) < 0.5
              ? 'straight'
              : `radius ${Math.round(1000 / Math.abs(row.bend))} m ${row.bend > 0 ? 'left' : 'right'}`;
          return `${row.atM} m · ${row.kmh} km/h · ${radius}`;
        },
      },
      xAxis: {
        type: 'value',
        min: 0,
        max: Math.round(this.study().centre.lengthM),
        ...axis,
        axisLabel: { color: ink.muted, showMaxLabel: false },
        splitLine: { show: false },
      },
      yAxis: [
        { type: 'value', name: 'km/h', nameTextStyle: { color: ink.muted }, ...axis },
        {
          type: 'value',
          name: '1/km, left up',
          nameTextStyle: { color: ink.muted },
          ...axis,
          splitLine: { show: false },
        },
      ],
      series: [
        {
          type: 'line',
          name: 'speed',
          showSymbol: false,
          data: rows.map(({ atM, kmh }) => [atM, kmh]),
          lineStyle: { color: ink.lake, width: 2.2 },
          itemStyle: { color: ink.lake },
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: ink.faint, type: 'dotted' },
            label: { color: ink.muted, formatter: '{b}', fontSize: 10 },
            data: this.study().corners.map(({ name, taught }) => ({
              name,
              xAxis: Math.round(taught.corner.apexM % this.study().centre.lengthM),
            })),
          },
        },
        {
          type: 'line',
          name: 'curvature',
          yAxisIndex: 1,
          showSymbol: false,
          data: rows.map(({ atM, bend }) => [atM, bend]),
          lineStyle: { color: ink.muted, width: 1.1 },
          itemStyle: { color: ink.muted },
          areaStyle: { color: ink.muted, opacity: 0.08 },
        },
      ],
    };
  });

  constructor() {
    effect((onCleanup) => {
      const chart = this.chart();
      if (!chart) return;
      const tell = (event: unknown) => {
        const value = (event as { axesInfo?: { value: number }[] }).axesInfo?.[0]?.value;
        if (value !== undefined) this.cursor.emit(value);
      };
      chart.on('updateAxisPointer', tell);
      onCleanup(() => {
        if (!chart.isDisposed()) chart.off('updateAxisPointer', tell);
      });
    });
    effect(() => {
      const [chart, atM] = [this.chart(), this.cursorM()];
      if (!chart || chart.isDisposed() || atM === undefined) return;
      const rows = this.rows();
      const dataIndex = rows.findIndex((row) => row.atM >= atM);
      chart.dispatchAction({ type: 'showTip', seriesIndex: 0, dataIndex: dataIndex < 0 ? rows.length - 1 : dataIndex });
    });
  }
}
