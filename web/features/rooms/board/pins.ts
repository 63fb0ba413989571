import { inject, Injectable } from '@angular/core';
import type { PlannedDrive } from '@core/day';
import { BookedDrives, type BookedDrive } from '../../../shared/data/booked-drives';

/** What the manager fixes for the planner: a drive where it stands, or an instructor for all drives of a guest. */
@Injectable({ providedIn: 'root' })
export class Pins {
  private readonly booked = inject(BookedDrives);

  /** Fixes a drive at its release, in its car and with its instructor; nothing in place of a plan lets it go. */
  pinDrive(guest: string, drive: string, planned: PlannedDrive | undefined): void {
    this.booked.change(guest, (booked) =>
      booked.id === drive ? withPin(booked, planned && placeOf(planned)) : booked,
    );
  }

  /** Fixes the instructor of all drives of a guest, or lets the planner choose again. */
  pinInstructor(guest: string, instructor: string | undefined): void {
    this.booked.change(guest, (booked) => withPin(booked, { ...booked.pin, instructor }));
  }
}

function placeOf({ release, car, instructor }: PlannedDrive) {
  return { release, car, instructor };
}

function withPin({ pin: _, ...drive }: BookedDrive, pin: BookedDrive['pin']): BookedDrive {
  const fixed = pin && Object.fromEntries(Object.entries(pin).filter(([, value]) => value !== undefined));
  return fixed && Object.keys(fixed).length > 0 ? { ...drive, pin: fixed } : drive;
}
