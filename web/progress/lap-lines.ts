import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { GuestResult } from '@core/coaching';
import { lapTimeText } from '@core/day';
import { LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { inkOf } from '../drawing/ink';
import { ThemeChoice } from '../shell/theme-choice';

echarts.use([LineChart, GridComponent, TooltipComponent, LegendComponent, CanvasRenderer]);

/** The laps of a guest's drives, a line each; spoiled laps are open, the first one small. */
@Component({
  selector: 'jl-lap-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
  template: `<div echarts role="img" [attr.aria-label]="words()" [options]="options()"></div>`,
  styles: `
    :host,
    div {
      display: block;
      height: 100%;
    }
  `,
})
export class LapLines {
  private readonly theme = inject(ThemeChoice);
  readonly result = input.required<GuestResult>();
  protected readonly words = computed(() => {
    const { drives } = this.result();
    return drives
      .map(({ car, analysis }) => `${car}: ${analysis.laps.map(({ lapS }) => lapTimeText(lapS)).join(', ')}`)
      .join('; ');
  });
  protected readonly options = computed<EChartsCoreOption>(() => {
    this.theme.dusk();
    const ink = inkOf();
    const colours = [ink.lake, ink.amberMark, ink.lilac, ink.moss];
    const text = { fontFamily: 'Archivo Variable', color: ink.ink };
    return {
      animation: false,
      textStyle: text,
      grid: { left: 48, right: 12, top: 34, bottom: 28 },
      legend: { top: 2, left: 0, textStyle: { ...text }, icon: 'circle' },
      tooltip: {
        backgroundColor: ink.panel,
        borderColor: ink.ink,
        textStyle: { color: ink.ink },
        formatter: ({
          seriesName,
          data,
        }: {
          seriesName: string;
          data: { value: [number, number]; spoiled: boolean };
        }) => `${seriesName}, lap ${data.value[0]}: ${lapTimeText(data.value[1])}${data.spoiled ? ', spoiled' : ''}`,
      },
      xAxis: {
        type: 'value',
        name: 'lap',
        min: 1,
        minInterval: 1,
        nameTextStyle: { color: ink.muted },
        axisLabel: { color: ink.muted },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value',
        scale: true,
        axisLabel: { color: ink.muted, formatter: (seconds: number) => lapTimeText(seconds) },
        splitLine: { lineStyle: { color: ink.line } },
      },
      series: this.result().drives.map(({ car, analysis }, place) => {
        const colour = colours[place % colours.length]!;
        return {
          type: 'line',
          name: `${place + 1}. ${car}`,
          lineStyle: { color: colour, width: 2 },
          itemStyle: { color: colour },
          data: analysis.laps.map(({ number, lapS, spoiled, first }) => ({
            value: [number, Math.round(lapS * 10) / 10],
            spoiled,
            symbol: spoiled ? 'emptyCircle' : 'circle',
            symbolSize: spoiled ? 11 : first ? 5 : 8,
          })),
        };
      }),
    };
  });
}
