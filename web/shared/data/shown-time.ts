import { computed, inject, Injectable, linkedSignal } from '@angular/core';
import { DayFeed } from './day-feed';
import { DayJournal } from './day-journal';

/** The time that every screen shows: now, unless the ribbon is set elsewhere. */
@Injectable({ providedIn: 'root' })
export class ShownTime {
  private readonly journal = inject(DayJournal);
  /** A day that begins anew is shown as it is now. */
  private readonly elsewhere = linkedSignal<number, number | undefined>({
    source: inject(DayFeed).begun,
    computation: () => undefined,
  });
  readonly shownS = computed(() => this.elsewhere() ?? this.journal.nowS());
  readonly live = computed(() => this.elsewhere() === undefined);

  /** Shows another time of the day, or now again; nothing brings it back to now by itself. */
  show(timeS: number | undefined): void {
    this.elsewhere.set(timeS);
  }
}
