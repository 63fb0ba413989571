import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { contract, type Booking } from '@core/api';
import { currencyDecimals, clockMinute, dateIn, timeIn } from '@core/values';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Dialog } from 'primeng/dialog';
import { NumberField } from '../../../shared/forms/number-field';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import type { Observable } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { carLabel } from '../../../shared/data/names';
import { MomentField } from '../../../shared/forms/moment-field';

export type Way = 'move' | 'split' | 'join' | 'cancel';

const TITLES: Readonly<Record<Way, string>> = {
  move: 'Move to another day',
  split: 'Split',
  join: 'Join',
  cancel: 'Cancel the booking',
};

/** What becomes of a booking besides being changed: another day, two of it, one of two, cancelled. */
@Component({
  selector: 'jl-booking-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, Dialog, FormsModule, NumberField, InputText, MomentField, Select],
  templateUrl: './booking-ways.html',
  styles: `
    form {
      display: grid;
      gap: 0.7rem;
    }
    label {
      display: grid;
      gap: 0.2rem;
      font-weight: 600;
    }
    label.check {
      display: flex;
      align-items: center;
      gap: 0.5rem;
      font-weight: 400;
    }
    fieldset {
      display: grid;
      gap: 0.3rem;
      margin: 0;
      border: 1px solid var(--p-jl-line);
      border-radius: 6px;
    }
    p {
      margin: 0;
    }
    .buttons {
      display: flex;
      justify-content: flex-end;
      gap: 0.5rem;
    }
  `,
})
export class BookingWays {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  protected readonly currency = this.data.currency;
  protected readonly decimals = computed(() => currencyDecimals(this.currency()));
  readonly done = output<string>();
  protected readonly titles = TITLES;
  protected readonly chosen = signal<{ readonly kind: Way; readonly booking: Booking } | undefined>(undefined);
  protected readonly sending = signal(false);
  protected readonly to = signal('');
  protected readonly arrives = signal('');
  protected readonly going = signal<readonly string[]>([]);
  protected readonly name = signal('');
  protected readonly reference = signal('');
  protected readonly price = signal(0);
  protected readonly paid = signal(0);
  protected readonly other = signal('');
  protected readonly why = signal('');
  protected readonly drives = computed(() => {
    const view = this.data.view();
    return (this.chosen()?.booking.fields.drives ?? []).map(({ id, cars, laps }) => ({
      id,
      words: `${cars.map((car) => carLabel(view, car)).join(' or ')} × ${laps}`,
    }));
  });
  protected readonly others = computed(() =>
    (this.data.view()?.bookings ?? [])
      .filter(({ id, fields }) => id !== this.chosen()?.booking.id && fields.cancelled === undefined)
      .map(({ id, fields: { name, reference } }) => ({ value: id, label: `${name}, ${reference}` })),
  );
  /** What is on the day to which it is to go. */
  protected readonly dayWords = computed(() => {
    if (!this.to()) return '';
    const day = this.data.days().find(({ date }) => date === this.to());
    if (!day) return 'No event day yet: it is added.';
    return `${day.bookings} bookings, ${day.drives} drives, ${day.revision ? 'planned' : 'no plan yet'}.`;
  });
  protected readonly canGo = computed(() => {
    switch (this.chosen()?.kind) {
      case 'move':
        return (
          this.to() !== '' &&
          this.to() !== this.data.date() &&
          timeIn(this.arrives()) !== undefined &&
          dateIn(this.to()) !== undefined
        );
      case 'split':
        return this.going().length > 0 && this.name().trim() !== '' && this.reference().trim() !== '';
      case 'join':
        return this.other() !== '';
      case 'cancel':
        return true;
      case undefined:
        return false;
    }
  });

  /** Begins one of them. */
  begin(kind: Way, booking: Booking): void {
    const { arrives, reference } = booking.fields;
    this.to.set('');
    this.arrives.set(clockMinute(arrives));
    this.going.set([]);
    this.name.set('');
    this.reference.set(`${reference}-2`);
    this.price.set(0);
    this.paid.set(0);
    this.other.set('');
    this.why.set('');
    this.chosen.set({ kind, booking });
  }

  /** The share of price and payment goes with the laps, until somebody says otherwise. */
  protected choose(going: readonly string[]): void {
    this.going.set(going);
    const { drives, price, paid } = this.chosen()!.booking.fields;
    const laps = (of: typeof drives) => of.reduce((sum, drive) => sum + drive.laps, 0);
    const share = laps(drives.filter(({ id }) => going.includes(id))) / Math.max(1, laps(drives));
    this.price.set(Math.round(price * share));
    this.paid.set(Math.round(paid * share));
  }

  protected go(event: Event): void {
    event.preventDefault();
    const { kind, booking } = this.chosen()!;
    this.sending.set(true);
    this.call(kind, booking).subscribe({
      next: () => {
        this.sending.set(false);
        this.chosen.set(undefined);
        this.done.emit(this.told(kind));
      },
      error: (error: Error) => {
        this.sending.set(false);
        this.data.refuse(error.message);
      },
    });
  }

  private call(kind: Way, { id, version }: Booking): Observable<unknown> {
    const params = { date: this.data.date()!, id };
    switch (kind) {
      case 'move': {
        const arrives = timeIn(this.arrives())!;
        return this.api.call(contract.moveBooking, { params, body: { version, to: this.to(), arrives } });
      }
      case 'split': {
        const [name, reference] = [this.name().trim(), this.reference().trim()];
        const [price, paid, drives] = [this.price(), this.paid(), [...this.going()]];
        return this.api.call(contract.splitBooking, {
          params,
          body: { version, drives, name, reference, price, paid },
        });
      }
      case 'join':
        return this.api.call(contract.joinBookings, { params, body: { version, other: this.other() } });
      case 'cancel': {
        const why = this.why().trim();
        return this.api.call(contract.cancelBooking, { params, body: { version, ...(why && { why }) } });
      }
    }
  }

  private told(kind: Way): string {
    const words: Record<Way, string> = {
      move: `The booking stands on ${this.to()} now.`,
      split: 'There are two bookings now.',
      join: 'The bookings are one now.',
      cancel: 'The booking is cancelled.',
    };
    return words[kind];
  }
}
