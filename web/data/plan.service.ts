import { inject, Injectable, signal } from '@angular/core';
import { contract } from '@core/api';
import { Api } from './api';
import { DayService } from './day.service';
import { Who } from './who';

/** Asks the server to plan the day, or to plan again from now on. */
@Injectable({ providedIn: 'root' })
export class PlanService {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly who = inject(Who);
  readonly running = signal(false);

  plan(reason: string): void {
    const date = this.data.date();
    if (!date || this.running()) return;
    this.running.set(true);
    this.api.call(contract.planDay, { params: { date }, body: { author: this.who.name(), reason } }).subscribe({
      next: ({ revision, unplanned, drives }) => {
        this.running.set(false);
        this.data.reload();
        this.data.say(
          `Plan ${revision.revision}: ${drives} drives planned${unplanned > 0 ? `, ${unplanned} left out with reasons` : ''}.`,
        );
      },
      error: (error: Error) => {
        this.running.set(false);
        this.data.refuse(error.message);
      },
    });
  }
}
