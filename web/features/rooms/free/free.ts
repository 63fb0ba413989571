import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal, untracked } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { contract } from '@core/api';
import { clockMinute } from '@core/values';
import { emptyPlan } from '@core/day';
import { isThrough, planningSnapshotOf, stationOf } from '@core/journal';
import { STRETCH_S, type DayAhead, type Wanted } from '@core/planner';
import { lapsText } from '@words';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { concatMap, from, map, scan, startWith } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';
import { known } from '../../../shared/data/reading';
import { askFor } from '../../../shared/frame/requests';
import { NumberField } from '../../../shared/forms/number-field';
import { Unread } from '../../../shared/frame/unread';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { rowsOf, runWords, WHY, type Offer, type Row, type Run } from './free-model';

/** Lap times of guests of whom nothing is known: as slow as the slowest who are booked, or this. */
const PACE = 1.2;
const HOUR_S = 3600;

/** What can still be sold, before anybody has said who wants it: each car over the day, and how much in all. */
@Component({
  selector: 'jl-free',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, NumberField, Select, SelectButton, Unread],
  templateUrl: './free.html',
  styleUrl: './free.scss',
  host: { class: 'screen' },
})
export class Free {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly data = inject(DayService);
  private readonly verdicts = inject(Verdicts);
  private readonly tell = inject(DayWords).tell;
  protected readonly why = WHY;
  protected readonly words = runWords;
  protected readonly lapsText = lapsText;
  protected readonly lapChoices = [5, 8].map((laps) => ({ label: `${laps} laps`, value: laps }));
  protected readonly knowing = [
    { label: 'New here', value: true },
    { label: 'Has been to class', value: false },
  ];
  protected readonly laps = signal(5);
  protected readonly isNew = signal(true);
  private readonly wanted = computed((): Wanted => {
    const paces = this.data.day()?.guests.map(({ pace }) => pace) ?? [];
    return { laps: this.laps(), isNew: this.isNew(), pace: Math.max(PACE, ...paces) };
  });

  /** What is asked about: anew when something happens, and else once a minute. */
  private readonly asked = computed(
    () => {
      const [day, wanted] = [this.data.day(), this.wanted()];
      const minute = Math.floor(this.data.shownS() / 60);
      return day && { day, plan: this.data.plan(), entries: this.data.entries(), minute, wanted };
    },
    { equal: (a, b) => a === b || (a !== undefined && b !== undefined && sameParts(a, b)) },
  );
  protected readonly read = rxResource({
    params: () => this.asked(),
    stream: ({ params: { day, plan, wanted } }) => {
      const snapshot = planningSnapshotOf(day, plan ?? emptyPlan(day.date), untracked(this.data.state)!);
      return from(this.verdicts.stillSold(snapshot, wanted));
    },
  });
  protected readonly found = computed(() => known(this.read));
  protected readonly span = computed(() => {
    const [found, day] = [this.found(), this.data.day()];
    if (!found || !day || found.stretches.length === 0) return undefined;
    const fromS = found.stretches[0]!;
    const hours = Array.from(
      { length: Math.ceil((day.closes - fromS) / HOUR_S) + 1 },
      (_, i) => Math.ceil(fromS / HOUR_S) * HOUR_S + i * HOUR_S,
    ).filter((hourS) => hourS <= day.closes);
    return { fromS, toS: day.closes, hours };
  });
  protected readonly rows = computed(() => {
    const [found, day, view] = [this.found(), this.data.day(), this.data.view()];
    if (!found || !day) return [];
    return rowsOf(found, day.closes).map((row) => ({
      ...row,
      label: row.car === undefined ? `Any of level ${row.level}` : carLabel(view, row.car),
    }));
  });
  protected readonly summary = computed(() => {
    const found = this.found();
    if (!found) return 'Working it out…';
    if (found.more === 0) return `No room today for ${lapsText(this.laps())} more, unless somebody moves.`;
    const who = this.isNew() ? 'newcomer' : 'guest who knows the circuit';
    const all = this.isNew() ? 'newcomers' : 'guests who know the circuit';
    const count = found.more === 1 ? `one more ${who}` : `${found.more >= 40 ? '40 or more' : found.more} ${all}`;
    return `Room for ${count} today, ${lapsText(this.laps())} each; nobody moves.`;
  });
  protected readonly ready = computed(() => {
    const found = this.found();
    if (!found || !this.isNew()) return undefined;
    return found.readyS === undefined
      ? 'There is no class and sighting run any more today.'
      : `Class and sighting run are over at ${clockMinute(found.readyS)} at the earliest.`;
  });
  protected readonly groups = computed(() => {
    const index = this.data.context()?.schedule.index;
    return (this.found()?.groups ?? []).map(({ group: id, releaseS, left }) => ({
      ...{ id, left, at: clockMinute(releaseS) },
      name: index?.groups.get(id)?.name ?? id,
    }));
  });
  protected readonly seats = computed(() =>
    (['briefing', 'sighting'] as const).flatMap((kind) => {
      const own = (this.found()?.seats ?? []).filter((one) => one.kind === kind);
      const label = kind === 'briefing' ? 'Seats in classes' : 'Seats in sighting runs';
      return own.length === 0
        ? []
        : [{ label, list: own.map(({ startS, left }) => ({ at: clockMinute(startS), left })) }];
    }),
  );

  /** The row and time that is looked at closer. */
  protected readonly chosen = linkedSignal<unknown, { readonly row: string; readonly offer: Offer } | undefined>({
    source: () => this.wanted(),
    computation: () => undefined,
  });
  protected readonly detail = computed(() => {
    const chosen = this.chosen();
    const row = this.rows().find(({ id }) => id === chosen?.row);
    const run = row?.runs.find(({ offers }) => offers.some((one) => isSame(one, chosen!.offer)));
    if (!chosen || !row || !run) return undefined;
    const { offer } = chosen;
    return {
      offer,
      title: carLabel(this.data.view(), offer.car),
      out: clockMinute(offer.release),
      with: this.tell().place({ drive: '', ...offer }),
      offers: run.offers,
      row: row.id,
    };
  });
  /** Who could be sold one more: those at the desk first. */
  protected readonly guests = computed(() => {
    const state = this.data.state();
    if (!state) return [];
    return [...state.guests.values()]
      .filter((guest) => !isThrough(guest))
      .map((guest) => ({
        value: guest.guest.id,
        label: guest.guest.name,
        atDesk: stationOf(guest, state) === 'desk',
      }))
      .sort((a, b) => Number(b.atDesk) - Number(a.atDesk) || a.label.localeCompare(b.label));
  });

  /** Days to come: what is sold, and what is still free. */
  private readonly later = computed(() => {
    const today = this.data.date();
    return this.data.days().filter(({ date }) => today !== undefined && date > today);
  });
  /** Only once the list of days is known can there be none. */
  protected readonly noLater = computed(() => this.data.days().length > 0 && this.later().length === 0);
  protected readonly ahead = rxResource({
    params: () => (this.later().length > 0 ? { later: this.later().slice(0, 8), wanted: this.wanted() } : undefined),
    stream: ({ params: { later, wanted } }) =>
      from(later).pipe(
        concatMap(({ date, drives }) =>
          this.api.call(contract.readDay, { params: { date } }).pipe(
            concatMap(({ day, plan }) => from(this.verdicts.dayAhead(day, plan ?? undefined, wanted))),
            map((found) => ({ date, words: this.tell().date(date), drives, ...found })),
          ),
        ),
        scan((all, one) => [...all, one], [] as DayRow[]),
        startWith([] as DayRow[]),
      ),
  });
  protected readonly days = computed(() =>
    (known(this.ahead) ?? []).map((row) => ({ ...row, limits: this.tell().limit(row.limit) })),
  );

  protected choose(row: Row, run: Run, event?: MouseEvent): void {
    // Where the run was pressed is about when it is wanted.
    const box = (event?.currentTarget as HTMLElement | undefined)?.getBoundingClientRect();
    const share = event && event.detail > 0 && box && box.width > 0 ? (event.clientX - box.left) / box.width : 0;
    const atS = run.fromS + share * (run.toS - run.fromS);
    const offer = run.offers.find(({ release }) => release >= atS - STRETCH_S / 2) ?? run.offers.at(-1);
    if (offer) this.chosen.set({ row: row.id, offer });
  }

  protected pick(row: string, offer: Offer): void {
    this.chosen.set({ row, offer });
  }

  protected left(timeS: number): number {
    const span = this.span()!;
    return (100 * (timeS - span.fromS)) / (span.toS - span.fromS);
  }

  protected time(timeS: number): string {
    return clockMinute(timeS);
  }

  protected walkIn({ car }: Offer): void {
    askFor(this.router, '/bookings', `walk-in=${car},${this.laps()},${this.isNew() ? 'new' : 'known'}`);
  }

  /** One more in a group: the plan gives a car and the time once the day is planned again. */
  protected join(id: string, guest: string | null): void {
    const [date, stored] = [this.data.date(), this.data.view()?.groups?.find((group) => group.id === id)];
    if (!date || !stored || guest === null) return;
    const { fields, version } = stored;
    if (fields.members.includes(guest)) return this.data.refuse(`This guest is in ${fields.name} already.`);
    const body = { version, fields: { ...fields, members: [...fields.members, guest] } };
    this.api.call(contract.changeGroup, { params: { date, id }, body }).subscribe({
      next: () => {
        this.data.reload();
        this.data.say(`In ${fields.name} now: plan the day again, so that there is a car for the place.`);
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected sell(guest: string, { car }: Offer): void {
    askFor(this.router, `/guests/${guest}`, `more=${car},${this.laps()}`);
  }
}

interface DayRow extends DayAhead {
  readonly date: string;
  readonly words: string;
  readonly drives: number;
}

function sameParts<T extends object>(a: T, b: T): boolean {
  return (Object.keys(a) as (keyof T)[]).every((part) => a[part] === b[part]);
}

function isSame(a: Offer, b: Offer): boolean {
  return a.car === b.car && a.release === b.release;
}
