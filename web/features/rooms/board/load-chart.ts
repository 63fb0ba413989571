import { ChangeDetectionStrategy, Component, computed, inject, model } from '@angular/core';
import { clockMinute } from '@core/values';
import { bottleneckOf } from '@core/planner';
import { HeatmapChart } from 'echarts/charts';
import { GridComponent, TooltipComponent, VisualMapComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { Dialog } from 'primeng/dialog';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { TOOLTIP_AS_TEXT } from '../../../shared/drawing/tooltip';

echarts.use([HeatmapChart, GridComponent, TooltipComponent, VisualMapComponent, CanvasRenderer]);

const ROW_PX = 21;

/** How much of the circuit, of each car and of each instructor is used in each quarter hour, and what limits the day. */
@Component({
  selector: 'jl-load-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      header="Load of the day"
      [visible]="open()"
      (visibleChange)="open.set($event)"
      [modal]="true"
      [dismissableMask]="true"
      [draggable]="false"
      [style]="{ width: '70rem', maxWidth: '96vw' }"
    >
      @if (load(); as load) {
        <p class="limits">{{ tell().limit(load.limits) }}</p>
        <div
          echarts
          role="img"
          [attr.aria-label]="'Use by quarter hour. ' + tell().limit(load.limits)"
          [options]="options()!"
          [style.height.px]="height()"
        ></div>
      }
    </p-dialog>
  `,
  styles: `
    .limits {
      margin: 0 0 0.4rem;
      font-size: 1.05rem;
      font-weight: 620;
    }
  `,
})
export class LoadChart {
  private readonly data = inject(DayService);
  protected readonly tell = inject(DayWords).tell;
  readonly open = model(false);
  protected readonly load = computed(() => {
    const context = this.data.context();
    return context && bottleneckOf(context.schedule);
  });
  protected readonly height = computed(() => 60 + ROW_PX * (this.load()?.resources.length ?? 0));
  protected readonly options = computed(() => {
    const load = this.load();
    if (!load) return undefined;
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string) => style.getPropertyValue(`--p-jl-${name}`).trim();
    const [ink, muted, panel, lake, line] = ['ink', 'muted', 'panel', 'lake', 'line'].map(colour);
    const nameOf = this.tell().resource;
    const names = load.resources.map((it) => `${nameOf(it)}  ${Math.round(it.overall * 100)} %`);
    const cells = load.resources.flatMap(({ used }, row) =>
      used.flatMap((share, quarter) => (share === undefined ? [] : [[quarter, row, Math.round(share * 100)]])),
    );
    const text = { color: ink, fontFamily: 'Archivo Variable', fontSize: 11.5 };
    return {
      animation: false,
      textStyle: text,
      grid: { left: 210, right: 12, top: 26, bottom: 6 },
      tooltip: {
        ...TOOLTIP_AS_TEXT,
        backgroundColor: panel,
        borderColor: ink,
        textStyle: text,
        formatter: ({ value: [quarter, row, percent] }: { value: [number, number, number] }) =>
          `${nameOf(load.resources[row]!)}, ${clockMinute(load.quarters[quarter]!)}: ${percent} %`,
      },
      xAxis: {
        type: 'category',
        position: 'top',
        data: load.quarters.map(clockMinute),
        axisLabel: { ...text, color: muted, interval: (place: number) => load.quarters[place]! % 3600 === 0 },
        axisTick: { show: false },
        axisLine: { show: false },
      },
      yAxis: {
        type: 'category',
        inverse: true,
        data: names,
        axisLabel: { ...text, interval: 0 },
        axisTick: { show: false },
        axisLine: { show: false },
      },
      visualMap: { show: false, min: 0, max: 100, inRange: { color: [panel, lake] } },
      series: [{ type: 'heatmap', data: cells, itemStyle: { borderColor: line, borderWidth: 1 } }],
    };
  });
}
