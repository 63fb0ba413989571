import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { dateAfter } from '@core/people/crew/at-start';
import { crewSharesOf, crewSharesOver, freeFor, mealOf } from '@core/people/crew';
import { clockMinute, spokenDuration } from '@core/values';
import { SelectButton } from 'primeng/selectbutton';
import { DayService } from '../../../shared/data/day.service';
import { axisIn, Chart, type ChartOptions } from '../../../shared/drawing/chart';
import { GarageService } from '../../../shared/data/garage.service';

const SPANS = [
  { value: 'today', label: 'Today' },
  { value: 'month', label: '30 days before' },
] as const;
const MONTH_DAYS = 30;

/** Who is free now, whose meal is in danger, and how the work is shared today and was over the last month. */
@Component({
  selector: 'jl-crew-load',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Chart, FormsModule, SelectButton],
  template: `
    <section>
      <h2>Free now for</h2>
      <select aria-label="Free now for which car" [ngModel]="car() ?? cars()[0]?.id" (ngModelChange)="car.set($event)">
        @for (one of cars(); track one.id) {
          <option [value]="one.id">{{ one.number }} {{ one.name }}</option>
        }
      </select>
      <span>{{ free() }}</span>
      @for (text of meals(); track text) {
        <p class="warn">{{ text }}</p>
      }
    </section>
    <section aria-label="Share of the work">
      <h2>
        Laps beside a fair share
        <p-selectbutton
          [options]="spans"
          optionLabel="label"
          optionValue="value"
          [allowEmpty]="false"
          [ngModel]="span()"
          (ngModelChange)="span.set($event)"
          ariaLabelledBy="span-label"
          size="small"
        />
        <span id="span-label" class="visually-hidden">Over how long</span>
      </h2>
      <jl-chart class="chart" [words]="words()" [options]="options()" />
    </section>
  `,
  styles: `
    section {
      margin-top: 1.2rem;
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
    h2 {
      display: flex;
      align-items: center;
      gap: 1rem;
    }
    p {
      margin: 0.3rem 0;
    }
  `,
})
export class CrewLoad {
  private readonly data = inject(DayService);
  private readonly garage = inject(GarageService);

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

  protected readonly spans = [...SPANS];
  protected readonly span = signal<'today' | 'month'>('today');
  private readonly shares = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    const first = dateAfter(context.day.date, -MONTH_DAYS);
    const month = this.garage.crew().filter(({ date }) => date >= first);
    const crew = context.day.instructors.map(({ id }) => id);
    const shares = this.span() === 'today' ? crewSharesOf(context, state) : crewSharesOver(month, crew);
    return shares.map((share) => ({
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
  protected readonly options = computed<ChartOptions>(() => (ink) => {
    const rows = this.shares();
    return {
      grid: { left: 104, right: 14, top: 30, bottom: 24 },
      legend: {},
      tooltip: { trigger: 'axis' },
      xAxis: { type: 'value', ...axisIn(ink) },
      yAxis: {
        type: 'category',
        inverse: true,
        data: rows.map(({ name }) => name),
        axisLabel: { color: ink.ink, interval: 0 },
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
