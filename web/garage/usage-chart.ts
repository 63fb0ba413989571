import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { CarDay } from '@core/garage';
import { BarChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { inkOf } from '../drawing/ink';
import { ThemeChoice } from '../shell/theme-choice';

echarts.use([BarChart, GridComponent, TooltipComponent, CanvasRenderer]);

/** Laps by day; days on which a part was replaced stand out. */
@Component({
  selector: 'jl-usage-chart',
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
export class UsageChart {
  private readonly theme = inject(ThemeChoice);
  readonly days = input.required<readonly CarDay[]>();
  /** All dates of the axis, also those on which this car stood. */
  readonly dates = input.required<readonly string[]>();
  protected readonly words = computed(() => {
    const laps = this.days().reduce((sum, day) => sum + day.laps, 0);
    return `Laps by day: ${laps} laps on ${this.days().length} days`;
  });
  protected readonly options = computed<EChartsCoreOption>(() => {
    this.theme.dusk();
    const ink = inkOf();
    const byDate = new Map(this.days().map((day) => [day.date, day]));
    return {
      animation: false,
      textStyle: { fontFamily: 'Archivo Variable' },
      grid: { left: 30, right: 6, top: 22, bottom: 20 },
      tooltip: {
        backgroundColor: ink.panel,
        borderColor: ink.ink,
        textStyle: { color: ink.ink },
        formatter: ({ name }: { name: string }) => {
          const day = byDate.get(name);
          if (!day) return `${name}: not driven`;
          const services = day.services.map(({ what }) => `${what} replaced`).join(', ');
          return `${name}: ${day.laps} laps, ${day.drives} drives, ${day.km.toFixed(0)} km${services ? `, ${services}` : ''}`;
        },
      },
      xAxis: {
        type: 'category',
        data: [...this.dates()],
        axisLabel: {
          color: ink.muted,
          formatter: (date: string) => `${Number(date.slice(8))}.${Number(date.slice(5, 7))}.`,
        },
        axisTick: { show: false },
        axisLine: { lineStyle: { color: ink.line } },
      },
      yAxis: {
        type: 'value',
        name: 'laps',
        nameTextStyle: { color: ink.muted },
        axisLabel: { color: ink.muted },
        splitLine: { lineStyle: { color: ink.line } },
      },
      series: [
        {
          type: 'bar',
          barCategoryGap: '25%',
          data: this.dates().map((date) => ({
            value: byDate.get(date)?.laps ?? 0,
            itemStyle: { color: byDate.get(date)?.services.length ? ink.amberMark : ink.lake },
          })),
        },
      ],
    };
  });
}
