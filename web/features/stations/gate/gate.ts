import { FocusKeyManager, type FocusableOption } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  Directive,
  ElementRef,
  inject,
  Injector,
  input,
  signal,
  viewChildren,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { knownAnswers } from '@core/venue/booking';
import { clockMinute } from '@core/values';
import type { Day, Guest, Plan } from '@core/day';
import { isCleared, nextOccupancy, type GuestState } from '@core/journal';
import { answersWords, GUEST_STAGE_WORDS, HOUSE_RULE } from '@words';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import type { NewEntry } from '../../../shared/data/open-day';
import { TakeMoney } from '../money/take-money';
import { occupancyWords } from '../../../shared/data/next-words';
import { carLabel } from '../../../shared/data/names';
import { When } from '../../../shared/data/when';
import { FitSwap } from './fit-swap';
import { GateQuestions } from './gate-questions';

/** A row that arrow keys reach. */
@Directive({ selector: '[jlGateRow]', host: { tabindex: '-1' } })
export class GateRow implements FocusableOption {
  readonly guestId = input.required<string>({ alias: 'jlGateRow' });
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  focus(): void {
    this.element.nativeElement.focus();
  }
}

interface Step {
  readonly key: string;
  readonly label: string;
  readonly done: (guest: GuestState) => boolean;
  readonly entry: (guest: string) => NewEntry;
}

/** What is done at the gate for each guest, in order. */
const STEPS: readonly Step[] = [
  {
    key: 'a',
    label: 'Arrived',
    done: (it) => it.arrivedS !== undefined,
    entry: (guest) => ({ kind: 'guestArrived', guest }),
  },
  { key: 'w', label: 'Waiver', done: (it) => it.waiver, entry: (guest) => ({ kind: 'waiverSigned', guest }) },
  { key: 'l', label: 'Licence', done: (it) => it.licence, entry: (guest) => ({ kind: 'licenceSeen', guest }) },
  { key: 'h', label: 'Helmet', done: (it) => it.helmet, entry: (guest) => ({ kind: 'helmetFitted', guest }) },
];

type Filter = 'gate' | 'all';

/** The arrivals in order; a guest is cleared in a few keystrokes. */
@Component({
  selector: 'jl-gate',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FitSwap, FormsModule, GateQuestions, GateRow, InputText, RouterLink, SelectButton, TakeMoney],
  templateUrl: './gate.html',
  styleUrl: './gate.scss',
  host: { class: 'screen' },
})
export class Gate {
  protected readonly data = inject(DayService);
  private readonly when = inject(When);
  private readonly words = inject(DayWords);
  protected readonly steps = STEPS;
  protected readonly houseRule = HOUSE_RULE;
  protected readonly filter = signal<Filter>('gate');
  protected readonly query = signal('');
  /** A guest who is cleared and is asked something all the same. */
  protected readonly asked = signal<string | undefined>(undefined);
  protected readonly filters = [
    { label: 'To come and at the gate', value: 'gate' },
    { label: 'All of today', value: 'all' },
  ];
  private readonly rowElements = viewChildren(GateRow);
  private readonly keys = new FocusKeyManager(this.rowElements, inject(Injector)).withHomeAndEnd();

  protected readonly rows = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return [];
    const words = this.query().toLowerCase();
    const open = (guest: GuestState) => (!isCleared(guest) || guest.arrivedS === undefined) && guest.gone === undefined;
    return [...state.guests.values()]
      .filter((guest) => this.filter() === 'all' || open(guest))
      .map((guest) => ({ guest, booking: this.data.bookings().get(guest.guest.id) }))
      .filter(({ guest, booking }) =>
        `${guest.guest.name} ${booking?.fields.reference ?? ''} ${guest.guest.party ?? ''}`
          .toLowerCase()
          .includes(words),
      )
      .sort(
        (a, b) => a.guest.guest.arrives - b.guest.guest.arrives || a.guest.guest.name.localeCompare(b.guest.guest.name),
      )
      .map(({ guest, booking }) => ({
        guest,
        cleared: STEPS.every(({ done }) => done(guest)),
        /** Whoever stands at the gate is asked, and one of those who have gone on, where something is missing. */
        asking:
          guest.gone === undefined &&
          ((guest.arrivedS !== undefined && !isCleared(guest)) || this.asked() === guest.guest.id),
        needsHeight: this.needsHeight(context.day, guest.guest),
        answers: answersWords(knownAnswers(booking?.fields, guest.answers)).join(' · '),
        fields: booking?.fields,
        // Who has told of being late is expected then, and is late all the same.
        toldLate:
          guest.arrivedS === undefined && booking && booking.fields.arrives < guest.guest.arrives
            ? `late, booked for ${clockMinute(booking.fields.arrives)}`
            : undefined,
        next: occupancyWords(nextOccupancy(context, state, guest.guest.id), this.data.view(), {}, this.when.words()),
        lateMin: guest.arrivedS === undefined && !guest.gone ? Math.floor((state.timeS - guest.guest.arrives) / 60) : 0,
        booked: this.booked(context.day, guest.guest),
        warning: this.leftOut(context.schedule.plan, guest.guest),
        place: GUEST_STAGE_WORDS[guest.stage],
      }));
  });
  /** The cars of a guest's drives, and the groups. */
  private booked({ groups = [] }: Day, { id, drives }: Guest): string[] {
    const cars = drives.flatMap((drive) => drive.cars.map((car) => carLabel(this.data.view(), car)));
    const own = groups.filter(({ members }) => members.includes(id)).map(({ name }) => name);
    return [...new Set([...cars, ...own])];
  }

  /** Whether one of the cars that a guest booked is for some heights only. */
  private needsHeight({ cars }: Day, { drives }: Guest): boolean {
    const booked = new Set(drives.flatMap((drive) => drive.cars));
    return cars.some(({ id, fit }) => booked.has(id) && (fit?.minHeightCm ?? fit?.maxHeightCm) !== undefined);
  }

  /** Why a drive of a guest is left out, where one is. */
  private leftOut({ unplanned }: Plan, { drives }: Guest): string | undefined {
    const out = unplanned.find(({ drive }) => drives.some(({ id }) => id === drive));
    return out && this.words.tell().leftOut(out.reason);
  }

  protected readonly summary = computed(() => {
    const guests = [...(this.data.state()?.guests.values() ?? [])];
    const late = guests.filter((it) => it.stage === 'expected' && it.guest.arrives < this.data.shownS()).length;
    const here = guests.filter((it) => it.arrivedS !== undefined).length;
    return `${here} of ${guests.length} have come${late > 0 ? `, ${late} late` : ''}`;
  });

  protected time(atS: number): string {
    return clockMinute(atS);
  }

  protected enter(step: Step, guest: GuestState): void {
    if (!step.done(guest)) this.data.record(step.entry(guest.guest.id));
  }

  /** All that is missing, in one go. */
  protected clear(guest: GuestState): void {
    for (const step of STEPS) {
      if (!step.done(guest) && !this.data.record(step.entry(guest.guest.id))) return;
    }
  }

  protected noShow(guest: GuestState): void {
    this.data.record({ kind: 'guestNoShow', guest: guest.guest.id });
  }

  /** Takes back the last entry about this guest. */
  protected undo(guest: GuestState): void {
    const last = [...this.data.entries()]
      .reverse()
      .find(({ entry }) => 'guest' in entry && entry.guest === guest.guest.id && !this.isTakenBack(entry.id));
    if (last) this.data.undo(last.entry.id);
  }

  protected key(event: KeyboardEvent, guest: GuestState, place: number): void {
    if (event.ctrlKey || event.altKey || event.metaKey || event.target !== event.currentTarget) return;
    const step = STEPS.find(({ key }) => key === event.key);
    if (step) this.enter(step, guest);
    else if (event.key === 'c') this.clear(guest);
    else if (event.key === 'x') this.noShow(guest);
    else if (event.key === 'u') this.undo(guest);
    else if (event.key === 'Enter') {
      const next = STEPS.find(({ done }) => !done(guest));
      if (next) this.enter(next, guest);
    } else {
      this.keys.updateActiveItem(place);
      this.keys.onKeydown(event);
      return;
    }
    event.preventDefault();
    // A cleared guest leaves the list; the row that takes the place has the focus, so that one can go on.
    setTimeout(() => {
      const rows = this.rowElements();
      if (rows.length > 0 && !rows.some((row) => row.guestId() === guest.guest.id)) {
        this.keys.setActiveItem(Math.min(place, rows.length - 1));
      }
    });
  }

  protected fromSearch(event: KeyboardEvent): void {
    if (event.key !== 'ArrowDown' && event.key !== 'Enter') return;
    event.preventDefault();
    this.keys.setFirstItemActive();
  }

  private isTakenBack(entryId: string): boolean {
    return this.data.entries().some(({ entry }) => entry.kind === 'correction' && entry.corrects === entryId);
  }
}
