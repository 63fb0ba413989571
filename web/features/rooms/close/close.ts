import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { addressOf, contract } from '@core/api';
import { figureText, type CloseFigure } from '@core/venue/closing';
import { clockMinute, DAY_ENDS_S } from '@core/values';
import { effectiveEntries } from '@core/journal';
import { Button } from 'primeng/button';
import { Api } from '../../../shared/data/api';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';
import { lastKnown } from '../../../shared/data/reading';
import { Unread } from '../../../shared/frame/unread';

const MOST_SHOWN = 200;

/** The close of a day on one page; every figure opens the entries it is made of. */
@Component({
  selector: 'jl-close',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Unread],
  templateUrl: './close.html',
  styles: `
    .body {
      display: grid;
      grid-template-columns: minmax(0, 1.5fr) minmax(15rem, 1fr);
      gap: 2rem;
      align-items: start;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 0.32rem 0.5rem;
      border-bottom: 1px solid var(--p-jl-line);
      text-align: right;
      font-weight: 500;
    }
    thead th {
      font-size: 12px;
      color: var(--p-jl-muted);
    }
    th[scope='row'] {
      text-align: left;
    }
    button {
      border: 0;
      background: none;
      padding: 0;
      min-height: 24px;
      color: var(--p-jl-lake);
      text-decoration: underline;
      text-underline-offset: 2px;
      cursor: pointer;
    }
    .made-of td {
      text-align: left;
      background: var(--p-jl-panel);
    }
    ol {
      list-style: none;
      max-height: 15rem;
      overflow: auto;
      margin: 0;
      padding: 0;
    }
    ul {
      margin: 0.4rem 0;
      padding-left: 1.1rem;
    }
    @media (max-width: 900px) {
      .body {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  host: { class: 'screen' },
})
export class Close {
  private readonly api = inject(Api);
  private readonly currency = inject(DayService).currency;
  protected readonly data = inject(DayService);
  protected readonly tell = inject(DayWords).tell;
  protected readonly opened = signal<CloseFigure['key'] | undefined>(undefined);
  /** The entry by which the day was closed, if it is. */
  protected readonly closed = computed(
    () => effectiveEntries(this.data.entries()).findLast(({ kind }) => kind === 'dayClosed')?.id,
  );
  protected readonly pdf = computed(() => addressOf(contract.closeSheet, { date: this.data.date() ?? '' }));
  protected readonly csv = computed(() => addressOf(contract.closeCsv, { date: this.data.date() ?? '' }));
  protected readonly begun = computed(() => this.data.nowS() > 0);
  protected readonly asOf = computed(() => {
    const closed = this.data.state()?.closed;
    if (closed) return `closed at ${clockMinute(closed.atS)} by ${closed.by}`;
    const nowS = this.data.nowS();
    return nowS >= DAY_ENDS_S ? 'never closed' : `as it stands at ${clockMinute(nowS)}`;
  });
  /** Read again with each entry that comes. */
  protected readonly close = rxResource({
    params: () => ({ date: this.data.date()!, entries: this.data.entries().length }),
    stream: ({ params: { date } }) => this.api.call(contract.readClose, { params: { date } }),
  });
  private readonly read = lastKnown(this.close);
  protected readonly shown = computed(() => {
    const read = this.read();
    return read?.today.date === this.data.date() ? read : undefined;
  });
  protected readonly rows = computed(() => {
    const shown = this.shown();
    const before = new Map(shown?.before?.figures.map((figure) => [figure.key, figure.value]));
    return (shown?.today.figures ?? []).map((figure) => ({
      key: figure.key,
      label: this.tell().figure(figure.key),
      entries: figure.entries,
      today: this.text(figure, figure.value),
      planned: this.text(figure, figure.planned),
      before: this.text(figure, before.get(figure.key)),
    }));
  });
  protected readonly madeOf = computed(() => {
    const ids = new Set(this.rows().find(({ key }) => key === this.opened())?.entries);
    const context = this.data.context();
    return this.data
      .entries()
      .filter(({ entry }) => ids.has(entry.id))
      .sort((a, b) => a.entry.at - b.entry.at)
      .slice(0, MOST_SHOWN)
      .map(({ entry }) => ({
        id: entry.id,
        at: clockMinute(entry.at),
        words: this.tell().entry(entry),
        who: [
          'drive' in entry ? context?.schedule.index.drives.get(entry.drive)?.guest.name : undefined,
          'guest' in entry && entry.guest ? context?.schedule.index.guests.get(entry.guest)?.name : undefined,
          'car' in entry ? carLabel(this.data.view(), entry.car) : undefined,
        ]
          .filter(Boolean)
          .join(', '),
      }));
  });

  protected toggle(key: CloseFigure['key']): void {
    this.opened.update((known) => (known === key ? undefined : key));
  }

  protected closeDay(): void {
    if (this.data.record({ kind: 'dayClosed' })) this.data.say('The day is closed, and a backup is being made.');
  }

  private text(figure: CloseFigure, value: number | undefined): string {
    return figureText(figure, value, this.currency());
  }
}
