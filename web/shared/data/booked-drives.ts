import { inject, Injectable } from '@angular/core';
import { contract } from '@core/api';
import type { BookingFields } from '@core/venue/booking';
import { Api } from './api';
import { DayService } from './day.service';

export type BookedDrive = BookingFields['drives'][number];

/** The drives that a guest has booked, changed where somebody stands rather than in the booking's form. */
@Injectable({ providedIn: 'root' })
export class BookedDrives {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);

  /** Changes each drive of a guest; what is to follow begins once the server has it. */
  change(guest: string, change: (drive: BookedDrive) => BookedDrive, then?: () => void): void {
    const [date, booking] = [this.data.date(), this.data.bookings().get(guest)];
    if (!date || !booking) return;
    const { version, fields } = booking;
    const body = { version, fields: { ...fields, drives: fields.drives.map(change) } };
    this.api.call(contract.changeBooking, { params: { date, id: guest }, body }).subscribe({
      next: () => {
        this.data.reload();
        then?.();
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}
