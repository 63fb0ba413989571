import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { BarChart, CustomChart, LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { TOOLTIP_AS_TEXT } from './tooltip';
import { ThemeChoice } from '../frame/theme-choice';
import { inkOf } from './ink';

echarts.use([
  BarChart,
  CustomChart,
  LineChart,
  ScatterChart,
  GridComponent,
  LegendComponent,
  MarkLineComponent,
  TooltipComponent,
  CanvasRenderer,
]);

export type Inks = ReturnType<typeof inkOf>;
/** What a chart shows, in the colours of the theme in force. */
export type ChartOptions = (ink: Inks) => EChartsCoreOption;

/** Names and figures of an axis, and the lines across it. */
export function axisIn(ink: Inks) {
  return {
    nameTextStyle: { color: ink.muted },
    axisLabel: { color: ink.muted },
    axisTick: { show: false },
    splitLine: { lineStyle: { color: ink.line } },
  };
}

/** A chart in type and colours of the house, with the same in words for those who do not see it. It fills its parent. */
@Component({
  selector: 'jl-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
  template: `<div echarts role="img" [attr.aria-label]="words()" [options]="all()"></div>`,
  styles: `
    :host,
    div {
      display: block;
      height: 100%;
    }
  `,
})
export class Chart {
  private readonly theme = inject(ThemeChoice);
  readonly options = input.required<ChartOptions>();
  readonly words = input.required<string>();
  protected readonly all = computed((): EChartsCoreOption => {
    this.theme.dusk();
    const ink = inkOf();
    const text = { fontFamily: 'Archivo Variable', color: ink.ink };
    const { tooltip, legend, ...own } = this.options()(ink) as Record<string, object>;
    return {
      animation: false,
      textStyle: text,
      ...(legend && { legend: { top: 0, left: 0, textStyle: text, ...legend } }),
      ...(tooltip && {
        tooltip: {
          ...TOOLTIP_AS_TEXT,
          backgroundColor: ink.panel,
          borderColor: ink.ink,
          textStyle: { color: ink.ink },
          ...tooltip,
        },
      }),
      ...own,
    };
  });
}
