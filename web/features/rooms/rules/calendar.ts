import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import {
  calendar,
  daySetup,
  openDates,
  venueFields,
  WEEKDAYS,
  type Calendar,
  type DaySetup,
  type VenueFields,
  type Weekday,
} from '@core/venue/settings';
import { contract } from '@core/api';
import { faultsOf, wallClock, windowsOf, windowsText } from '@core/values';
import { format, parse, isValid } from 'date-fns';
import { Button } from 'primeng/button';
import { DatePicker } from 'primeng/datepicker';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import * as z from 'zod';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { known } from '../../../shared/data/reading';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { VenueClock } from '../../../shared/data/venue-clock';
import { formOf } from '../../../shared/forms/fields';
import { MomentField } from '../../../shared/forms/moment-field';
import { conflictOf, RecordForm } from '../../../shared/forms/record-form';

/** A calendar as it is typed: days of the year and hours in words. */
interface Draft {
  readonly weekStartsOn: Weekday;
  readonly patterns: readonly {
    readonly weekdays: readonly Weekday[];
    readonly from: string;
    readonly to: string;
    readonly hours: string;
  }[];
  readonly closed: readonly { readonly from: string; readonly to: string; readonly reason: string }[];
}

/** A date as the component library draws it; its months count from 0. */
interface DrawnDate {
  readonly day: number;
  readonly month: number;
  readonly year: number;
}

const SETUP_FIELDS = formOf<z.input<typeof daySetup>>({
  opens: { label: 'Opens', kind: 'time', optional: true, hint: 'empty: as usual' },
  closes: { label: 'Closes', kind: 'time', optional: true },
  maxCarsOnTrack: { label: 'Cars at once', kind: 'number', optional: true },
  closures: {
    label: 'Circuit closed',
    kind: 'windows',
    optional: true,
    wide: true,
    hint: 'such as 12:30–13:00 quiet half-hour',
  },
  'condition.name': { label: 'Condition', kind: 'text', optional: true },
  'condition.paceFactor': { label: 'Lap times ×', kind: 'number', decimals: 3, optional: true },
});

/** When the venue is open: seasons by weekday, single days in and out, and what one day has of its own. */
@Component({
  selector: 'jl-calendar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DatePicker, Dialog, FormsModule, InputText, MomentField, RecordForm, Select, SelectButton],
  templateUrl: './calendar.html',
  styles: `
    .body {
      display: grid;
      grid-template-columns: auto minmax(20rem, 1fr);
      gap: 1.2rem 2rem;
      align-items: start;
    }
    jl-record-form {
      display: block;
      --form-ground: var(--p-jl-paper);
    }
    .patterns {
      grid-column: 1 / -1;
    }
    h2 {
      margin: 0.9rem 0 0.4rem;
    }
    section > h2:first-child {
      margin-top: 0;
    }
    .day {
      display: grid;
      place-items: center;
      width: 100%;
      height: 100%;
      border-radius: 5px;
    }
    .open {
      background: var(--p-jl-lake-soft);
      font-weight: 700;
    }
    .booked {
      background: var(--p-jl-lake);
      color: var(--p-jl-paper);
      font-weight: 700;
    }
    .legend {
      display: flex;
      align-items: center;
      gap: 0.5rem;
      margin: 0.5rem 0 0;
    }
    .legend .day {
      width: 1.6rem;
      height: 1.6rem;
    }
    .pattern,
    .buttons {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.5rem 0.8rem;
      margin: 0.4rem 0;
    }
    .pattern input {
      width: 9.5rem;
    }
    @media (max-width: 1100px) {
      .body {
        grid-template-columns: 1fr;
      }
    }
  `,
  host: { class: 'screen' },
})
export class CalendarScreen {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly clock = inject(VenueClock);
  protected readonly data = inject(DayService);
  protected readonly setupFields = SETUP_FIELDS;
  protected readonly setupSchema = daySetup;
  protected readonly months = window.innerWidth > 1200 ? 2 : 1;
  protected readonly copying = signal(false);
  protected readonly targets = signal<readonly Date[]>([]);
  protected readonly saving = signal(false);
  protected readonly fault = signal<string | undefined>(undefined);
  /** Read once, that nothing of what is being typed is put back. */
  private readonly venue = rxResource({ stream: () => this.api.call(contract.readVenue) });
  /** As the server is known to have it now. */
  private readonly latest = linkedSignal(() => known(this.venue));
  protected readonly fields = computed(() => known(this.venue)?.fields);
  protected readonly draft = linkedSignal(() => {
    const fields = this.fields();
    return fields && draftOf(fields.calendar);
  });
  protected readonly changed = computed(() => {
    const fields = this.fields();
    return fields && JSON.stringify(this.draft()) !== JSON.stringify(draftOf(fields.calendar));
  });
  protected readonly chosen = linkedSignal(() => this.data.date() ?? this.clock.date() ?? '');
  protected readonly chosenDate = computed(() => dateOf(this.chosen()));
  private readonly summaries = computed(() => new Map(this.data.days().map((day) => [day.date, day])));
  protected readonly summary = computed(() => this.summaries().get(this.chosen()));
  /** The chosen day, where it is one; another one is read, and not the same when only its bookings change. */
  private readonly setUpDate = computed(() => (this.summary() ? this.chosen() : undefined));
  protected readonly stored = rxResource({
    params: () => this.setUpDate(),
    stream: ({ params: date }) => this.api.call(contract.readDaySetup, { params: { date } }),
  });
  /** The version that the next save goes over. */
  private readonly setupVersion = linkedSignal(() => known(this.stored)?.version);
  protected readonly setupFault = linkedSignal<unknown, string>({ source: this.stored.value, computation: () => '' });
  protected readonly own = computed(() => {
    const stored = known(this.stored);
    return stored && z.encode(daySetup, stored.fields);
  });
  protected readonly firstDay = computed(() => (this.fields()?.calendar.weekStartsOn ?? 1) % 7);
  protected readonly usualHours = computed(() => {
    const fields = this.fields();
    return fields ? `${wallClock(fields.opens)}–${wallClock(fields.closes)}` : '';
  });
  protected readonly weekdays = computed(() => {
    const first = this.draft()?.weekStartsOn ?? 1;
    return WEEKDAYS.map((_, place) => {
      const value = (((first - 1 + place) % 7) + 1) as Weekday;
      // 2024 began on a Monday.
      const on = new Date(2024, 0, value);
      return { value, label: format(on, 'EEE'), long: format(on, 'EEEE') };
    });
  });
  /** How many days the calendar gives in the year to come, as it is typed. */
  protected readonly outlook = computed(() => {
    const read = this.read();
    const today = this.clock.date();
    if (!read || !today) return '';
    const days = openDates(read, today, 365);
    if (days.length === 0) return 'No event days by the calendar in the year to come.';
    return `${days.length} event days in the year to come, the first on ${this.text(days[0]!)}.`;
  });
  protected readonly copyLabel = computed(() =>
    this.targets().length === 1 ? 'Copy to this day' : `Copy to ${this.targets().length} days`,
  );
  protected readonly whyClosed = computed(() => {
    const fields = this.fields();
    if (!fields) return '';
    const closed = fields.calendar.closed.find(({ from, to }) => from <= this.chosen() && this.chosen() <= to);
    if (closed) return `Closed for once${closed.reason ? `: ${closed.reason}` : ''}.`;
    return 'No event day.';
  });

  protected text(date: string): string {
    return date && PLAIN_WORDS.dateWithYear(date);
  }

  protected markOf({ day, month, year }: DrawnDate): { readonly look: string; readonly words: string } {
    const date = format(new Date(year, month, day), 'yyyy-MM-dd');
    const summary = this.summaries().get(date);
    if (!summary) return { look: '', words: '' };
    if (summary.bookings === 0) return { look: 'open', words: 'open' };
    return { look: 'booked', words: `${summary.bookings} bookings` };
  }

  protected choose(date: Date): void {
    this.chosen.set(format(date, 'yyyy-MM-dd'));
  }

  protected open(): void {
    this.data.open(this.chosen());
    void this.router.navigate(['/board']);
  }

  protected put(open: boolean): void {
    const params = { date: this.chosen() };
    this.api.call(contract.openCalendarDay, { params, body: { open } }).subscribe({
      next: () => this.data.reload(),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected saveSetup(setup: unknown): void {
    const params = { date: this.chosen() };
    const body = { version: this.setupVersion()!, fields: setup as DaySetup };
    this.api.call(contract.changeDaySetup, { params, body }).subscribe({
      next: () => {
        this.stored.reload();
        this.data.reload();
        this.data.say(`${this.text(params.date)} is saved. Plan it again to use it.`);
      },
      error: (error: Error) => {
        const conflict = conflictOf(error);
        if (!conflict) return this.data.refuse(error.message);
        this.setupVersion.set(conflict.version);
        this.setupFault.set('Somebody has changed this day meanwhile; save again to put yours in its place.');
      },
    });
  }

  protected copy(): void {
    const to = this.targets().map((date) => format(date, 'yyyy-MM-dd'));
    this.api.call(contract.copyDaySetup, { params: { date: this.chosen() }, body: { to } }).subscribe({
      next: ({ days }) => {
        this.copying.set(false);
        this.targets.set([]);
        this.data.reload();
        this.data.say(days === 1 ? 'Copied to one day.' : `Copied to ${days} days.`);
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected change(place: number, part: Partial<Draft['patterns'][number]>): void {
    this.edit(({ patterns, ...draft }) => ({ ...draft, patterns: changedAt(patterns, place, part) }));
  }
  protected addPattern(): void {
    const fresh = { weekdays: [6, 7] as const, from: '1 May', to: '30 September', hours: '' };
    this.edit(({ patterns, ...draft }) => ({ ...draft, patterns: [...patterns, fresh] }));
  }
  protected dropPattern(place: number): void {
    this.edit(({ patterns, ...draft }) => ({ ...draft, patterns: patterns.toSpliced(place, 1) }));
  }
  protected changeClosed(place: number, part: Partial<Draft['closed'][number]>): void {
    this.edit(({ closed, ...draft }) => ({ ...draft, closed: changedAt(closed, place, part) }));
  }
  protected addClosed(): void {
    const fresh = { from: this.chosen(), to: this.chosen(), reason: '' };
    this.edit(({ closed, ...draft }) => ({ ...draft, closed: [...closed, fresh] }));
  }
  protected dropClosed(place: number): void {
    this.edit(({ closed, ...draft }) => ({ ...draft, closed: closed.toSpliced(place, 1) }));
  }
  protected weekStart(weekStartsOn: Weekday): void {
    this.edit((draft) => ({ ...draft, weekStartsOn }));
  }

  protected save(): void {
    const result = calendar.safeParse(typedCalendar(this.draft()!));
    if (!result.success) {
      const [first] = faultsOf(result.error);
      return this.fault.set(`${first!.path}: ${first!.message}`);
    }
    const { version, fields } = this.latest()!;
    this.saving.set(true);
    this.api.call(contract.changeVenue, { body: { version, fields: { ...fields, calendar: result.data } } }).subscribe({
      next: () => {
        this.saving.set(false);
        this.venue.reload();
        this.data.reload();
        this.data.say('The calendar is saved; its days are there.');
      },
      error: (error: Error) => {
        this.saving.set(false);
        const conflict = conflictOf(error);
        if (conflict) this.meet(conflict.version, z.decode(venueFields, conflict.current as never));
        else this.data.refuse(error.message);
      },
    });
  }

  /** Somebody has changed the venue meanwhile: where that was not its calendar, this one goes beside it. */
  private meet(version: number, fields: VenueFields): void {
    const before = this.latest()!.fields.calendar;
    this.latest.update((known) => known && { ...known, version, fields });
    if (JSON.stringify(before) === JSON.stringify(fields.calendar)) this.save();
    else this.fault.set('Somebody has changed the calendar meanwhile; save again to put this one in its place.');
  }

  private edit(change: (draft: Draft) => Draft): void {
    this.fault.set(undefined);
    this.draft.update((draft) => draft && change(draft));
  }

  private read(): Calendar | undefined {
    const draft = this.draft();
    return draft && calendar.safeParse(typedCalendar(draft)).data;
  }
}

function changedAt<T>(list: readonly T[], place: number, part: Partial<T>): T[] {
  return list.map((one, at) => (at === place ? { ...one, ...part } : one));
}

const dateOf = (date: string): Date => (date ? parse(date, 'yyyy-MM-dd', new Date()) : new Date());

function draftOf({ weekStartsOn, patterns, closed }: Calendar): Draft {
  return {
    weekStartsOn,
    patterns: patterns.map(({ weekdays, from, to, hours }) => ({
      weekdays,
      from: monthDayWords(from),
      to: monthDayWords(to),
      hours: hours ? windowsText([{ from: wallClock(hours.from), to: wallClock(hours.to) }]) : '',
    })),
    closed: closed.map(({ from, to, reason = '' }) => ({ from, to, reason })),
  };
}

/** What was typed, in the form of a calendar; what cannot be read stays as it is, for the schema to refuse. */
function typedCalendar({ weekStartsOn, patterns, closed }: Draft): unknown {
  return {
    weekStartsOn,
    patterns: patterns.map(({ weekdays, from, to, hours }) => ({
      weekdays: [...weekdays].sort((a, b) => a - b),
      from: monthDayOf(from),
      to: monthDayOf(to),
      ...(hours.trim() && { hours: windowsOf(hours)[0] }),
    })),
    closed: closed.map(({ from, to, reason }) => ({ from, to, ...(reason.trim() && { reason: reason.trim() }) })),
  };
}

/** A leap year: it has every day. */
const ANY_YEAR = new Date(2024, 0, 1);

function monthDayWords(monthDay: string): string {
  return format(parse(monthDay, 'MM-dd', ANY_YEAR), 'd MMMM');
}

export function monthDayOf(text: string): string {
  const found = ['d MMMM', 'd MMM', 'MMMM d', 'MMM d', 'd.M.', 'd.M', 'MM-dd']
    .map((form) => parse(text.trim(), form, ANY_YEAR))
    .find(isValid);
  return found ? format(found, 'MM-dd') : text;
}
