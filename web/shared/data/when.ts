import { computed, inject, Injectable } from '@angular/core';
import { clockMinute } from '@core/values';
import type { PersonOccupancy } from '@core/day';
import { startsOf, type Start } from '@core/live/drift';
import { DayService } from './day.service';

/** "11:34, planned 11:27"; where both are the same minute, only that. */
export function startWords({ atS, acceptedS }: Start): string {
  const [at, accepted] = [clockMinute(atS), clockMinute(acceptedS)];
  return at === accepted ? at : `${at}, planned ${accepted}`;
}

/** When what is to come of the open day will begin. */
@Injectable({ providedIn: 'root' })
export class When {
  private readonly data = inject(DayService);
  readonly start = computed(() => {
    const context = this.data.context();
    return context
      ? startsOf(context, this.data.drift())
      : ({ startS }: PersonOccupancy) => ({ atS: startS, acceptedS: startS });
  });
  readonly words = computed(() => {
    const start = this.start();
    return (occupancy: PersonOccupancy) => startWords(start(occupancy));
  });
}
