import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { contract } from '@core/api';
import { teachingResult, type MeanWithin, type TeachingDrive, type TeachingResult } from '@core/people/coaching';
import { of } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { axisIn, Chart, type ChartOptions } from '../../../shared/drawing/chart';
import { Manager } from '../../../shared/data/manager';
import { ManagerLock } from './manager-lock';
import { known } from '../../../shared/data/reading';
import { Unread } from '../../../shared/frame/unread';

const SAYS: Record<TeachingResult['says'], string> = {
  more: 'That is more than chance would do. What is it that works?',
  less: 'That is less than chance would do. Sit in on a drive together.',
  nothing: 'That is within what chance does: nothing to be read from it.',
  'too few': 'Too few drives to say anything.',
};

/** What the guests of one instructor gained: for a talk about teaching, one at a time, and for the manager alone. */
@Component({
  selector: 'jl-teaching',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Chart, FormsModule, ManagerLock, Unread],
  templateUrl: './teaching.html',
  styles: `
    select {
      min-height: 34px;
      margin: 0 0.7rem;
      border: 1px solid var(--p-jl-faint);
      border-radius: 5px;
      background: var(--p-jl-panel);
      color: var(--p-jl-ink);
    }
    .figures {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
      gap: 1rem;
      margin: 0.8rem 0;
    }
    .figures div {
      padding: 0.7rem 1rem;
      border: 1px solid var(--p-jl-line);
      border-radius: 8px;
      background: var(--p-jl-panel);
    }
    .figures b {
      display: block;
      font-size: 24px;
      font-stretch: 88%;
    }
    .two {
      display: grid;
      grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
      gap: 1.6rem;
    }
    .chart {
      height: 20rem;
    }
    li {
      padding: 0.2rem 0;
    }
    @media (max-width: 900px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  host: { class: 'screen' },
})
export class Teaching {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  protected readonly manager = inject(Manager);
  protected readonly says = SAYS;
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly crew = computed(() =>
    (this.data.day()?.instructors ?? [])
      .map(({ id, name }) => ({ id, name }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  protected readonly whose = computed(() => this.chosen() ?? this.crew()[0]?.id);
  protected readonly read = rxResource({
    params: () => ({ id: this.whose(), open: this.manager.access()?.open === true }),
    stream: ({ params: { id, open } }) =>
      id !== undefined && open
        ? this.api.call(contract.readTeaching, { params: { id } })
        : of({ own: [] as TeachingDrive[], crew: [] }),
  });
  private readonly drives = computed(() => known(this.read) ?? { own: [], crew: [] });
  protected readonly result = computed(() => teachingResult(this.drives().own, this.drives().crew));
  private readonly byDay = computed(() => {
    const days = new Map<string, number[]>();
    for (const { date, gain } of this.drives().own) days.set(date, [...(days.get(date) ?? []), gain]);
    return [...days].map(([date, gains]) => ({
      date,
      gains,
      mean: gains.reduce((sum, gain) => sum + gain, 0) / gains.length,
    }));
  });
  protected readonly words = computed(() =>
    this.byDay()
      .map(({ date, gains, mean }) => `${date}: ${(mean * 100).toFixed(1)} % in ${gains.length} drives`)
      .join('; '),
  );
  protected readonly options = computed<ChartOptions>(() => (ink) => {
    const days = this.byDay();
    const percentOf = (share: number) => Math.round(share * 1000) / 10;
    return {
      legend: { left: 'auto', right: 0 },
      grid: { left: 44, right: 14, top: 34, bottom: 28 },
      xAxis: {
        type: 'category',
        data: days.map(({ date }) => `${Number(date.slice(8))}.${Number(date.slice(5, 7))}.`),
        ...axisIn(ink),
      },
      yAxis: {
        type: 'value',
        name: '% of a lap',
        ...axisIn(ink),
      },
      series: [
        {
          type: 'scatter',
          name: 'a drive',
          symbolSize: 8,
          data: days.flatMap(({ gains }, place) => gains.map((gain) => [place, percentOf(gain)])),
          itemStyle: { color: 'transparent', borderColor: ink.ink, borderWidth: 1.2 },
        },
        {
          type: 'line',
          name: 'mean of the day',
          symbol: 'diamond',
          symbolSize: 10,
          data: days.map(({ mean }) => percentOf(mean)),
          itemStyle: { color: ink.amberMark },
          lineStyle: { color: ink.amberMark, width: 1.5 },
        },
      ],
    };
  });

  protected percent({ mean, within }: MeanWithin): string {
    return `${(mean * 100).toFixed(1)} % ± ${(within * 100).toFixed(1)}`;
  }

  protected signed(it: MeanWithin): string {
    const sign = Math.abs(it.mean) < 0.0005 ? '' : it.mean > 0 ? '+' : '−';
    return `${sign}${this.percent({ ...it, mean: Math.abs(it.mean) })}`;
  }
}
