import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { crewSharesOf, freeFor, mealOf, soleHolders } from '@core/crew';
import { clockMinute, spokenDuration } from '@core/day';
import { BarChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import type { EChartsCoreOption } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { DayService } from '../data/day.service';
import { GarageService } from '../data/garage.service';
import { inkOf } from '../drawing/ink';
import { ThemeChoice } from '../shell/theme-choice';

echarts.use([BarChart, ScatterChart, GridComponent, LegendComponent, TooltipComponent, CanvasRenderer]);

/** How the work is shared today and was over the last month, and who may teach in which car. */
@Component({
  selector: 'jl-crew-load',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
  template: `
    <div class="two">
      <section class="wide">
        <h2>Free now for</h2>
        <select
          aria-label="Free now for which car"
          [ngModel]="car() ?? cars()[0]?.id"
          (ngModelChange)="car.set($event)"
        >
          @for (one of cars(); track one.id) {
            <option [value]="one.id">{{ one.number }} {{ one.name }}</option>
          }
        </select>
        <span>{{ free() }}</span>
        @for (text of meals(); track text) {
          <p class="warn">{{ text }}</p>
        }
      </section>
      <section>
        <h2>Laps today, beside a fair share</h2>
        <div class="chart" echarts role="img" [attr.aria-label]="words()" [options]="options()"></div>
      </section>
      <section>
        <h2>Who may teach in which car</h2>
        @for (one of sole(); track one.text) {
          <p class="warn">{{ one.text }}</p>
        }
        <table>
          <thead>
            <tr>
              <th><span class="visually-hidden">Instructor</span></th>
              @for (car of cars(); track car.id) {
                <th [title]="car.name">{{ car.number }}</th>
              }
              <th>30 days</th>
            </tr>
          </thead>
          <tbody>
            @for (row of skills(); track row.id) {
              <tr>
                <th scope="row">{{ row.name }}</th>
                @for (may of row.may; track may.car) {
                  <td [class.no]="!may.yes">
                    {{ may.yes ? '●' : '' }}<span class="visually-hidden">{{ may.yes ? 'yes' : 'no' }}</span>
                  </td>
                }
                <td class="n">{{ row.month }}</td>
              </tr>
            }
          </tbody>
        </table>
      </section>
    </div>
  `,
  styles: `
    .two {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
      gap: 1.6rem;
      margin-top: 1.2rem;
    }
    .wide {
      grid-column: 1 / -1;
    }
    select {
      min-height: 34px;
      margin-right: 0.7rem;
      border: 1px solid var(--p-jl-faint);
      border-radius: 5px;
      background: var(--p-jl-panel);
      color: var(--p-jl-ink);
    }
    .chart {
      height: 19rem;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 0.18rem 0.2rem;
      border-bottom: 1px solid var(--p-jl-line);
      text-align: center;
      font-weight: 500;
    }
    th[scope='row'] {
      text-align: left;
      white-space: nowrap;
    }
    thead th {
      color: var(--p-jl-muted);
      font-size: 12px;
    }
    td {
      color: var(--p-jl-lake);
    }
    .no {
      background: var(--p-jl-sunk);
    }
    .n {
      text-align: right;
      color: var(--p-jl-ink);
      white-space: nowrap;
    }
    p {
      margin: 0.3rem 0;
    }
    @media (max-width: 1000px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class CrewLoad {
  private readonly data = inject(DayService);
  private readonly garage = inject(GarageService);
  private readonly theme = inject(ThemeChoice);

  constructor() {
    this.garage.refresh();
  }

  protected readonly car = signal<string | undefined>(undefined);
  protected readonly free = computed(() => {
    const [context, state, car] = [this.data.context(), this.data.state(), this.car() ?? this.cars()[0]?.id];
    if (!context || !state || !car) return '';
    const found = freeFor(context, state, car);
    if (found.length === 0) return 'nobody just now';
    return found
      .map(({ name, untilS }) => (untilS === undefined ? name : `${name} until ${clockMinute(untilS)}`))
      .join(', ');
  });
  /** Whose meal has no gap in the plan any more. */
  protected readonly meals = computed(() => {
    const context = this.data.context();
    if (!context) return [];
    return context.day.instructors.flatMap((who) => {
      const { from, to, durationS } = who.meal;
      const nowS = this.data.shownS();
      const meal = nowS < to ? mealOf(context, who, nowS) : undefined;
      if (meal?.state !== 'endangered' || this.data.state()?.crew.get(who.id)?.pause === 'meal') return [];
      return [
        `${who.name} has no gap for the meal from ${clockMinute(Math.max(from, nowS))} to ${clockMinute(to)}: the longest is ${spokenDuration(meal.longestS)} of ${spokenDuration(durationS)}.`,
      ];
    });
  });

  private readonly shares = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    return crewSharesOf(context, state).map((share) => ({
      ...share,
      name: context.schedule.index.instructors.get(share.instructor)?.name ?? share.instructor,
    }));
  });
  protected readonly words = computed(() =>
    this.shares()
      .map(({ name, done, planned, fair }) => `${name}: ${done} laps, ${planned} to come, ${Math.round(fair)} fair`)
      .join('; '),
  );
  protected readonly cars = computed(() => {
    const numbers = this.data.view()?.carNumbers ?? {};
    return (this.data.day()?.cars ?? []).map(({ id, name }) => ({ id, name, number: numbers[id] ?? id }));
  });
  protected readonly sole = computed(() => {
    const context = this.data.context();
    if (!context) return [];
    const { cars, instructors } = context.schedule.index;
    return soleHolders(context).map(({ car, instructor }) => ({
      text: `Only ${instructors.get(instructor)?.name ?? instructor} may teach in the ${cars.get(car)?.name ?? car}: a day without one is a day without the other.`,
    }));
  });
  protected readonly skills = computed(() => {
    const month = this.garage.crew();
    return (this.data.day()?.instructors ?? []).map(({ id, name, cars }) => ({
      id,
      name,
      may: this.cars().map(({ id: car }) => ({ car, yes: cars === 'all' || cars.includes(car) })),
      month: `${month.filter(({ instructor }) => instructor === id).reduce((sum, { laps }) => sum + laps, 0)} laps`,
    }));
  });
  protected readonly options = computed<EChartsCoreOption>(() => {
    this.theme.dusk();
    const ink = inkOf();
    const rows = this.shares();
    const text = { fontFamily: 'Archivo Variable', color: ink.ink };
    return {
      animation: false,
      textStyle: text,
      grid: { left: 104, right: 14, top: 30, bottom: 24 },
      legend: { top: 0, left: 0, textStyle: text },
      tooltip: { trigger: 'axis', backgroundColor: ink.panel, borderColor: ink.ink, textStyle: { color: ink.ink } },
      xAxis: { type: 'value', axisLabel: { color: ink.muted }, splitLine: { lineStyle: { color: ink.line } } },
      yAxis: {
        type: 'category',
        inverse: true,
        data: rows.map(({ name }) => name),
        axisLabel: { ...text, interval: 0 },
        axisTick: { show: false },
        axisLine: { show: false },
      },
      series: [
        {
          type: 'bar',
          name: 'driven',
          stack: 'laps',
          data: rows.map(({ done }) => done),
          itemStyle: { color: ink.ink },
        },
        {
          type: 'bar',
          name: 'planned',
          stack: 'laps',
          data: rows.map(({ planned }) => planned),
          itemStyle: { color: ink.panel, borderColor: ink.ink, borderWidth: 1 },
        },
        {
          type: 'scatter',
          name: 'fair share',
          symbol: 'diamond',
          symbolSize: 12,
          data: rows.map(({ fair }, place) => [Math.round(fair), place]),
          itemStyle: { color: ink.amberMark },
        },
      ],
    };
  });
}
