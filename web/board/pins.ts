import { inject, Injectable } from '@angular/core';
import { contract, type Booking, type BookingFields } from '@core/api';
import type { PlannedDrive } from '@core/day';
import { Api } from '../data/api';
import { DayService } from '../data/day.service';

type BookedDrive = BookingFields['drives'][number];

/** What the manager fixes for the planner: a drive where it stands, or an instructor for all drives of a guest. */
@Injectable({ providedIn: 'root' })
export class Pins {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);

  /** Fixes a drive at its release, in its car and with its instructor; nothing in place of a plan lets it go. */
  pinDrive(guest: string, drive: string, planned: PlannedDrive | undefined): void {
    this.change(guest, (booked) => (booked.id === drive ? withPin(booked, planned && placeOf(planned)) : booked));
  }

  /** Fixes the instructor of all drives of a guest, or lets the planner choose again. */
  pinInstructor(guest: string, instructor: string | undefined): void {
    this.change(guest, (booked) => withPin(booked, { ...booked.pin, instructor }));
  }

  private change(guest: string, change: (drive: BookedDrive) => BookedDrive): void {
    const [date, booking] = [this.data.date(), this.data.bookings().get(guest)];
    if (!date || !booking) return;
    this.api.call(contract.changeBooking, { params: { date, id: guest }, body: changed(booking, change) }).subscribe({
      next: () => this.data.reload(),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}

function changed({ version, fields }: Booking, change: (drive: BookedDrive) => BookedDrive) {
  return { version, fields: { ...fields, drives: fields.drives.map(change) } };
}

function placeOf({ release, car, instructor }: PlannedDrive) {
  return { release, car, instructor };
}

function withPin({ pin: _, ...drive }: BookedDrive, pin: BookedDrive['pin']): BookedDrive {
  const fixed = pin && Object.fromEntries(Object.entries(pin).filter(([, value]) => value !== undefined));
  return fixed && Object.keys(fixed).length > 0 ? { ...drive, pin: fixed } : drive;
}
