import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { addressOf, contract } from '@core/api';
import { figureText, type CloseFigure } from '@core/closing';
import { clockMinute, DAY_ENDS_S } from '@core/day';
import { effectiveEntries } from '@core/journal';
import { Button } from 'primeng/button';
import { Api } from '../data/api';
import { DayWords } from '../data/day-words';
import { DayService } from '../data/day.service';
import { carLabel } from '../data/names';
import { known, Unread } from '../shell/unread';

const MOST_SHOWN = 200;

/** The close of a day on one page; every figure opens the entries it is made of. */
@Component({
  selector: 'jl-close',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Unread],
  template: `
    <header>
      <h1>Close of the day</h1>
      <span class="muted">{{ data.date() }}, {{ asOf() }}</span>
      <span class="push"></span>
      @if (closed(); as by) {
        <p-button label="Open the day again" size="small" [outlined]="true" (onClick)="data.undo(by)" />
      } @else if (begun()) {
        <p-button label="Close the day" size="small" (onClick)="closeDay()" />
      }
      <a [href]="pdf()" target="_blank" rel="noopener">PDF</a>
      <a [href]="csv()" download>CSV</a>
    </header>
    <div class="body">
      @if (close.error()) {
        <jl-unread what="The figures" [of]="close" />
      } @else {
        <table>
          <thead>
            <tr>
              <th></th>
              <th>Today</th>
              <th>Planned</th>
              <th>{{ shown()?.before?.date ?? 'a week before' }}</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.key) {
              <tr [class.open]="opened() === row.key">
                <th scope="row">
                  @if (row.entries.length > 0) {
                    <button type="button" [attr.aria-expanded]="opened() === row.key" (click)="toggle(row.key)">
                      {{ row.label }}
                    </button>
                  } @else {
                    {{ row.label }}
                  }
                </th>
                <td>
                  <b>{{ row.today }}</b>
                </td>
                <td>{{ row.planned }}</td>
                <td class="muted">{{ row.before }}</td>
              </tr>
              @if (opened() === row.key) {
                <tr class="made-of">
                  <td colspan="4">
                    <ol>
                      @for (entry of madeOf(); track entry.id) {
                        <li>
                          <time>{{ entry.at }}</time> {{ entry.words }} <span class="muted">{{ entry.who }}</span>
                        </li>
                      }
                    </ol>
                  </td>
                </tr>
              }
            }
          </tbody>
        </table>
        <section aria-label="Before tomorrow">
          <h2>Before tomorrow</h2>
          <ul>
            @for (toDo of shown()?.today?.toDo ?? []; track $index) {
              <li>{{ tell().toDo(toDo) }}</li>
            } @empty {
              <li class="muted">Nothing is left to do.</li>
            }
          </ul>
        </section>
      }
    </div>
  `,
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
  protected readonly shown = computed(() => known(this.close));
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
