import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { bookingFields, type BookingFields } from '@core/venue/booking';
import { contract, type Booking } from '@core/api';
import { listLapPrice } from '@core/venue/fleet';
import { cents, clockMinute, DAY_S, type Json, money, wallClock } from '@core/values';
import { GUEST_STAGE_WORDS } from '@words';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import * as z from 'zod';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { balanceDue, dueWords } from '../../stations/money/money';
import { carLabel } from '../../../shared/data/names';
import { newId } from '../../../shared/data/new-id';
import { known } from '../../../shared/data/reading';
import { onRequest } from '../../../shared/frame/requests';
import { PlanService } from '../../../shared/data/plan.service';
import { withCurrency } from '../../../shared/forms/fields';
import { editing, RecordEditor, type Edited } from '../../../shared/forms/record-editor';
import { bookingFormFields } from './booking-fields';
import { Slips } from '../../../shared/frame/slips';
import { BookingWays, type Way } from './booking-ways';
import { ImportDialog } from './import-dialog';

const NEW_BOOKING: Json = {
  reference: '',
  name: '',
  languages: ['en'],
  pace: 'first',
  sequence: 'any',
  price: 0,
  paid: 0,
  briefed: false,
  sighted: false,
  avoidInstructors: [],
  preferInstructors: [],
  drives: [],
};

/** The bookings of the day: the list, import, and the form. */
@Component({
  selector: 'jl-bookings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BookingWays, Button, FormsModule, ImportDialog, InputText, RecordEditor, RouterLink, Slips, TableModule],
  templateUrl: './bookings.html',
  styles: `
    .name {
      font-weight: 640;
      color: inherit;
    }
    td .line {
      display: block;
      font-size: 12px;
      font-stretch: 90%;
    }
  `,
  host: { class: 'screen' },
})
export class Bookings {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly data = inject(DayService);
  protected readonly planning = inject(PlanService);
  private readonly currency = inject(DayService).currency;
  /** Guest whose booking is to be edited at once; bound from the address. */
  readonly edit = input<string>();
  /** For its prices; read when the first booking is added. */
  private readonly fleet = rxResource({
    params: () => this.edited() && {},
    stream: () => this.api.call(contract.listCars),
  });
  protected readonly query = signal('');
  protected readonly importOpen = signal(false);
  private readonly ways = viewChild.required(BookingWays);
  protected readonly edited = signal<Edited | undefined>(undefined);

  protected readonly fields = computed(() => {
    const view = this.data.view();
    const fields = bookingFormFields(
      (view?.day.cars ?? []).map(({ id, name }) => ({ value: id, label: `${view?.carNumbers[id] ?? ''} ${name}` })),
      (view?.day.instructors ?? []).map(({ id, name }) => ({ value: id, label: name })),
      (view?.bookings ?? []).map(({ fields: { reference, name } }) => ({
        value: reference,
        label: `${name}, ${reference}`,
      })),
      this.edited()?.version === undefined,
    );
    return withCurrency(fields, this.currency());
  });
  protected readonly rows = computed(() => {
    const view = this.data.view();
    const words = this.query().toLowerCase();
    return (view?.bookings ?? [])
      .filter(({ fields }) => `${fields.name} ${fields.reference} ${fields.party ?? ''}`.toLowerCase().includes(words))
      .map((booking) => {
        const { id, fields } = booking;
        const today = this.data.state()?.guests.get(id);
        return {
          id,
          booking,
          fields,
          reference: fields.reference,
          name: fields.name,
          arrives: fields.arrives,
          arrivesText: clockMinute(fields.arrives),
          drives: fields.drives.map((drive) => this.driveWords(drive)).join(', '),
          due: fields.cancelled === undefined ? balanceDue(fields, today) : 0,
          dueText: fields.cancelled === undefined ? dueWords(fields, today, this.currency()) : this.paidBack(fields),
          cancelled: fields.cancelled,
          where: fields.cancelled !== undefined ? 'cancelled' : today ? GUEST_STAGE_WORDS[today.stage] : '',
        };
      });
  });

  protected readonly count = computed(() => {
    const cancelled = this.rows().filter((row) => row.cancelled !== undefined).length;
    return `${this.rows().length - cancelled} bookings${cancelled > 0 ? `, ${cancelled} cancelled` : ''}`;
  });

  protected plan(): void {
    this.planning.start('improve', this.data.plan() ? 'Bookings changed' : 'First plan of the day');
    void this.router.navigate(['/board']);
  }

  private openedFor: string | undefined;

  constructor() {
    onRequest({
      'walk-in': (wanted) => this.walkIn(wanted),
      add: () => this.add(),
      import: () => this.importOpen.set(true),
    });
    effect(() => {
      const id = this.edit();
      const booking = this.data.bookings().get(id ?? '');
      // Once only: when the list is read anew, what the person has typed must stay.
      if (!booking || id === this.openedFor) return;
      this.openedFor = id;
      untracked(() => this.open(booking));
    });
  }

  protected open(booking: Booking): void {
    const date = this.data.date()!;
    this.edited.set(
      editing(bookingFields, {
        title: `Booking of ${booking.fields.name}`,
        fields: z.encode(bookingFields, booking.fields),
        version: booking.version,
        save: (fields, version) =>
          this.api.call(contract.changeBooking, {
            params: { date, id: booking.id },
            body: { version: version!, fields },
          }),
        ways: this.waysOf(booking),
        remove: {
          label: 'Take off the day as if it had never been',
          run: () =>
            this.api.call(contract.removeBooking, {
              params: { date, id: booking.id },
              body: { version: booking.version },
            }),
        },
      }),
    );
  }

  private waysOf(booking: Booking): Edited['ways'] {
    const { cancelled, drives } = booking.fields;
    if (cancelled !== undefined) return [{ label: 'Not cancelled after all', go: () => this.takeBack(booking) }];
    const to = (kind: Way, label: string) => ({ label, go: () => this.ways().begin(kind, booking) });
    return [
      to('move', 'Move to another day…'),
      ...(drives.length > 1 ? [to('split', 'Split…')] : []),
      to('join', 'Join with another…'),
      to('cancel', 'Cancel…'),
    ];
  }

  private takeBack({ id, version, fields: { cancelled: _, ...fields } }: Booking): void {
    const params = { date: this.data.date()!, id };
    this.api.call(contract.changeBooking, { params, body: { version, fields } }).subscribe({
      next: () => this.told('The booking stands again.'),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected told(words: string): void {
    this.data.reload();
    this.data.say(words);
  }

  /** By the prices of the cars, the cheapest of those of which any will do; nothing of a car without one. */
  private listPrice(drives: BookingFields['drives']): number {
    const fleet = new Map((known(this.fleet)?.cars ?? []).map(({ fields }) => [fields.id, fields]));
    const priceOf = ({ cars, ride }: BookingFields['drives'][number]) => {
      const each = cars.map((id) => listLapPrice(fleet.get(id) ?? {}, ride) ?? 0);
      return each.length === 0 ? 0 : Math.min(...each);
    };
    return cents(drives.reduce((sum, drive) => sum + priceOf(drive) * drive.laps, 0));
  }

  /** Somebody stands at the desk: a reference of its own, here from now on. */
  protected walkIn(wanted?: string): void {
    // Chosen before: a car, how many laps, and whether class and sighting run are behind the guest.
    const [car, laps, known] = wanted?.split(',') ?? [];
    const drives = car ? [{ id: newId(), cars: [car], laps: Number(laps) || 5 }] : [];
    const isKnown = known === 'known';
    this.add({ reference: this.freeReference('W'), drives, briefed: isKnown, sighted: isKnown }, 'Walk-in');
  }

  /** The first of `B1`, `B2`, … that no booking of the day has. */
  private freeReference(letter: string): string {
    const taken = new Set((this.data.view()?.bookings ?? []).map(({ fields }) => fields.reference));
    let number = 1;
    while (taken.has(`${letter}${number}`)) number += 1;
    return `${letter}${number}`;
  }

  /** The next five minutes from now on a day that has begun, else its opening. */
  private arrivesNow(): string {
    const { opens = 9 * 3600, closes = DAY_S } = this.data.day() ?? {};
    const soon = Math.ceil(this.data.nowS() / 300) * 300;
    return wallClock(soon > opens && soon < closes ? soon : opens);
  }

  protected add(more: Json = {}, title = 'New booking'): void {
    const date = this.data.date()!;
    this.edited.set(
      editing(bookingFields, {
        title,
        fields: { ...NEW_BOOKING, reference: this.freeReference('B'), ...more, arrives: this.arrivesNow() },
        version: undefined,
        follows: new Map([['price', (typed: Json) => this.listPrice(typed['drives'] as BookingFields['drives'])]]),
        save: (fields) => this.api.call(contract.addBooking, { params: { date }, body: fields }),
      }),
    );
  }

  protected saved(what: 'saved' | 'removed'): void {
    this.data.reload();
    this.data.say(what === 'saved' ? 'The booking is saved.' : 'The booking is taken off the day.');
    this.openedFor = undefined;
    if (this.edit()) void this.router.navigate([], { queryParams: {} });
  }

  /** What a cancelled booking has paid, if anything: somebody has to decide about it. */
  private paidBack({ paid }: BookingFields): string {
    return paid > 0 ? `${money(paid, this.currency())} paid` : '';
  }

  private driveWords({ cars, laps, ride }: BookingFields['drives'][number]): string {
    const view = this.data.view();
    return `${[...new Set(cars.map((id) => carLabel(view, id)))].join(' or ')} × ${laps}${ride ? ', a ride' : ''}`;
  }
}
