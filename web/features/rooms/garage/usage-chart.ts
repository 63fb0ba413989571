import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CarDay } from '@core/venue/garage';
import { axisIn, Chart, type ChartOptions } from '../../../shared/drawing/chart';

/** Laps by day; days on which a part was replaced stand out. */
@Component({
  selector: 'jl-usage-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Chart],
  template: `<jl-chart [words]="words()" [options]="options()" />`,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
  `,
})
export class UsageChart {
  readonly days = input.required<readonly CarDay[]>();
  /** All dates of the axis, also those on which this car stood. */
  readonly dates = input.required<readonly string[]>();
  protected readonly words = computed(() => {
    const laps = this.days().reduce((sum, day) => sum + day.laps, 0);
    return `Laps by day: ${laps} laps on ${this.days().length} days`;
  });
  protected readonly options = computed<ChartOptions>(() => (ink) => {
    const byDate = new Map(this.days().map((day) => [day.date, day]));
    return {
      grid: { left: 30, right: 6, top: 22, bottom: 20 },
      tooltip: {
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
        ...axisIn(ink),
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
