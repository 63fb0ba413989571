import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output } from '@angular/core';
import { weekdayOf, type Weekday } from '@core/venue/settings';
import { dateAfter } from '@core/people/crew/at-start';
import { windowsOn, type InstructorFields, type RosterEntry } from '@core/people/crew';
import { clockMinute } from '@core/values';

/** A place of the grid that was chosen: a day of somebody, and the entry on it if there is one. */
export interface RosterPlace {
  readonly instructor: string;
  readonly date: string;
  readonly entry: RosterEntry | undefined;
}

const DAYS = 14;
const STEPS: Readonly<Record<string, readonly [row: number, day: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** Two weeks of the crew: who is there when, who is away. Arrow keys go from day to day. */
@Component({
  selector: 'jl-roster-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './roster-grid.html',
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th {
      padding: 0.2rem 0.3rem;
      color: var(--p-jl-muted);
      font-size: 12px;
      font-weight: 500;
      line-height: 1.15;
    }
    th b {
      display: block;
      color: var(--p-jl-ink);
      font-size: 14px;
    }
    .event {
      border-bottom: 3px solid var(--p-jl-lake);
    }
    .week {
      border-left: 2px solid var(--p-jl-faint);
    }
    th[scope='row'] {
      padding-right: 0.8rem;
      color: var(--p-jl-ink);
      font-size: 14px;
      text-align: left;
      white-space: nowrap;
    }
    td {
      padding: 0;
      border: 1px solid var(--p-jl-line);
      height: 38px;
    }
    button {
      display: block;
      width: 100%;
      min-height: 37px;
      padding: 0.1rem;
      border: 0;
      background: none;
      color: inherit;
      font-size: 11.5px;
      font-stretch: 80%;
      line-height: 1.2;
      cursor: pointer;
    }
    button:hover {
      background: var(--p-jl-sunk);
    }
    button:focus-visible {
      outline: 2px solid var(--p-jl-lake);
      outline-offset: -2px;
    }
    button span {
      display: block;
    }
    .usual {
      color: var(--p-jl-muted);
    }
    .shift {
      color: var(--p-jl-ink);
      font-weight: 620;
      box-shadow: inset 3px 0 var(--p-jl-lake);
    }
    .away {
      color: var(--p-jl-ink);
      background: repeating-linear-gradient(
        -45deg,
        transparent 0 5px,
        color-mix(in srgb, var(--p-jl-kerb) 16%, transparent) 5px 8px
      );
    }
    .none {
      background: var(--p-jl-sunk);
    }
  `,
})
export class RosterGrid {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  /** The first day shown. */
  readonly from = input.required<string>();
  readonly crew = input.required<readonly InstructorFields[]>();
  readonly entries = input.required<readonly RosterEntry[]>();
  /** Dates of event days. */
  readonly events = input<ReadonlySet<string>>(new Set());
  readonly weekStartsOn = input<Weekday>(1);
  readonly chosen = output<RosterPlace>();

  protected readonly days = computed(() =>
    Array.from({ length: DAYS }, (_, i) => {
      const date = dateAfter(this.from(), i);
      const at = new Date(`${date}T00:00:00Z`);
      return {
        date,
        weekday: at.toLocaleDateString('en', { weekday: 'short', timeZone: 'UTC' }),
        number: at.getUTCDate(),
        week: weekdayOf(date) === this.weekStartsOn(),
        event: this.events().has(date),
      };
    }),
  );
  protected readonly rows = computed(() =>
    this.crew().map((who, row) => ({
      id: who.id,
      name: who.name,
      first: row === 0,
      cells: this.days().map(({ date, week }, i) => {
        const own = this.entries().filter(
          ({ instructor, from, to }) => instructor === who.id && from <= date && date <= to,
        );
        const windows = windowsOn(who, this.entries(), date);
        const away = own.some(({ kind }) => kind === 'absence');
        const hours = windows.map(({ from, to }) => `${clockMinute(from)}–${clockMinute(to)}`);
        const lines = hours.length > 0 ? hours : [away ? 'away' : '–'];
        const says = hours.length > 0 ? hours.join(', ') : away ? 'away' : 'not there';
        const look = away ? 'away' : own.length > 0 ? 'shift' : windows.length > 0 ? 'usual' : 'none';
        const places = own.length > 1 ? own.map((entry) => placeOf(entry)) : [{ entry: own[0], lines, says }];
        return { date, week, first: i === 0, look, places };
      }),
    })),
  );

  protected go(event: KeyboardEvent): void {
    const step = STEPS[event.key];
    const cell = (event.target as HTMLElement).closest('td');
    if (!step || !cell) return;
    event.preventDefault();
    const row = cell.parentElement as HTMLTableRowElement;
    const table = this.host.nativeElement.querySelector('tbody')!;
    const nextRow = table.rows[Math.min(table.rows.length - 1, Math.max(0, row.sectionRowIndex + step[0]))]!;
    const column = Math.min(DAYS, Math.max(1, cell.cellIndex + step[1]));
    nextRow.cells[column]?.querySelector('button')?.focus();
  }
}

function placeOf(entry: RosterEntry): RosterPlaceLines {
  const { kind, hours } = entry;
  const times = hours ? `${clockMinute(hours.from)}–${clockMinute(hours.to)}` : 'all day';
  const words = kind === 'absence' ? `away ${times}` : times;
  return { entry, lines: [words], says: words };
}

interface RosterPlaceLines {
  readonly entry: RosterEntry;
  readonly lines: readonly string[];
  readonly says: string;
}
