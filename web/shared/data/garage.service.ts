import { inject, Injectable, signal } from '@angular/core';
import { contract } from '@core/api';
import type { CrewDay } from '@core/people/crew';
import type { CarDay } from '@core/venue/garage';
import { Api } from './api';
import { DayService } from './day.service';

/** What the cars did on the days up to the one that is open; today is counted from the journal on screen. */
@Injectable({ providedIn: 'root' })
export class GarageService {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  /** Days before the one that is open. */
  readonly earlier = signal<readonly CarDay[]>([]);
  /** What the crew did on those days. */
  readonly crew = signal<readonly CrewDay[]>([]);
  /** Whether any of it has been read yet. */
  readonly isRead = signal(false);
  readonly failure = signal<string | undefined>(undefined);

  refresh(): void {
    const date = this.data.date();
    if (!date) return;
    this.api.call(contract.readGarage, { params: { date } }).subscribe({
      next: ({ days, crew }) => {
        this.failure.set(undefined);
        this.isRead.set(true);
        this.earlier.set(days.filter((day) => day.date < date));
        this.crew.set(crew.filter((day) => day.date < date));
      },
      error: (error: Error) => this.failure.set(error.message),
    });
  }
}
